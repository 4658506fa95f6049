import type { Step } from '../../../core/formula/index.ts';

/** Steps that a new build begins with until the bakery writes its own (our defaults). */
export const FIRST_BUILD_STEPS: readonly Step[] = [
	{
		kind: 'hands-on',
		activity: 'mix',
		machine: null,
		fixedMinutes: 10,
		secondsPerPiece: 0,
		endsAtCelsius: 25
	},
	{
		kind: 'wait',
		activity: 'ferment',
		legs: [{ place: 'room', ambientCelsius: 24, timeConstantMinutes: 300, minutes: null }],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: 25,
			underMinutes: 300,
			ripeMinutes: 360,
			overMinutes: 450
		},
		foldsAtMinutes: []
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
		endsAtCelsius: 25
	},
	{
		kind: 'wait',
		activity: 'bulk',
		legs: [{ place: 'room', ambientCelsius: 23, timeConstantMinutes: 420, minutes: null }],
		clock: {
			leavening: 'sourdough',
			referenceCelsius: 25,
			underMinutes: 165,
			ripeMinutes: 210,
			overMinutes: 260
		},
		foldsAtMinutes: []
	}
];
