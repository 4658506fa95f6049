import { randomUUID } from 'node:crypto';
import { Kysely, PostgresDialect, sql } from 'kysely';
import pg from 'pg';
import type { Command, CommandOutcome } from '../../src/lib/contracts/commands.ts';
import { REAL_TIME, type BakeDate } from '../../src/lib/core/time/index.ts';
import { currentActor } from '../../src/lib/server/auth/actor.ts';
import { openDatabase, type Db } from '../../src/lib/server/db/client.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { loadSaltmarrow } from '../../src/lib/server/demo/load-saltmarrow.ts';
import { carryOut } from '../../src/lib/server/services/commands/door.ts';

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
	readonly drop: () => Promise<void>;
}

/** A database of its own: the demo from the template, or an empty one. */
export async function testDatabase(kind: 'demo' | 'empty' = 'demo'): Promise<TestDatabase> {
	const name = `jovet_${randomUUID().replaceAll('-', '')}`;
	await withServer(async (admin) => {
		if (kind === 'demo') await ensureTemplate(admin);
		const from = kind === 'demo' ? ` template ${TEMPLATE}` : '';
		await sql.raw(`create database ${name}${from}`).execute(admin);
	});
	const url = `${server}/${name}`;
	const db = openDatabase(url, () => undefined);
	return {
		db,
		url,
		drop: async () => {
			await db.destroy();
			await withServer((admin) => sql.raw(`drop database ${name} with (force)`).execute(admin));
		}
	};
}

/** Sends a command through the door as the demo's head baker. */
export async function send<K extends Command['kind']>(
	db: Db,
	draft: { kind: K } & Omit<Extract<Command, { kind: K }>, 'id' | 'kind' | 'occurredAtMs'>,
	id: string = randomUUID()
): Promise<CommandOutcome<K>> {
	const actor = await currentActor(db);
	if (!actor) throw new Error('the demo has a head baker');
	const command = { ...draft, id, occurredAtMs: NOW_MS } as unknown as Command;
	return (await carryOut(db, command, actor)) as CommandOutcome<K>;
}

/** Ids of the demo by name. */
export const FERRY = demoId('drop', 'Ferry');
export const LOAF = demoId('product', 'Harbour loaf');
export const HARBOUR_DOUGH = demoId('formula', 'Harbour dough');
export const LEVAIN = demoId('preparation', 'Wheat levain');
