import { json } from '@sveltejs/kit';
import type { ArchiveAnswer, ArchiveProblem } from '$lib/contracts/archive.ts';
import { readArchive } from '$lib/server/archive/read-archive.ts';
import { headBaker } from '$lib/server/auth/actor.ts';
import { askingOf } from '$lib/server/auth/asking-of.ts';
import { welcomeFounder } from '$lib/server/auth/first-key.ts';
import { setToken } from '$lib/server/auth/session-cookie.ts';
import { database } from '$lib/server/db/connection.ts';
import type { RequestHandler } from './$types';

const STATUS: Readonly<Record<ArchiveProblem['kind'], number>> = {
	'not-empty': 409,
	'another-format': 422,
	'other-data': 422,
	damaged: 422,
	'too-large': 413,
	'does-not-fit': 422,
	'database-unavailable': 503,
	'no-room': 503
};

/** A bakery from its archive, where there is none yet. */
export const POST: RequestHandler = async (event) => {
	const read = await readArchive(database(), piecesOf(event.request));
	// Whoever brings a bakery along where there was none comes in as its head baker, and chooses a password.
	const head = read.ok ? await headBaker(database()) : null;
	if (head) setToken(event, await welcomeFounder(database(), head.id, askingOf(event)));
	const answer: ArchiveAnswer = read.ok
		? { outcome: 'done', rows: read.value.rows }
		: { outcome: 'refused', problem: read.error };
	return json(answer, {
		status: read.ok ? 200 : STATUS[read.error.kind],
		headers: { 'cache-control': 'no-store' }
	});
};

/** What is sent, piece by piece; what is refused is not read to its end. */
async function* piecesOf(request: Request): AsyncGenerator<Uint8Array, void, void> {
	const reader = request.body?.getReader();
	if (!reader) return;
	try {
		for (;;) {
			const { done, value } = await reader.read();
			if (done) return;
			yield value;
		}
	} finally {
		await reader.cancel().catch(() => undefined);
	}
}
