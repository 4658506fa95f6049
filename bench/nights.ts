import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { openDatabase, type Db } from '../src/lib/server/db/client.ts';
import { carryOut, readCommand } from '../src/lib/server/commands/door.ts';
import { headBaker } from '../src/lib/server/auth/actor.ts';
import { readBenchMoment } from '../src/lib/server/services/read-bench.ts';
import { readPlan } from '../src/lib/server/services/read-plan.ts';
import { newPlacement } from '../tests/integration/placement.ts';
import { NOW_MS, testDatabase, TOMORROW } from '../tests/integration/test-database.ts';

/**
 * Lets a bakery have worked for so many nights: on each of them every formula was mixed twice, measured,
 * checked, moved, judged and taken on.
 */
export async function growNights(db: Db, nights: number): Promise<void> {
	const command = randomUUID();
	await db.transaction().execute(async (tx) => {
		// Years are written in one go here, which no page ever does.
		await sql`set local statement_timeout = 0`.execute(tx);
		await sql`insert into command (id, kind, actor_id, occurred_at, request, answer)
			select ${command}, 'history', id, now(), '{}', '{}' from bakery_entry where kind = 'person' limit 1`.execute(
			tx
		);
		await sql`create temporary table grown on commit drop as
			select gen_random_uuid() as batch_id, f.id as formula_id, r.id as revision_id, n, m,
				${TOMORROW}::date - n - 70 as bake_date,
				(${TOMORROW}::date - n - 71)::timestamptz + interval '22 hours' as mixed_at
			from formula f
			join lateral (select id from formula_revision r where r.formula_id = f.id
				order by number desc limit 1) r on true
			cross join generate_series(1, ${nights}) n cross join generate_series(1, 2) m`.execute(tx);
		await sql`insert into batch (id, bake_date, kind, ordinal, formula_id, formula_revision_id, mass_g, state)
			select batch_id, bake_date, 'mix', m, formula_id, revision_id, 24000, 'ended' from grown`.execute(
			tx
		);
		for (const [kind, minutes] of [
			['measured', 0],
			['checked', 100],
			['moved', 120],
			['judged', 200],
			['ended', 201]
		] as const) {
			await sql`insert into batch_event (id, batch_id, recipe_id, kind, command_id, occurred_at)
				select gen_random_uuid(), batch_id, formula_id, ${kind}, ${command},
					mixed_at + ${minutes} * interval '1 minute' from grown`.execute(tx);
		}
		const of = (kind: string) =>
			sql`from batch_event e where e.kind = ${kind} and e.command_id = ${command}`;
		await sql`insert into event_measured (event_id, celsius, target_celsius, instrument, water_celsius,
			friction_kj_per_kg, dough_kj_per_kg_k, fill_share, spread_kj_per_kg, inputs)
			select e.id, 25 + random(), 25, 'core-probe', 15, 9 + random(), 2.7, 0.8, 0.9, '{}' ${of('measured')}`.execute(
			tx
		);
		await sql`insert into event_checked (event_id, stage, celsius, instrument, place, ambient_celsius)
			select e.id, 'dough', 23 + random(), 'core-probe', 'room', 20 ${of('checked')}`.execute(tx);
		await sql`insert into event_moved (event_id, place, ambient_celsius, time_constant_min)
			select e.id, 'room', 21, 400 ${of('moved')}`.execute(tx);
		await sql`insert into event_judged (event_id, sightings, dose_min, book_ripe_min, seen_share, seen_spread,
			verdict, decision) select e.id, '[]', 200 + random(), 210, 1, 0.06, 'ready', 'go-on' ${of('judged')}`.execute(
			tx
		);
		// Six works of each were begun and ended by a tap.
		await sql`insert into work_entry (id, bake_date, work, batch_id, act, because, command_id, occurred_at)
			select gen_random_uuid(), bake_date, 'mix:' || formula_id || ':' || m || ':' || step || ' do 0', batch_id, act, '',
				${command}, mixed_at + step * interval '1 hour'
			from grown cross join generate_series(1, 6) step cross join (values ('begun'), ('ended')) acts (act)`.execute(
			tx
		);
		// Hands and bakes of each product were timed, its pieces looked at and weighed.
		await sql`create temporary table portioned on commit drop as
			select gen_random_uuid() as batch_id, p.id as product_id, r.id as revision_id, g.batch_id as mix_id, g.bake_date, g.mixed_at, n
			from product p
			join lateral (select id from product_revision r where r.product_id = p.id
				order by number desc limit 1) r on true
			join lateral (select * from grown where m = 1 and formula_id =
				(select formula_id from product_revision_dough d where d.revision_id = r.id limit 1)) g on true`.execute(
			tx
		);
		await sql`insert into batch (id, bake_date, kind, ordinal, product_id, product_revision_id, mass_g, pieces, state)
			select batch_id, bake_date, 'portion', 1, product_id, revision_id, 9000, 20, 'ended' from portioned`.execute(
			tx
		);
		await sql`insert into batch_parent (batch_id, parent_id) select batch_id, mix_id from portioned`.execute(
			tx
		);
		await sql`insert into work_timed (bake_date, task_key, recipe_id, activity, by_id, book_min, real_min, occurred_at)
			select bake_date, 'portion:' || product_id || ':' || activity, product_id, activity,
				(select actor_id from command where id = ${command}), 20, 18 + 5 * random(), mixed_at + interval '4 hours'
			from portioned cross join unnest(array['divide', 'shape', 'bake', 'pack']) activity`.execute(tx);
		await sql`insert into result_entry (id, bake_date, batch_id, kind, sightings, clock_share, early_share, late_share,
				looked_at, book_factor, decision, note, command_id, occurred_at)
			select gen_random_uuid(), bake_date, batch_id, 'judged', '[{"kind":"poke","seen":"half-springs-back"}]', 0.95, 0.7, 1.4,
				'proof', 1, 'load', '', ${command}, mixed_at + interval '5 hours' from portioned`.execute(tx);
		await sql`insert into result_entry (id, bake_date, batch_id, kind, pieces, baked_g, note, command_id, occurred_at)
			select gen_random_uuid(), bake_date, batch_id, 'weighed', 1, 700 + 90 * random(), '', ${command},
				mixed_at + interval '7 hours' from portioned`.execute(tx);
		// Each culture was fed and looked at every night, and went into the first mix of each dough.
		await sql`create temporary table fed on commit drop as
			select gen_random_uuid() as id, c.ingredient_id, n,
				(${TOMORROW}::date - n - 71)::timestamptz + interval '9 hours' as fed_at
			from culture c cross join generate_series(1, ${nights}) n`.execute(tx);
		await sql`insert into culture_entry (id, ingredient_id, kind, seed_g, flour_g, water_g, command_id, occurred_at)
			select id, ingredient_id, 'fed', 100, 400, 400, ${command}, fed_at from fed`.execute(tx);
		await sql`insert into culture_feed_flour (entry_id, flour_id, amount_g, occurred_at)
			select f.id, c.flour_id, 400, f.fed_at from fed f join culture_flour c using (ingredient_id)`.execute(
			tx
		);
		await sql`insert into culture_entry (id, ingredient_id, kind, sightings, clock_share, seen_share, seen_spread,
			command_id, occurred_at) select gen_random_uuid(), ingredient_id, 'seen', '[]', 0.8, 0.9, 0.1, ${command},
			fed_at + interval '4 hours' from fed`.execute(tx);
		await sql`insert into stock_use (batch_id, ingredient_id, amount_g, occurred_at)
			select g.batch_id, c.ingredient_id, 500, g.mixed_at from grown g cross join culture c
			where g.m = 1`.execute(tx);
	});
	await sql`vacuum analyze`.execute(db);
}

