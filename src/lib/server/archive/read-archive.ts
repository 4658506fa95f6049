import { createHash, type Hash } from 'node:crypto';
import { Unzip, UnzipInflate, UnzipPassThrough } from 'fflate';
import { sql } from 'kysely';
import { z } from 'zod';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, type ArchiveProblem } from '../../contracts/archive.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { isUnavailable, storageTrouble, type Db, type Tx } from '../db/client.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { dataVersion } from '../db/data-version.ts';
import { tablesOfArchive, type ArchivedTable } from './tables-of-archive.ts';
import { HEAD_FILE, SUMS_FILE, tableFile } from './write-archive.ts';

const ROWS_AT_ONCE = 500;
/** A row is a plan at the largest; a line that is longer is none. */
const LONGEST_LINE = 16_000_000;
/** An archive unpacks to at the most so many times its size beyond a first stretch: what does so is no log of a bakery. */
const MOST_TIMES = 200;
const FIRST_STRETCH = 64_000_000;

const headSchema = z.object({
	format: z.literal(ARCHIVE_FORMAT),
	version: z.literal(ARCHIVE_VERSION),
	data: z.string().max(200)
});
const sumsSchema = z.record(
	z.string(),
	z.object({ rows: z.int().min(0), sha256: z.string().length(64) })
);

/** Thrown to undo all that was taken. */
class NotTaken extends Error {
	constructor(readonly problem: ArchiveProblem) {
		super(problem.kind);
	}
}
const refuse = (problem: ArchiveProblem): never => {
	throw new NotTaken(problem);
};

/**
 * Takes an archive into a database that has no bakery yet: all of it, in one transaction, or nothing. Every row is held against what the tables allow, each table against what was written,
 * and what is read from it first, its book and its house, is read before it stands.
 */
export async function readArchive(
	db: Db,
	body: AsyncIterable<Uint8Array> | Iterable<Uint8Array>
): Promise<Result<{ readonly rows: number }, ArchiveProblem>> {
	try {
		return ok(
			await db.transaction().execute(async (tx) => {
				// A large bakery takes a while, and whoever sends it may be slow.
				await sql`set local statement_timeout = '5min'`.execute(tx);
				await sql`set local idle_in_transaction_session_timeout = '15min'`.execute(tx);
				await sql`lock table bakery in exclusive mode`.execute(tx);
				const tables = await tablesOfArchive(tx);
				for (const { name } of tables)
					if (!(await isEmpty(tx, name))) refuse({ kind: 'not-empty' });
				const reading = new Reading(tx, tables, await dataVersion(tx));
				for await (const chunk of body) await reading.take(chunk);
				const rows = await reading.finish();
				await holds(tx);
				return { rows };
			})
		);
	} catch (error) {
		if (error instanceof NotTaken) return fail(error.problem);
		if (isUnavailable(error)) return fail({ kind: 'database-unavailable' });
		if (storageTrouble(error)) return fail({ kind: 'no-room' });
		const refused = refusedByDatabase(error);
		if (refused !== null) return fail({ kind: 'does-not-fit', where: refused });
		throw error;
	}
}

async function isEmpty(tx: Tx, name: string): Promise<boolean> {
	const { rows } = await sql`select 1 from ${sql.table(name)} limit 1`.execute(tx);
	return rows.length === 0;
}

/** A value that a table does not take: its class says so, whatever it is. */
function refusedByDatabase(error: unknown): string | null {
	const { code, table } = error as { readonly code?: unknown; readonly table?: unknown };
	if (typeof code !== 'string' || !/^(22|23|42804|P0001)/.test(code)) return null;
	return typeof table === 'string' ? table : 'a row';
}

/** What pages read first can be read: a row may fit its table and still say nothing. */
async function holds(tx: Tx): Promise<void> {
	try {
		if (!(await loadBakery(tx))) refuse({ kind: 'does-not-fit', where: 'bakery' });
		await loadEntries(tx, 'newest');
		await loadFormulaBook(tx);
	} catch (error) {
		if (error instanceof NotTaken || isUnavailable(error) || storageTrouble(error)) throw error;
		refuse({ kind: 'does-not-fit', where: 'the book or the house' });
	}
}

/** The lines of one file of the archive, as they come. */
interface Entry {
	readonly name: string;
	readonly table: ArchivedTable | null;
	readonly decoder: TextDecoder;
	readonly sum: Hash;
	rest: string;
	rows: number;
	waiting: string[];
	ended: boolean;
}

/** An archive as it arrives: unpacked piece by piece, each row on its way before the next piece is taken. */
class Reading {
	private readonly unzip = new Unzip();
	private readonly entries: Entry[] = [];
	private readonly done = new Map<string, { readonly rows: number; readonly sha256: string }>();
	private head = '';
	private sums = '';
	private taken = 0;
	private unpacked = 0;
	private problem: ArchiveProblem | null = null;

