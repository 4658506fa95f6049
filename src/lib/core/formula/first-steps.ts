import { PLAIN_PROGRAMME } from '../baking/index.ts';
import { USUAL_DOUGH_CELSIUS, USUAL_TIME_CONSTANT_MINUTES } from './usual.ts';
import type { PreparationKind } from './formula.ts';
import { USUAL_CARRY_SHARE, type Step } from './process.ts';

/** Steps that a new build begins with until the bakery writes its own (our defaults). */
export const FIRST_BUILD_STEPS: readonly Step[] = [
	{
		kind: 'hands-on',
		activity: 'mix',
		machine: null,
		fixedMinutes: 10,
		secondsPerPiece: 0,
		endsAtCelsius: USUAL_DOUGH_CELSIUS,
		detail: { kind: 'none' }
	},
	{
		kind: 'wait',
		activity: 'ferment',
		legs: [
			{
				named: null,
				place: 'room',
				ambientCelsius: 24,
				timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.build,
				minutes: null
			}
		],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: USUAL_DOUGH_CELSIUS,
			underMinutes: 300,
			ripeMinutes: 360,
			overMinutes: 450,
			carryShare: USUAL_CARRY_SHARE
		},
		foldsAtMinutes: [],
		foldsAtShares: []
	}
];

/** Steps that a new dough begins with until the bakery writes its own (our defaults). */
export const FIRST_DOUGH_STEPS: readonly Step[] = [
	{
		kind: 'hands-on',
		activity: 'mix',
		machine: 'mixer',
		fixedMinutes: 15,
		secondsPerPiece: 0,
		endsAtCelsius: USUAL_DOUGH_CELSIUS,
		detail: { kind: 'none' }
	},
	{
		kind: 'wait',
		activity: 'bulk',
		legs: [
			{
				named: null,
				place: 'room',
				ambientCelsius: 23,
				timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.tub,
				minutes: null
			}
		],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: USUAL_DOUGH_CELSIUS,
			underMinutes: 165,
			ripeMinutes: 210,
			overMinutes: 260,
			carryShare: USUAL_CARRY_SHARE
		},
		foldsAtMinutes: [],
		foldsAtShares: []
	}
];

/** Steps that a new soaker or anything else that does not ferment begins with (our defaults). */
const FIRST_SOAKING_STEPS: readonly Step[] = [
	{
		kind: 'hands-on',
		activity: 'mix',
		machine: null,
		fixedMinutes: 5,
		secondsPerPiece: 0,
		endsAtCelsius: 20,
		detail: { kind: 'none' }
	},
	{
		kind: 'wait',
		activity: 'soak',
		legs: [
			{
				named: null,
				place: 'room',
				ambientCelsius: 20,
				timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.build,
				minutes: 60
			}
		],
		clock: null,
		foldsAtMinutes: [],
		foldsAtShares: []
	}
];

/** The steps a new recipe of its own begins with. */
export function firstStepsOf(kind: PreparationKind): readonly Step[] {
	if (kind === 'build') return FIRST_BUILD_STEPS;
	// It goes into another dough out of the mixer.
	return kind === 'dough' ? FIRST_DOUGH_STEPS.slice(0, 1) : FIRST_SOAKING_STEPS;
}

/** Steps that a new product begins with until the bakery writes its own (our defaults). */
export const FIRST_PRODUCT_STEPS: readonly Step[] = [
	{
		kind: 'hands-on',
		activity: 'divide',
		machine: null,
		fixedMinutes: 2,
		secondsPerPiece: 8,
		endsAtCelsius: null,
		detail: { kind: 'none' }
	},
	{
		kind: 'hands-on',
		activity: 'shape',
		machine: null,
		fixedMinutes: 0,
		secondsPerPiece: 15,
		endsAtCelsius: null,
		detail: { kind: 'none' }
	},
	{
		kind: 'wait',
		activity: 'proof',
		legs: [
			{
				named: null,
				place: 'room',
				ambientCelsius: 24,
				timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.piece,
				minutes: null
			}
		],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: USUAL_DOUGH_CELSIUS,
			underMinutes: 80,
			ripeMinutes: 110,
			overMinutes: 155,
			carryShare: USUAL_CARRY_SHARE
		},
		foldsAtMinutes: [],
		foldsAtShares: []
	},
	{
		kind: 'bake',
		loadCelsius: 240,
		bakeMinutes: 40,
		steamSeconds: 8,
		coreCelsius: 97,
		programme: PLAIN_PROGRAMME
	},
	{
		kind: 'wait',
		activity: 'cool',
		legs: [
			{
				named: null,
				place: 'room',
				ambientCelsius: 22,
				timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.cooling,
				minutes: 60
			}
		],
		clock: null,
		foldsAtMinutes: [],
		foldsAtShares: []
	},
	{
		kind: 'hands-on',
		activity: 'pack',
		machine: null,
		fixedMinutes: 3,
		secondsPerPiece: 5,
		endsAtCelsius: null,
		detail: { kind: 'none' }
	}
];
