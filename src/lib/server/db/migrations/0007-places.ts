import { sql, type Kysely } from 'kysely';

/**
 * Everything stands somewhere: places have names and a temperature. The room and the flour bins of a bakery become
 * places at what they were taken to be at, and so does each cold room; what a cold room is to heat stays beside it.
 * Ingredients may say where they stand, readings and sensors which place they tell.
 */
const STATEMENTS = [
	`create table place (
	   id uuid primary key,
	   name text not null check (char_length(name) between 1 and 200),
	   kind text not null check (kind in ('room', 'proofer', 'cold')),
	   role text not null check (role in ('bakehouse', 'flour', 'other')),
	   set_celsius double precision not null check (set_celsius between -40 and 60)
	 )`,
	`create unique index place_name on place (name)`,
	`create unique index place_bakehouse on place (role) where role <> 'other'`,
	`insert into place (id, name, kind, role, set_celsius)
	   select gen_random_uuid(), 'Bakehouse' || repeat('.', (select count(*) from retarder where name = 'Bakehouse')::int),
	     'room', 'bakehouse', assumed_room_celsius from bakery`,
	`insert into place (id, name, kind, role, set_celsius)
	   select gen_random_uuid(), 'Flour bins' || repeat('.', (select count(*) from retarder where name = 'Flour bins')::int),
	     'room', 'flour', assumed_flour_celsius from bakery`,
	`alter table bakery drop column assumed_room_celsius, drop column assumed_flour_celsius`,
	`insert into place (id, name, kind, role, set_celsius)
	   select id, name, 'cold', 'other', set_celsius from retarder`,
	`alter table retarder drop column name, drop column set_celsius,
	   add constraint retarder_is_a_place foreign key (id) references place (id)`,
	`alter table ingredient add column place_id uuid references place (id)`,
	`alter table reading add column place_id uuid references place (id)`,
	`alter table reading drop constraint reading_quantity_check`,
	`alter table reading add constraint reading_quantity_check
	   check (quantity in ('room', 'flour', 'tap', 'preferment', 'place'))`,
	`alter table reading add constraint reading_names_its_place
	   check ((quantity = 'place') = (place_id is not null))`,
	`create index reading_of_place on reading (place_id, occurred_at desc, recorded_at desc)
	   where place_id is not null`,
	`alter table device_sensor add column place_id uuid references place (id)`,
	`alter table device_sensor drop constraint device_sensor_kind_check`,
	`alter table device_sensor add constraint device_sensor_kind_check
	   check (kind in ('room-probe', 'tap-probe', 'flour-probe', 'place-probe', 'core-probe', 'surface-thermometer'))`,
	`alter table device_sensor add constraint device_sensor_names_its_place
	   check ((kind = 'place-probe') = (place_id is not null))`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
