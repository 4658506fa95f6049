import { z } from 'zod';
import { CRUSTS, PLAIN_PROGRAMME, programmeProblems } from '../core/baking/index.ts';
import { cardinalCurve, LEAST_TIME_CONSTANT_MINUTES } from '../core/fermentation/index.ts';
import {
	foldsTooLate,
	HANDS_ON_ACTIVITIES,
	LONGEST_LEG_MINUTES,
	MIXING_SPEEDS,
	TURNS,
	USUAL_CARRY_SHARE,
	WAIT_ACTIVITIES,
	WAIT_PLACES,
	type Step
} from '../core/formula/index.ts';
import { id, type PlaceId } from '../core/identity.ts';
import { uuidSchema } from './border-schemas.ts';
import { nameSchema } from './text.ts';

const minutes = z.number().min(0).max(4320);
/** A scald is mixed at the boil, frozen dough waits far below. */
const dough = z.number().min(-30).max(105);

/** Steps written before details were told have none. */
const detail = z
	.discriminatedUnion('kind', [
		z.object({ kind: z.literal('none') }),
		z.object({
			kind: z.literal('mixing'),
			stretches: z
				.array(z.object({ speed: z.enum(MIXING_SPEEDS), minutes: minutes.positive() }))
				.max(12)
		}),
		z.object({
			kind: z.literal('turn'),
			turn: z.enum(TURNS),
			rolledToMm: z.number().min(1).max(100).optional()
		})
	])
	.default({ kind: 'none' });

const handsOn = z
	.object({
		kind: z.literal('hands-on'),
		activity: z.enum(HANDS_ON_ACTIVITIES),
		machine: z.literal('mixer').nullable(),
		fixedMinutes: minutes,
		secondsPerPiece: z.number().min(0).max(3600),
		endsAtCelsius: dough.nullable(),
		detail
	})
	.refine(
		(step) =>
			step.detail.kind !== 'mixing' ||
			step.detail.stretches.reduce((total, each) => total + each.minutes, 0) <=
				step.fixedMinutes + 1e-9,
		{ message: 'the mixing times are longer than the step', path: ['fixedMinutes'] }
	);

const legWith = (timeConstantMinutes: z.ZodType<number>) =>
	z.object({
		/** Steps written before places had names have none. */
		named: z
			.object({ id: uuidSchema.transform((value) => id<PlaceId>(value)), name: nameSchema })
			.nullable()
			.default(null),
		place: z.enum(WAIT_PLACES),
		ambientCelsius: dough,
		timeConstantMinutes,
		minutes: z.number().min(0).max(LONGEST_LEG_MINUTES).nullable()
	});

const celsius = z.number().min(-10).max(70);
const leavening = z.union([
	z.enum(['sourdough', 'bakers-yeast']),
	z.object({ kind: z.literal('mixed'), yeastShare: z.number().min(0.01).max(0.99) }),
	z
		.object({ kind: z.literal('own'), minimum: celsius, optimum: celsius, maximum: celsius })
		.refine((temperatures) => cardinalCurve(temperatures).ok, {
			message:
				'least, best and most must follow each other, the best above the middle of the other two'
		})
]);

const clock = z
	.object({
		leavening,
		referenceCelsius: z.number().min(2).max(40),
		underMinutes: minutes,
		ripeMinutes: minutes.positive(),
		overMinutes: minutes,
		/** Clocks written before the carry was told carry the usual share. */
		carryShare: z.number().min(0).max(1).default(USUAL_CARRY_SHARE)
	})
	.refine(
		(window) => window.underMinutes < window.ripeMinutes && window.ripeMinutes < window.overMinutes,
		{
			message: 'early, ready and late must follow each other'
		}
	)
	.refine(
		({ leavening: by, referenceCelsius }) =>
			typeof by === 'string' ||
			by.kind !== 'own' ||
			(by.minimum < referenceCelsius && referenceCelsius < by.maximum),
		{ message: 'the temperature the times are at must lie between the least and the most' }
	);

const waitWith = (timeConstantMinutes: z.ZodType<number>) =>
	z
		.object({
			kind: z.literal('wait'),
			activity: z.enum(WAIT_ACTIVITIES),
			legs: z.array(legWith(timeConstantMinutes)).min(1).max(12),
			clock: clock.nullable(),
			foldsAtMinutes: z.array(minutes).max(24),
			/** Steps written before folds at shares were known have none. */
			foldsAtShares: z.array(z.number().min(0).max(1)).max(24).default([])
		})
		.refine((step) => step.legs.slice(0, -1).every((each) => each.minutes !== null), {
			message: 'only the last place may last until it is ready'
		})
		.refine((step) => step.clock !== null || step.legs.every((each) => each.minutes !== null), {
			message: 'a leg without minutes needs a clock'
		});

const setting = z.number().min(60).max(400);
const strength = z.number().min(0).max(100).nullable();
const steam = z.number().min(0).max(600);

const programme = z
	.object({
		atLoading: z.object({
			topPercent: strength,
			bottomPercent: strength,
			fan: z.boolean(),
			ventOpen: z.boolean(),
			lid: z.boolean()
		}),
		steamBursts: z.int().min(1).max(10),
		steamByTray: z.boolean(),
		/** Programmes written before stones were told lie on whatever there is. */
		onStone: z.boolean().default(false),
		changes: z
			.array(
				z.object({
					atMinutes: minutes,
					celsius: setting.nullable(),
					topPercent: strength,
					bottomPercent: strength,
					fan: z.boolean().nullable(),
					ventOpen: z.boolean().nullable(),
					lid: z.boolean().nullable(),
					steamSeconds: steam
				})
			)
			.max(12),
		turnAtMinutes: minutes.nullable(),
		checkAtMinutes: minutes.nullable(),
		crust: z.enum(CRUSTS).nullable()
	})
	/** Bakes written before programmes were known stay under one setting. */
	.default({ ...PLAIN_PROGRAMME, changes: [] });

const bake = z.object({
	kind: z.literal('bake'),
	loadCelsius: setting,
	bakeMinutes: minutes.positive(),
	steamSeconds: steam,
	coreCelsius: z.number().min(50).max(105),
	programme
});

const stepWith = (timeConstantMinutes: z.ZodType<number>): z.ZodType<Step> =>
	z.discriminatedUnion('kind', [handsOn, waitWith(timeConstantMinutes), bake]);

const timeConstant = z.number().positive().max(100_000);
/** No chain of a recipe is longer. */
const MOST_STEPS = 60;

/** The chain of steps as it is saved. */
export const stepsSchema: z.ZodType<Step[]> = z
	.array(
		stepWith(timeConstant.min(LEAST_TIME_CONSTANT_MINUTES))
			.refine((step) => step.kind !== 'wait' || foldsTooLate(step).length === 0, {
				message: 'a fold comes after the wait is over',
				path: ['foldsAtMinutes']
			})
			.refine((step) => step.kind !== 'bake' || programmeProblems(step).length === 0, {
				message: 'the bake programme has a change or a mark that cannot be meant',
				path: ['programme']
			})
	)
	.max(MOST_STEPS);

/** A step as it stands in a revision, which may be older than some of the limits. */
export const storedStepSchema = stepWith(
	timeConstant.transform((minutes) => Math.max(LEAST_TIME_CONSTANT_MINUTES, minutes))
);
export const storedStepsSchema: z.ZodType<Step[]> = z.array(storedStepSchema).max(MOST_STEPS);
