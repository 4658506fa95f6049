import { Kysely, PostgresDialect, type Transaction } from 'kysely';
import pg from 'pg';
import type { Tables } from './tables.ts';

export type Db = Kysely<Tables>;
export type Tx = Transaction<Tables>;

/** The name this server shows to PostgreSQL; it must never appear in what browsers are sent. */
export const SERVER_MARKER = 'jovet-server-process';

const DATE_OID = 1082;

/**
 * Opens the pool. Dates stay strings, so that no time zone moves them; a lost connection is reported
 * through `onLost` instead of ending the process. `onQuery` hears of every query, for counting.
 */
export function openDatabase(
	connectionString: string,
	onLost: (error: Error) => void,
	onQuery?: () => void
): Db {
	const pool = new pg.Pool({
		connectionString,
		application_name: SERVER_MARKER,
		max: 10,
		connectionTimeoutMillis: 3000,
		statement_timeout: 15_000,
		types: {
			getTypeParser(oid: number, format?: 'text' | 'binary'): (value: string) => unknown {
				if (oid === DATE_OID) return (value) => value;
				return pg.types.getTypeParser(oid, format ?? 'text') as (value: string) => unknown;
			}
		}
	});
	pool.on('error', onLost);
	return new Kysely<Tables>({
		dialect: new PostgresDialect({ pool }),
		...(onQuery ? { log: () => onQuery() } : {})
	});
}

const UNAVAILABLE_CODES = new Set([
	'ECONNREFUSED',
	'ECONNRESET',
	'EPIPE',
	'ENOTFOUND',
	'ETIMEDOUT',
	'57P01',
	'57P02',
	'57P03',
	'53300',
	'08000',
	'08003',
	'08006',
	'08001'
]);

/** True when an error means that the database cannot be reached, rather than that a query is wrong. */
export function isUnavailable(error: unknown): boolean {
	if (!(error instanceof Error)) return false;
	const code = (error as { code?: unknown }).code;
	if (typeof code === 'string' && UNAVAILABLE_CODES.has(code)) return true;
	if (error instanceof AggregateError) return error.errors.some(isUnavailable);
	return /Connection terminated|timeout exceeded when trying to connect|not currently accepting connections/.test(
		error.message
	);
}
