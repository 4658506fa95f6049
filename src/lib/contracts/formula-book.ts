import { z } from 'zod';
import { USUAL_SPACING_CM } from '../core/bakery/index.ts';
import { line, nameSchema } from './text.ts';
import { uuidSchema, versionSchema } from './border-schemas.ts';
import {
	INGREDIENT_KINDS,
	isAddition,
	MILLINGS,
	MOST_PERCENT,
	PREPARATION_KINDS,
	type Addition
} from '../core/formula/index.ts';
import {
	id,
	type DeliveryId,
	type FormulaId,
	type IngredientId,
	type PlaceId,
	type PreparationId,
	type ProductId
} from '../core/identity.ts';
import { EXTRA_USES } from '../core/production/index.ts';
import { parseBakeDate } from '../core/time/index.ts';
import { sheetSchema } from './sheeting.ts';
import { stepsSchema } from './steps.ts';

const uuid = uuidSchema;
const ingredientId = uuid.transform((value) => id<IngredientId>(value));
const preparationId = uuid.transform((value) => id<PreparationId>(value));
const formulaId = uuid.transform((value) => id<FormulaId>(value));
const productId = uuid.transform((value) => id<ProductId>(value));
const deliveryId = uuid.transform((value) => id<DeliveryId>(value));

/** Whether nothing stands in a list twice. */
function isEachOnce(values: readonly string[]): boolean {
	return new Set(values).size === values.length;
}

/** What a line refers to, as it crosses the border. */
export const material = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('ingredient'), ingredientId }),
	z.object({ kind: z.literal('preparation'), preparationId })
]);
export const addition = z.custom<Addition>(
	(value) => typeof value === 'string' && isAddition(value),
	'not a time to add something at'
);
const share = z.number().min(0).max(1);
const percentOrUnknown = z.number().min(0).max(100).nullable();
const lossShare = z.number().min(0).max(0.9);
const dough = z.number().min(0).max(45);
const parts = z
	.array(z.object({ material, parts: z.number().positive().max(1e6) }))
	.min(1)
	.max(200);

/** A formula as it is saved: the dough with the builds that changed with it. */
export const formulaContent = {
	formulaId,
	/** The revision the baker started from. */
	expectedRevision: versionSchema.min(1),
	name: nameSchema,
	doughLossShare: lossShare,
	targetCelsius: dough,
	/** The most the mixer takes of this dough; null for as much as it takes of any. */
	mostDoughGrams: z.number().min(100).max(1e7).nullable(),
	steps: stepsSchema,
	deliveries: z
		.array(z.object({ ingredientId, deliveryId }))
		.max(200)
		.refine((all) => isEachOnce(all.map((delivery) => delivery.ingredientId)), {
			message: 'a flour comes from two deliveries; take one'
		}),
	lines: z
		.array(
			z.object({ material, percentOfFlour: z.number().positive().max(MOST_PERCENT), addition })
		)
		.min(1)
		.max(200),
	/** Builds and soakers whose recipe changed with it. */
	preparations: z
		.array(
			z.object({
				preparationId,
				/** 0 for a build that is made with this formula. */
				expectedRevision: versionSchema,
				/** The name of a build that is new; null for one that is there. */
				newName: nameSchema.nullable(),
				/** The build that a new one was copied from, whose steps and losses it begins with. */
				copyOf: preparationId.nullable(),
				lines: parts
			})
		)
		.max(50)
		.refine((all) => isEachOnce(all.map((preparation) => preparation.preparationId)), {
			message: 'a preparation stands in it twice'
		})
		.refine((all) => isEachOnce(all.flatMap((preparation) => preparation.newName ?? [])), {
			message: 'two new pre-ferments have the same name'
		})
};
export const formulaContentSchema = z.object(formulaContent);
export type FormulaContent = z.infer<typeof formulaContentSchema>;

const bathSchema = z.object({
	dipSeconds: z.number().min(1).max(600).nullable(),
	renewAfterMinutes: z.int().min(1).max(1440).nullable()
});

/** A build, soaker, filling, wash or bath as it is saved on its own. */
export const preparationContent = {
	preparationId,
	/** 0 for one that is new. */
	expectedRevision: versionSchema,
	name: nameSchema,
	preparationKind: z.enum(PREPARATION_KINDS),
	buildLossShare: lossShare,
	takeBackGrams: z.number().min(0).max(1e6),
	/** How a bath is used; null for all else. */
	bath: bathSchema.nullable().default(null),
	lines: parts,
	steps: stepsSchema
};

