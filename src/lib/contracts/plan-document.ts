import { z } from 'zod';
import type { BakeDayInput, BatchRef, DayPlan, Placement } from '../core/planning/index.ts';
import { HANDS_ON_ACTIVITIES, PREPARATION_KINDS } from '../core/formula/index.ts';
import {
	id,
	type DropId,
	type FormulaId,
	type PreparationId,
	type ProductId
} from '../core/identity.ts';
import { SKILLS } from '../core/bakery/index.ts';
import { bakeDateSchema } from './border-schemas.ts';
import { asShapeThree, asShapeTwo, shapeOne, shapeTwo } from './plan-document-before.ts';
import { placementSchema } from './plan-placement.ts';
import { storedStepSchema } from './steps.ts';

/**
 * An accepted plan as it was told when it was accepted: what was to be done when, with the names, amounts
 * and temperatures of that day. It is written once and read as it stands; nothing works it out again.
 */
export interface PlanDocument {
	readonly input: BakeDayInput;
	readonly plan: DayPlan;
	/** Where the engine put what, to go on from when something changes; null for plans of before it. */
	readonly placement: Placement | null;
}

/** How told plans are written today. A later shape gets the next number, and a reader of its own below. */
export const PLAN_DOCUMENT_SCHEMA = 3;

const formulaId = z.string().transform((value) => id<FormulaId>(value));
const preparationId = z.string().transform((value) => id<PreparationId>(value));
const productId = z.string().transform((value) => id<ProductId>(value));
const dropId = z.string().transform((value) => id<DropId>(value));
const count = z.int().min(0);
const machine = z.object({ id: z.string(), name: z.string() });
const begun = z.object({ mixedAtMs: z.number(), endedAtMs: z.number().nullable() }).nullable();
const steps = z.array(storedStepSchema);
const drop = {
	id: dropId,
	name: z.string(),
	dueMs: z.number(),
	readyByMs: z.number(),
	// Of plans of before it is known only when picking begins.
	pickingMinutes: z.number().default(0),
	loadingMinutes: z.number().default(0),
	roadMinutes: z.number().default(0)
};

const ofMix = { formulaId, ordinal: count };
const portion = z.object({ kind: z.literal('portion'), ...ofMix, productId });
const batch: z.ZodType<BatchRef> = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('preparation'), preparationId, ordinal: count }),
	z.object({ kind: z.literal('mix'), ...ofMix }),
	portion,
	z.object({
		kind: z.literal('load'),
		...ofMix,
		productId,
		load: count,
		loads: count,
		pieces: count
	})
]);

/** What other dates have of a bakery's people and machines, as it is kept with their plans. */
export const takenElsewhereSchema = z.array(
	z.object({
		of: z.enum(['person', 'mixer', 'deck', 'vessel', 'place']),
		id: z.string(),
		date: bakeDateSchema,
		name: z.string(),
		fromMs: z.number(),
		toMs: z.number(),
		amount: z.number().default(1),
		heat: z.object({ celsius: z.number(), endCelsius: z.number() }).nullable()
	})
);

const learnedOf = { name: z.string(), used: count };
const learnedInPlan = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('clock'), recipeId: z.string(), ...learnedOf, share: z.number() }),
	z.object({ kind: z.literal('proof'), recipeId: z.string(), ...learnedOf, share: z.number() }),
	z.object({
		kind: z.literal('hands'),
		recipeId: z.string(),
		...learnedOf,
		activity: z.enum(HANDS_ON_ACTIVITIES),
		share: z.number()
	}),
	z.object({ kind: z.literal('bake'), recipeId: z.string(), ...learnedOf, share: z.number() }),
	z.object({
		kind: z.literal('bake-in'),
		recipeId: z.string(),
		ovenId: z.string(),
		ovenName: z.string(),
		...learnedOf,
		share: z.number()
	}),
	z.object({
		kind: z.literal('recovery'),
		ovenId: z.string(),
		...learnedOf,
		minutes: z.number()
	})
]);