	constructor(
		private readonly tx: Tx,
		private readonly tables: readonly ArchivedTable[],
		private readonly ours: string
	) {
		this.unzip.register(UnzipInflate);
		this.unzip.register(UnzipPassThrough);
		this.unzip.onfile = (file) => {
			const table = tables.find(({ name }) => tableFile(name) === file.name) ?? null;
			const known = table !== null || file.name === HEAD_FILE || file.name === SUMS_FILE;
			const twice = this.entries.some(({ name }) => name === file.name);
			if (!known || twice) this.problem ??= { kind: 'another-format' };
			const entry: Entry = {
				name: file.name,
				table,
				decoder: new TextDecoder('utf-8', { fatal: true }),
				sum: createHash('sha256'),
				rest: '',
				rows: 0,
				waiting: [],
				ended: false
			};
			this.entries.push(entry);
			file.ondata = (error, chunk, final) => this.unpack(entry, error, chunk, final);
			if (this.problem === null) file.start();
		};
	}

	async take(chunk: Uint8Array): Promise<void> {
		this.taken += chunk.length;
		try {
			this.unzip.push(chunk);
		} catch {
			this.problem ??= {
				kind: this.head === '' ? 'another-format' : 'damaged',
				where: 'the archive'
			} as ArchiveProblem;
		}
		if (this.problem) refuse(this.problem);
		await this.write();
	}

	async finish(): Promise<number> {
		try {
			this.unzip.push(new Uint8Array(0), true);
		} catch {
			refuse({ kind: 'damaged', where: 'its end' });
		}
		if (this.problem) refuse(this.problem);
		await this.write();
		if (this.head === '') refuse({ kind: 'another-format' });
		const sums = sumsSchema.safeParse(parsed(this.sums));
		if (!sums.success) return refuse({ kind: 'damaged', where: 'its end' });
		let rows = 0;
		for (const table of this.tables) {
			const written = sums.data[table.name];
			const read = this.done.get(table.name);
			if (!written || read?.rows !== written.rows || read.sha256 !== written.sha256)
				return refuse({ kind: 'damaged', where: table.name });
			rows += read.rows;
			for (const { column, sequence } of table.counters)
				await sql`select setval(${sequence}::regclass, greatest(1, (select max(${sql.ref(column)}) from ${sql.table(table.name)})))`.execute(
					this.tx
				);
			await this.announce(table, 'enable');
		}
		return rows;
	}

	private unpack(entry: Entry, error: Error | null, chunk: Uint8Array, final: boolean): void {
		if (error) return void (this.problem ??= { kind: 'damaged', where: entry.name });
		if (this.problem) return;
		this.unpacked += chunk.length;
		if (this.unpacked > FIRST_STRETCH + MOST_TIMES * this.taken)
			return void (this.problem = { kind: 'too-large' });
		entry.sum.update(chunk);
		try {
			entry.rest += entry.decoder.decode(chunk, { stream: !final });
		} catch {
			return void (this.problem = { kind: 'damaged', where: entry.name });
		}
		if (entry.table) {
			const lines = entry.rest.split('\n');
			entry.rest = lines.pop() ?? '';
			entry.waiting.push(...lines);
		}
		if (entry.rest.length > LONGEST_LINE) this.problem = { kind: 'too-large' };
		if (final) entry.ended = true;
	}

	/** Writes what has arrived whole; the head is looked at before anything else is. */
	private async write(): Promise<void> {
		for (const entry of this.entries) {
			if (entry.name === HEAD_FILE && entry.ended && this.head === '') this.readHead(entry.rest);
			if (entry.table && this.head === '' && entry.waiting.length > 0)
				refuse({ kind: 'another-format' });
			if (entry.name === SUMS_FILE && entry.ended) this.sums = entry.rest;
			const { table } = entry;
			if (!table) continue;
			while (entry.waiting.length > 0) {
				const lines = entry.waiting.splice(0, ROWS_AT_ONCE);
				if (entry.rows === 0) await this.announce(table, 'disable');
				await this.insert(table, lines);
				entry.rows += lines.length;
			}
			if (entry.ended && !this.done.has(table.name)) {
				if (entry.rest !== '') refuse({ kind: 'damaged', where: table.name });
				this.done.set(table.name, { rows: entry.rows, sha256: entry.sum.digest('hex') });
			}
		}
	}

	private readHead(text: string): void {
		const value = parsed(text);
		const head = headSchema.safeParse(value);
		if (!head.success) return refuse({ kind: 'another-format' });
		if (head.data.data !== this.ours)
			refuse({ kind: 'other-data', theirs: head.data.data, ours: this.ours });
		this.head = text;
	}

	private async insert({ name, columns }: ArchivedTable, lines: readonly string[]): Promise<void> {
		const listed = sql.join(columns.map((column) => sql.ref(column)));
		const rows = `[${lines.join(',')}]`;
		if (parsed(rows) === null) refuse({ kind: 'damaged', where: name });
		await sql`insert into ${sql.table(name)} (${listed}) overriding system value
			select ${listed} from json_populate_recordset(null::${sql.table(name)}, ${rows}::json)`.execute(
			this.tx
		);
	}

	/** Nobody is told of each row while an archive is taken. */
	private async announce(table: ArchivedTable, how: 'enable' | 'disable'): Promise<void> {
		for (const trigger of table.announcers)
			await sql`alter table ${sql.table(table.name)} ${sql.raw(how)} trigger ${sql.ref(trigger)}`.execute(
				this.tx
			);
	}
}

function parsed(text: string): unknown {
	try {
		return JSON.parse(text) as unknown;
	} catch {
		return null;
	}
}
