import {
	AREA_OF_COMMAND,
	type ChangeArea,
	type ChangesView,
	type ChangeView
} from '../../contracts/change-views.ts';
import { loadChanges, namesOf } from '../db/changes.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';

const MOST_ON_A_PAGE = 60;
/** More of what was sent than this is read where it led to. */
const MOST_SAID = 14;
const MOST_SIGNS = 140;
const UUIDS = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
/** What the log tells in a place of its own, and what only holds against two who change the same. */
const TOLD = new Set([
	'id',
	'kind',
	'occurredAtMs',
	'nameMeant',
	'date',
	'expectedNumber',
	'expectedVersion',
	'fingerprint',
	'zeroMs'
]);

/** Who changed what, newest first: a fixed few queries, however long the log. */
export async function readChanges(
	db: Db,
	asked: {
		readonly byId: string | null;
		readonly area: ChangeArea | null;
		readonly before: number | null;
	}
): Promise<ChangesView> {
	const kinds =
		asked.area === null
			? null
			: Object.entries(AREA_OF_COMMAND).flatMap(([kind, area]) =>
					area === asked.area ? [kind] : []
				);
	const [rows, entries] = await Promise.all([
		loadChanges(db, {
			byId: asked.byId,
			kinds,
			before: asked.before,
			most: MOST_ON_A_PAGE + 1
		}),
		loadEntries(db, 'newest', ['person'])
	]);
	const shown = rows.slice(0, MOST_ON_A_PAGE);
	const requests = shown.map(({ request }) => asObject(request));
	const names = await namesOf(db, [...new Set(requests.flatMap(idsIn))]);
	return {
		changes: shown.map((row, at): ChangeView => {
			const request = requests[at] ?? {};
			const about = [...new Set(idsIn(request).flatMap((id) => names.get(id) ?? []))];
			return {
				sequence: Number(row.sequence),
				atMs: row.occurred_at.getTime(),
				by: row.by,
				kind: row.kind,
				about,
				date: typeof request.date === 'string' ? request.date : null,
				said: saidIn(request)
					.filter(([, value]) => typeof value !== 'string' || !about.includes(value))
					.slice(0, MOST_SAID)
			};
		}),
		people: entries.all('person').map(({ id, name }) => ({ id, name })),
		before: rows.length > MOST_ON_A_PAGE ? Number(shown.at(-1)?.sequence ?? 0) : null
	};
}

type Sent = Readonly<Record<string, unknown>>;

function asObject(value: unknown): Sent {
	return typeof value === 'object' && value !== null && !Array.isArray(value)
		? (value as Sent)
		: {};
}

/** What it names, and what its content names, in their order. */
function idsIn(sent: Sent): readonly string[] {
	return Object.entries(sent).flatMap(([key, value]) => {
		if (key === 'id') return [];
		// Work is named by what it is done to: an id with words about it.
		if (typeof value === 'string') return value.match(UUIDS) ?? [];
		return Array.isArray(value) ? [] : idsIn(asObject(value));
	});
}

/** What it says beside what it names. */
function saidIn(sent: Sent): ChangeView['said'] {
	return Object.entries(sent).flatMap(([key, value]): ChangeView['said'] => {
		if (TOLD.has(key)) return [];
		if (typeof value === 'number' || typeof value === 'boolean') return [[key, value]];
		if (typeof value === 'string')
			return value === '' || value.match(UUIDS) ? [] : [[key, value.slice(0, MOST_SIGNS)]];
		if (Array.isArray(value)) return value.length === 0 ? [] : [[key, { many: value.length }]];
		return saidIn(asObject(value));
	});
}
