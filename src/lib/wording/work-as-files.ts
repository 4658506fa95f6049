import { EVERYBODY } from '../contracts/sheet-paths.ts';
import type { PlanWork } from '../contracts/views.ts';
import { SHEET_TEXT, SHEET_OF } from './sheet-text.ts';
import type { ListEntry } from './list-entry.ts';
import { toDoList } from './task-text.ts';
import { clockText, isoDayText } from './time-text.ts';

/** A calendar rings so long before a thing is to be done. */
export const ALARM_MINUTES = 5;

/** What somebody has to do, as an entry of a calendar. */
export function calendarEntries({ nights }: PlanWork, who: string) {
	return nights.flatMap(({ date, number, acceptedAtMs, document }) =>
		handsOn(document)
			.filter(({ personIds }) => who === EVERYBODY || personIds.includes(who))
			.map((entry) => ({
				uid: `${date} ${entry.key}`,
				sequence: number,
				toldAtMs: acceptedAtMs,
				startMs: entry.atMs,
				endMs: entry.endMs,
				summary: entry.what,
				description: [entry.detail, entry.who, entry.caution].filter(Boolean).join('\n'),
				location: entry.machine
			}))
	);
}

/** Whether somebody is in one of the plans. */
export function isInWork({ nights }: PlanWork, who: string): boolean {
	return (
		who === EVERYBODY ||
		nights.some(({ document }) => document.input.people?.some(({ id }) => id === who))
	);
}

/** The columns of a plan as a table, in order. */
export const WORK_COLUMNS = [
	'day',
	'time',
	'to',
	'begins (UTC)',
	'ends (UTC)',
	'station',
	'what',
	'detail',
	'machine',
	'who',
	'caution'
] as const;

/** What hands do in the nights, line by line. */
export function tableOfWork({ bakery, nights }: PlanWork) {
	return nights.flatMap(({ document }) =>
		handsOn(document).map((entry): Readonly<Record<(typeof WORK_COLUMNS)[number], string>> => ({
			day: isoDayText(entry.atMs, bakery.timeZone),
			time: clockText(entry.atMs, bakery.timeZone),
			to: clockText(entry.endMs, bakery.timeZone),
			'begins (UTC)': new Date(entry.atMs).toISOString(),
			'ends (UTC)': new Date(entry.endMs).toISOString(),
			station: SHEET_TEXT[SHEET_OF[entry.station]],
			what: entry.what,
			detail: entry.detail,
			machine: entry.machine,
			who: entry.who,
			caution: entry.caution
		}))
	);
}

function handsOn({ plan, input }: PlanWork['nights'][number]['document']): readonly ListEntry[] {
	return toDoList(plan, input).filter((entry) => entry.handsOn);
}
