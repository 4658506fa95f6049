import type { Machine } from '../problem.ts';

/** How long a machine that does one task at a time takes from one family to another. */
export class Changeovers {
	private readonly lengths = new Map<string, number>();

	constructor(changeovers: Machine['changeovers']) {
		for (const { before, after, length } of changeovers)
			this.lengths.set(`${before}\n${after}`, length);
	}

	/** None where the two are of one family, or where it takes no time. */
	between(before: string, after: string): number {
		return this.lengths.get(`${before}\n${after}`) ?? 0;
	}
}
