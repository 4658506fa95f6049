import type { PostgresCursor, PostgresPool, PostgresPoolClient, PostgresQueryResult } from 'kysely';
import type pg from 'pg';

/** A text that was asked so often will be asked again. */
const ASKED_OFTEN = 3;
/** A connection keeps so many statements prepared: more would take room in the server for little. */
const MOST_PREPARED = 400;
/** So many texts are counted at a time: lists of ever other lengths make ever other texts. */
const MOST_COUNTED = 2000;

/** What is planned, and one statement alone: beginning and ending a transaction takes no thought. */
const WORTH_PREPARING = /^\s*(select|with|insert|update|delete)\b[^;]*$/i;

/** Names for the texts of queries that are asked again and again; null for all others. */
export class StatementNames {
	#names = new Map<string, string>();
	#asked = new Map<string, number>();

	nameOf(text: string): string | null {
		const name = this.#names.get(text);
		if (name !== undefined) return name;
		if (this.#names.size === MOST_PREPARED || !WORTH_PREPARING.test(text)) return null;
		const asked = (this.#asked.get(text) ?? 0) + 1;
		if (asked < ASKED_OFTEN) {
			if (this.#asked.size === MOST_COUNTED) this.#asked.clear();
			this.#asked.set(text, asked);
			return null;
		}
		this.#asked.delete(text);
		const given = `jovet-${this.#names.size}`;
		this.#names.set(text, given);
		return given;
	}
}

/**
 * A pool whose connections keep prepared what is asked again and again: a page asks some fifty to a hundred small questions, and
 * reading and planning them anew took PostgreSQL longer than answering them.
 */
export function preparing(pool: pg.Pool): PostgresPool {
	const names = new StatementNames();
	/** Each connection has one face, by which Kysely knows it again. */
	const faces = new WeakMap<pg.PoolClient, PostgresPoolClient>();
	return {
		connect: async () => {
			const client = await pool.connect();
			let face = faces.get(client);
			if (!face) {
				face = new PreparingClient(client, names);
				faces.set(client, face);
			}
			return face;
		},
		end: () => pool.end()
	};
}

class PreparingClient implements PostgresPoolClient {
	/** Statements are prepared anew under other names where a table has changed under them. */
	#generation = 0;

	constructor(
		private readonly client: pg.PoolClient,
		private readonly names: StatementNames
	) {}

	query<R>(text: string, parameters: readonly unknown[]): Promise<PostgresQueryResult<R>>;
	query<R>(cursor: PostgresCursor<R>): PostgresCursor<R>;
	query<R>(
		asked: string | PostgresCursor<R>,
		parameters: readonly unknown[] = []
	): Promise<PostgresQueryResult<R>> | PostgresCursor<R> {
		if (typeof asked === 'string') return this.#answer<R>(asked, parameters);
		throw new Error('the dialect was given no cursors');
	}

	async #answer<R>(text: string, parameters: readonly unknown[]): Promise<PostgresQueryResult<R>> {
		const name = this.names.nameOf(text);
		if (name === null) return this.#ask<R>(undefined, text, parameters);
		try {
			return await this.#ask<R>(`${name}-${this.#generation}`, text, parameters);
		} catch (error) {
			if (!isOutgrown(error)) throw error;
			this.#generation += 1;
			// What a transaction has begun is over with an error, whatever is asked then.
			if (this.client.getTransactionStatus() !== 'I') throw error;
			return this.#ask<R>(`${name}-${this.#generation}`, text, parameters);
		}
	}

	release(): void {
		this.client.release();
	}

	async #ask<R>(
		name: string | undefined,
		text: string,
		values: readonly unknown[]
	): Promise<PostgresQueryResult<R>> {
		const { command, rowCount, rows } = await this.client.query({
			...(name === undefined ? {} : { name }),
			text,
			values: [...values]
		});
		return { command: command as 'SELECT', rowCount: rowCount ?? 0, rows: rows as R[] };
	}
}

/** Another version of the application has given a table other columns since the statement was prepared. */
export function isOutgrown(error: unknown): boolean {
	return (
		error instanceof Error &&
		(error as { code?: unknown }).code === '0A000' &&
		/cached plan must not change result type/.test(error.message)
	);
}
