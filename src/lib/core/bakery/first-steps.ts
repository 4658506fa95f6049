/** What is there of a bakery that begins. */
export interface BakerySoFar {
	readonly shifts: number;
	readonly mixers: number;
	readonly decks: number;
	readonly places: number;
	readonly drops: number;
	readonly formulas: number;
	readonly products: number;
	/** Something for the date, or by weekday. */
	readonly isOrdered: boolean;
	readonly isPlanAccepted: boolean;
}

/** The steps from nothing to a plan, in the order in which they are easiest. */
export const FIRST_STEPS = [
	'bakery',
	'people',
	'mixers',
	'ovens',
	'places',
	'drops',
	'formula',
	'product',
	'orders',
	'plan'
] as const;
export type FirstStepKey = (typeof FIRST_STEPS)[number];

export interface FirstStep {
	readonly key: FirstStepKey;
	readonly isDone: boolean;
	/** A plan can be made without it. */
	readonly canWait: boolean;
}

/** The room and the bins are there from the start. */
const PLACES_FROM_THE_START = 2;

/**
 * What has been done on the way to a first plan, and what can wait.
 *
 * Range: any bakery. Source: our default. Failures: none.
 * Example: a bakery that was only named has its first step done and its ovens wanted; its people's shifts can wait.
 */
export function firstSteps(sofar: BakerySoFar): readonly FirstStep[] {
	const done: Readonly<Record<FirstStepKey, boolean>> = {
		bakery: true,
		people: sofar.shifts > 0,
		mixers: sofar.mixers > 0,
		ovens: sofar.decks > 0,
		places: sofar.places > PLACES_FROM_THE_START,
		drops: sofar.drops > 0,
		formula: sofar.formulas > 0,
		product: sofar.products > 0,
		orders: sofar.isOrdered,
		plan: sofar.isPlanAccepted
	};
	const waits: ReadonlySet<FirstStepKey> = new Set(['people', 'mixers', 'places']);
	return FIRST_STEPS.map((key) => ({ key, isDone: done[key], canWait: waits.has(key) }));
}

/** The step to take next: the first that is wanted and not done; null when a plan stands. */
export function nextStep(steps: readonly FirstStep[]): FirstStepKey | null {
	return steps.find(({ isDone, canWait }) => !isDone && !canWait)?.key ?? null;
}
