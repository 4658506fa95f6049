import { createHash } from 'node:crypto';
import { strToU8, Zip, ZipDeflate } from 'fflate';
import { sql } from 'kysely';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION } from '../../contracts/archive.ts';
import type { Db, Tx } from '../db/client.ts';
import { dataVersion } from '../db/data-version.ts';
import { tablesOfArchive, type ArchivedTable } from './tables-of-archive.ts';

/** Rows that are read and written at once. */
const ROWS_AT_ONCE = 500;
/** Quick rather than small: a night's log packs to a tenth either way. */
const LEVEL = 4;

/** The name of the file that says what an archive is, and of the one that says that it is whole. */
export const HEAD_FILE = 'bakery.json';
export const SUMS_FILE = 'sums.json';
export const tableFile = (name: string) => `tables/${name}.ndjson`;

/** What a table came to: how many rows, and what they were. */
export interface TableSum {
	readonly rows: number;
	readonly sha256: string;
}

/**
 * Everything a bakery has, as a zip archive of one file for each table, a row on each line; read as it stood at one moment, while work goes on. What is written last says what was written,
 * so that an archive that ends too soon is known by it.
 */
export function writeArchive(db: Db, writtenAtMs: number): ReadableStream<Uint8Array> {
	const steps = archiveSteps(db, writtenAtMs);
	return new ReadableStream<Uint8Array>(
		{
			async pull(controller) {
				const { done, value } = await steps.next();
				if (done === true) return controller.close();
				for (const chunk of value) controller.enqueue(chunk);
			},
			async cancel() {
				await steps.return(undefined);
			}
		},
		// Nothing is begun before somebody reads: who only asks what there is would leave it open.
		{ highWaterMark: 0 }
	);
}

async function* archiveSteps(
	db: Db,
	writtenAtMs: number
): AsyncGenerator<readonly Uint8Array[], void, void> {
	let chunks: Uint8Array[] = [];
	const zip = new Zip((error, chunk) => {
		if (error) throw error;
		chunks.push(chunk);
	});
	const packed = () => {
		const ready = chunks;
		chunks = [];
		return ready;
	};
	const file = (name: string) => {
		const entry = new ZipDeflate(name, { level: LEVEL });
		zip.add(entry);
		return entry;
	};
	const whole = (name: string, value: unknown) =>
		file(name).push(strToU8(`${JSON.stringify(value, null, '\t')}\n`), true);
	const { tx, end } = await snapshot(db);
	try {
		whole(HEAD_FILE, {
			format: ARCHIVE_FORMAT,
			version: ARCHIVE_VERSION,
			data: await dataVersion(tx),
			writtenAt: new Date(writtenAtMs).toISOString()
		});
		const sums: Record<string, TableSum> = {};
		for (const table of await tablesOfArchive(tx)) {
			const entry = file(tableFile(table.name));
			const sum = createHash('sha256');
			let rows = 0;
			for await (const lines of rowsOf(tx, table)) {
				const text = lines.map((line) => `${line}\n`).join('');
				sum.update(text);
				rows += lines.length;
				entry.push(strToU8(text));
				yield packed();
			}
			entry.push(new Uint8Array(0), true);
			sums[table.name] = { rows, sha256: sum.digest('hex') };
		}
		whole(SUMS_FILE, sums);
		zip.end();
		yield packed();
	} finally {
		await end();
	}
}

/** A look at all tables as they stand at one moment, however long it takes to read them. */
async function snapshot(db: Db): Promise<{ readonly tx: Tx; readonly end: () => Promise<void> }> {
	const tx = await db.startTransaction().setIsolationLevel('repeatable read').execute();
	await sql`set transaction read only`.execute(tx);
	// Who fetches it may be slow.
	await sql`set local idle_in_transaction_session_timeout = '15min'`.execute(tx);
	return {
		tx,
		end: async () => {
			if (!tx.isCommitted && !tx.isRolledBack) await tx.rollback().execute();
		}
	};
}

async function* rowsOf(
	tx: Tx,
	{ name, columns, ownReferences }: ArchivedTable
): AsyncGenerator<readonly string[], void, void> {
	const listed = sql.join(columns.map((column) => sql.ref(column)));
	// A row stands after the one it points at: what was corrected was there first.
	const order = [
		...ownReferences.map((column) => sql`(${sql.ref(column)} is not null)`),
		...(ownReferences.length > 0 ? [sql`recorded_at`] : []),
		sql`1`
	];
	await sql`declare rows_of_table no scroll cursor for
		select row_to_json(row)::text as line from (
			select ${listed} from ${sql.table(name)} order by ${sql.join(order)}) as row`.execute(tx);
	for (;;) {
		const { rows } = await sql<{
			line: string;
		}>`fetch forward ${sql.lit(ROWS_AT_ONCE)} from rows_of_table`.execute(tx);
		if (rows.length > 0) yield rows.map(({ line }) => line);
		if (rows.length < ROWS_AT_ONCE) break;
	}
	await sql`close rows_of_table`.execute(tx);
}
