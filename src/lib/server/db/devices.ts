import { sql } from 'kysely';
import type { SensorKind } from '../../contracts/device-protocol.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export interface DeviceSensor {
	readonly id: string;
	readonly name: string;
	readonly kind: SensorKind;
	/** The place it tells, for a probe of one. */
	readonly placeId: string | null;
	/** The deck it stands on, for a sensor of one. */
	readonly deckId: string | null;
	readonly reportEverySeconds: number;
}

export interface KnownDevice {
	readonly id: string;
	readonly name: string;
	readonly revoked: boolean;
	readonly sensors: readonly DeviceSensor[];
}

/** The device that a key belongs to, by the key's fingerprint. */
export async function findDeviceByKey(db: Db | Tx, keySha256: string): Promise<KnownDevice | null> {
	const row = await db
		.selectFrom('device')
		.selectAll()
		.where('key_sha256', '=', keySha256)
		.executeTakeFirst();
	if (!row) return null;
	const sensors = await db
		.selectFrom('device_sensor')
		.selectAll()
		.where('device_id', '=', row.id)
		.orderBy('name')
		.execute();
	return {
		id: row.id,
		name: row.name,
		revoked: row.revoked_at !== null,
		sensors: sensors.map((sensor) => ({
			id: sensor.id,
			name: sensor.name,
			kind: sensor.kind,
			placeId: sensor.place_id,
			deckId: sensor.deck_id,
			reportEverySeconds: sensor.report_every_s
		}))
	};
}

export interface NewDeviceReading {
	readonly id: string;
	readonly sensorId: string;
	/** null of a tub sensor, which tells per cent. */
	readonly celsius: number | null;
	readonly percent: number | null;
	readonly measuredAtMs: number;
}

/** Writes readings that are not there yet; gives the ids of those that were written. */
export async function insertDeviceReadings(
	tx: Tx,
	readings: readonly NewDeviceReading[]
): Promise<ReadonlySet<string>> {
	if (readings.length === 0) return new Set();
	const rows = await tx
		.insertInto('device_reading')
		.values(
			readings.map(({ id, sensorId, celsius, percent, measuredAtMs }) => ({
				id,
				sensor_id: sensorId,
				celsius,
				percent,
				measured_at: new Date(measuredAtMs)
			}))
		)
		.onConflict((conflict) => conflict.column('id').doNothing())
		.returning('id')
		.execute();
	return new Set(rows.map((row) => row.id));
}

export async function loadDeviceReadings(
	db: Db | Tx,
	ids: readonly string[]
): Promise<readonly NewDeviceReading[]> {
	if (ids.length === 0) return [];
	const rows = await db.selectFrom('device_reading').selectAll().where('id', 'in', ids).execute();
	return rows.map((row) => ({
		id: row.id,
		sensorId: row.sensor_id,
		celsius: row.celsius,
		percent: row.percent,
		measuredAtMs: row.measured_at.getTime()
	}));
}

/** Adds readings to what their days came to, so that the seasons are read from days and not from readings. */
export async function addToDays(
	tx: Tx,
	readings: readonly {
		readonly quantity: 'room' | 'flour' | 'tap';
		readonly celsius: number;
		readonly atMs: number;
	}[],
	timeZone: string
): Promise<void> {
	if (readings.length === 0) return;
	const rows = sql.join(
		readings.map(
			(reading) =>
				sql`(${reading.quantity}::text, ${new Date(reading.atMs)}::timestamptz, ${reading.celsius}::double precision)`
		)
	);
	await sql`insert into temperature_day (quantity, day, readings, sum_celsius, least_celsius, most_celsius)
		select quantity, (at at time zone ${timeZone})::date as day, count(*), sum(celsius), min(celsius), max(celsius)
		from (values ${rows}) as one (quantity, at, celsius) group by quantity, day
		order by quantity, day
		on conflict (quantity, day) do update set
			readings = temperature_day.readings + excluded.readings,
			sum_celsius = temperature_day.sum_celsius + excluded.sum_celsius,
			least_celsius = least(temperature_day.least_celsius, excluded.least_celsius),
			most_celsius = greatest(temperature_day.most_celsius, excluded.most_celsius)`.execute(tx);
}

