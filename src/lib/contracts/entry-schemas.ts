import { z } from 'zod';
import {
	FIRST_OVEN,
	BAKERY_LIMITS,
	DECK_KINDS,
	ENTRY_KINDS,
	ROLES,
	SKILLS,
	VESSEL_USES,
	type BakeryFigure,
	type EntryContents,
	type EntryKind,
	type Limits
} from '../core/bakery/index.ts';
import { WAIT_PLACES } from '../core/formula/index.ts';
import type { WallTime } from '../core/time/index.ts';
import { bakeDateSchema, uuidSchema } from './border-schemas.ts';
import { line } from './text.ts';

/** A figure of the bakery within what it can be. */
function figure(name: BakeryFigure) {
	const limits: Limits = BAKERY_LIMITS[name];
	const number = limits.whole ? z.int() : z.number();
	return number.min(limits.least).max(limits.most);
}

const wallTime = z
	.string()
	.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day as HH:MM')
	.transform((text) => text as WallTime);
const weekday = z.int().min(1).max(7);
const note = line(500);

const shift = {
	from: wallTime,
	minutes: figure('shiftMinutes'),
	breaks: z.array(z.object({ from: wallTime, minutes: figure('breakMinutes') })).max(6)
};

const deck = z.object({
	id: uuidSchema,
	name: line(100),
	kind: z.enum(DECK_KINDS),
	count: figure('deckCount'),
	/** Pots entered before this was asked for are not known to be heated again. */
	reheatMinutes: figure('reheatMinutes').default(0),
	lengthCm: figure('deckLengthCm'),
	widthCm: figure('deckWidthCm'),
	heightCm: figure('deckHeightCm').nullable(),
	steam: z.boolean(),
	stone: z.boolean(),
	hotSpots: note
});

/** What an entry of each kind says of itself, as it crosses the border and as it is stored. */
export const ENTRY_CONTENTS: { readonly [K in EntryKind]: z.ZodType<EntryContents[K]> } = {
	person: z.object({
		role: z.enum(ROLES),
		skills: z.array(z.enum(SKILLS)).max(SKILLS.length),
		shifts: z.array(z.object({ weekday, ...shift })).max(28),
		exceptions: z
			.array(
				z.object({
					fromDate: bakeDateSchema,
					toDate: bakeDateSchema,
					shift: z.object(shift).nullable(),
					note
				})
			)
			.max(200),
		pacePercent: figure('pacePercent')
	}),
	mixer: z.object({
		drive: z.enum(['machine', 'hands']),
		leastGrams: figure('leastGrams'),
		mostGrams: figure('mostGrams'),
		stiff: z
			.object({
				waterBelowPercent: figure('waterBelowPercent'),
				mostGrams: figure('mostGrams')
			})
			.nullable(),
		bowls: figure('bowls'),
		bowlKilojoulesPerKelvin: figure('bowlKilojoulesPerKelvin'),
		speeds: figure('speeds'),
		lightBeforeDark: z.boolean(),
		allergensLast: z.boolean(),
		cleanDownMinutes: figure('cleanDownMinutes')
	}),
	oven: z.object({
		decks: z.array(deck).max(24),
		sharesHeat: z.boolean(),
		topAndBottom: z.boolean(),
		fan: z.boolean(),
		loader: z.boolean(),
		/** Ovens entered before this was asked for are loaded in the usual time. */
		handLoadingMinutes: figure('handLoadingMinutes').default(FIRST_OVEN.handLoadingMinutes),
		switchOnTimer: z.boolean(),
		preheatMinutes: figure('preheatMinutes'),
		recoveryMinutes: figure('recoveryMinutes'),
		heatMinutesPerTenKelvin: figure('minutesPerTenKelvin'),
		coolMinutesPerTenKelvin: figure('minutesPerTenKelvin')
	}),
	place: z.object({
		placeKind: z.enum(WAIT_PLACES),
		role: z.enum(['bakehouse', 'flour', 'other']),
		celsius: figure('placeCelsius'),
		humidityPercent: figure('humidityPercent').nullable(),
		holds: figure('holds').nullable(),
		/** Places entered before this was asked for are no ovens. */
		ovenId: uuidSchema.nullable().default(null),
		cold: z
			.object({
				compressorWatts: figure('compressorWatts'),
				airKilojoulesPerKelvin: figure('airKilojoulesPerKelvin'),
				wallsWattsPerKelvin: figure('wallsWattsPerKelvin')
			})
			.nullable()
	}),
	scale: z.object({
		capacityGrams: figure('capacityGrams'),
		divisionGrams: figure('divisionGrams')
	}),
	divider: z.object({
		heads: figure('heads'),
		leastPieceGrams: figure('pieceGrams'),
		mostPieceGrams: figure('pieceGrams')
	}),
	sheeter: z.object({
		widthCm: figure('sheeterWidthCm'),
		lengthCm: figure('sheeterLengthCm'),
		thinnestMillimetres: figure('rollerMillimetres'),
		thickestMillimetres: figure('rollerMillimetres')
	}),
	vessel: z.object({
		use: z.enum(VESSEL_USES),
		owned: figure('owned'),
		millilitres: figure('millilitres').nullable(),
		holds: figure('holds').nullable()
	}),
	bench: z.object({
		lengthCm: figure('benchLengthCm'),
		widthCm: figure('benchWidthCm'),
		hands: figure('hands')
	}),
	drop: z.object({
		dueTime: wallTime,
		weekdays: z.array(weekday).max(7),
		pickingMinutes: figure('legMinutes'),
		loadingMinutes: figure('legMinutes'),
		roadMinutes: figure('legMinutes'),
		// Drops of earlier versions had none.
		cutOff: z
			.object({ daysBefore: figure('cutOffDays'), time: wallTime })
			.nullable()
			.default(null)
	}),
	customer: z.object({ dropId: uuidSchema, note }),
	supplier: z.object({
		weekdays: z.array(weekday).max(7),
		daysAhead: figure('daysAhead'),
		note
	}),
	'closed-days': z.object({
		fromDate: bakeDateSchema,
		toDate: bakeDateSchema,
		yearly: z.boolean()
	})
};

/** An entry with its content, each kind with its own. */
export const entrySchema = z.discriminatedUnion(
	'entryKind',
	ENTRY_KINDS.map((kind) =>
		z.object({ entryKind: z.literal(kind), content: ENTRY_CONTENTS[kind] })
	) as unknown as [z.ZodObject<{ entryKind: z.ZodLiteral<EntryKind>; content: z.ZodType }>]
) as unknown as z.ZodType<TaggedContent, TaggedContent>;

/** What an entry says of itself, with the kind that it is. */
export type TaggedContent = {
	readonly [K in EntryKind]: { readonly entryKind: K; readonly content: EntryContents[K] };
}[EntryKind];
