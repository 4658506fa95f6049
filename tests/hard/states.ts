import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { CommandContent, CommandKind } from '../../src/lib/contracts/commands.ts';
import type { Preparation } from '../../src/lib/core/formula/index.ts';
import { id, type PreparationId } from '../../src/lib/core/identity.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { carryOut, readCommand } from '../../src/lib/server/commands/door.ts';
import { loadClock } from '../../src/lib/server/db/bakery.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { loadFormulaBook, pinsOf } from '../../src/lib/server/db/formula-book.ts';
import {
	insertPreparationRevision,
	namePreparation
} from '../../src/lib/server/db/preparations.ts';
import { batchOf, HARBOUR_DOUGH, LEVAIN, NOW_MS, TOMORROW } from '../integration/test-database.ts';
import { newPlacement } from '../integration/placement.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { coldRoom } from '../integration/entry-content.ts';

const MINUTE = 60_000;
const DAY = 1440 * MINUTE;
const YEAR = 365 * DAY;

/** Something a database can hold that no baker would wish for: every page has to stand it. */
export interface HostileState {
	readonly name: string;
	readonly make: (db: Db) => Promise<void>;
}

/** Sends a command as if it were the moment it says: what a wrong clock could once write. */
async function tell<K extends CommandKind>(
	db: Db,
	occurredAtMs: number,
	draft: { readonly kind: K } & CommandContent<K>
): Promise<string> {
	const commandId = randomUUID();
	const actor = await headBaker(db);
	const read = readCommand({ ...draft, id: commandId, occurredAtMs });
	if (!actor || !read.ok) throw new Error(`not read: ${JSON.stringify(read)}`);
	const { anchorRealMs, anchorBakeryMs, rate } = await loadClock(db);
	const realMs = anchorRealMs + (occurredAtMs - anchorBakeryMs) / rate;
	const outcome = await carryOut(db, read.value, actor, realMs);
	if (outcome.outcome !== 'done') throw new Error(`${draft.kind}: ${JSON.stringify(outcome)}`);
	return commandId;
}

async function measured(db: Db, atMs: number) {
	const batch = await batchOf(db, HARBOUR_DOUGH);
	await tell(db, atMs, {
		kind: 'measure-dough',
		batch,
		celsius: 26,
		waterCelsius: 14,
		instrument: 'core-probe',
		mixerId: null,
		program: null
	});
	return batchOf(db, HARBOUR_DOUGH);
}

async function inTheCold(
	db: Db,
	atMs: number,
	cold: { airKilojoulesPerKelvin: number; compressorWatts: number },
	timeConstantMinutes: number
) {
	const retarderId = randomUUID();
	const name = `Whelk cabinet ${retarderId.slice(0, 4)}`;
	await tell(db, NOW_MS, coldRoom(retarderId, name, 4, { wallsWattsPerKelvin: 6, ...cold }));
	const batch = await measured(db, atMs);
	await tell(db, atMs + MINUTE, {
		kind: 'move-dough',
		batch,
		place: 'cold',
		ambientCelsius: 4,
		timeConstantMinutes,
		retarderId
	});
}

const USUAL_COLD = { airKilojoulesPerKelvin: 60, compressorWatts: 300 };

/** Changes what only an earlier version could have written. */
async function unguarded(db: Db, table: string, statement: string): Promise<void> {
	await sql.raw(`alter table ${table} disable trigger user`).execute(db);
	await sql.raw(statement).execute(db);
	await sql.raw(`alter table ${table} enable trigger user`).execute(db);
}

/** Builds that each name the one before twice: twice as many stages with every one. */
async function doubling(db: Db, levels: number): Promise<void> {
	const actor = await headBaker(db);
	const book = await loadFormulaBook(db);
	const pins = {
		ingredients: new Map(pinsOf(book).ingredients),
		preparations: new Map(pinsOf(book).preparations)
	};
	let inner = id<PreparationId>(LEVAIN);
	for (let level = 1; level <= levels; level += 1) {
		const preparation: Preparation = {
			id: id<PreparationId>(randomUUID()),
			name: `Whelk build ${level}`,
			kind: 'build',
			lines: [1, 2].map((parts) => ({
				material: { kind: 'preparation', preparationId: inner },
				parts
			})),
			buildLoss: { share: 0 },
			takeBackGrams: 0
		};
		await db.transaction().execute(async (tx) => {
			await namePreparation(tx, preparation.id, preparation.name);
			const revision = await insertPreparationRevision(
				tx,
				preparation,
				{ number: 1, cause: 'edited', steps: [], madeBy: actor?.id ?? '', occurredAtMs: NOW_MS },
				pins
			);
			pins.preparations.set(preparation.id, revision);
		});
		inner = preparation.id;
	}
	// The door refuses them at a piece today; what was saved before it did stands in the database.
	await unguarded(
		db,
		'product_revision_extra',
		`insert into product_revision_extra
			(revision_id, ordinal, use, preparation_revision_id, amount_g, for_pieces)
			select distinct on (product_id) id, 19, 'filling', '${pins.preparations.get(inner) ?? ''}', 100, 1
			from product_revision order by product_id, number desc`
	);
	await ordersOf(db, 3);
}

