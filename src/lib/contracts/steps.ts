import { z } from 'zod';
import {
	HANDS_ON_ACTIVITIES,
	WAIT_ACTIVITIES,
	WAIT_PLACES,
	type Step
} from '../core/formula/index.ts';

const minutes = z.number().min(0).max(4320);
const dough = z.number().min(-30).max(60);

const handsOn = z.object({
	kind: z.literal('hands-on'),
	activity: z.enum(HANDS_ON_ACTIVITIES),
	machine: z.literal('mixer').nullable(),
	fixedMinutes: minutes,
	secondsPerPiece: z.number().min(0).max(3600),
	endsAtCelsius: dough.nullable()
});

const leg = z.object({
	place: z.enum(WAIT_PLACES),
	ambientCelsius: dough,
	timeConstantMinutes: z.number().positive().max(100_000),
	minutes: minutes.nullable()
});

const clock = z
	.object({
		leavening: z.enum(['sourdough', 'bakers-yeast']),
		referenceCelsius: z.number().min(2).max(40),
		underMinutes: minutes,
		ripeMinutes: minutes.positive(),
		overMinutes: minutes
	})
	.refine((one) => one.underMinutes < one.ripeMinutes && one.ripeMinutes < one.overMinutes, {
		message: 'under, ripe and over must follow each other'
	});

const wait = z
	.object({
		kind: z.literal('wait'),
		activity: z.enum(WAIT_ACTIVITIES),
		legs: z.array(leg).min(1).max(12),
		clock: clock.nullable(),
		foldsAtMinutes: z.array(minutes).max(24)
	})
	.refine((one) => one.legs.slice(0, -1).every((each) => each.minutes !== null), {
		message: 'only the last leg may last until ripe'
	})
	.refine((one) => one.clock !== null || one.legs.every((each) => each.minutes !== null), {
		message: 'a leg without minutes needs a clock'
	});

const bake = z.object({
	kind: z.literal('bake'),
	loadCelsius: z.number().min(60).max(400),
	bakeMinutes: minutes.positive(),
	steamSeconds: z.number().min(0).max(600),
	coreCelsius: z.number().min(50).max(105)
});

/** The chain of steps as it stands in a revision. */
export const stepsSchema: z.ZodType<readonly Step[]> = z.array(
	z.discriminatedUnion('kind', [handsOn, wait, bake])
);
