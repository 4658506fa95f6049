import { z } from 'zod';
import { nameSchema } from './text.ts';
import { uuidSchema } from './border-schemas.ts';
import { DEVICE_SENSOR_KINDS } from './sensor-kinds.ts';

/**
 * The open device protocol: JSON over HTTP, told in docs/device-protocol.md. A device holds the address of
 * the bakery and a key, and nothing else.
 */
export {
	DEVICE_SENSOR_KINDS,
	SENSOR_KINDS,
	type SensorKind,
	type TemperatureSensorKind
} from './sensor-kinds.ts';

/** What a sensor of the bakery can honestly say; more is a broken wire. */
export const SENSOR_LIMITS = { leastCelsius: -40, mostCelsius: 120 } as const;
/** The stone of a deck is hotter than anything else that is read. */
export const STONE_LIMITS = { leastCelsius: -40, mostCelsius: 450 } as const;
/** How far a dough has risen, in per cent of what it began as. */
export const RISE_LIMITS = { leastPercent: -50, mostPercent: 1000 } as const;
/** Readings in one message, and the bytes of it. */
export const MOST_READINGS = 500;
export const MOST_MESSAGE_BYTES = 200_000;
/** Requests a minute of one device, and from one address without a key that is known. */
export const MOST_DEVICE_REQUESTS = 300;
export const MOST_STRANGER_REQUESTS = 60;
/** A clock that runs ahead of the bakery's by more than this is wrong. */
export const MOST_AHEAD_MINUTES = 10;
/** How late something may be told; a clock that is further behind has lost its time. */
export const MOST_LATE_DAYS = 366;

export const sensorName = nameSchema;
export const reportEverySeconds = z.int().min(1).max(3600);

/** One reading: degrees, or of a tub sensor per cent. The id is made by the device: sent again, it is known again. */
export const deviceReadingSchema = z
	.object({
		id: uuidSchema,
		sensor: sensorName,
		celsius: z.number().min(STONE_LIMITS.leastCelsius).max(STONE_LIMITS.mostCelsius).optional(),
		risePercent: z.number().min(RISE_LIMITS.leastPercent).max(RISE_LIMITS.mostPercent).optional(),
		/** An instant on the bakery's clock, with its offset. */
		measuredAt: z.iso.datetime({ offset: true })
	})
	.refine(({ celsius, risePercent }) => (celsius === undefined) !== (risePercent === undefined), {
		message: 'degrees or per cent, and only one of them',
		path: ['celsius']
	});
export type DeviceReading = z.infer<typeof deviceReadingSchema>;

/** A message. Its readings are judged one by one, so that a bad one does not spoil the others. */
export const deviceMessageSchema = z.object({
	readings: z.array(z.unknown()).min(1).max(MOST_READINGS)
});

/** Why a reading was not taken; sending it again will not help. */
export interface RefusedReading {
	/** The place in the message, from 0. */
	readonly at: number;
	readonly id: string | null;
	readonly reason:
		| 'malformed'
		| 'unknown-sensor'
		| 'measured-in-the-future'
		| 'measured-too-long-ago'
		| 'id-used-before'
		| 'sent-twice';
	readonly what: string;
}

/** The answer to a message: 200 as soon as it could be read at all. */
export interface DeviceAnswer {
	readonly taken: number;
	/** Readings that were there already, word for word. */
	readonly known: number;
	readonly refused: readonly RefusedReading[];
}

export const deviceAnswerSchema = z.object({
	taken: z.int().min(0),
	known: z.int().min(0),
	refused: z.array(
		z.object({
			at: z.int().min(0),
			id: z.string().nullable(),
			reason: z.enum([
				'malformed',
				'unknown-sensor',
				'measured-in-the-future',
				'measured-too-long-ago',
				'id-used-before',
				'sent-twice'
			]),
			what: z.string()
		})
	)
});

/** What a scale shows; below 0 when something was taken off it after it was put to nothing. */
export const SCALE_LIMITS = { leastGrams: -500_000, mostGrams: 500_000 } as const;
export const MOST_WEIGHTS = 20;
/** What a scale showed longer ago than this is of no use. */
export const MOST_WEIGHT_AGE_MINUTES = 10;

/** What a scale shows. Only the newest counts, so that it needs no id. */
export const deviceWeightSchema = z.object({
	sensor: sensorName,
	grams: z.number().min(SCALE_LIMITS.leastGrams).max(SCALE_LIMITS.mostGrams),
	/** It has come to rest. */
	stable: z.boolean(),
	/** An instant on the bakery's clock, with its offset. */
	measuredAt: z.iso.datetime({ offset: true })
});
export type DeviceWeight = z.infer<typeof deviceWeightSchema>;

export const deviceWeightsSchema = z.object({
	weights: z.array(z.unknown()).min(1).max(MOST_WEIGHTS)
});

/** The answer to weights: those that were newer than what was known, and those that were not. */
export type WeightsAnswer = DeviceAnswer;

/** What stands where a sensor is, by what was tapped at the bench; null where nothing is known to. */
export const surroundingsSchema = z.object({
	sensors: z.array(
		z.object({
			sensor: sensorName,
			holds: z
				.discriminatedUnion('kind', [
					z.object({
						kind: z.literal('deck'),
						/** As it is set; null while it is off. */
						setCelsius: z.number().nullable(),
						load: z
							.object({
								sinceMs: z.number(),
								loadCelsius: z.number(),
								doughCelsius: z.number(),
								bakeMinutes: z.number(),
								coreCelsius: z.number()
							})
							.nullable()
					}),
					z.object({
						kind: z.literal('tub'),
						sinceMs: z.number(),
						/** When it is to be ready, by its plan. */
						ripeMs: z.number()
					}),
					z.object({
						kind: z.literal('place'),
						setCelsius: z.number(),
						/** What cools it, where that is known: a place that is not kept cold has none. */
						cold: z
							.object({
								compressorWatts: z.number(),
								airKilojoulesPerKelvin: z.number(),
								wallsWattsPerKelvin: z.number()
							})
							.nullable(),
						/** The doughs that were put into it and not taken out. */
						loads: z.array(
							z.object({
								inAtMs: z.number(),
								kilograms: z.number(),
								celsius: z.number(),
								timeConstantMinutes: z.number()
							})
						)
					})
				])
				.nullable()
		})
	)
});
export type Surroundings = z.infer<typeof surroundingsSchema>;
export type Held = Surroundings['sensors'][number]['holds'];

/** What a device is told of itself and of the bakery's clock. */
export const deviceSelfSchema = z.object({
	name: z.string(),
	/** bakery time = anchorBakeryMs + (real time - anchorRealMs) x rate. */
	clock: z.object({
		anchorRealMs: z.number(),
		anchorBakeryMs: z.number(),
		rate: z.number()
	}),
	/** The server's own real time, for a device whose clock is off. */
	realNowMs: z.number(),
	sensors: z.array(
		z.object({ name: sensorName, kind: z.enum(DEVICE_SENSOR_KINDS), reportEverySeconds })
	)
});
export type DeviceSelf = z.infer<typeof deviceSelfSchema>;