/** A sensor with what it said last. */
export interface SensorNow {
	readonly sensorId: string;
	readonly sensor: string;
	readonly deviceId: string;
	readonly kind: SensorKind;
	readonly placeId: string | null;
	readonly reportEverySeconds: number;
	readonly last: { readonly celsius: number; readonly measuredAtMs: number } | null;
	/** Of a tub sensor: how far its dough has risen. */
	readonly lastRise: { readonly percent: number; readonly measuredAtMs: number } | null;
	/** It has said its last figure since then; null where it moved within what was looked at. */
	readonly unmovedSinceMs: number | null;
}

/** Readings looked at to see whether a sensor moves. */
const LOOKED_AT = 300;

/** Every sensor of the devices that are let in, with its newest reading; one walk of the index each. */
export async function loadSensorsNow(db: Db | Tx): Promise<readonly SensorNow[]> {
	const { rows } = await sql<{
		sensor_id: string;
		sensor: string;
		device_id: string;
		kind: SensorKind;
		place_id: string | null;
		report_every_s: number;
		celsius: number | null;
		percent: number | null;
		measured_at: Date | null;
		unmoved_since: Date | null;
	}>`select s.id as sensor_id, s.name as sensor, d.id as device_id, s.kind, s.place_id, s.report_every_s,
			newest.celsius, newest.percent, newest.measured_at,
			case when moved.measured_at is null then run.first_at end as unmoved_since
		from device_sensor s
		join device d on d.id = s.device_id and d.revoked_at is null
		left join lateral (
			select celsius, percent, measured_at from device_reading where sensor_id = s.id
			order by measured_at desc, recorded_at desc limit 1
		) newest on true
		left join lateral (
			select min(measured_at) as first_at from (
				select measured_at from device_reading where sensor_id = s.id
				order by measured_at desc, recorded_at desc limit ${LOOKED_AT}
			) looked
		) run on true
		left join lateral (
			select measured_at from (
				select measured_at, celsius, percent from device_reading where sensor_id = s.id
				order by measured_at desc, recorded_at desc limit ${LOOKED_AT}
			) looked where coalesce(looked.celsius, looked.percent) <> coalesce(newest.celsius, newest.percent) limit 1
		) moved on true
		order by d.name, s.name`.execute(db);
	return rows.map((row) => ({
		sensorId: row.sensor_id,
		sensor: row.sensor,
		deviceId: row.device_id,
		kind: row.kind,
		placeId: row.place_id,
		reportEverySeconds: row.report_every_s,
		last:
			row.celsius !== null && row.measured_at !== null
				? { celsius: row.celsius, measuredAtMs: row.measured_at.getTime() }
				: null,
		lastRise:
			row.percent !== null && row.measured_at !== null
				? { percent: row.percent, measuredAtMs: row.measured_at.getTime() }
				: null,
		unmovedSinceMs: row.unmoved_since?.getTime() ?? null
	}));
}

/** What the sensors of decks said last, read often: one step of the index each. */
export async function loadDecksNow(db: Db | Tx): Promise<
	readonly {
		readonly deckId: string;
		readonly kind: 'deck-stone' | 'loaf-core';
		readonly sensor: string;
		readonly celsius: number;
		readonly measuredAtMs: number;
	}[]
> {
	const { rows } = await sql<{
		deck_id: string;
		kind: 'deck-stone' | 'loaf-core';
		name: string;
		celsius: number;
		measured_at: Date;
	}>`select s.deck_id, s.kind, s.name, newest.celsius, newest.measured_at
		from device_sensor s
		join device d on d.id = s.device_id and d.revoked_at is null
		cross join lateral (
			select celsius, measured_at from device_reading where sensor_id = s.id
			order by measured_at desc, recorded_at desc limit 1
		) newest
		where s.deck_id is not null
		order by newest.measured_at desc`.execute(db);
	return rows.map((row) => ({
		deckId: row.deck_id,
		kind: row.kind,
		sensor: row.name,
		celsius: row.celsius,
		measuredAtMs: row.measured_at.getTime()
	}));
}

export interface DeviceRow {
	readonly id: string;
	readonly name: string;
	readonly revokedAtMs: number | null;
}

export async function loadDevices(db: Db | Tx): Promise<readonly DeviceRow[]> {
	const rows = await db
		.selectFrom('device')
		.select(['id', 'name', 'revoked_at'])
		.orderBy('name')
		.execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		revokedAtMs: row.revoked_at?.getTime() ?? null
	}));
}

/**
 * What the room was read at in a span of time, by probes and by hand, in order, corrected readings left out; no more than
 * `most` of them. What a probe read stays when it is shut out: the doughs that stood there did.
 */
