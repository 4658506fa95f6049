import { sql, type Kysely } from 'kysely';

/** Stones of decks, cores of loaves in them and the rise of a dough in its tub are read by devices too. */
const STATEMENTS = [
	`alter table device_sensor drop constraint device_sensor_kind_check`,
	`alter table device_sensor add constraint device_sensor_kind_check check (kind in ('room-probe', 'tap-probe',
	   'flour-probe', 'place-probe', 'core-probe', 'surface-thermometer', 'deck-stone', 'loaf-core', 'tub-rise', 'bench-scale'))`,
	// A deck is a part of its oven's entry: it is named by its id there.
	`alter table device_sensor add column deck_id uuid`,
	`alter table device_sensor add constraint device_sensor_of_deck
	   check ((kind in ('deck-stone', 'loaf-core')) = (deck_id is not null))`,
	`alter table device_reading drop constraint device_reading_celsius_check`,
	`alter table device_reading alter column celsius drop not null`,
	`alter table device_reading add column percent double precision`,
	`alter table device_reading add constraint device_reading_value_check check (
	   (celsius is null) <> (percent is null)
	   and (celsius is null or celsius between -40 and 450)
	   and (percent is null or percent between -50 and 1000))`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
