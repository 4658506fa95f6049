import { z } from 'zod';
import { MOST_OF_EACH } from './book-file.ts';
import {
	formulaContent,
	ingredientContent,
	material,
	preparationContent,
	productContent
} from './formula-book.ts';
import { line } from './text.ts';

const ingredient = z
	.object(ingredientContent)
	.omit({ expectedVersion: true, weighedOn: true, placeId: true });
const preparation = z.object(preparationContent).omit({ expectedRevision: true });
const formula = z
	.object(formulaContent)
	.omit({ expectedRevision: true, deliveries: true, preparations: true });
const product = z
	.object(productContent)
	.omit({ expectedRevision: true, vesselId: true, dividerId: true });

/** What of a file is brought in: all of it new, with what it was decided that its names mean here. */
export const bringInContent = {
	ingredients: z.array(ingredient).max(MOST_OF_EACH),
	preparations: z.array(preparation).max(MOST_OF_EACH),
	formulas: z.array(formula).max(MOST_OF_EACH),
	products: z.array(product).max(MOST_OF_EACH),
	/** What a name of a file is here; it is known the next time. */
	matches: z
		.array(
			z.object({
				name: line(200, { least: 1 }),
				material
			})
		)
		.max(MOST_OF_EACH)
};
export const bringInSchema = z.object(bringInContent);
export type BringIn = z.output<typeof bringInSchema>;
