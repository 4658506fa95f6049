import { z } from 'zod';
import type { BakeDayInput, BatchRef, DayPlan } from '../core/planning/index.ts';
import { PREPARATION_KINDS } from '../core/formula/index.ts';
import {
	id,
	type DropId,
	type FormulaId,
	type PreparationId,
	type ProductId
} from '../core/identity.ts';
import { bakeDateSchema } from './border-schemas.ts';
import { storedStepSchema } from './steps.ts';

/**
 * An accepted plan as it was told when it was accepted: what was to be done when, with the names, amounts
 * and temperatures of that day. It is written once and read as it stands; nothing works it out again.
 */
export interface PlanDocument {
	readonly input: BakeDayInput;
	readonly plan: DayPlan;
}

/** How told plans are written today. A later shape gets the next number, and a reader of its own below. */
export const PLAN_DOCUMENT_SCHEMA = 1;

const formulaId = z.string().transform((value) => id<FormulaId>(value));
const preparationId = z.string().transform((value) => id<PreparationId>(value));
const productId = z.string().transform((value) => id<ProductId>(value));
const dropId = z.string().transform((value) => id<DropId>(value));
const count = z.int().min(0);
const machine = z.object({ id: z.string(), name: z.string() });
const begun = z.object({ mixedAtMs: z.number(), endedAtMs: z.number().nullable() }).nullable();
const steps = z.array(storedStepSchema);
const drop = { id: dropId, name: z.string(), dueMs: z.number() };

const ofMix = { formulaId, ordinal: count };
const batch: z.ZodType<BatchRef> = z.discriminatedUnion('kind', [
	z.object({ kind: z.literal('preparation'), preparationId, ordinal: count }),
	z.object({ kind: z.literal('mix'), ...ofMix }),
	z.object({ kind: z.literal('portion'), ...ofMix, productId }),
	z.object({
		kind: z.literal('load'),
		...ofMix,
		productId,
		load: count,
		loads: count,
		pieces: count
	})
]);

const input: z.ZodType<BakeDayInput> = z.object({
	date: bakeDateSchema,
	drops: z.array(z.object(drop)),
	bakery: z.object({
		mixers: z.array(machine),
		decks: z.array(machine),
		recoveryMinutes: z.number()
	}),
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
			takenByBuilds: z.array(preparationId),
			takenByDoughs: z.array(formulaId),
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
			piecesPerDeck: count
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
	z.object({ kind: z.literal('no-steps') }),
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
			celsius: z.array(z.number()),
			marks: z
				.object({ earlyMs: z.number(), ripeMs: z.number(), lateMs: z.number().nullable() })
				.nullable(),
			foldsMs: z.array(z.number())
		})
	),
	drops: z.array(
		z.object({ dropId, name: z.string(), dueMs: z.number(), readyMs: z.number().nullable() })
	),
	cautions: z.array(
		z.discriminatedUnion('kind', [
			z.object({ kind: z.literal('too-early'), ...gap, least: z.number() }),
			z.object({ kind: z.literal('gap-too-long'), ...gap, most: z.number() }),
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
	unplanned: z.array(z.object({ name: z.string(), reason }))
});

/** The readers of every shape in which plans were ever told. */
const READERS: Readonly<Record<number, z.ZodType<PlanDocument>>> = { 1: z.object({ input, plan }) };

/** Reads a plan as it was told, whichever version of the application told it. */
export function readPlanDocument(schema: number, told: unknown): PlanDocument {
	const reader = READERS[schema];
	if (!reader) throw new Error(`plans are not known to be told in shape ${schema}`);
	return reader.parse(told);
}
