import type { BakeFigures, BakeProgramme } from '../baking/index.ts';
import type { PlaceId } from '../identity.ts';
import type { Turn } from './lamination.ts';

/**
 * The chain of steps of a build, a dough or a product, as an editable list: hands on it, or a wait
 * made of legs in places, or a bake. Numbers are minutes and degrees Celsius, named as such.
 */
export type Step = HandsOnStep | WaitStep | BakeStep;

export const HANDS_ON_ACTIVITIES = [
	'weigh',
	'mix',
	'knock-back',
	'divide',
	'pre-shape',
	'shape',
	'laminate',
	'sheet',
	'cut',
	'fill',
	'wrap',
	'pan',
	'wash',
	'dip',
	'coat',
	'score',
	'glaze',
	'depan',
	'pack'
] as const;
export type HandsOnActivity = (typeof HANDS_ON_ACTIVITIES)[number];

/** How the mixer runs for a stretch; a rest in the bowl is a stretch too. */
export const MIXING_SPEEDS = ['by-hand', 'slow', 'fast', 'rest'] as const;

export interface MixingStretch {
	readonly speed: (typeof MIXING_SPEEDS)[number];
	readonly minutes: number;
}

/** How many speeds of a mixer a chain of steps wants: two where any of it is mixed fast. */
export function speedsWanted(steps: readonly Step[]): number {
	const isFast = steps.some(
		(step) =>
			step.kind === 'hands-on' &&
			step.detail.kind === 'mixing' &&
			step.detail.stretches.some(({ speed }) => speed === 'fast')
	);
	return isFast ? 2 : 1;
}

/** What a hands-on step says beyond its time. */
export type StepDetail =
	| { readonly kind: 'none' }
	| { readonly kind: 'mixing'; readonly stretches: readonly MixingStretch[] }
	| {
			readonly kind: 'turn';
			readonly turn: Turn;
			/** How thick it is rolled before it is folded, in mm; left out where nobody said. */
			readonly rolledToMm?: number | undefined;
	  };

export interface HandsOnStep {
	readonly kind: 'hands-on';
	readonly activity: HandsOnActivity;
	/** The machine it holds, if any. */
	readonly machine: 'mixer' | null;
	readonly fixedMinutes: number;
	readonly secondsPerPiece: number;
	/** The temperature the dough has when the step ends, when the step sets it (a mix). */
	readonly endsAtCelsius: number | null;
	readonly detail: StepDetail;
}

export const WAIT_ACTIVITIES = [
	'ferment',
	'soak',
	'autolyse',
	'bulk',
	'rest',
	'chill',
	'proof',
	'temper',
	'cool'
] as const;
export type WaitActivity = (typeof WAIT_ACTIVITIES)[number];

export const WAIT_PLACES = ['room', 'proofer', 'cold'] as const;
export type WaitPlace = (typeof WAIT_PLACES)[number];

/** One stretch of a wait in one place. */
export interface Leg {
	/** The place it is, by its name; null for one that is told by its temperature alone. */
	readonly named: { readonly id: PlaceId; readonly name: string } | null;
	readonly place: WaitPlace;
	/** What the place is taken to be at; a named one as it is set. */
	readonly ambientCelsius: number;
	/** How fast what waits takes the temperature of the place. */
	readonly timeConstantMinutes: number;
	/** Fixed length, or null for the one leg that lasts until the stage is ripe. */
	readonly minutes: number | null;
}

/**
 * What lifts a dough: a culture, yeast, both at once (with the share of the lift at the reference temperature that is
 * the yeast's), or what has cardinal temperatures of its own, in degrees Celsius.
 */
export type Leavening =
	| 'sourdough'
	| 'bakers-yeast'
	| { readonly kind: 'mixed'; readonly yeastShare: number }
	| {
			readonly kind: 'own';
			readonly minimum: number;
			readonly optimum: number;
			readonly maximum: number;
	  };

/** Under / ripe / over at a reference temperature, in minutes. */
export interface RipenessClock {
	readonly leavening: Leavening;
	readonly referenceCelsius: number;
	readonly underMinutes: number;
	readonly ripeMinutes: number;
	readonly overMinutes: number;
	/** The share of what this wait leaves undone (or overdoes) that the next one makes up for, 0 to 1. */
	readonly carryShare: number;
}

/** What a wait hands on unless its dough says otherwise (our default). */
export const USUAL_CARRY_SHARE = 0.5;

export interface WaitStep {
	readonly kind: 'wait';
	readonly activity: WaitActivity;
	readonly legs: readonly Leg[];
	/** null when the wait is by the clock alone (a bench rest, a soak, cooling). */
	readonly clock: RipenessClock | null;
	/** Folds as minutes after the start of the wait. */
	readonly foldsAtMinutes: readonly number[];
	/** Folds, or a knock-back, at shares of the wait, from 0 to 1. */
	readonly foldsAtShares: readonly number[];
}

/** No wait of a recipe is longer: a culture may stand in the cold for weeks (our default: six of them). */
export const LONGEST_LEG_MINUTES = 60_480;

/**
 * Gives the folds of a wait that come when it is over: after the last of its legs, or where it lasts until it is ripe,
 * after it is late at the temperature its clock is told for.
 * Range: any wait. Source: definition. Failures: none.
 * Example: of folds after 40 and 400 min in a bulk that is late after 260, the one at 400.
 */
export function foldsTooLate({ legs, clock, foldsAtMinutes }: WaitStep): readonly number[] {
	const fixed = legs.reduce((total, { minutes }) => total + (minutes ?? 0), 0);
	const isOpen = legs.some(({ minutes }) => minutes === null);
	const last = isOpen ? Math.max(fixed, clock?.overMinutes ?? Infinity) : fixed;
	return foldsAtMinutes.filter((at) => at > last);
}

/**
 * Gives the minutes after the start of a wait at which it is folded, in order.
 * Model: fixed offsets that fall within the wait, and shares of its length. Source: domain (folds).
 * Example: a bulk of 180 min with a fold at two thirds is folded after 120 min.
 */
export function foldMinutes(step: WaitStep, minutes: number): readonly number[] {
	const byShare = step.foldsAtShares.map((share) => share * minutes);
	return [...step.foldsAtMinutes.filter((at) => at <= minutes), ...byShare].sort((a, b) => a - b);
}

/** One load in the oven: its four figures, and how it goes beyond them. */
export interface BakeStep extends BakeFigures {
	readonly kind: 'bake';
	readonly programme: BakeProgramme;
}