async function ordersOf(db: Db, pieces: number): Promise<void> {
	await sql`insert into order_line (bake_date, drop_id, product_id, pieces, row_version, changed_by)
		select ${TOMORROW}, d.id, p.id, ${pieces}, 1, (select id from bakery_entry where kind = 'person' limit 1)
		from bakery_entry d cross join product p where d.kind = 'drop'
		on conflict (bake_date, drop_id, product_id) do update set pieces = excluded.pieces`.execute(db);
}

export const HOSTILE_STATES: readonly HostileState[] = [
	{
		name: 'a cold room with hardly any air and a compressor for a warehouse',
		make: (db) =>
			inTheCold(db, NOW_MS - 60 * MINUTE, { airKilojoulesPerKelvin: 2, compressorWatts: 50_000 }, 2)
	},
	{
		name: 'a dough in the cold for ten months',
		make: (db) => inTheCold(db, NOW_MS - 300 * DAY, USUAL_COLD, 150)
	},
	{
		name: 'a dough in the cold for three weeks',
		make: (db) => inTheCold(db, NOW_MS - 21 * DAY, USUAL_COLD, 10_000)
	},
	{
		name: 'a mix dated in the year 2000',
		make: async (db) => void (await measured(db, Date.UTC(2000, 0, 2)))
	},
	{
		name: 'a mix and a judgement dated in the year 2199',
		make: async (db) => {
			const batch = await measured(db, Date.UTC(2198, 0, 2));
			await tell(db, Date.UTC(2199, 0, 2), {
				kind: 'judge-readiness',
				batch,
				sightings: [{ kind: 'poke', seen: 'springs-back' }],
				decision: 'wait'
			});
		}
	},
	{
		name: 'a flour of 59 degrees dated in the year 2199, and learning begun anew then',
		make: async (db) => {
			await tell(db, Date.UTC(2199, 0, 2), {
				kind: 'take-reading',
				quantity: 'flour',
				preparationId: null,
				celsius: 59,
				instrument: 'typed',
				correctsId: null
			});
			await tell(db, Date.UTC(2199, 0, 2), {
				kind: 'reset-learning',
				subject: 'friction',
				formulaId: HARBOUR_DOUGH
			});
		}
	},
	{
		name: 'time constants of a hundredth of a minute in every chain',
		make: async (db) => {
			for (const table of ['formula_revision', 'preparation_revision', 'product_revision'])
				await unguarded(
					db,
					table,
					`update ${table} set steps = regexp_replace(steps::text,
						'"timeConstantMinutes": ?[0-9.]+', '"timeConstantMinutes": 0.01', 'g')::jsonb`
				);
			await measured(db, NOW_MS - 120 * MINUTE);
		}
	},
	{ name: 'builds that name each other twice, eight deep', make: (db) => doubling(db, 8) },
	{ name: 'builds that name each other twice, thirty deep', make: (db) => doubling(db, 30) },
	{ name: '9 999 pieces of everything for every drop', make: (db) => ordersOf(db, 9999) },
	{ name: 'one piece of everything for every drop', make: (db) => ordersOf(db, 1) },
	{
		name: 'a mixer that takes one loaf at a time, and 9 999 loaves',
		make: async (db) => {
			await unguarded(db, 'formula_revision', 'update formula_revision set most_dough_g = 1600');
			await ordersOf(db, 9999);
		}
	},
	{
		name: 'a mixer that takes one loaf at a time, and a hundred loaves',
		make: async (db) => {
			await unguarded(db, 'formula_revision', 'update formula_revision set most_dough_g = 1600');
			await ordersOf(db, 30);
		}
	},
	{
		name: 'three hundred checks of one dough',
		make: async (db) => {
			const batch = await measured(db, NOW_MS - 400 * MINUTE);
			for (let check = 0; check < 300; check += 1)
				await tell(db, NOW_MS - (400 - check) * MINUTE, {
					kind: 'check-dough',
					batch,
					stage: 'dough',
					celsius: 20 + (check % 12),
					instrument: 'core-probe',
					place: 'room',
					ambientCelsius: 22
				});
		}
	},
	{
		name: 'an accepted plan whose orders are gone and whose clock is a year behind',
		make: async (db) => {
			const { input, fingerprint } = await readPlan(db, TOMORROW);
			await tell(db, NOW_MS, {
				kind: 'accept-plan',
				date: TOMORROW,
				fingerprint,
				placement: newPlacement(input)
			});
			await sql`delete from order_line where bake_date = ${TOMORROW}`.execute(db);
			await sql`delete from standing_stretch`.execute(db);
			await sql`update app_clock set anchor_bakery_ms = anchor_bakery_ms - ${YEAR}`.execute(db);
		}
	},
	{
		name: 'a clock that runs a thousand times as fast',
		make: async (db) => void (await sql`update app_clock set rate = 1000`.execute(db))
	},
	{
		name: 'no drop, no mixer, no scale, no deck in use',
		make: async (db) => {
			await sql`insert into bakery_entry_revision
				(entry_id, number, applies_from, name, retired, content, occurred_at)
				select distinct on (entry_id) entry_id, number + 1, applies_from, r.name, true, content, now()
				from bakery_entry_revision r join bakery_entry e on e.id = r.entry_id
				where e.kind in ('drop', 'mixer', 'scale', 'oven', 'vessel', 'divider')
				order by entry_id, number desc`.execute(db);
		}
	}
];
