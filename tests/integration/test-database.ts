import { randomUUID } from 'node:crypto';
import { Kysely, PostgresDialect, sql } from 'kysely';
import pg from 'pg';
import type { BatchName } from '../../src/lib/contracts/batch-name.ts';
import type {
	CommandContent,
	CommandKind,
	CommandOutcome
} from '../../src/lib/contracts/commands.ts';
import { id, type FormulaId } from '../../src/lib/core/identity.ts';
import { REAL_TIME, type BakeDate } from '../../src/lib/core/time/index.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { openDatabase, type Db } from '../../src/lib/server/db/client.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { loadSaltmarrow } from '../../src/lib/server/demo/load-saltmarrow.ts';
import { carryOut, readCommand } from '../../src/lib/server/commands/door.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';

/** Monday 23 November 2026, 14:00 in Saltmarrow; no test looks at the day it runs on. */
export const NOW_MS = Date.UTC(2026, 10, 23, 14, 0);
export const TOMORROW = '2026-11-24' as BakeDate;

export const server = process.env.JOVET_TEST_DATABASE ?? '';
if (!server) throw new Error('JOVET_TEST_DATABASE is not set; run the tests with "npm test"');

const TEMPLATE = 'jovet_template';
const TEMPLATE_LOCK = 4310;

async function withServer<T>(work: (db: Kysely<unknown>) => Promise<T>): Promise<T> {
	const pool = new pg.Pool({ connectionString: `${server}/postgres`, max: 1 });
	const db = new Kysely<unknown>({ dialect: new PostgresDialect({ pool }) });
	try {
		return await work(db);
	} finally {
		await db.destroy();
	}
}

/** Makes the migrated template with the demo in it, once for all test processes. */
async function ensureTemplate(db: Kysely<unknown>): Promise<void> {
	await sql`select pg_advisory_lock(${TEMPLATE_LOCK})`.execute(db);
	try {
		const found = await sql`select 1 from pg_database where datname = ${TEMPLATE}`.execute(db);
		if (found.rows.length > 0) return;
		const building = `${TEMPLATE}_building`;
		await sql.raw(`drop database if exists ${building}`).execute(db);
		await sql.raw(`create database ${building}`).execute(db);
		const fresh = openDatabase(`${server}/${building}`, () => undefined);
		await migrateToLatest(fresh);
		await loadSaltmarrow(fresh, REAL_TIME, NOW_MS);
		await fresh.destroy();
		await sql.raw(`alter database ${building} rename to ${TEMPLATE}`).execute(db);
	} finally {
		await sql`select pg_advisory_unlock(${TEMPLATE_LOCK})`.execute(db);
	}
}

export interface TestDatabase {
	readonly db: Db;
	readonly url: string;
	/** Makes it what it was at first, under whoever works with it: open connections are ended. */
	readonly renew: () => Promise<void>;
	readonly drop: () => Promise<void>;
}

/** A database of its own: the demo from the template, or an empty one. */
export async function testDatabase(kind: 'demo' | 'empty' = 'demo'): Promise<TestDatabase> {
	const name = `jovet_${randomUUID().replaceAll('-', '')}`;
	// Copying the template's files takes a tenth of what writing each page to the log does.
	const from = kind === 'demo' ? ` template ${TEMPLATE} strategy file_copy` : '';
	const create = (admin: Kysely<unknown>) =>
		sql.raw(`create database ${name}${from}`).execute(admin);
	const dropped = (admin: Kysely<unknown>) =>
		sql.raw(`drop database ${name} with (force)`).execute(admin);
	await withServer(async (admin) => {
		if (kind === 'demo') await ensureTemplate(admin);
		await create(admin);
	});
	const url = `${server}/${name}`;
	const db = openDatabase(url, () => undefined);
	return {
		db,
		url,
		renew: () =>
			withServer(async (admin) => {
				await dropped(admin);
				await create(admin);
			}),
		drop: async () => {
			await db.destroy();
			await withServer(dropped);
		}
	};
}

/** Sends a command through the door as the demo's head baker, some minutes after the tests' now. */
export async function send<K extends CommandKind>(
	db: Db,
	draft: { readonly kind: K } & CommandContent<K>,
	{ id = String(randomUUID()), minutes = 0 } = {}
): Promise<CommandOutcome<K>> {
	const actor = await headBaker(db);
	if (!actor) throw new Error('the demo has a head baker');
	const occurredAtMs = NOW_MS + minutes * 60_000;
	const read = readCommand({ ...draft, id, occurredAtMs });
	if (!read.ok) return { outcome: 'refused', refusal: read.error };
	// The template's clock shows real time: what happens, happens now.
	return await carryOut(db, read.value, actor, Math.max(NOW_MS, occurredAtMs));
}

/** How the pages of a date name a mix to the door. */
export async function batchOf(
	db: Db,
	formulaId: string,
	ordinal = 1,
	date: BakeDate = TOMORROW
): Promise<BatchName> {
	const { mixes } = await readPlan(db, date);
	const found = mixes.find((mix) => mix.formulaId === formulaId && mix.ordinal === ordinal);
	if (!found) throw new Error(`${date} has no mix ${ordinal} of ${formulaId}`);
	return found.batch;
}

/** A name that a client may have kept from a page that is out of date. */
export function plannedMix(
	formulaId: string,
	ordinal: number,
	revisionId: string,
	grams: number,
	date: BakeDate = TOMORROW
): BatchName {
	return {
		kind: 'planned-mix',
		date,
		formulaId: id<FormulaId>(formulaId),
		ordinal,
		revisionId,
		grams
	};
}

/** Ids of the demo by name. */
export const FERRY = demoId('drop', 'Ferry');
export const LOAF = demoId('product', 'Harbour loaf');
export const HARBOUR_DOUGH = demoId('formula', 'Harbour dough');
export const LEVAIN = demoId('preparation', 'Wheat levain');