/** A page as it is read. */
export interface Page {
	readonly what: string;
	readonly page: (db: Db) => Promise<unknown>;
}

const NIGHTS = [1, 40, 400] as const;
/**
 * A page may not be slower after 400 nights than this many times as after 40: by then as much was observed as
 * anything is learned from.
 */
const MOST_GROWTH = 1.5;
const ROUNDS = 30;
/** So many screens follow a tap. */
const SCREENS = 20;

interface Measured {
	readonly queries: number;
	readonly ms: number;
}

/** A database after some nights, with a count of the queries it is asked. */
async function afterNights(nights: number) {
	const t = await testDatabase();
	await growNights(t.db, nights);
	await tonight(t.db);
	let queries = 0;
	const db = openDatabase(
		t.url,
		() => undefined,
		() => (queries += 1)
	);
	return {
		db,
		countOf: async (work: (db: Db) => Promise<unknown>) => {
			queries = 0;
			await work(db);
			return queries;
		},
		drop: async () => {
			await db.destroy();
			await t.drop();
		}
	};
}

/**
 * Prints queries and milliseconds of every page and of a command after some nights; true while they stay flat.
 * The databases take turns, so that whatever else the machine does falls on all of them alike.
 */
export async function reportGrowth(pages: readonly Page[]): Promise<boolean> {
	const houses = await Promise.all(NIGHTS.map(afterNights));
	const found = new Map<string, readonly Measured[]>();
	try {
		for (const { what, work } of works(pages)) {
			const counts: number[] = [];
			for (const house of houses) counts.push(await house.countOf(work));
			const times = houses.map((): number[] => []);
			for (let round = 0; round < ROUNDS; round += 1)
				for (const [at, house] of houses.entries()) {
					const start = performance.now();
					await work(house.db);
					times[at]?.push(performance.now() - start);
				}
			found.set(
				what,
				times.map((each, at) => ({
					queries: counts[at] ?? 0,
					ms: each.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] ?? 0
				}))
			);
		}
	} finally {
		for (const house of houses) await house.drop();
	}
	console.log(`\nGrowth: queries and milliseconds after ${NIGHTS.join(', ')} nights`);
	let flat = true;
	for (const [what, each] of found) {
		const [first] = each;
		const last = each.at(-1);
		const same = each.every((measured) => measured.queries === first?.queries);
		const ratio = (last?.ms ?? 0) / (each[1]?.ms ?? 1);
		const good = same && ratio <= MOST_GROWTH;
		flat &&= good;
		const columns = each
			.map(({ queries, ms }) => `${queries.toString().padStart(4)} ${ms.toFixed(1).padStart(7)} ms`)
			.join('   ');
		console.log(`  ${what.padEnd(24)} ${columns}   ${ratio.toFixed(2)} x${good ? '' : '  GROWS'}`);
	}
	return flat;
}

