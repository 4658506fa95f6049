import { z } from 'zod';
import {
	INGREDIENT_KINDS,
	isAddition,
	MOST_PERCENT,
	PREPARATION_KINDS,
	type Addition,
	type Step
} from '../core/formula/index.ts';
import { EXTRA_USES } from '../core/production/index.ts';
import {
	ingredientContent,
	preparationContent,
	productContent,
	formulaContent
} from './formula-book.ts';
import { stepsSchema } from './steps.ts';
import { line, nameSchema } from './text.ts';

/** What a file of this kind says it is, and in which version it is written. */
export const BOOK_FORMAT = 'jovet-book';
export const BOOK_VERSION = 1;

/** As many of each as a file may hold; a book is smaller (our default). */
export const MOST_OF_EACH = 2000;

/** Everything in a file is called by its name: ids are of one bakery alone. */
const materialFields = { of: nameSchema, is: z.enum(['ingredient', 'preparation']) };

/** Steps as they are anywhere: the places they wait in stay behind, their temperatures go along. */
const steps = stepsSchema.transform((chain) => chain.map(withoutPlaces));

/** A step as another bakery can follow it. */
export function withoutPlaces(step: Step): Step {
	return step.kind === 'wait'
		? { ...step, legs: step.legs.map((leg) => ({ ...leg, named: null })) }
		: step;
}

const ingredient = z.strictObject({
	name: nameSchema,
	kind: z.enum(INGREDIENT_KINDS),
	composition: ingredientContent.composition,
	yeastFreshEquivalent: ingredientContent.yeastFreshEquivalent,
	allergens: ingredientContent.allergens,
	/** In kJ for a kilogram and a degree. */
	heatCapacity: ingredientContent.heatCapacity,
	/** In kilograms for a litre; null while nobody weighed one. */
	density: ingredientContent.density,
	/** The share of a caustic that is caustic. */
	purityShare: ingredientContent.purityShare,
	/** Between what temperatures a fat rolls out. */
	rolling: ingredientContent.rolling
});

const preparation = z.strictObject({
	name: nameSchema,
	kind: z.enum(PREPARATION_KINDS),
	buildLossShare: preparationContent.buildLossShare,
	takeBackGrams: preparationContent.takeBackGrams,
	/** How a bath is used. */
	bath: preparationContent.bath,
	lines: z
		.array(z.strictObject({ ...materialFields, parts: z.number().positive().max(1e6) }))
		.min(1)
		.max(200),
	steps
});

const formula = z.strictObject({
	name: nameSchema,
	doughLossShare: formulaContent.doughLossShare,
	targetCelsius: formulaContent.targetCelsius,
	mostDoughGrams: formulaContent.mostDoughGrams,
	lines: z
		.array(
			z.strictObject({
				...materialFields,
				percentOfFlour: z.number().positive().max(MOST_PERCENT),
				addition: z.custom<Addition>(
					(value) => typeof value === 'string' && isAddition(value),
					'not a time to add something at'
				)
			})
		)
		.min(1)
		.max(200),
	steps
});

const product = z.strictObject({
	name: nameSchema,
	doughs: z
		.array(z.strictObject({ formula: nameSchema, scaledGrams: z.number().positive().max(100_000) }))
		.min(1)
		.max(6),
	extras: z
		.array(
			z.strictObject({
				use: z.enum(EXTRA_USES),
				...materialFields,
				grams: z.number().positive().max(1e6),
				forPieces: z.int().min(1).max(9999)
			})
		)
		.max(20),
	bakedGrams: productContent.bakedGrams,
	bakeLossShare: productContent.bakeLossShare,
	sparesShare: productContent.sparesShare,
	shape: line(200),
	score: productContent.score,
	scoreMm: productContent.scoreMm,
	footprint: productContent.footprint,
	heightCm: productContent.heightCm,
	piecesPerDeck: productContent.piecesPerDeck,
	/** How it is rolled out and cut. */
	sheet: productContent.sheet,
	spacingCm: productContent.spacingCm,
	steps
});

/** Formulas with what they are made of and what is made of them, by their names: what one bakery hands to another. */
export const bookFileSchema = z.strictObject({
	format: z.literal(BOOK_FORMAT),
	version: z.literal(BOOK_VERSION),
	/** Named in a line and not described here: the bakery that reads it knows it, or is asked. */
	ingredients: z.array(ingredient).max(MOST_OF_EACH),
	preparations: z.array(preparation).max(MOST_OF_EACH),
	formulas: z.array(formula).max(MOST_OF_EACH),
	products: z.array(product).max(MOST_OF_EACH)
});

export type BookFile = z.output<typeof bookFileSchema>;
export type FileIngredient = BookFile['ingredients'][number];
export type FilePreparation = BookFile['preparations'][number];
export type FileFormula = BookFile['formulas'][number];
export type FileProduct = BookFile['products'][number];
/** What a line of a file takes, by its name. */
export type FileMaterial = Pick<FilePreparation['lines'][number], 'of' | 'is'>;

/** The published schema of the format (JSON Schema, draft 2020-12), from the same definition that reads files. */
export function bookFileJsonSchema(): unknown {
	return {
		$id: 'https://jovet.example/formats/book-1.schema.json',
		title: 'Formulas, preparations, ingredients and products of a bakery',
		...z.toJSONSchema(bookFileSchema, {
			io: 'input',
			unrepresentable: 'any',
			override: ({ zodSchema, jsonSchema }) => {
				// What is tidied on reading is written tidily; the pattern of an addition stands for its check.
				if (zodSchema._zod.def.type === 'custom')
					Object.assign(jsonSchema, {
						type: 'string',
						pattern: '^(autolyse|start|held-back|late|fold-in|roll-in|after-([1-9]|[1-5][0-9]|60))$'
					});
			}
		})
	};
}