export async function loadRoomReadings(
	db: Db | Tx,
	fromMs: number,
	toMs: number,
	most = 3000
): Promise<readonly { readonly atMs: number; readonly celsius: number }[]> {
	const { rows } = await sql<{ at: Date; celsius: number }>`select at, celsius from (
			(select r.measured_at as at, r.celsius from device_sensor s
				join device_reading r on r.sensor_id = s.id
				where s.kind = 'room-probe' and r.measured_at between ${new Date(fromMs)} and ${new Date(toMs)}
				order by r.measured_at desc limit ${most})
			union all
			(select r.occurred_at, r.celsius from reading r where r.quantity = 'room' and r.preparation_id is null
				and r.occurred_at between ${new Date(fromMs)} and ${new Date(toMs)}
				and not exists (select 1 from reading later where later.corrects_id = r.id)
				order by r.occurred_at desc limit ${most})
		) both_kinds order by at`.execute(db);
	return rows.map((row) => ({ atMs: row.at.getTime(), celsius: row.celsius }));
}

export interface TemperatureDayRow {
	readonly quantity: 'room' | 'flour' | 'tap';
	readonly day: string;
	readonly meanCelsius: number;
	readonly leastCelsius: number;
	readonly mostCelsius: number;
}

/** What each day of a span came to. */
export async function loadTemperatureDays(
	db: Db | Tx,
	from: string,
	to: string
): Promise<readonly TemperatureDayRow[]> {
	const rows = await db
		.selectFrom('temperature_day')
		.selectAll()
		.where('day', '>=', from)
		.where('day', '<=', to)
		.orderBy('day')
		.execute();
	return rows.map((row) => ({
		quantity: row.quantity,
		day: row.day,
		meanCelsius: row.sum_celsius / row.readings,
		leastCelsius: row.least_celsius,
		mostCelsius: row.most_celsius
	}));
}

/** Whether a device has that name or that key. */
export async function isDeviceTaken(
	db: Db | Tx,
	name: string,
	keySha256: string
): Promise<boolean> {
	const row = await db
		.selectFrom('device')
		.select('id')
		.where((where) => where.or([where('name', '=', name), where('key_sha256', '=', keySha256)]))
		.executeTakeFirst();
	return row !== undefined;
}

/** Whether a device or a sensor has one of these ids. */
export async function areDeviceIdsUsed(db: Db | Tx, ids: readonly string[]): Promise<boolean> {
	const { rows } = await sql<{ used: boolean }>`select
		exists (select 1 from device where id = any(${ids}::uuid[])) or
		exists (select 1 from device_sensor where id = any(${ids}::uuid[])) as used`.execute(db);
	return rows[0]?.used ?? false;
}

/** Writes a device with its sensors; one that is there gets another key, and its sensors stay. */
export async function putDevice(
	tx: Tx,
	device: {
		readonly id: string;
		readonly name: string;
		readonly keySha256: string;
		readonly commandId: string | null;
		readonly sensors: readonly DeviceSensor[];
	}
): Promise<void> {
	const row: EveryColumn<'device'> = {
		id: device.id,
		name: device.name,
		key_sha256: device.keySha256,
		command_id: device.commandId,
		revoked_at: null
	};
	await tx
		.insertInto('device')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ key_sha256: row.key_sha256 }))
		.execute();
	const sensors = device.sensors.map((sensor): EveryColumn<'device_sensor'> => ({
		id: sensor.id,
		device_id: device.id,
		name: sensor.name,
		kind: sensor.kind,
		place_id: sensor.placeId,
		deck_id: sensor.deckId,
		report_every_s: sensor.reportEverySeconds
	}));
	await tx
		.insertInto('device_sensor')
		.values(sensors)
		.onConflict((conflict) => conflict.column('id').doNothing())
		.execute();
}

/** Removes a device from a moment on; false where there is none. The first removal stands. */
export async function revokeDeviceAt(tx: Tx, deviceId: string, atMs: number): Promise<boolean> {
	const done = await tx
		.updateTable('device')
		.set((set) => ({ revoked_at: set.fn.coalesce('revoked_at', set.val(new Date(atMs))) }))
		.where('id', '=', deviceId)
		.executeTakeFirst();
	return done.numUpdatedRows > 0n;
}

/** Writes what whole days came to. */
export async function insertTemperatureDays(
	tx: Tx,
	days: readonly EveryColumn<'temperature_day'>[]
): Promise<void> {
	await tx.insertInto('temperature_day').values(days).execute();
}
