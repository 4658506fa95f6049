/**
 * The chain of steps of a build, a dough or a product, as an editable list: hands on it, or a wait
 * made of legs in places, or a bake. Numbers are minutes and degrees Celsius, named as such.
 */
export type Step = HandsOnStep | WaitStep | BakeStep;

export type HandsOnActivity = 'mix' | 'divide' | 'pre-shape' | 'shape' | 'pan' | 'score' | 'pack';

export const HANDS_ON_ACTIVITIES: readonly HandsOnActivity[] = [
	'mix',
	'divide',
	'pre-shape',
	'shape',
	'pan',
	'score',
	'pack'
];

export interface HandsOnStep {
	readonly kind: 'hands-on';
	readonly activity: HandsOnActivity;
	/** The machine it holds, if any. */
	readonly machine: 'mixer' | null;
	readonly fixedMinutes: number;
	readonly secondsPerPiece: number;
	/** The temperature the dough has when the step ends, when the step sets it (a mix). */
	readonly endsAtCelsius: number | null;
}

export type WaitActivity = 'ferment' | 'soak' | 'bulk' | 'rest' | 'proof' | 'cool';

export const WAIT_ACTIVITIES: readonly WaitActivity[] = [
	'ferment',
	'soak',
	'bulk',
	'rest',
	'proof',
	'cool'
];

export type WaitPlace = 'room' | 'proofer' | 'cold';

export const WAIT_PLACES: readonly WaitPlace[] = ['room', 'proofer', 'cold'];

/** One stretch of a wait in one place. */
export interface Leg {
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
	/** How fast what waits takes the temperature of the place. */
	readonly timeConstantMinutes: number;
	/** Fixed length, or null for the one leg that lasts until the stage is ripe. */
	readonly minutes: number | null;
}

/** Under / ripe / over at a reference temperature, in minutes. */
export interface RipenessClock {
	readonly leavening: 'sourdough' | 'bakers-yeast';
	readonly referenceCelsius: number;
	readonly underMinutes: number;
	readonly ripeMinutes: number;
	readonly overMinutes: number;
}

export interface WaitStep {
	readonly kind: 'wait';
	readonly activity: WaitActivity;
	readonly legs: readonly Leg[];
	/** null when the wait is by the clock alone (a bench rest, a soak, cooling). */
	readonly clock: RipenessClock | null;
	/** Folds as minutes after the start of the wait. */
	readonly foldsAtMinutes: readonly number[];
}

export interface BakeStep {
	readonly kind: 'bake';
	readonly loadCelsius: number;
	readonly bakeMinutes: number;
	readonly steamSeconds: number;
	/** Core temperature that says done. */
	readonly coreCelsius: number;
}
