import { Gate } from '../edge/gate.ts';

/**
 * Commands of one lane may write to the same things, and come one after the other: who waits for another's lock
 * waits here, without a connection. Two processes on one database still meet at the database's own locks.
 */
export const LANES = ['book', 'orders', 'batches', 'readings', 'settings'] as const;
export type Lane = (typeof LANES)[number];

const LIMITS = { atOnce: 1, waiting: 500, longestWaitMs: 10_000 };
const GATES: Readonly<Record<Lane, Gate>> = {
	book: new Gate(LIMITS),
	orders: new Gate(LIMITS),
	batches: new Gate(LIMITS),
	readings: new Gate(LIMITS),
	settings: new Gate(LIMITS)
};

/** Does the work when its lane is free; throws `Busy` where too many are before it. */
export function inLane<T>(lane: Lane, work: () => Promise<T>): Promise<T> {
	return GATES[lane].run(work);
}
