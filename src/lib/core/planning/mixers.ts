import type { Machine } from '../schedule/index.ts';
import { unitsFilled, type Grid } from './grid.ts';
import type { MixTrace, PlannedMixer } from './input.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/** What fits a mixer was found out before: to the engine every mix is one. */
export const ONE_MIX = 1;

/** A mix is attended while it is loaded and started, and when it ends (our defaults, in minutes). */
const ATTENDED_BEGINNING = 10;
const ATTENDED_END = 5;

/** When a mix of so many units on a machine is attended: all along where it is short. */
export function attendedOfMix(
	length: number
): readonly { readonly from: number; readonly to: number }[] {
	const beginning = unitsFilled(ATTENDED_BEGINNING);
	const end = length - unitsFilled(ATTENDED_END);
	return beginning < end
		? [
				{ from: 0, to: beginning },
				{ from: end, to: length }
			]
		: [{ from: 0, to: length }];
}

/** A family of mixes: those that leave the same behind. */
export function familyOf(leaves: readonly MixTrace[]): string {
	return leaves
		.map(({ kind, name }) => `${kind} ${name}`)
		.sort()
		.join(', ');
}

/**
 * The mixers, with the clean-downs between families.
 *
 * Model: what other dates mix takes its mixer. A clean-down stands between two mixes where the first leaves something that the second has not, and the mixer is
 * cleaned after such; light before dark, and what one may not find in the next dough last, come of it by themselves.
 * Source: domain (mixers change over). Failures: none.
 */
export function mixersOf(
	mixers: readonly PlannedMixer[],
	families: ReadonlyMap<string, readonly MixTrace[]>,
	elsewhere: readonly TakenElsewhere[],
	grid: Grid
): readonly Machine[] {
	return mixers.map((mixer) => ({
		id: mixer.id,
		least: 0,
		most: ONE_MIX,
		closed: elsewhere
			.filter(({ of, id }) => of === 'mixer' && id === mixer.id)
			.map(({ fromMs, toMs }) => ({ from: grid.floor(fromMs), to: grid.ceil(toMs) })),
		changeovers: [...families].flatMap(([before, left]) =>
			[...families].flatMap(([after, has]) =>
				mixer.cleanDownMinutes > 0 && isCleaned(mixer, left, has)
					? [{ before, after, length: unitsFilled(mixer.cleanDownMinutes) }]
					: []
			)
		)
	}));
}

function isCleaned(
	{ cleansAfter }: PlannedMixer,
	left: readonly MixTrace[],
	has: readonly MixTrace[]
): boolean {
	return left.some(
		({ kind, name }) =>
			cleansAfter.includes(kind) && !has.some((other) => other.kind === kind && other.name === name)
	);
}
