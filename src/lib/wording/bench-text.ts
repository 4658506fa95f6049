import type { Board, BoardWork, DropExpected } from '../core/bench/index.ts';
import type { Station } from '../core/planning/index.ts';
import { formatMinutes } from '../core/units/index.ts';
import { clockText } from './time-text.ts';

export const STATION_TEXT: Readonly<Record<Station, string>> = {
	mixer: 'Mixer',
	bench: 'Bench',
	oven: 'Oven',
	packing: 'Packing'
};

/** Why something waits, as a tap says it (our words; anything else is typed where it is looked at). */
export const BECAUSE = [
	'the dough is not ready',
	'no hands free',
	'the machine is in use',
	'something broke'
] as const;

const MINUTE = 60_000;

/** How long until something, or since: "now", "in 18 min", "7 min late". */
export function whenText({ dueMs, lateMinutes }: BoardWork, nowMs: number): string {
	if (lateMinutes > 0) return `${formatMinutes(lateMinutes)} late`;
	const minutes = Math.round((dueMs - nowMs) / MINUTE);
	return minutes <= 0 ? 'now' : `in ${formatMinutes(minutes)}`;
}

/** How long something in hand goes on: "5 min to go", "3 min over". */
export function handText({ toMs, fromMs, work }: BoardWork, nowMs: number): string {
	const endMs = fromMs + (work.endMs - work.atMs);
	const minutes = Math.round((Math.max(endMs, toMs) - nowMs) / MINUTE);
	if (minutes > 0) return `${formatMinutes(minutes)} to go`;
	const over = Math.round((nowMs - endMs) / MINUTE);
	return over > 0 ? `${formatMinutes(over)} over` : 'time is up';
}

/** How the night stands, in one sentence. */
export function benchSentence(
	{ now, next, over }: Board,
	nameOf: (one: BoardWork) => string,
	nowMs: number,
	zone: string
): string {
	const late = now.filter(({ lateMinutes }) => lateMinutes > 0);
	const [first] = now;
	const [coming] = next;
	if (late.length > 0 && late[0])
		return late.length === 1
			? `${nameOf(late[0])}: ${whenText(late[0], nowMs)}.`
			: `${late.length} things are late, ${nameOf(late[0])} by ${formatMinutes(late[0].lateMinutes)}.`;
	if (first)
		return now.length === 1
			? `Now: ${nameOf(first)}.`
			: `Now: ${nameOf(first)}, and ${now.length - 1} more.`;
	if (coming)
		return `Nothing now. Next at ${clockText(coming.dueMs, zone)}, ${whenText(coming, nowMs)}: ${nameOf(coming)}.`;
	return over.length > 0 ? 'All of it is done.' : 'There is nothing to do here.';
}

/** What a drop has to spare by what was tapped: "22 min to spare", "late by 8 min". */
export function spareText({ readyByMs, readyMs, isGone }: DropExpected): string {
	if (isGone) return 'on its way';
	if (readyMs === null) return 'not planned whole';
	const minutes = Math.floor((readyByMs - readyMs) / MINUTE);
	return minutes >= 0 ? `${formatMinutes(minutes)} to spare` : `late by ${formatMinutes(-minutes)}`;
}

export function isDropLate({ readyByMs, readyMs, isGone }: DropExpected): boolean {
	return !isGone && readyMs !== null && readyMs > readyByMs;
}
