import type { BookFile } from '../../contracts/book-file.ts';
import type { Step } from '../../core/formula/index.ts';
import { nameKey } from '../name-key.ts';
import type { FileByKeys } from './by-keys.ts';

/** Whether things of a file stand in our book as they are. A table has lines alone: what stands beside them is no difference. */
export class StandsAsItIs {
	constructor(
		private readonly ours: FileByKeys,
		private readonly linesAlone: boolean
	) {}

	preparation(key: string, one: BookFile['preparations'][number]): boolean {
		const own = this.ours.preparations.get(key);
		return own !== undefined && areAlike(this.ofPreparation(own), this.ofPreparation(one));
	}

	formula(key: string, one: BookFile['formulas'][number]): boolean {
		const own = this.ours.formulas.get(key);
		return own !== undefined && areAlike(this.ofFormula(own), this.ofFormula(one));
	}

	product(key: string, one: BookFile['products'][number]): boolean {
		const own = this.ours.products.get(key);
		return own !== undefined && areAlike(this.ofProduct(own), this.ofProduct(one));
	}

	/** What is compared of two preparations: shares, since parts may be of any scale. */
	private ofPreparation(one: BookFile['preparations'][number]): unknown {
		const total = one.lines.reduce((sum, { parts }) => sum + parts, 0);
		const lines = one.lines.map(({ of, is, parts }) => [nameKey(of), is, rounded(parts / total)]);
		return this.linesAlone ? lines : [lines, { ...one, name: '', lines: [], steps: ofSteps(one) }];
	}

	private ofFormula(one: BookFile['formulas'][number]): unknown {
		const lines = one.lines.map(({ of, is, percentOfFlour, addition }) => [
			nameKey(of),
			is,
			rounded(percentOfFlour / 100),
			addition
		]);
		return this.linesAlone ? lines : [lines, { ...one, name: '', lines: [], steps: ofSteps(one) }];
	}

	private ofProduct(one: BookFile['products'][number]): unknown {
		const { doughs, extras, bakedGrams, bakeLossShare, sparesShare, shape } = one;
		return this.linesAlone
			? { doughs, extras, bakedGrams, bakeLossShare, sparesShare, shape }
			: { ...one, name: '', steps: ofSteps(one) };
	}
}

/** A room is as warm as the bakery's own: that is no difference between two steps. */
function ofSteps({ steps }: { readonly steps: readonly Step[] }): unknown {
	return steps.map((step) =>
		step.kind === 'wait'
			? {
					...step,
					legs: step.legs.map((leg) =>
						leg.place === 'room' ? { ...leg, named: null, ambientCelsius: 0 } : leg
					)
				}
			: step
	);
}

function areAlike(one: unknown, other: unknown): boolean {
	return asText(one) === asText(other);
}

/** A value as one text, whatever the order of its fields. */
function asText(value: unknown): string {
	return JSON.stringify(value, (_, one: unknown) =>
		typeof one === 'object' && one !== null && !Array.isArray(one)
			? Object.fromEntries(Object.entries(one).sort(([a], [b]) => (a < b ? -1 : 1)))
			: one
	);
}

function rounded(share: number): number {
	return Math.round(share * 1e5) / 1e5;
}
