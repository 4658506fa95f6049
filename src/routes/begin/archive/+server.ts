import { json } from '@sveltejs/kit';
import type { ArchiveAnswer, ArchiveProblem } from '$lib/contracts/archive.ts';
import { readArchive } from '$lib/server/archive/read-archive.ts';
import { database } from '$lib/server/db/connection.ts';
import type { RequestHandler } from './$types';

const STATUS: Readonly<Record<ArchiveProblem['kind'], number>> = {
	'not-empty': 409,
	'another-format': 422,
	'other-data': 422,
	damaged: 422,
	'too-large': 413,
	'does-not-fit': 422,
	'database-unavailable': 503
};

/** A bakery from its archive, where there is none yet. */
export const POST: RequestHandler = async ({ request }) => {
	const read = await readArchive(database(), piecesOf(request));
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
