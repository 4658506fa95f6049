import { z } from 'zod';
import { id, type DropId, type FormulaId, type ProductId } from '../core/identity.ts';
import {
	BROWNINGS,
	FAULTS,
	LOOKED_AT,
	PIECE_DECISIONS,
	SOUNDS,
	type ResultTold
} from '../core/results/index.ts';
import { uuidSchema } from './border-schemas.ts';
import { MOST_BATCH_GRAMS, MOST_PICTURE_CHARACTERS, MOST_PIECES } from './limits.ts';
import { sightingsSchema } from './sightings.ts';
import { line } from './text.ts';

/** A portion as a command speaks of it: by its product and its mix. */
export const portionSchema = z.object({
	formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
	ordinal: z.int().min(1).max(500),
	productId: uuidSchema.transform((value) => id<ProductId>(value))
});

const note = line(300);
const some = z.int().min(0).max(MOST_PIECES);
const score = z.int().min(1).max(5).nullable();

/** What can be told of a portion. */
export const resultToldSchema: z.ZodType<ResultTold> = z.discriminatedUnion('kind', [
	z
		.object({ kind: z.literal('counted'), good: some, second: some, lost: some, because: note })
		.refine(({ good, second, lost }) => good + second + lost > 0, {
			message: 'nothing was counted',
			path: ['good']
		}),
	z.object({
		kind: z.literal('weighed'),
		pieces: some.min(1),
		bakedGrams: z.number().positive().max(MOST_BATCH_GRAMS)
	}),
	z
		.object({
			kind: z.literal('scored'),
			scores: z.object({ crust: score, crumb: score, taste: score }),
			note
		})
		.refine(({ scores }) => Object.values(scores).some((one) => one !== null), {
			message: 'nothing was scored',
			path: ['scores']
		}),
	z.object({
		kind: z.literal('judged'),
		// A tablet that waited through a change of version looked at them in proof.
		at: z.enum(LOOKED_AT).default('proof'),
		clock: z.object({
			share: z.number().min(0).max(100),
			earlyShare: z.number().min(-10).lt(1),
			lateShare: z.number().gt(1).max(100)
		}),
		bookFactor: z.number().min(0.1).max(10).default(1),
		sightings: sightingsSchema,
		decision: z.enum(PIECE_DECISIONS)
	}),
	z
		.object({
			kind: z.literal('drawn'),
			browning: z.enum(BROWNINGS).nullable(),
			sound: z.enum(SOUNDS).nullable()
		})
		.refine(({ browning, sound }) => browning !== null || sound !== null, {
			message: 'nothing was looked at',
			path: ['browning']
		}),
	z.object({
		kind: z.literal('picture'),
		// Every JPEG begins alike: FF D8 FF.
		jpegBase64: z
			.string()
			.min(200, { message: 'no picture' })
			.max(MOST_PICTURE_CHARACTERS, { message: 'too large a picture' })
			.regex(/^\/9j\/[A-Za-z0-9+/]+={0,2}$/, { message: 'not a JPEG picture' })
	}),
	z.object({ kind: z.literal('fault'), fault: z.enum(FAULTS), note }),
	z.object({
		kind: z.literal('less'),
		dropId: uuidSchema.transform((value) => id<DropId>(value)),
		pieces: some.min(1)
	}),
	z.object({ kind: z.literal('again'), pieces: some.min(1) })
]);
