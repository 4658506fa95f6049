import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { CommandOutcome } from '../../src/lib/contracts/commands.ts';
import { LOAF, TOMORROW } from '../integration/test-database.ts';

/** One hand that types an order and a temperature in turn, each until it is answered, with the same id. */
export class Hand {
	readonly acknowledged: {
		readonly id: string;
		readonly kind: string;
		readonly answer: unknown;
	}[] = [];
	readonly sent = new Set<string>();
	version = 0;
	pieces = 0;
	#heard = () => {};

	constructor(
		private readonly origin: string,
		readonly dropId: string,
		private readonly cookie: string,
		private readonly givenUp: AbortSignal
	) {}

	async type(until: () => boolean): Promise<void> {
		for (let turn = 1; !until(); turn += 1) {
			const order = turn % 2 === 0;
			const answer = await this.#untilAnswered(
				order
					? {
							kind: 'change-order',
							date: TOMORROW,
							dropId: this.dropId,
							productId: LOAF,
							pieces: turn % 50,
							expectedVersion: this.version
						}
					: {
							kind: 'take-reading',
							quantity: 'room',
							preparationId: null,
							celsius: 20 + (turn % 10),
							instrument: 'typed',
							correctsId: null
						}
			);
			if (order) {
				this.version = (answer as { version: number }).version;
				this.pieces = turn % 50;
			}
		}
	}

	/** Waits until so many more were acknowledged. */
	async hears(more: number): Promise<void> {
		const wanted = this.acknowledged.length + more;
		while (this.acknowledged.length < wanted)
			await new Promise<void>((resolve) => (this.#heard = resolve));
	}

	async #untilAnswered(
		content: Readonly<Record<string, unknown>> & { readonly kind: string }
	): Promise<unknown> {
		const id = randomUUID();
		this.sent.add(id);
		const body = JSON.stringify({ ...content, id, occurredAtMs: Date.now() });
		for (;;) {
			this.givenUp.throwIfAborted();
			const outcome = await this.#send(body);
			if (outcome?.outcome === 'done') {
				this.acknowledged.push({ id, kind: content.kind, answer: outcome.answer });
				this.#heard();
				return outcome.answer;
			}
			if (outcome) {
				const { kind } = outcome.refusal;
				assert.ok(kind === 'database-unavailable' || kind === 'busy', JSON.stringify(outcome));
			}
			// What cannot be reached now is asked again, as a browser would.
			await pause(20);
		}
	}

	async #send(body: string): Promise<CommandOutcome | null> {
		try {
			const answer = await fetch(`${this.origin}/commands`, {
				method: 'POST',
				headers: {
					'content-type': 'application/json',
					origin: this.origin,
					cookie: this.cookie
				},
				body,
				signal: AbortSignal.timeout(5000)
			});
			assert.ok(answer.status < 500 || answer.status === 503, `${answer.status}`);
			return (await answer.json()) as CommandOutcome;
		} catch (error) {
			if (error instanceof assert.AssertionError) throw error;
			return null;
		}
	}
}
