import { sql, type Kysely } from 'kysely';

/** Scales at the bench speak the device protocol; what they show now is kept, not what they showed. */
const STATEMENTS = [
	`alter table device_sensor drop constraint device_sensor_kind_check`,
	`alter table device_sensor add constraint device_sensor_kind_check check (kind in ('room-probe', 'tap-probe',
	   'flour-probe', 'place-probe', 'core-probe', 'surface-thermometer', 'bench-scale'))`,
	`create table scale_now (
	   sensor_id uuid primary key references device_sensor (id),
	   shown_g double precision not null check (shown_g between -500000 and 500000),
	   stable boolean not null,
	   measured_at timestamptz not null,
	   heard_at timestamptz not null
	 )`
];

export async function up(db: Kysely<unknown>): Promise<void> {
	for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}
