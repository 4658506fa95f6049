import { MINUTE_MS } from '../time/index.ts';
import type { Station } from '../planning/index.ts';
import type { ExpectedWork } from './expected.ts';

/** Whose work a board shows: all of it, what is done at one station, or what one person does. */
export type Whose =
	| { readonly kind: 'all' }
	| { readonly kind: 'station'; readonly station: Station }
	| { readonly kind: 'person'; readonly personId: string };

export interface BoardWork extends ExpectedWork {
	/** Its time has come and nobody began it; so many minutes ago, 0 where that is to come. */
	readonly lateMinutes: number;
}

export interface Board {
	/** Steam that is due; what is in hand, oldest first; then what is due, oldest first. */
	readonly now: readonly BoardWork[];
	/** To come, in order of time. */
	readonly next: readonly BoardWork[];
	/** Done or left out, newest first. */
	readonly over: readonly BoardWork[];
	/** Nobody tapped them, and what comes after them was begun. */
	readonly passed: readonly BoardWork[];
}

/** What is due within this is due now: hands are there a little before (our default). */
const AT_HAND_MS = MINUTE_MS;

/** From so many minutes on it is late, and not just due (our default: as exact as a plan is); steam waits for nobody. */
const LATE_FROM_MINUTES = 5;
const STEAM_LATE_FROM_MINUTES = 1;

/**
 * How late a work is: minutes since it was due, where they count as late; 0 otherwise.
 * Range: any. Source: our default. Failures: none. Example: due at 02:00 and open at 02:07 is 7 minutes late.
 */
export function lateMinutes({ work, state, dueMs }: ExpectedWork, nowMs: number): number {
	if (!isToCome(state)) return 0;
	const minutes = Math.floor((nowMs - dueMs) / MINUTE_MS);
	const from = work.kind === 'steam' ? STEAM_LATE_FROM_MINUTES : LATE_FROM_MINUTES;
	return minutes >= from ? minutes : 0;
}

/**
 * Sorts the works of a night into what is now, what is next and what is over, for one pair of eyes.
 * Range: any works. Source: definition. Failures: none.
 * Example: a mix in hand, a fold due two minutes ago: both are now, the mix first.
 */
export function boardOf(expected: readonly ExpectedWork[], whose: Whose, nowMs: number): Board {
	const mine = expected
		.filter((one) => isOf(one, whose))
		.map((one): BoardWork => ({ ...one, lateMinutes: lateMinutes(one, nowMs) }));
	const begun = mine.filter(({ state }) => state.kind === 'begun');
	const open = mine
		.filter(({ state, isPassed }) => isToCome(state) && !isPassed)
		.sort((a, b) => a.dueMs - b.dueMs);
	/** What cannot wait comes before what is in hand. */
	const isPressing = ({ work }: BoardWork) => work.kind === 'steam';
	const isDue = ({ dueMs }: BoardWork) => dueMs <= nowMs + AT_HAND_MS;
	return {
		now: [
			...open.filter((one) => isDue(one) && isPressing(one)),
			...begun.sort((a, b) => a.fromMs - b.fromMs),
			...open.filter((one) => isDue(one) && !isPressing(one))
		],
		next: open.filter((one) => !isDue(one)),
		over: mine
			.filter(({ state }) => state.kind === 'done' || state.kind === 'left-out')
			.sort((a, b) => tappedAt(b) - tappedAt(a)),
		passed: mine.filter(({ isPassed }) => isPassed)
	};
}

function isToCome({ kind }: BoardWork['state']): boolean {
	return kind === 'open' || kind === 'put-off';
}

function tappedAt({ state }: BoardWork): number {
	return state.kind === 'open' ? 0 : state.entry.atMs;
}

function isOf({ work }: ExpectedWork, whose: Whose): boolean {
	switch (whose.kind) {
		case 'all':
			return true;
		case 'station':
			return work.station === whose.station;
		case 'person':
			// What is nobody's by name is everybody's.
			return work.personIds.length === 0 || work.personIds.includes(whose.personId);
	}
}
