import { Kysely, PostgresDialect, type Transaction } from 'kysely';
import pg from 'pg';
import { isOutgrown, preparing } from './prepared-statements.ts';
import type { Tables } from './tables.ts';

export type Db = Kysely<Tables>;
export type Tx = Transaction<Tables>;

/** The name this server shows to PostgreSQL; it must never appear in what browsers are sent. */
export const SERVER_MARKER = 'jovet-server-process';

const DATE_OID = 1082;

/** Who waits longer than this for a lock or a connection is told that it is busy. */
const LONGEST_LOCK_MS = 8000;
const LONGEST_CONNECT_MS = 10_000;

/**
 * Opens the pool. Dates stay strings, so that no time zone moves them; a lost connection, in use or not, is
 * reported through `onLost` instead of ending the process. `onQuery` hears of every query, for counting.
 */
export function openDatabase(
	connectionString: string,
	onLost: (error: Error) => void,
	onQuery?: () => void
): Db {
	const pool = new pg.Pool({
		connectionString,
		application_name: SERVER_MARKER,
		// Every query reads little: compiling one took longer than running it, once the tables had grown.
		options: '-c jit=off',
		max: 10,
		connectionTimeoutMillis: LONGEST_CONNECT_MS,
		statement_timeout: 15_000,
		lock_timeout: LONGEST_LOCK_MS,
		idle_in_transaction_session_timeout: 60_000,
		types: {
			getTypeParser(oid: number, format?: 'text' | 'binary'): (value: string) => unknown {
				if (oid === DATE_OID) return (value) => value;
				return pg.types.getTypeParser(oid, format ?? 'text') as (value: string) => unknown;
			}
		}
	});
	// The pool listens to its idle connections only; one in use that is lost would be nobody's, and end the
	// process. Each is therefore listened to from its beginning, and what the pool hears was told already.
	pool.on('connect', (client) => client.on('error', onLost));
	pool.on('error', () => undefined);
	return new Kysely<Tables>({
		dialect: new PostgresDialect({ pool: preparing(pool) }),
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
	return /Connection terminated|not queryable|Connection ended|not currently accepting connections/.test(
		error.message
	);
}

/** The disk has no room, or what lies on it cannot be read or written. */
const STORAGE_CODES: Readonly<Record<string, 'full' | 'damaged'>> = {
	'53100': 'full',
	'58030': 'damaged',
	XX001: 'damaged',
	XX002: 'damaged'
};

/** What is the matter with the disk of the database, where an error says so; null for any other. */
export function storageTrouble(error: unknown): 'full' | 'damaged' | null {
	const code = error instanceof Error ? (error as { code?: unknown }).code : undefined;
	return typeof code === 'string' ? (STORAGE_CODES[code] ?? null) : null;
}

/** A lock or a statement that took too long, too many clients. */
const BUSY_CODES = new Set(['55P03', '57014', '53300']);

/** True when the database has too much to do: the same asked again in a moment may be done. */
export function isOverloaded(error: unknown): boolean {
	if (!(error instanceof Error)) return false;
	const code = (error as { code?: unknown }).code;
	if (typeof code === 'string' && BUSY_CODES.has(code)) return true;
	return /timeout exceeded when trying to connect/.test(error.message);
}

/** Two transactions that stood in each other's way, or one before a table that has changed: it was undone, and is done again. */
const CONFLICT_CODES = new Set(['40P01', '40001']);

export function isConflict(error: unknown): boolean {
	const code = error instanceof Error ? (error as { code?: unknown }).code : undefined;
	return (typeof code === 'string' && CONFLICT_CODES.has(code)) || isOutgrown(error);
}

/** What a value broke that the database holds, by the name of its rule; null for any other error. */
export function brokenRule(error: unknown): string | null {
	if (!(error instanceof Error)) return null;
	const { code, constraint } = error as { code?: unknown; constraint?: unknown };
	if (typeof code !== 'string' || !/^(22|23)/.test(code)) return null;
	return typeof constraint === 'string' ? constraint : code;
}
