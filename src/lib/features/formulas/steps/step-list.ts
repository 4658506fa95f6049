import { PLAIN_PROGRAMME } from '../../../core/baking/index.ts';
import {
	HANDS_ON_ACTIVITIES,
	USUAL_CARRY_SHARE,
	WAIT_ACTIVITIES,
	type HandsOnActivity,
	type Leg,
	type RipenessClock,
	type Step,
	type WaitActivity,
	USUAL_DOUGH_CELSIUS,
	USUAL_TIME_CONSTANT_MINUTES
} from '../../../core/formula/index.ts';

/** A chain with one step a place earlier or later. */
export function moved(steps: readonly Step[], at: number, by: -1 | 1): readonly Step[] {
	const step = steps[at];
	const other = steps[at + by];
	if (!step || !other) return steps;
	return steps.map((current, index) => (index === at ? other : index === at + by ? step : current));
}

export function without(steps: readonly Step[], at: number): readonly Step[] {
	return steps.filter((_, index) => index !== at);
}

/** What a new leg begins with (our defaults). */
export const FIRST_LEG: Leg = {
	named: null,
	place: 'room',
	ambientCelsius: 23,
	timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.piece,
	minutes: 30
};

/** What a new clock begins with (our defaults). */
export const FIRST_CLOCK: RipenessClock = {
	leavening: 'bakers-yeast',
	referenceCelsius: USUAL_DOUGH_CELSIUS,
	underMinutes: 45,
	ripeMinutes: 60,
	overMinutes: 90,
	carryShare: USUAL_CARRY_SHARE
};

/** A step of a kind to be written over; null for a kind that is not there. */
export function beginStep(kind: string): Step | null {
	if (kind === 'bake')
		return {
			kind: 'bake',
			loadCelsius: 230,
			bakeMinutes: 35,
			steamSeconds: 6,
			coreCelsius: 97,
			programme: PLAIN_PROGRAMME
		};
	if (HANDS_ON_ACTIVITIES.some((activity) => activity === kind)) {
		const activity = kind as HandsOnActivity;
		return {
			kind: 'hands-on',
			activity,
			machine: activity === 'mix' ? 'mixer' : null,
			fixedMinutes: activity === 'mix' ? 15 : 3,
			secondsPerPiece: activity === 'mix' || activity === 'laminate' ? 0 : 8,
			endsAtCelsius: activity === 'mix' ? USUAL_DOUGH_CELSIUS : null,
			detail: activity === 'laminate' ? { kind: 'turn', turn: 'single' } : { kind: 'none' }
		};
	}
	if (!WAIT_ACTIVITIES.some((activity) => activity === kind)) return null;
	const activity = kind as WaitActivity;
	const ripens = activity === 'ferment' || activity === 'bulk' || activity === 'proof';
	const cold = activity === 'chill';
	const leg: Leg = {
		...FIRST_LEG,
		place: cold ? 'cold' : 'room',
		ambientCelsius: cold ? 4 : FIRST_LEG.ambientCelsius,
		minutes: ripens ? null : FIRST_LEG.minutes
	};
	return {
		kind: 'wait',
		activity,
		legs: [leg],
		clock: ripens ? FIRST_CLOCK : null,
		foldsAtMinutes: [],
		foldsAtShares: []
	};
}

/** Minutes or shares typed in a row: "40, 80, 120". Gives null when one of them is no number in range. */
export function readList(text: string, most: number): readonly number[] | null {
	const numbers = text
		.split(/[,;\s]+/)
		.filter((text) => text !== '')
		.map(Number);
	const fine = numbers.every((one) => Number.isFinite(one) && one >= 0 && one <= most);
	return fine && numbers.length <= 24 ? [...numbers].sort((a, b) => a - b) : null;
}