const input: z.ZodType<BakeDayInput> = z.object({
	date: bakeDateSchema,
	drops: z.array(z.object(drop)),
	orders: z.array(z.object({ dropId, productId, name: z.string(), pieces: count })),
	bakery: z.object({
		mixers: z.array(
			machine.extend({
				bowls: count,
				speeds: count.default(2),
				cleanDownMinutes: z.number(),
				cleansAfter: z.array(z.enum(['allergen', 'dark']))
			})
		),
		ovens: z.array(
			machine.extend({
				decks: z.array(
					machine.extend({
						hotSpots: z.string().default(''),
						reheatMinutes: z.number().default(0)
					})
				),
				sharesHeat: z.boolean(),
				// Plans of before knew one time to load, and no timers.
				loadingMinutes: z.number().default(5),
				switchOnTimer: z.boolean().default(true),
				preheatMinutes: z.number(),
				recoveryMinutes: z.number(),
				heatMinutesPerTenKelvin: z.number(),
				coolMinutesPerTenKelvin: z.number()
			})
		),
		// Plans of before these were counted have none of them.
		benches: z.array(machine.extend({ hands: count })).default([]),
		sheeters: z
			.array(machine.extend({ sheetGrams: z.number().nullable().default(null) }))
			.default([]),
		dividers: z.array(machine).default([]),
		places: z
			.array(
				machine.extend({
					trays: count,
					ovenId: z.string().nullable().default(null),
					celsius: z.number().default(0)
				})
			)
			.default([]),
		provers: z.array(machine.extend({ humidityPercent: z.number() })).default([]),
		coldPlaces: z.array(machine.extend({ celsius: z.number() })).default([])
	}),
	people: z
		.array(
			machine.extend({
				skills: z.array(z.enum(SKILLS)),
				pacePercent: z.number().default(100),
				there: z.array(z.object({ fromMs: z.number(), toMs: z.number() }))
			})
		)
		.nullable(),
	weighMinutes: z.number().default(0),
	elsewhere: takenElsewhereSchema.default([]),
	learned: z.array(learnedInPlan).default([]),
	builds: z.array(
		z.object({
			preparationId,
			ordinal: count,
			revisionId: z.string(),
			begun,
			name: z.string(),
			kind: z.enum(PREPARATION_KINDS),
			grams: z.number(),
			steps,
			mixerIds: z.array(z.string()).default([]),
			takenByBuilds: z.array(preparationId),
			takenByDoughs: z.array(formulaId),
			takenByMixes: z.array(z.object(ofMix)).optional(),
			takenByProducts: z.array(productId)
		})
	),
	doughs: z.array(
		z.object({
			formulaId,
			name: z.string(),
			mixes: z.array(
				z.object({
					ordinal: count,
					revisionId: z.string(),
					begun,
					steps,
					count,
					grams: z.number(),
					mixerIds: z.array(z.string()),
					leaves: z.array(z.object({ kind: z.enum(['allergen', 'dark']), name: z.string() })),
					leadMinutes: z.number(),
					portions: z.array(
						z.object({
							productId,
							role: z.enum(['carries', 'joins']),
							pieces: count,
							dropIds: z.array(dropId)
						})
					)
				})
			)
		})
	),
	products: z.array(
		z.object({
			id: productId,
			revisionId: z.string(),
			name: z.string(),
			scaledGrams: z.number(),
			steps,
			piecesPerDeck: count,
			deckIds: z.array(z.string()),
			vessel: z
				.object({
					id: z.string(),
					name: z.string(),
					owned: count,
					holds: count,
					until: z.enum(['loaded', 'baked'])
				})
				.nullable(),
			piecesPerTray: z.number().default(1),
			dividerId: z.string().nullable().default(null),
			shape: z.string().default(''),
			score: z.string().default(''),
			scoreMm: z.number().nullable().default(null)
		})
	)
});

