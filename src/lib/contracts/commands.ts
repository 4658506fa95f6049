import { z } from 'zod';
import { ADDITIONS, MOST_PERCENT, type FormulaFailure } from '../core/formula/index.ts';
import { id, type IngredientId, type PreparationId } from '../core/identity.ts';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';
import type { Caution, Violation } from '../core/schedule/index.ts';

/** Pieces of one product for one drop; more than this is a typing error. */
export const MOST_PIECES = 9999;
/** What a thermometer of the bakery can say of room, flour, water and dough. */
export const READING_LIMITS = { least: { celsius: -25 }, most: { celsius: 60 } } as const;
/** How much earlier a mix may be wished for. */
export const MOST_LEAD_MINUTES = 480;

export const bakeDateSchema = z.custom<BakeDate>(
	(value) => typeof value === 'string' && parseBakeDate(value).ok,
	'not a date of the calendar'
);
const uuid = z.uuid();
const version = z.int().min(0);
const epochMs = z.int().min(946_684_800_000).max(7_258_118_400_000);

const envelope = {
	/** Made by the client; repeating a command with the same id gives the same answer. */
	id: uuid,
	/** The bakery's clock when it happened. */
	occurredAtMs: epochMs
};

/** A name in the book; control characters are no part of one. */
const nameSchema = z
	.string()
	.trim()
	.min(1, 'a name is missing')
	.max(200)
	.regex(/^[^\p{Cc}]*$/u);

/** What a line refers to, as it crosses the border. */
const materialSchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('ingredient'),
		ingredientId: uuid.transform((value) => id<IngredientId>(value))
	}),
	z.object({
		kind: z.literal('preparation'),
		preparationId: uuid.transform((value) => id<PreparationId>(value))
	})
]);

export const READING_QUANTITIES = ['room', 'flour', 'tap', 'preferment'] as const;
export type ReadingQuantity = (typeof READING_QUANTITIES)[number];

/** Keys of tasks and machines are ids and numbers joined by colons. */
const key = z.string().regex(/^[a-z0-9:-]{1,200}$/i);
const placementSchema = z.object({
	starts: z.record(key, z.int()),
	machines: z.record(key, key)
});

export const commandSchema = z.discriminatedUnion('kind', [
	z.object({
		...envelope,
		kind: z.literal('change-order'),
		date: bakeDateSchema,
		dropId: uuid,
		productId: uuid,
		pieces: z.int().min(0).max(MOST_PIECES),
		/** The version the baker saw; 0 when there was no order line yet. */
		expectedVersion: version
	}),
	z.object({
		...envelope,
		kind: z.literal('copy-orders'),
		from: bakeDateSchema,
		to: bakeDateSchema
	}),
	z
		.object({
			...envelope,
			kind: z.literal('take-reading'),
			quantity: z.enum(READING_QUANTITIES),
			/** The build measured, when the quantity is a pre-ferment. */
			preparationId: uuid.nullable(),
			celsius: z.number().min(READING_LIMITS.least.celsius).max(READING_LIMITS.most.celsius),
			instrument: z.enum(['typed', 'core-probe', 'surface-thermometer']),
			/** The reading this one corrects. */
			correctsId: uuid.nullable()
		})
		.refine((one) => (one.quantity === 'preferment') === (one.preparationId !== null), {
			message: 'a pre-ferment reading names its build, and only that',
			path: ['preparationId']
		}),
	z.object({
		...envelope,
		kind: z.literal('set-lead'),
		date: bakeDateSchema,
		formulaId: uuid,
		ordinal: z.int().min(1).max(500),
		minutes: z.int().min(0).max(MOST_LEAD_MINUTES),
		expectedVersion: version
	}),
	z.object({
		...envelope,
		kind: z.literal('create-formula'),
		formulaId: uuid,
		name: nameSchema
	}),
	z.object({
		...envelope,
		kind: z.literal('save-formula'),
		formulaId: uuid,
		/** The revision the baker started from. */
		expectedRevision: z.int().min(1),
		lines: z
			.array(
				z.object({
					material: materialSchema,
					percentOfFlour: z.number().positive().max(MOST_PERCENT),
					addition: z.enum(ADDITIONS)
				})
			)
			.min(1)
			.max(200),
		/** Builds and soakers whose recipe changed with it. */
		preparations: z
			.array(
				z.object({
					preparationId: uuid,
					/** 0 for a build that is made with this formula. */
					expectedRevision: z.int().min(0),
					/** The name of a build that is new; null for one that is there. */
					newName: nameSchema.nullable(),
					lines: z
						.array(z.object({ material: materialSchema, parts: z.number().positive().max(1e6) }))
						.min(1)
						.max(200)
				})
			)
			.max(50)
	}),
	z.object({
		...envelope,
		kind: z.literal('accept-plan'),
		date: bakeDateSchema,
		/** Which input the plan was made from. */
		fingerprint: z.string().regex(/^[0-9a-f]{32}$/),
		placement: placementSchema
	})
]);

export type Command = z.infer<typeof commandSchema>;
export type CommandOf<K extends Command['kind']> = Extract<Command, { kind: K }>;

/** What each command answers when it is done. */
export interface CommandAnswers {
	'change-order': { readonly version: number; readonly pieces: number };
	'copy-orders': { readonly lines: number };
	'take-reading': { readonly readingId: string };
	'set-lead': { readonly version: number; readonly minutes: number };
	'create-formula': { readonly formulaId: string };
	'save-formula': { readonly revision: number };
	'accept-plan': { readonly planId: string; readonly number: number };
}

/** Why a command was not carried out; nothing of it was written. */
export type Refusal =
	| {
			readonly kind: 'malformed';
			readonly problems: readonly { readonly where: string; readonly what: string }[];
	  }
	| { readonly kind: 'id-used-before' }
	| {
			readonly kind: 'unknown';
			readonly what: 'drop' | 'product' | 'build' | 'formula' | 'reading' | 'ingredient';
	  }
	| {
			readonly kind: 'changed-meanwhile';
			readonly version: number;
			readonly value: number;
			readonly by: string;
	  }
	| {
			readonly kind: 'newer-revision';
			readonly name: string;
			readonly revision: number;
			readonly by: string;
	  }
	| {
			readonly kind: 'formula-impossible';
			readonly formula: string;
			readonly reason: FormulaFailure;
	  }
	| { readonly kind: 'name-taken'; readonly name: string }
	| { readonly kind: 'orders-there-already'; readonly lines: number }
	| { readonly kind: 'nothing-to-copy' }
	| { readonly kind: 'plan-out-of-date' }
	| {
			readonly kind: 'plan-impossible';
			readonly violations: readonly Violation[];
			readonly cautions: readonly Caution[];
	  }
	| { readonly kind: 'no-bakery' }
	| { readonly kind: 'database-unavailable' };

export type CommandOutcome<K extends Command['kind'] = Command['kind']> =
	| { readonly outcome: 'done'; readonly answer: CommandAnswers[K] }
	| { readonly outcome: 'refused'; readonly refusal: Refusal };
