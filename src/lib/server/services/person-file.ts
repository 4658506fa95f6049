import { FROM_THE_BEGINNING, loadEntryHistory } from '../db/entries.ts';
import type { Db } from '../db/client.ts';
import { insertDoorEntry, loadCredentials } from '../db/doors.ts';
import { loadDeedsOf, loadDoorsOf, loadTapsAs } from '../db/person-data.ts';

/**
 * All that is kept of somebody, as one JSON file to hand out: who they are and were, how they come in (no password, no code: not even
 * we know them), what happened at the doors, everything they sent, and what others tapped as theirs. That it was handed out, and by
 * whom, is written down. Null where there is no such person.
 */
export async function personFile(
	db: Db,
	{ personId, byId }: { readonly personId: string; readonly byId: string },
	writtenAtMs: number
): Promise<ReadableStream<Uint8Array> | null> {
	const revisions = (await loadEntryHistory(db, 'person')).filter(({ id }) => id === personId);
	if (revisions.length === 0) return null;
	const steps = (async function* () {
		// Written down once it is read: who only asks what there is was handed nothing.
		await insertDoorEntry(db, { act: 'data-handed-out', personId, byId, about: '' });
		yield* pieces(db, personId, revisions, writtenAtMs);
	})();
	const text = new TextEncoder();
	return new ReadableStream<Uint8Array>(
		{
			async pull(controller) {
				const { done, value } = await steps.next();
				if (done === true) return controller.close();
				controller.enqueue(text.encode(value));
			},
			async cancel() {
				await steps.return(undefined);
			}
		},
		{ highWaterMark: 0 }
	);
}

async function* pieces(
	db: Db,
	personId: string,
	revisions: Awaited<ReturnType<typeof loadEntryHistory<'person'>>>,
	writtenAtMs: number
): AsyncGenerator<string, void, void> {
	const [credentials, { sessions, entries }, taps] = await Promise.all([
		loadCredentials(db, [personId]),
		loadDoorsOf(db, personId),
		loadTapsAs(db, personId)
	]);
	const own = credentials.get(personId);
	const head = {
		writtenAt: new Date(writtenAtMs),
		person: {
			id: personId,
			saved: revisions.map(({ name, appliesFrom, retired, content, by, occurredAtMs }) => ({
				name,
				from: appliesFrom === FROM_THE_BEGINNING ? 'the start' : appliesFrom,
				left: retired,
				...content,
				savedBy: by,
				savedAt: new Date(occurredAtMs)
			}))
		},
		comesInBy: {
			password: (own?.passwordHash ?? null) !== null,
			code: (own?.codeHash ?? null) !== null
		},
		signedIn: sessions.map((session) => ({
			where: session.name,
			kind: session.kind,
			from: session.begun_at,
			lastUsed: session.seen_at,
			until: session.ended_at
		})),
		atTheDoors: entries.map(({ act, about, occurred_at }) => ({ act, about, at: occurred_at })),
		tappedByOthersAsTheirs: taps.map((tap) => ({
			bake: tap.bake_date,
			work: tap.work,
			act: tap.act,
			because: tap.because,
			at: tap.occurred_at
		}))
	};
	yield `${JSON.stringify(head, null, '\t').slice(0, -2)},\n\t"sent": [`;
	let isFirst = true;
	for await (const deeds of loadDeedsOf(db, personId))
		for (const { kind, occurred_at, recorded_at, request } of deeds) {
			yield `${isFirst ? '' : ','}\n\t\t${JSON.stringify({ what: kind, at: occurred_at, arrived: recorded_at, as: request })}`;
			isFirst = false;
		}
	yield '\n\t]\n}\n';
}
