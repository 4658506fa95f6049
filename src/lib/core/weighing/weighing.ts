import { additionOrder, type IngredientKind } from '../formula/index.ts';
import type { WeighUpLine } from '../production/index.ts';

/** How far a weight may lie from what is wanted before it is told: salt and yeast are felt first (our defaults). */
const SHARE_TOLERATED = 0.01;
const SHARE_TOLERATED_OF_SALT_AND_YEAST = 0.02;

/** What a line of a weigh-up is made of. */
export type LineKind = IngredientKind | 'preparation';

/** What one goes into the bowl as. */
export interface LineToWeigh {
	/** Which line of its batch it is: its material and when it goes in. */
	readonly key: string;
	readonly kind: LineKind;
	readonly name: string;
	/** As the scale is to show it. */
	readonly wantedGrams: number;
	readonly divisionGrams: number;
	/** Heavier than the scale or the bowl takes at once: in so many goes. */
	readonly goes: number;
}

/** A weight that went in. */
export interface Weighed {
	readonly grams: number;
	/** It was looked at and left so, though it is not what was wanted. */
	readonly closeEnough: boolean;
}

/** How far a line is. */
export interface LineState {
	readonly inBowlGrams: number;
	/** Below 0 where too much went in. */
	readonly leftGrams: number;
	readonly toleranceGrams: number;
	/** `done` within the tolerance, `kept` beside it and left so, `over` and not looked at yet. */
	readonly state: 'open' | 'part' | 'done' | 'kept' | 'over';
}

/** Lines in the order in which they go into the bowl. */
export function inOrderOfBowl<Line extends Pick<WeighUpLine, 'addition'>>(
	lines: readonly Line[]
): readonly Line[] {
	return lines
		.map((line, at) => ({ line, at }))
		.sort((a, b) => additionOrder(a.line.addition) - additionOrder(b.line.addition) || a.at - b.at)
		.map(({ line }) => line);
}

/**
 * Gives how far a line may lie from what is wanted: one division of its scale, or a share of it, whichever is more.
 * Range: 0 g and more. Source: our default. Failures: none.
 * Example: 268 g of salt on a scale of 1 g may be 5.4 g off, 12 g of yeast on one of 0.1 g may be 0.2 g.
 */
export function toleranceOf({
	kind,
	wantedGrams,
	divisionGrams
}: Pick<LineToWeigh, 'kind' | 'wantedGrams' | 'divisionGrams'>): number {
	const share =
		kind === 'salt' || kind === 'yeast' ? SHARE_TOLERATED_OF_SALT_AND_YEAST : SHARE_TOLERATED;
	return Math.max(divisionGrams, wantedGrams * share);
}

/**
 * Tells how far a line is, by all that went in for it.
 * Range: weights above 0. Source: definition. Failures: none.
 * Example: 30 of 42 kg in the bowl are a part, with 12 kg left.
 */
export function lineState(line: LineToWeigh, weighed: readonly Weighed[]): LineState {
	const inBowlGrams = weighed.reduce((total, { grams }) => total + grams, 0);
	const leftGrams = line.wantedGrams - inBowlGrams;
	const toleranceGrams = toleranceOf(line);
	const isKept = weighed.at(-1)?.closeEnough ?? false;
	const state = () => {
		if (weighed.length === 0) return 'open';
		if (Math.abs(leftGrams) <= toleranceGrams + 1e-9) return 'done';
		if (isKept) return 'kept';
		return leftGrams > 0 ? 'part' : 'over';
	};
	return { inBowlGrams, leftGrams, toleranceGrams, state: state() };
}

/** What a weight that is not what was wanted does to a dough, and what would mend it. */
export interface Deviation {
	/** Of the flour, as the formula says and as it is now; null for what has no flour. */
	readonly percent: { readonly wanted: number; readonly got: number } | null;
	/** So many times what was wanted. */
	readonly times: number;
	readonly effect: 'saltier' | 'less-salt' | 'faster' | 'slower' | 'wetter' | 'drier' | 'other';
	readonly mend: Mend;
}

export type Mend =
	| { readonly kind: 'add'; readonly grams: number }
	/** All the others larger in proportion, where the mixer takes it. */
	| {
			readonly kind: 'make-larger';
			readonly others: readonly {
				readonly key: string;
				readonly name: string;
				readonly grams: number;
			}[];
			readonly moreGrams: number;
			readonly fits: boolean;
	  };

/**
 * Tells what a weight that lies beside what was wanted does to the dough, and what would mend it.
 *
 * Model: percent = weight / flour of the batch; what is short is added, and what is over is mended by taking all the other
 * lines as many times, so that the formula stands and the batch grows. Range: a wanted weight above 0. Source: baker's
 * percentage. Failures: none; what has no flour is told without a percent.
 * Example: 300 g of salt for 240 in a dough of 12 kg of flour is 2.5 % for 2.0, and a batch a quarter larger mends it.
 */
export function deviationOf(
	line: LineToWeigh,
	inBowlGrams: number,
	batch: {
		readonly lines: readonly LineToWeigh[];
		readonly flourGrams: number;
		/** The most that a mixer takes of it; null for what is stirred by hand. */
		readonly mostGrams: number | null;
	}
): Deviation {
	const times = inBowlGrams / line.wantedGrams;
	const isOver = times > 1;
	const percent =
		batch.flourGrams > 0
			? {
					wanted: (line.wantedGrams / batch.flourGrams) * 100,
					got: (inBowlGrams / batch.flourGrams) * 100
				}
			: null;
	return { percent, times, effect: effectOf(line.kind, isOver), mend: mendOf() };

	function mendOf(): Mend {
		if (!isOver) return { kind: 'add', grams: line.wantedGrams - inBowlGrams };
		const others = batch.lines
			.filter((other) => other.key !== line.key)
			.map(({ key, name, wantedGrams }) => ({ key, name, grams: wantedGrams * (times - 1) }));
		const all = batch.lines.reduce((total, { wantedGrams }) => total + wantedGrams, 0);
		const moreGrams = all * (times - 1);
		const fits = batch.mostGrams === null || all + moreGrams <= batch.mostGrams + 1e-6;
		return { kind: 'make-larger', others, moreGrams, fits };
	}
}

function effectOf(kind: LineKind, isOver: boolean): Deviation['effect'] {
	switch (kind) {
		case 'salt':
			return isOver ? 'saltier' : 'less-salt';
		case 'yeast':
		case 'culture':
		case 'preparation':
			return isOver ? 'faster' : 'slower';
		case 'water':
			return isOver ? 'wetter' : 'drier';
		case 'flour':
			return isOver ? 'drier' : 'wetter';
		default:
			return 'other';
	}
}
