import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { CommandOutcome } from '../../src/lib/contracts/commands.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { LOAF, TOMORROW } from '../integration/test-database.ts';
import { askFrom } from './ask-from.ts';

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
	/** How often it was not answered, or told to come again. */
	unanswered = 0;
	#firstVersion = 0;
	#heard = () => {};

	constructor(
		private readonly origin: string,
		readonly dropId: string,
		private readonly cookie: string,
		private readonly givenUp: AbortSignal,
		/** The address it comes from, where it is to be another than the machine's own. */
		private readonly address?: string
	) {}

	/** Reads the order that it changes, as it is now. */
	async begin(db: Db): Promise<void> {
		this.#firstVersion = (await this.#order(db))?.row_version ?? 0;
		this.version = this.#firstVersion;
	}

	/** Holds what it was told against what is stored: all of it, once, and nothing that it was not told. */
	async assertNothingLost(db: Db): Promise<void> {
		const stored = await db
			.selectFrom('command')
			.select(['id', 'kind', 'answer'])
			.where('id', 'in', [...this.sent])
			.execute();
		const byId = new Map(stored.map((row) => [row.id, row]));
		const readings = await db
			.selectFrom('reading')
			.select('id')
			.where('id', 'in', [...this.sent])
			.execute();
		const read = new Set(readings.map(({ id }) => id));
		for (const { id, kind, answer } of this.acknowledged) {
			assert.equal(byId.get(id)?.kind, kind, `command ${id} is stored`);
			assert.deepEqual(byId.get(id)?.answer, answer);
			if (kind === 'take-reading') assert.ok(read.has(id), `reading ${id} is stored`);
		}
		const told = new Set(this.acknowledged.map(({ id }) => id));
		for (const { id } of stored) assert.ok(told.has(id), `command ${id} was told`);
		// Each change counts up by one: a doubled or half-written one would show.
		const line = await this.#order(db);
		const changes = this.acknowledged.filter(({ kind }) => kind === 'change-order').length;
		assert.equal(line?.row_version, this.#firstVersion + changes);
		assert.equal(line.pieces, this.pieces);
	}

	#order(db: Db) {
		return db
			.selectFrom('order_line')
			.select(['row_version', 'pieces'])
			.where('bake_date', '=', TOMORROW)
			.where('product_id', '=', LOAF)
			.where('drop_id', '=', this.dropId)
			.executeTakeFirst();
	}

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
			this.unanswered += 1;
			// What cannot be reached now is asked again, as a browser would.
			await pause(20);
		}
	}

	async #send(body: string): Promise<CommandOutcome | null> {
		try {
			const { status, text } = await askFrom(`${this.origin}/commands`, {
				method: 'POST',
				headers: {
					'content-type': 'application/json',
					origin: this.origin,
					cookie: this.cookie
				},
				body,
				...(this.address === undefined ? {} : { localAddress: this.address })
			});
			assert.ok(status < 500 || status === 503, `${status}`);
			return JSON.parse(text) as CommandOutcome;
		} catch (error) {
			if (error instanceof assert.AssertionError) throw error;
			return null;
		}
	}
}
