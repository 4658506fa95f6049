import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { Migrator, sql } from 'kysely';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import {
	decksOf,
	dropsOf,
	everyDrop,
	mixersOf,
	plannedOvensOf,
	retardersOf
} from '../../src/lib/server/db/of-entries.ts';
import { migrations } from '../../src/lib/server/db/migrations/index.ts';
import { testDatabase, TOMORROW } from './test-database.ts';

test('what stood in tables of its own is an entry with the id it had, and what named it names it still', async () => {
	const ids = {
		person: randomUUID(),
		mixer: randomUUID(),
		deck: randomUUID(),
		tin: randomUUID(),
		scale: randomUUID(),
		divider: randomUUID(),
		drop: randomUUID(),
		gone: randomUUID(),
		cold: randomUUID(),
		command: randomUUID()
	};
	const t = await testDatabase('empty');
	try {
		const { error } = await new Migrator({ db: t.db, provider: migrations }).migrateTo(
			'0010-spares-and-scalds'
		);
		assert.equal(error, undefined);
		for (const statement of [
			`insert into bakery (id, name, time_zone, mass_units, temperature_units, oven_recovery_minutes,
			 assumed_tap_celsius, hot_tap_celsius, hottest_water_celsius, ice_celsius, ice_most_share, ice_form,
			 water_school, currency, caustic_most_share)
			 values (true, 'Old bakery', 'UTC', 'metric', 'celsius', 14, 12, 55, 40, 0, 0.15, 'cubes', 'heat-balance', '', 0.04)`,
			`insert into person (id, name, role) values ('${ids.person}', 'Ilo Venn', 'baker')`,
			`insert into mixer (id, name, least_dough_g, most_dough_g, bowl_kj_per_k) values ('${ids.mixer}', 'Old spiral', 4000, 25000, 7)`,
			`insert into oven_deck (id, name, ordinal) values ('${randomUUID()}', 'Second', 2), ('${ids.deck}', 'First', 1)`,
			`insert into vessel (id, name, owned, volume_ml) values ('${ids.tin}', 'Long tin', 12, 2400)`,
			`insert into weighing_scale (id, name, capacity_g, division_g) values ('${ids.scale}', 'Bench', 6000, 1)`,
			`insert into divider (id, name, heads, least_piece_g, most_piece_g) values ('${ids.divider}', 'Press', 30, 40, 110)`,
			`insert into delivery_drop (id, name, due_time, retired_at)
			 values ('${ids.drop}', 'Shop', '06:45', null), ('${ids.gone}', 'Old shop', '05:00', now())`,
			`insert into place (id, name, kind, role, set_celsius) values ('${ids.cold}', 'Cabinet', 'cold', 'other', 3)`,
			`insert into retarder (id, compressor_w, air_kj_per_k, walls_w_per_k) values ('${ids.cold}', 500, 40, 5)`,
			`insert into command (id, kind, actor_id, occurred_at, request, answer)
			 values ('${ids.command}', 'set-units', '${ids.person}', now(), '{}', '{}')`
		])
			await sql.raw(statement).execute(t.db);
		assert.ok((await migrateToLatest(t.db)).includes('0011-bakery-entries'));
		const entries = await loadEntries(t.db, TOMORROW);
		assert.deepEqual(
			mixersOf(entries).map(({ id, name, leastGrams, mostGrams }) => [
				id,
				name,
				leastGrams,
				mostGrams
			]),
			[[ids.mixer, 'Old spiral', 4000, 25_000]]
		);
		assert.deepEqual(
			plannedOvensOf(entries).map(({ decks, recoveryMinutes }) => [
				decks.map(({ name }) => name),
				recoveryMinutes
			]),
			[[['First', 'Second'], 14]]
		);
		assert.equal(decksOf(entries)[0]?.id, ids.deck, 'plans name it by this');
		assert.deepEqual(
			dropsOf(entries).map(({ id, name, dueTime }) => [id, name, dueTime]),
			[[ids.drop, 'Shop', '06:45']]
		);
		assert.equal(everyDrop(entries).find(({ id }) => id === ids.gone)?.retired, true);
		assert.deepEqual(
			retardersOf(entries).map(({ id, setCelsius, compressorWatts }) => [
				id,
				setCelsius,
				compressorWatts
			]),
			[[ids.cold, 3, 500]]
		);
		const [tin] = entries.of('vessel');
		assert.deepEqual([tin?.id, tin?.content.use, tin?.content.owned], [ids.tin, 'tin', 12]);
		assert.equal(entries.of('scale')[0]?.id, ids.scale);
		assert.equal(entries.of('divider')[0]?.id, ids.divider);
		// The one who gave a command is an entry, and cannot be taken away from under it.
		await assert.rejects(
			sql`delete from bakery_entry where id = ${ids.person}`.execute(t.db),
			/violates foreign key|append-only/
		);
		await assert.rejects(
			sql`insert into command (id, kind, actor_id, occurred_at, request, answer)
				values (${randomUUID()}, 'set-units', ${randomUUID()}, now(), '{}', '{}')`.execute(t.db),
			/violates foreign key/
		);
	} finally {
		await t.drop();
	}
});
