import { layersAfter, type Layers, type Turn } from '../formula/index.ts';
import type { Mass } from '../units/index.ts';
import type { FlatSize } from './lay-out.ts';

/** A turn and how thick the dough is rolled for it; null where nobody said. */
export interface TurnAsked {
	readonly turn: Turn;
	readonly rolledToMm: number | null;
}

/** What is locked in and turned: the dough and the fat of one sheet. */
export interface BlockToTurn {
	readonly dough: Mass;
	readonly fat: Mass;
	/** What a cubic centimetre of the finished sheet weighs, in g. */
	readonly gramsPerCubicCm: number;
	/** What a cubic centimetre of the fat weighs, in g. */
	readonly fatGramsPerCubicCm: number;
	/** How wide it is kept on the rollers, in cm. */
	readonly widthCm: number;
}

/** One turn: what it is rolled to, where the fat goes, and what lies there when it is folded. */
export interface TurnSize {
	readonly turn: Turn;
	readonly rolled: FlatSize;
	/** Whether the thickness is what is usual, since nobody said one. */
	readonly isUsual: boolean;
	/** The plate of fat, where this turn locks it in: it begins at one end and leaves the edges free. */
	readonly plate: FlatSize | null;
	readonly folded: FlatSize;
	readonly layers: Layers | null;
}

/** How thick dough is rolled for the fat, and for a fold, unless somebody says otherwise, in mm (our defaults). */
export const USUAL_LOCK_IN_MILLIMETRES = 10;
export const USUAL_TURN_MILLIMETRES = 8;

/** What a cubic centimetre of fat weighs while nobody weighed a litre, in g (our default). */
export const USUAL_FAT_GRAMS_PER_CUBIC_CM = 0.92;

/** Dough left free around the plate, so that the edges close, in cm (our default). */
export const PLATE_EDGE_CM = 1;

/** Into how many parts the length is folded. */
const PARTS: Readonly<Record<Turn, number>> = {
	'lock-in-1': 2,
	'lock-in-2': 3,
	half: 2,
	single: 3,
	double: 4
};

/**
 * Gives the sizes of a block at each of its turns.
 *
 * Model: volume is kept; the block is as wide as the rollers are set for, so its length follows from its thickness. One
 * layer of fat covers a half of the dough and the other half is laid over it; two layers cover two thirds and the dough
 * is folded in three. A fold in n parts leaves a length of one n-th and n times the thickness.
 * Range: weights and widths above 0, a block with more volume than its fat. Turns before the lock-in are of plain dough.
 * Source: domain arithmetic (lamination), geometry. Failures: null where fat is locked in that is not there, or is more
 * than the block.
 * Example: 2.2 kg of dough at 1.1 g/cm3 with no fat, 40 cm wide at 10 mm, is 50 cm long, and 16.7 cm folded in three.
 */
export function turnSizes(
	block: BlockToTurn,
	turns: readonly TurnAsked[]
): readonly TurnSize[] | null {
	const { dough, fat, widthCm } = block;
	const whole = (dough.grams + fat.grams) / block.gramsPerCubicCm;
	const plate = fat.grams / block.fatGramsPerCubicCm;
	const plain = whole - plate;
	const isLocked = turns.some(({ turn }) => turn.startsWith('lock-in'));
	if (!(plain > 0) || (isLocked && !(plate > 0))) return null;
	const sizes: TurnSize[] = [];
	let volume = plain;
	const done: Turn[] = [];
	for (const { turn, rolledToMm } of turns) {
		const isLockIn = turn === 'lock-in-1' || turn === 'lock-in-2';
		// A second lock-in rolls out all that is there.
		const thicknessMm =
			rolledToMm ?? (isLockIn ? USUAL_LOCK_IN_MILLIMETRES : USUAL_TURN_MILLIMETRES);
		const rolled = flat(volume, widthCm, thicknessMm);
		const parts = PARTS[turn];
		const laid = isLockIn ? plateOn(rolled, plate, parts) : null;
		if (isLockIn) volume = whole;
		const foldedLength = rolled.lengthCm / parts;
		done.push(turn);
		sizes.push({
			turn,
			rolled,
			isUsual: rolledToMm === null,
			plate: laid,
			folded: {
				lengthCm: foldedLength,
				widthCm,
				thicknessMm: (volume / (foldedLength * widthCm)) * 10
			},
			layers: layersAfter(done)
		});
	}
	return sizes;
}

function flat(volume: number, widthCm: number, thicknessMm: number): FlatSize {
	return { lengthCm: volume / (widthCm * (thicknessMm / 10)), widthCm, thicknessMm };
}

/** The plate covers all but the part that is laid over it, and leaves an edge of dough where there is room for one. */
function plateOn({ lengthCm, widthCm }: FlatSize, volume: number, parts: number): FlatSize {
	const covered = (lengthCm * (parts - 1)) / parts;
	const inside = (side: number) => Math.max(side / 2, side - 2 * PLATE_EDGE_CM);
	const size = { lengthCm: inside(covered), widthCm: inside(widthCm) };
	return { ...size, thicknessMm: (volume / (size.lengthCm * size.widthCm)) * 10 };
}
