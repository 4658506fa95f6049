import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { Migrator, sql } from 'kysely';
import { loadObservations } from '../../src/lib/server/db/batch-log.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { migrations } from '../../src/lib/server/db/migrations/index.ts';
import { loadBakery } from '../../src/lib/server/db/bakery.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import { loadProducts } from '../../src/lib/server/db/products.ts';
import { placesOf, retardersOf } from '../../src/lib/server/db/of-entries.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { inTheWordsOfToday, sheetAsToldThen } from '../../src/lib/wording/words-since.fixture.ts';
import { testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

/** A database as one version left it, in the hands of the newest. */
async function migratedFrom(
	version: string,
	write: (t: TestDatabase) => Promise<void>
): Promise<TestDatabase> {
	const t = await testDatabase('empty');
	const migrator = new Migrator({ db: t.db, provider: migrations });
	const { error } = await migrator.migrateTo(version);
	assert.equal(error, undefined);
	await write(t);
	const names = Object.keys(await migrations.getMigrations()).sort();
	assert.deepEqual(await migrateToLatest(t.db), names.slice(names.indexOf(version) + 1));
	return t;
}

test('a product written by the first version keeps its dough and weight', async () => {
	const [person, formula, product, revision] = Array.from({ length: 4 }, () => randomUUID());
	const oldSteps = [
		{
			kind: 'hands-on',
			activity: 'divide',
			machine: null,
			fixedMinutes: 2,
			secondsPerPiece: 8,
			endsAtCelsius: null
		},
		{
			kind: 'wait',
			activity: 'rest',
			legs: [{ place: 'room', ambientCelsius: 22, timeConstantMinutes: 90, minutes: 20 }],
			clock: null,
			foldsAtMinutes: []
		}
	];
	const t = await migratedFrom('0001-first-slice', async ({ db }) => {
		await sql`insert into person (id, name, role) values (${person}, 'Ilo Venn', 'baker')`.execute(
			db
		);
		await sql`insert into formula (id, name) values (${formula}, 'Quay dough')`.execute(db);
		await sql`insert into product (id, name, ordinal) values (${product}, 'Quay loaf', 1)`.execute(
			db
		);
		await sql`insert into product_revision (id, product_id, number, formula_id, scaled_g, pieces_per_deck, steps, made_by)
			values (${revision}, ${product}, 1, ${formula}, 850, 16, ${JSON.stringify(oldSteps)}, ${person})`.execute(
			db
		);
	});
	try {
		const [found] = await loadProducts(t.db);
		assert.ok(found);
		assert.deepEqual(found.product.doughs, [{ formulaId: formula, scaledWeight: { grams: 850 } }]);
		assert.deepEqual(found.product.extras, []);
		assert.equal(found.steps[0]?.kind === 'hands-on' && found.steps[0].detail.kind, 'none');
		assert.deepEqual(found.steps[1]?.kind === 'wait' && found.steps[1].foldsAtShares, []);
	} finally {
		await t.drop();
	}
});

test('what was ignored or left behind in the third version stays so', async () => {
	const [person, command, formula, other, counted, wild] = Array.from({ length: 6 }, () =>
		randomUUID()
	) as [string, string, string, string, string, string];
	const t = await migratedFrom('0003-dough-temperatures', async ({ db }) => {
		await sql`insert into person (id, name, role) values (${person}, 'Ilo Venn', 'baker')`.execute(
			db
		);
		await sql`insert into command (id, kind, actor_id, occurred_at, request, answer)
			values (${command}, 'measure-dough', ${person}, now(), '{}', '{}')`.execute(db);
		await sql`insert into formula (id, name) values (${formula}, 'Quay dough'), (${other}, 'Jetty dough')`.execute(
			db
		);
		for (const id of [formula, other])
			await sql`insert into formula_revision (id, formula_id, number, dough_loss_share, target_dough_celsius,
				friction_kj_per_kg, steps, made_by) values (${randomUUID()}, ${id}, 1, 0.02, 25, 9.6, '[]', ${person})`.execute(
				db
			);
		for (const [id, of, celsius, ordinal] of [
			[counted, formula, 25, 1],
			[wild, formula, 36, 2],
			[randomUUID(), other, 25, 1]
		] as const)
			await sql`insert into dough_temperature (id, command_id, bake_date, formula_id, ordinal, dough_celsius,
				target_celsius, water_celsius, instrument, friction_kj_per_kg, dough_kj_per_kg_k, inputs, occurred_at)
				values (${id}, ${command}, '2026-11-20', ${of}, ${ordinal}, ${celsius}, 25, 18, 'core-probe', 9.6, 2.7, '{}',
				'2026-11-19T22:00:00Z')`.execute(db);
		await sql`insert into dough_temperature_ignored (dough_temperature_id, command_id)
			values (${wild}, ${command})`.execute(db);
		await sql`insert into friction_reset (formula_id, at, command_id)
			values (${other}, '2026-11-21T00:00:00Z', ${command})`.execute(db);
	});
	try {
		const { newest } = await loadObservations(t.db, [formula, other]);
		assert.deepEqual(
			new Map(newest.map((entry) => [entry.id, entry.ignored])),
			new Map([
				[counted, false],
				[wild, true]
			]),
			'the learning of the other began anew'
		);
		// How they were mixed was not told then: as the book says, in a full bowl.
		for (const entry of newest) {
			assert.ok(entry.kind === 'measured' && entry.mixing);
			const { mixerId, program, fillShare } = entry.mixing;
			assert.deepEqual([mixerId, program, fillShare], [null, null, 1]);
		}
	} finally {
		await t.drop();
	}
});

interface Placed {
	readonly startMs: number;
	readonly endMs: number;
	readonly machineId: string | null;
	readonly foldsMs: readonly number[];
}
interface Timed extends Placed {
	readonly celsius: readonly number[];
	readonly marks: {
		readonly earlyMs: number | null;
		readonly ripeMs: number | null;
		readonly lateMs: number | null;
	} | null;
}
interface AsItRead {
	readonly nowMs: number;
	readonly runSheet: readonly { readonly what: string; readonly detail: string | null }[];
	readonly tasks: readonly Timed[];
	readonly drops: readonly object[];
	readonly cautions: number;
	readonly mixes: readonly object[];
	readonly doughs: readonly object[];
	readonly learned: Readonly<
		Record<
			string,
			{
				readonly friction: { readonly mean: number; readonly used: number };
				readonly tubs: readonly (readonly [string, number, number])[];
				readonly clock: readonly [number, number] | null;
			}
		>
	>;
}

const FIXTURE = new URL('../fixtures/version-4/', import.meta.url);
const read = JSON.parse(readFileSync(new URL('as-it-read.json', FIXTURE), 'utf8')) as AsItRead;

/** A night as the fourth version wrote it: a plan, measured mixes, checks, a move, judgements, an autolyse. */
function nightOfTheFourthVersion(): Promise<TestDatabase> {
	const rows = gunzipSync(readFileSync(new URL('data.sql.gz', FIXTURE))).toString('utf8');
	return migratedFrom('0004-readings-and-readiness', async ({ db }) => {
		await db.transaction().execute((tx) => sql.raw(rows).execute(tx));
	});
}

test('a plan that the fourth version stored reads as it did then', async () => {
	const t = await nightOfTheFourthVersion();
	try {
		const { accepted } = await readPlan(t.db, TOMORROW);
		assert.ok(accepted);
		const { plan, input } = accepted.document;
		const sheet = sheetAsToldThen(plan, input);
		assert.ok(sheet.length > 40);
		assert.deepEqual(sheet, read.runSheet.map(inTheWordsOfToday));
		// Nothing stood between packing and the drop then.
		assert.deepEqual(
			plan.drops.map(({ dropId, name, dueMs, readyByMs, readyMs }) =>
				readyByMs === dueMs ? { dropId, name, dueMs, readyMs } : null
			),
			read.drops
		);
		assert.equal(plan.cautions.length, read.cautions);
		// Marks and temperatures were never stored: they are followed anew, and the method of following has gained
		// in accuracy since. No run sheet tells less than a minute, or than a tenth of a degree.
		const placed = ({ startMs, endMs, machineId, foldsMs }: Placed) => ({
			startMs,
			endMs,
			machineId,
			foldsMs
		});
		assert.deepEqual(plan.tasks.map(placed), read.tasks.map(placed));
		let marks = 0;
		for (const [index, { marks: then }] of read.tasks.entries()) {
			const now = plan.tasks[index]?.marks ?? null;
			assert.equal(now === null, then === null);
			for (const [at, celsius] of (read.tasks[index]?.celsius ?? []).entries())
				assert.ok(Math.abs((plan.tasks[index]?.celsius[at] ?? NaN) - celsius) < 0.005, `${index}`);
			if (!now || !then) continue;
			for (const mark of ['earlyMs', 'ripeMs', 'lateMs'] as const) {
				assert.ok(
					Math.abs((now[mark] ?? 0) - (then[mark] ?? 0)) <= 1000,
					`${index} ${mark} ${(now[mark] ?? 0) - (then[mark] ?? 0)}`
				);
				assert.equal(now[mark] === null, then[mark] === null);
			}
			marks += 1;
		}
		assert.ok(marks > 5, `${marks} tasks told when they are ripe`);
	} finally {
		await t.drop();
	}
});

test('what the fourth version wrote of its doughs stands at their batches, with their mass', async () => {
	const t = await nightOfTheFourthVersion();
	try {
		const { doughs } = await readRipening(t.db, TOMORROW, read.nowMs);
		const mixed = doughs.filter((dough) => dough.mixed !== null);
		assert.deepEqual(
			mixed.map((dough) => ({
				name: dough.name,
				ordinal: dough.ordinal,
				grams: dough.grams,
				mixed: dough.mixed,
				events: dough.events.map((event) => {
					if (event.kind === 'checked') {
						const { onSurface, ...check } = event;
						assert.equal(onSurface, false, 'what it was read with is told since');
						return check;
					}
					const { named, ...leg } = event.leg;
					assert.equal(named, null, 'places had no names then');
					return { ...event, leg };
				}),
				retarderId: dough.retarderId,
				endedAtMs: dough.endedAtMs,
				judgements: dough.judgements.map((each) => [
					each.by,
					each.verdict,
					each.decision,
					each.occurredAtMs
				])
			})),
			read.doughs
		);
		assert.ok(mixed.every((dough) => dough.batch.kind === 'made'));
		const { mixes } = await readWater(t.db, TOMORROW, read.nowMs);
		assert.deepEqual(
			mixes.flatMap((mix) =>
				mix.measured
					? [
							{
								name: mix.name,
								ordinal: mix.ordinal,
								grams: mix.doughGrams,
								celsius: mix.measured.celsius,
								startMs: mix.startMs
							}
						]
					: []
			),
			read.mixes
		);
		// An autolyse of another date that was never planned nor mixed.
		const autolysed = (await readWater(t.db, '2026-11-25' as never, read.nowMs)).mixes.find(
			(mix) => mix.formulaId === demoId('formula', 'Breakwater dough')
		);
		assert.equal(autolysed?.autolysed?.celsius, 21.4);
		const { newest } = await loadObservations(t.db, [demoId('formula', 'Harbour dough')]);
		const last = newest.findLast((entry) => entry.kind === 'measured');
		assert.equal(last?.kind === 'measured' && last.celsius, 25.4, 'it corrects the 26.0 before');
		assert.ok(
			!newest.some(
				(entry) => entry.kind === 'measured' && entry.celsius === 26 && entry.date === TOMORROW
			)
		);
		const leads = (await readPlan(t.db, TOMORROW)).input.doughs.flatMap((dough) =>
			dough.mixes.map((mix) => [dough.name, mix.ordinal, mix.leadMinutes])
		);
		assert.ok(
			leads.some(
				([name, ordinal, minutes]) => name === 'Harbour dough' && ordinal === 2 && minutes === 20
			)
		);
	} finally {
		await t.drop();
	}
});

test('what the fourth version had learned is still known', async () => {
	const t = await nightOfTheFourthVersion();
	try {
		const names = Object.keys(read.learned);
		assert.equal(names.length, 3);
		for (const name of names) {
			const before = read.learned[name];
			const now = await readLearned(
				t.db,
				TOMORROW,
				{ formulaId: demoId('formula', name), mixerId: null },
				read.nowMs
			);
			assert.ok(before && now.friction);
			// One reading was typed twice and counts once; all else is as it was.
			assert.ok(Math.abs(now.friction.kilojoulesPerKilogram - before.friction.mean) < 0.2, name);
			for (const [at, tub] of now.timeConstants.entries())
				assert.ok(Math.abs(tub.mean - (before.tubs[at]?.[1] ?? 0)) < 25, name);
			if (before.clock && now.clock) {
				assert.equal(now.clock.used, before.clock[1]);
				assert.ok(Math.abs(now.clock.mean - before.clock[0]) < 1e-9, name);
			} else assert.equal(now.clock, before.clock);
		}
	} finally {
		await t.drop();
	}
});

test('what a room, its flour and a cold room were before places had names are places with theirs', async () => {
	const cold = randomUUID();
	const t = await migratedFrom('0006-what-can-be', async ({ db }) => {
		await sql`insert into bakery (id, name, time_zone, mass_units, temperature_units, oven_recovery_minutes,
			assumed_room_celsius, assumed_flour_celsius, assumed_tap_celsius, hot_tap_celsius, hottest_water_celsius,
			ice_celsius, ice_most_share, ice_form, water_school, currency, caustic_most_share)
			values (true, 'Old bakery', 'UTC', 'metric', 'celsius', 10, 26, 21, 12, 55, 40, 0, 0.15, 'cubes',
			'heat-balance', '', 0.04)`.execute(db);
		await sql`insert into retarder (id, name, set_celsius, compressor_w, air_kj_per_k, walls_w_per_k)
			values (${cold}, 'Flour bins', 3.5, 600, 50, 6)`.execute(db);
	});
	try {
		const places = [...placesOf(await loadEntries(t.db, 'newest')).values()];
		assert.deepEqual(
			places.map(({ name, kind, role, celsius }) => [name, kind, role, celsius]),
			[
				['Bakehouse', 'room', 'bakehouse', 26],
				// A cold room had that name first.
				['Flour bins.', 'room', 'flour', 21],
				['Flour bins', 'cold', 'other', 3.5]
			]
		);
		assert.equal(places[2]?.id, cold);
		const [retarder] = retardersOf(await loadEntries(t.db, 'newest'));
		assert.deepEqual(
			[retarder?.name, retarder?.setCelsius, retarder?.compressorWatts],
			['Flour bins', 3.5, 600]
		);
		const bakery = await loadBakery(t.db);
		assert.deepEqual(bakery?.assumed, { roomCelsius: 26, flourCelsius: 21, tapCelsius: 12 });
	} finally {
		await t.drop();
	}
});

test('pieces that were judged before they were looked at on the bench too were judged in proof', async () => {
	const [entry, batch, command] = [randomUUID(), randomUUID(), randomUUID()];
	const t = await migratedFrom('0030-pieces-judged', ({ db }) =>
		db.transaction().execute(async (tx) => {
			// Only the entry matters here, not what it is of.
			await sql`set local session_replication_role = replica`.execute(tx);
			await sql`insert into result_entry (id, bake_date, batch_id, kind, sightings, clock_share, early_share,
				late_share, decision, note, command_id, occurred_at)
				values (${entry}, ${TOMORROW}, ${batch}, 'judged', '[]', 0.9, 0.7, 1.4, 'load', '', ${command}, now())`.execute(
				tx
			);
		})
	);
	try {
		const rows = await t.db
			.selectFrom('result_entry')
			.select(['id', 'looked_at', 'book_factor', 'decision'])
			.execute();
		assert.deepEqual(rows, [
			{ id: entry, looked_at: 'proof', book_factor: null, decision: 'load' }
		]);
		await assert.rejects(sql`update result_entry set note = 'other'`.execute(t.db), /append-only/);
	} finally {
		await t.drop();
	}
});
