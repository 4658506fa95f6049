import { z } from 'zod';
import {
	formulaContentSchema,
	ingredientContent,
	preparationContent,
	productContent
} from '../../contracts/formula-book.ts';

/** What reads an edit that was kept in the browser. Only a page that finds one fetches this file. */
export const keptProduct = z.object(productContent);
export const keptPreparation = z.object(preparationContent);
export const keptIngredient = z.object(ingredientContent);
/** What is kept of a formula belongs to the revision it started from. */
export const keptFormula = z.object({
	revision: z.int(),
	content: formulaContentSchema,
	takenUp: z.uuid().nullable().default(null)
});
