import type { Addition } from './addition.ts';
import type { Formula, Material, Preparation } from './formula.ts';

/** One line that differs between two revisions; null on the side where it is not. */
export interface LineDifference {
	readonly material: Material;
	readonly addition: Addition;
	readonly before: number | null;
	readonly after: number | null;
}

interface ComparedLine {
	readonly material: Material;
	readonly addition: Addition;
	readonly amount: number;
}

/** Amounts closer than this are the same; it is below what any scale shows of a percentage. */
const SAME_AMOUNT = 1e-6;

/**
 * Compares two revisions of a formula line by line, in percent of total flour.
 *
 * Model: lines of one material added at one time are one line. Range: any two revisions.
 * Source: our default. Failures: none; equal revisions have no differences.
 * Example: salt from 2.0 to 2.1 is one difference with both sides.
 */
export function compareFormulas(before: Formula, after: Formula): readonly LineDifference[] {
	const read = (formula: Formula): readonly ComparedLine[] =>
		formula.lines.map(({ material, addition, percentOfFlour }) => ({
			material,
			addition,
			amount: percentOfFlour
		}));
	return differences(read(before), read(after));
}

/** Compares two revisions of a build or soaker line by line, in parts of each one's own whole. */
export function comparePreparations(
	before: Preparation,
	after: Preparation
): readonly LineDifference[] {
	const read = ({ lines }: Preparation): readonly ComparedLine[] => {
		const all = lines.reduce((total, line) => total + line.parts, 0);
		return lines.map(({ material, parts }) => ({
			material,
			addition: 'start',
			amount: (parts / all) * 100
		}));
	};
	return differences(read(before), read(after));
}

function differences(
	before: readonly ComparedLine[],
	after: readonly ComparedLine[]
): readonly LineDifference[] {
	const old = joined(before);
	const now = joined(after);
	return [...new Set([...old.keys(), ...now.keys()])].flatMap((key) => {
		const was = old.get(key);
		const is = now.get(key);
		const line = is ?? was;
		if (!line || (was && is && Math.abs(was.amount - is.amount) < SAME_AMOUNT)) return [];
		return [
			{
				material: line.material,
				addition: line.addition,
				before: was?.amount ?? null,
				after: is?.amount ?? null
			}
		];
	});
}

function joined(lines: readonly ComparedLine[]): ReadonlyMap<string, ComparedLine> {
	const all = new Map<string, ComparedLine>();
	for (const line of lines) {
		const key = `${materialKey(line.material)} ${line.addition}`;
		all.set(key, { ...line, amount: line.amount + (all.get(key)?.amount ?? 0) });
	}
	return all;
}

/** A key that tells one ingredient or preparation from another. */
export function materialKey(material: Material): string {
	return material.kind === 'ingredient'
		? `ingredient ${material.ingredientId}`
		: `preparation ${material.preparationId}`;
}
