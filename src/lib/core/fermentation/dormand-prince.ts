/** The moments of the stages within a step, of the pair of fifth and fourth order (dormand-prince-1980). */
export const NODES = [0, 1 / 5, 3 / 10, 4 / 5, 8 / 9, 1, 1];

/** What of the slopes so far leads to each stage, and at the end over the whole step. */
export const WEIGHTS: readonly (readonly number[])[] = [
	[],
	[1 / 5],
	[3 / 40, 9 / 40],
	[44 / 45, -56 / 15, 32 / 9],
	[19372 / 6561, -25360 / 2187, 64448 / 6561, -212 / 729],
	[9017 / 3168, -355 / 33, 46732 / 5247, 49 / 176, -5103 / 18656],
	[35 / 384, 0, 500 / 1113, 125 / 192, -2187 / 6784, 11 / 84]
];

/** The fifth order less the fourth: what the slopes say of the step's error. */
export const ERROR = [71 / 57600, 0, -71 / 16695, 71 / 1920, -17253 / 339200, 22 / 525, -1 / 40];

/** The continuous extension of the pair, of order 4 all along a step (hairer-1993). */
export const DENSE = [
	-12715105075 / 11282082432,
	0,
	87487479700 / 32700410799,
	-10690763975 / 1880347072,
	701980252875 / 199316789632,
	-1453857185 / 822651844,
	69997945 / 29380423
];
