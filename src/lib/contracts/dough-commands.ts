import { z } from 'zod';
import { SIGHTINGS, type Sighting, type SightingKind } from '../core/fermentation/index.ts';
import { WAIT_PLACES } from '../core/formula/index.ts';
import { bakeDateSchema, READING_LIMITS } from './limits.ts';

const uuid = z.uuid();
const celsius = z.number().min(READING_LIMITS.least.celsius).max(READING_LIMITS.most.celsius);

export const DOUGH_INSTRUMENTS = ['typed', 'core-probe', 'surface-thermometer'] as const;
export type DoughInstrument = (typeof DOUGH_INSTRUMENTS)[number];

/** What the baker decides when a dough was looked at. */
export const READINESS_DECISIONS = ['wait', 'fold-again', 'go-on'] as const;
export type ReadinessDecision = (typeof READINESS_DECISIONS)[number];

/** What is learned from the log of a dough. */
export const LEARNED_SUBJECTS = ['friction', 'time-constant', 'clock'] as const;
export type LearnedSubject = (typeof LEARNED_SUBJECTS)[number];

const sighting = z.custom<Sighting>((value) => {
	const one = value as Partial<Record<'kind' | 'seen', unknown>> | null;
	if (typeof one !== 'object' || one === null || Object.keys(one).length !== 2) return false;
	const seen: readonly string[] | undefined = Object.hasOwn(SIGHTINGS, String(one.kind))
		? SIGHTINGS[one.kind as SightingKind]
		: undefined;
	return seen?.includes(String(one.seen)) ?? false;
}, 'not a thing that is looked for');
export const sightingsSchema = z
	.array(sighting)
	.max(12)
	.refine((all) => new Set(all.map((one) => one.kind)).size === all.length, {
		message: 'each thing is looked for once'
	});

/** One mix of a date. */
const ofMix = { date: bakeDateSchema, formulaId: uuid, ordinal: z.int().min(1).max(500) };

/** A dough came out of the mixer. */
export const measureDough = {
	kind: z.literal('measure-dough'),
	...ofMix,
	doughCelsius: celsius,
	/** As warm as the water went in; ice counts as the water it stands for. */
	waterCelsius: z.number().min(-80).max(100),
	instrument: z.enum(DOUGH_INSTRUMENTS),
	/** The mixer it was mixed on; null for the only one. */
	mixerId: uuid.nullable(),
	/** How long it turned; null where it was mixed as the formula says. */
	program: z
		.object({
			slowMinutes: z.number().min(0).max(120),
			fastMinutes: z.number().min(0).max(120)
		})
		.nullable()
};

/** A dough, or an autolyse after its rest, was measured where it stands. */
export const checkDough = {
	kind: z.literal('check-dough'),
	...ofMix,
	stage: z.enum(['autolyse', 'dough']),
	celsius,
	instrument: z.enum(DOUGH_INSTRUMENTS),
	place: z.enum(WAIT_PLACES),
	ambientCelsius: celsius
};

/** A dough goes to another place, or its wait is over. */
export const moveDough = {
	kind: z.literal('move-dough'),
	...ofMix,
	place: z.enum(WAIT_PLACES),
	ambientCelsius: celsius,
	timeConstantMinutes: z.number().positive().max(10_000),
	/** The cold room it goes into, where it is one that is known. */
	retarderId: uuid.nullable(),
	ended: z.boolean()
};

/** What was seen of a dough and what the baker decided; how far its clock was is worked out here. */
export const judgeReadiness = {
	kind: z.literal('judge-readiness'),
	...ofMix,
	sightings: sightingsSchema,
	decision: z.enum(READINESS_DECISIONS)
};

export const ignoreObservation = {
	kind: z.literal('ignore-observation'),
	subject: z.enum(LEARNED_SUBJECTS),
	observationId: uuid,
	ignored: z.boolean()
};

export const resetLearning = {
	kind: z.literal('reset-learning'),
	subject: z.enum(LEARNED_SUBJECTS),
	formulaId: uuid
};
