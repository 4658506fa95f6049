/** How the search moves: shares and sizes that were found by measurement (docs/decisions/0022). */
export interface Manner {
	/** Of a hundred moves, those on a few branches, one or two wholes, two or three wholes, ones far from their wish. */
	readonly shares: readonly [number, number, number, number];
	/**
	 * Where a whole stands out by its price, so many are lifted at the most, itself among them: a mix that was left in the
	 * evening finds its place in a full morning only where most of that morning is put in anew.
	 */
	readonly withWorst: number;
	/** Of four moves, those that may take a worse start for a better one; and by how much. */
	readonly noisy: number;
	readonly noise: number;
	/** How far from where it stood a task may be put: in half of the moves, in a quarter of them. */
	readonly near: number;
	readonly far: number;
	/** Of a hundred moves, those whose first task must not go back to where it was; and how much around it is barred. */
	readonly barred: number;
	readonly barWhole: number;
	readonly barBranch: number;
	/** Of eight moves, those that lift all that comes after a chain with it, and not only what ends it. */
	readonly deep: number;
	/** The first temperature, by the cost of a task. */
	readonly heat: number;
	/** How many starts a move tries where what hangs from a task fails at the best. */
	readonly attemptsOfMove: number;
	/** How many first plans are made, each in another order, before the best is gone on from. */
	readonly attempts: number;
	/** How many more are made, what was late first, where more than a share of the best one's price is lateness. */
	readonly again: number;
	readonly muchLate: number;
	/** How many moves for each pair of atoms such a plan is tried to be bettered by, before another is begun. */
	readonly latePatience: number;
}

export const MANNER: Manner = {
	shares: [35, 10, 5, 40],
	withWorst: 10,
	noisy: 0,
	noise: 8,
	near: 12,
	far: 36,
	barred: 60,
	barWhole: 6,
	barBranch: 3,
	deep: 2,
	heat: 1,
	attemptsOfMove: 4,
	attempts: 2,
	again: 8,
	muchLate: 0.04,
	latePatience: 5
};
