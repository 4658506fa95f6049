/**
 * When a line of the final dough goes in: with the flour and water of an autolyse, at the start of the
 * mix, some minutes into it, as held-back water, late (salt or fat once the dough has formed), folded in
 * by hand, or rolled in between layers. `after-4` is four minutes into the mix.
 */
export type Addition =
	'autolyse' | 'start' | `after-${number}` | 'held-back' | 'late' | 'fold-in' | 'roll-in';

/** The additions without a time of their own, in the order in which they go in. */
export const NAMED_ADDITIONS = [
	'autolyse',
	'start',
	'held-back',
	'late',
	'fold-in',
	'roll-in'
] as const satisfies readonly Addition[];

/** The longest an addition can wait into a mix, in minutes (our default). */
export const MOST_ADDITION_MINUTES = 60;

const AFTER = /^after-([1-9]\d?)$/;

/** Minutes into the mix of an addition that has a time of its own; null for every other. */
export function minutesIntoMix(addition: Addition): number | null {
	const found = AFTER.exec(addition);
	return found ? Number(found[1]) : null;
}

/** The addition some whole minutes into the mix; minutes outside 1 to 60 are a bug of the caller and throw. */
export function additionAfter(minutes: number): Addition {
	if (!Number.isInteger(minutes) || minutes < 1 || minutes > MOST_ADDITION_MINUTES)
		throw new RangeError('an addition is from 1 to 60 whole minutes into the mix');
	return `after-${minutes}`;
}

/** Whether a text is an addition, as when it comes in at a border. */
export function isAddition(text: string): text is Addition {
	const minutes = minutesIntoMix(text as Addition);
	if (minutes !== null) return minutes <= MOST_ADDITION_MINUTES;
	return NAMED_ADDITIONS.some((addition) => addition === text);
}

/**
 * A number that sorts additions in the order they go in.
 * Example: what goes in after 4 minutes comes after the start and before the held-back water.
 */
export function additionOrder(addition: Addition): number {
	const minutes = minutesIntoMix(addition);
	if (minutes !== null) return 1 + minutes / 100;
	const at = NAMED_ADDITIONS.findIndex((other) => other === addition);
	return at < 2 ? at : at + 1;
}