const gap = { before: z.string(), after: z.string(), gap: z.number() };
const reason = z.union([
	z.object({
		kind: z.enum(['no-legs', 'open-leg-without-clock', 'open-leg-not-last']),
		step: count
	}),
	z.object({
		kind: z.literal('never-ripe'),
		step: count,
		ambientCelsius: z.number(),
		dose: z.number(),
		ripe: z.number()
	}),
	z.object({ kind: z.enum(['no-steps', 'no-deck']) }),
	z.object({ kind: z.literal('proves-where-it-bakes'), oven: z.string() }),
	z.object({ kind: z.literal('unknown-product'), productId })
]);

const plan: z.ZodType<DayPlan> = z.object({
	tasks: z.array(
		z.object({
			id: z.string(),
			batch,
			step: storedStepSchema,
			startMs: z.number(),
			endMs: z.number(),
			machineId: z.string().nullable(),
			placedAs: z.string().nullable(),
			celsius: z.array(z.number()),
			marks: z
				.object({ earlyMs: z.number(), ripeMs: z.number(), lateMs: z.number().nullable() })
				.nullable(),
			foldsMs: z.array(z.number()),
			movesMs: z.array(z.number()),
			attended: z.array(
				z.object({
					what: z.enum(['do', 'end', 'fold', 'move', 'load', 'draw']),
					fromMs: z.number(),
					toMs: z.number(),
					personIds: z.array(z.string())
				})
			)
		})
	),
	ovens: z.array(
		z.object({
			kind: z.enum(['switch-on', 'set', 'switch-off']),
			deckIds: z.array(z.string()),
			name: z.string(),
			atMs: z.number(),
			celsius: z.number().nullable(),
			byTimer: z.boolean().default(false)
		})
	),
	drops: z.array(
		z.object({
			dropId,
			name: z.string(),
			dueMs: z.number(),
			readyByMs: z.number(),
			readyMs: z.number().nullable(),
			late: z.array(z.object({ batch: portion, readyMs: z.number() })),
			othersReadyMs: z.number().nullable()
		})
	),
	deliveries: z
		.array(
			z.object({
				dropId,
				name: z.string(),
				what: z.enum(['pick', 'load', 'drive']),
				fromMs: z.number(),
				toMs: z.number(),
				personIds: z.array(z.string())
			})
		)
		.default([]),
	cautions: z.array(
		z.discriminatedUnion('kind', [
			z.object({
				kind: z.literal('nobody-for-drop'),
				dropId,
				what: z.enum(['pick', 'go']),
				fromMs: z.number(),
				toMs: z.number()
			}),
			z.object({
				kind: z.literal('drop-leaves-late'),
				dropId,
				atMs: z.number(),
				byMs: z.number()
			}),
			z.object({ kind: z.literal('too-early'), ...gap, least: z.number() }),
			z.object({ kind: z.literal('gap-too-long'), ...gap, most: z.number() }),
			z.object({
				kind: z.literal('nobody'),
				task: z.string(),
				doing: z.enum(['fold', 'move', 'load', 'draw', 'switch-on']).optional(),
				fromMs: z.number(),
				toMs: z.number()
			}),
			z.object({
				kind: z.literal('overlap'),
				machine: z.string(),
				first: z.string(),
				second: z.string(),
				from: z.number(),
				to: z.number()
			})
		])
	),
	unplanned: z.array(z.object({ name: z.string(), reason })),
	unplaced: z.array(batch)
});

const document = z.object({ input, plan, placement: placementSchema.nullable() });

/** The readers of every shape in which plans were ever told. */
const READERS: Readonly<Record<number, z.ZodType<PlanDocument>>> = {
	1: shapeOne.transform(asShapeTwo).pipe(shapeTwo).transform(asShapeThree).pipe(document),
	2: shapeTwo.transform(asShapeThree).pipe(document),
	3: document
};

/** Reads a plan as it was told, whichever version of the application told it. */
export function readPlanDocument(schema: number, told: unknown): PlanDocument {
	const reader = READERS[schema];
	if (!reader) throw new Error(`plans are not known to be told in shape ${schema}`);
	return reader.parse(told);
}
