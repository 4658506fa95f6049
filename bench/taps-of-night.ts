import { randomUUID } from 'node:crypto';
import { nightInForce } from '../tests/integration/accepted-plan.ts';
import type { HardBakery } from '../tests/hard/hard-bakery.ts';
import { TOMORROW } from '../tests/integration/test-database.ts';

/** The taps of a crew, one after the other. */
export interface TapsOfNight {
	/** When the next of them is planned; null once all of it is done. */
	readonly nextAtMs: () => number | null;
	/** Sends it through the door, as done now. */
	readonly tap: () => Promise<void>;
}

/** What the crew of the night taps, in its order: each work begun and ended as its plan has it. `nowMs` is the bakery's clock. */
export async function tapsOfNight(
	{ origin, cookie, database }: Pick<HardBakery, 'origin' | 'cookie' | 'database'>,
	nowMs: () => number
): Promise<TapsOfNight> {
	const { list } = await nightInForce(database.db);
	const beganMs = nowMs();
	const taps = list
		.filter(({ kind, atMs }) => kind === 'do' && atMs >= beganMs)
		.flatMap(({ key, taskId, atMs, endMs }) => [
			{ act: 'begun', key, taskId, atMs },
			{ act: 'ended', key, taskId, atMs: endMs }
		])
		.sort((one, other) => one.atMs - other.atMs);
	let at = 0;
	const tap = async () => {
		const next = taps[at];
		if (!next) return;
		at += 1;
		const answer = await fetch(`${origin}/commands`, {
			method: 'POST',
			headers: { 'content-type': 'application/json', cookie },
			body: JSON.stringify({
				kind: 'tap-work',
				id: randomUUID(),
				occurredAtMs: nowMs(),
				date: TOMORROW,
				work: next.key,
				taskId: next.taskId,
				act: next.act,
				untilMs: null,
				because: '',
				celsius: null,
				personId: null
			})
		});
		const said = await answer.text();
		if (!answer.ok) throw new Error(`${answer.status}: ${said}`);
	};
	return { nextAtMs: () => taps[at]?.atMs ?? null, tap };
}
