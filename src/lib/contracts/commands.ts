import { z } from 'zod';
import type { ReadinessVerdict } from '../core/fermentation/index.ts';
import { WATER_SCHOOLS, type WaterSchool } from '../core/heat/index.ts';
import type { FormulaFailure } from '../core/formula/index.ts';
import type { Caution, Violation } from '../core/schedule/index.ts';
import {
	deliveryContent,
	formulaContent,
	ingredientContent,
	nameSchema,
	preparationContent,
	productContent
} from './formula-book.ts';
import { saveRetarder, setSupply, setUnits } from './bakery-commands.ts';
import { registerDevice, revokeDevice } from './device-protocol.ts';
import {
	checkDough,
	ignoreObservation,
	judgeReadiness,
	measureDough,
	moveDough,
	resetLearning
} from './dough-commands.ts';
import { bakeDateSchema, READING_LIMITS } from './limits.ts';

/** Pieces of one product for one drop; more than this is a typing error. */
export const MOST_PIECES = 9999;
/** How much earlier a mix may be wished for. */
export const MOST_LEAD_MINUTES = 480;

const uuid = z.uuid();
const version = z.int().min(0);
const epochMs = z.int().min(946_684_800_000).max(7_258_118_400_000);

const envelope = {
	/** Made by the client; repeating a command with the same id gives the same answer. */
	id: uuid,
	/** The bakery's clock when it happened. */
	occurredAtMs: epochMs
};

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
			/** `probe` where a hand took over what a probe said. */
			instrument: z.enum(['typed', 'probe', 'core-probe', 'surface-thermometer']),
			/** The reading this one corrects. */
			correctsId: uuid.nullable()
		})
		.refine((one) => (one.quantity === 'preferment') === (one.preparationId !== null), {
			message: 'a pre-ferment reading names its build, and only that',
			path: ['preparationId']
		}),
	z.object({ ...envelope, ...measureDough }),
	z.object({ ...envelope, ...checkDough }),
	z.object({ ...envelope, ...moveDough }),
	z.object({ ...envelope, ...judgeReadiness }),
	z.object({ ...envelope, ...ignoreObservation }),
	z.object({ ...envelope, ...resetLearning }),
	z.object({ ...envelope, ...registerDevice }),
	z.object({ ...envelope, ...revokeDevice }),
	z.object({ ...envelope, ...setSupply }),
	z.object({ ...envelope, ...setUnits }),
	z.object({ ...envelope, ...saveRetarder }),
	z.object({ ...envelope, kind: z.literal('set-water-school'), school: z.enum(WATER_SCHOOLS) }),
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
		...formulaContent
	}),
	z.object({ ...envelope, kind: z.literal('set-aside-draft'), draftId: uuid }),
	z.object({ ...envelope, kind: z.literal('save-preparation'), ...preparationContent }),
	z.object({ ...envelope, kind: z.literal('save-product'), ...productContent }),
	z.object({ ...envelope, kind: z.literal('save-ingredient'), ...ingredientContent }),
	z.object({ ...envelope, kind: z.literal('add-delivery'), ...deliveryContent }),
	z.object({
		...envelope,
		kind: z.literal('retire'),
		what: z.enum(['formula', 'build', 'product', 'ingredient']),
		entityId: uuid,
		/** False brings it back. */
		retired: z.boolean()
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
	'measure-dough': { readonly readingId: string; readonly frictionKilojoulesPerKilogram: number };
	'check-dough': { readonly checkId: string };
	'move-dough': { readonly moveId: string };
	'judge-readiness': { readonly judgementId: string; readonly verdict: ReadinessVerdict };
	'ignore-observation': { readonly ignored: boolean };
	'reset-learning': { readonly formulaId: string };
	'register-device': { readonly deviceId: string };
	'revoke-device': { readonly deviceId: string };
	'set-supply': { readonly version: number };
	'set-units': { readonly version: number };
	'save-retarder': { readonly retarderId: string };
	'set-water-school': { readonly school: WaterSchool };
	'set-lead': { readonly version: number; readonly minutes: number };
	'create-formula': { readonly formulaId: string };
	'save-formula':
		| { readonly kind: 'saved'; readonly revision: number }
		/** Someone saved first; this save stands beside it, to be compared. */
		| {
				readonly kind: 'kept-as-draft';
				readonly draftId: string;
				readonly revision: number;
				readonly by: string;
		  };
	'set-aside-draft': { readonly draftId: string };
	'save-preparation': { readonly revision: number };
	'save-product': { readonly revision: number };
	'save-ingredient': { readonly version: number };
	'add-delivery': { readonly deliveryId: string };
	retire: { readonly retired: boolean };
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
			readonly what:
				| 'drop'
				| 'mix'
				| 'product'
				| 'build'
				| 'formula'
				| 'reading'
				| 'observation'
				| 'dough'
				| 'device'
				| 'retarder'
				| 'mixer'
				| 'ingredient'
				| 'delivery'
				| 'draft'
				| 'scale'
				| 'divider'
				| 'vessel';
	  }
	| {
			readonly kind: 'changed-meanwhile';
			readonly version: number;
			readonly value: number;
			readonly by: string;
	  }
	| { readonly kind: 'settings-changed-meanwhile'; readonly version: number }
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
	/** A dough is followed from the moment it came out of the mixer. */
	| { readonly kind: 'not-mixed-yet'; readonly name: string }
	| { readonly kind: 'dough-has-no-clock'; readonly name: string }
	| { readonly kind: 'before-the-mix'; readonly name: string }
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