/** A product as it is saved. */
export const productContent = {
	productId,
	expectedRevision: versionSchema,
	name: nameSchema,
	doughs: z
		.array(
			z.object({
				formulaId,
				scaledGrams: z.number().positive().max(100_000)
			})
		)
		.min(1)
		.max(6),
	extras: z
		.array(
			z.object({
				use: z.enum(EXTRA_USES),
				material,
				grams: z.number().positive().max(1e6),
				forPieces: z.int().min(1).max(9999)
			})
		)
		.max(20),
	bakedGrams: z.number().positive().max(100_000).nullable(),
	bakeLossShare: z.number().min(0).max(0.59),
	/** So many pieces more than are ordered, as a share of them. */
	sparesShare: z.number().min(0).max(0.5).default(0),
	shape: line(200),
	/** How it is cut before it is baked, in words; and how deep. */
	score: line(200).default(''),
	scoreMm: z.number().min(0.5).max(50).nullable().default(null),
	vesselId: uuid.nullable(),
	dividerId: uuid.nullable(),
	footprint: z
		.object({ lengthCm: z.number().positive().max(300), widthCm: z.number().positive().max(300) })
		.nullable(),
	/** How high a piece is when it is baked; null where that was not said. */
	heightCm: z.number().min(0.5).max(150).nullable().default(null),
	/** A count for every deck; null to have it worked out from the size of deck and piece. */
	piecesPerDeck: z.int().min(1).max(9999).nullable(),
	/** How it is rolled out and cut; null for what is divided by weight. */
	sheet: sheetSchema.nullable().default(null),
	/** Room around a piece on its deck. */
	spacingCm: z.number().min(0).max(50).default(USUAL_SPACING_CM),
	steps: stepsSchema
};

/** What is said of a product beside its doughs, what goes on it, and its steps: a field is added above, and every border follows. */
export type ProductSettings = Omit<
	z.infer<z.ZodObject<typeof productContent>>,
	'productId' | 'expectedRevision' | 'name' | 'doughs' | 'extras' | 'steps'
>;

const rollingCelsius = z.number().min(-20).max(60);

/** An ingredient as it is saved. */
export const ingredientContent = {
	ingredientId,
	/** 0 for one that is new. */
	expectedVersion: versionSchema,
	name: nameSchema,
	ingredientKind: z.enum(INGREDIENT_KINDS),
	composition: z
		.object({ flour: share, water: share, fat: share, sugar: share, wholegrainOfFlour: share })
		.refine(
			(composition) =>
				composition.flour + composition.water + composition.fat + composition.sugar <= 1 + 1e-6,
			{
				message: 'flour, water, fat and sugar add up to more than the whole'
			}
		),
	yeastFreshEquivalent: z.number().min(0).max(10),
	allergens: z.array(line(60, { least: 1 })).max(30),
	heatCapacity: z.number().positive().max(10),
	density: z.number().positive().max(5).nullable(),
	/** The share of a caustic that is caustic. */
	purityShare: z.number().min(0.01).max(1).default(1),
	/** Between what temperatures a fat rolls out, in degrees Celsius. */
	rolling: z
		.object({
			fromCelsius: rollingCelsius,
			toCelsius: rollingCelsius,
			meltsAtCelsius: rollingCelsius
		})
		.refine((one) => one.fromCelsius < one.toCelsius && one.toCelsius < one.meltsAtCelsius, {
			message: 'a fat rolls out from, up to and melts at temperatures that follow each other'
		})
		.nullable()
		.default(null),
	pricePerKilogram: z.number().min(0).max(100_000).nullable(),
	weighedOn: line(200).nullable(),
	/** Where it stands; null for where its kind usually does. */
	placeId: uuid
		.transform((value) => id<PlaceId>(value))
		.nullable()
		.default(null)
};

/** A delivery of a flour as it is written down. */
export const deliveryContent = {
	deliveryId,
	ingredientId,
	receivedOn: z
		.string()
		.refine((value) => parseBakeDate(value).ok, { message: 'not a date of the calendar' }),
	lot: line(100, { least: 1, missing: 'the lot is missing' }),
	properties: z.object({
		extractionPercent: percentOrUnknown,
		proteinPercent: percentOrUnknown,
		ashPercent: percentOrUnknown,
		moisturePercent: percentOrUnknown,
		fallingNumberSeconds: z.number().min(0).max(2000).nullable(),
		absorptionPoints: z.number().min(-50).max(50).nullable(),
		milling: z.enum(MILLINGS).nullable(),
		wholegrainPercent: percentOrUnknown
	})
};