/** Pages, and a command that looks at all of the night's doughs. */
function works(
	pages: readonly Page[]
): readonly { readonly what: string; readonly work: (db: Db) => Promise<unknown> }[] {
	return [
		...pages.map(({ what, page }) => ({ what, work: page })),
		{
			what: `a tap, on ${SCREENS} screens`,
			work: async (db) => {
				const actor = await headBaker(db);
				const read = readCommand({
					kind: 'tap-work',
					id: randomUUID(),
					occurredAtMs: NOW_MS,
					date: TOMORROW,
					work: `oven deck set ${randomUUID()}`,
					taskId: null,
					act: 'ended',
					untilMs: null,
					because: '',
					celsius: null,
					personId: null
				});
				if (!actor || !read.ok) throw new Error('the command could not be read');
				const outcome = await carryOut(db, read.value, actor, NOW_MS);
				if (outcome.outcome !== 'done') throw new Error(JSON.stringify(outcome));
				await Promise.all(Array.from({ length: SCREENS }, () => readBenchMoment(db, TOMORROW)));
			}
		},
		{
			what: 'judge a dough',
			work: async (db) => {
				const actor = await headBaker(db);
				const [batch] = await db
					.selectFrom('batch')
					.select('id')
					.where('bake_date', '=', TOMORROW)
					.where('state', '=', 'begun')
					.execute();
				const read = readCommand({
					kind: 'judge-readiness',
					id: randomUUID(),
					occurredAtMs: NOW_MS + 3_600_000,
					batch: { kind: 'made', batchId: batch?.id },
					sightings: [{ kind: 'poke', seen: 'springs-back' }],
					decision: 'wait'
				});
				if (!actor || !read.ok) throw new Error('the command could not be read');
				const outcome = await carryOut(db, read.value, actor, read.value.content.occurredAtMs);
				if (outcome.outcome !== 'done') throw new Error(JSON.stringify(outcome));
			}
		}
	];
}

/** Tonight has an accepted plan, and every mix is measured already. */
async function tonight(db: Db): Promise<void> {
	const actor = await headBaker(db);
	const before = await readPlan(db, TOMORROW);
	const accept = readCommand({
		kind: 'accept-plan',
		id: randomUUID(),
		occurredAtMs: NOW_MS,
		date: TOMORROW,
		fingerprint: before.fingerprint,
		placement: newPlacement(before.input)
	});
	if (!actor || !accept.ok) throw new Error('the command could not be read');
	const accepted = await carryOut(db, accept.value, actor, NOW_MS);
	if (accepted.outcome !== 'done') throw new Error(JSON.stringify(accepted));
	const { mixes } = await readPlan(db, TOMORROW);
	for (const { batch } of mixes) {
		const read = readCommand({
			kind: 'measure-dough',
			id: randomUUID(),
			occurredAtMs: NOW_MS,
			batch,
			celsius: 25,
			waterCelsius: 18,
			instrument: 'core-probe',
			mixerId: null,
			program: null
		});
		if (!read.ok) throw new Error('the command could not be read');
		const outcome = await carryOut(db, read.value, actor, read.value.content.occurredAtMs);
		if (outcome.outcome !== 'done') throw new Error(JSON.stringify(outcome));
	}
}
