import { sql } from 'kysely';
import type { Db, Tx } from './client.ts';

/** What a scale shows. */
export interface ScaleShown {
	readonly sensorId: string;
	readonly grams: number;
	readonly stable: boolean;
	readonly measuredAtMs: number;
}

/** Keeps what scales show now; gives those that were newer than what was known. */
export async function putScalesNow(
	tx: Db | Tx,
	shown: readonly ScaleShown[],
	heardAtMs: number
): Promise<number> {
	let newer = 0;
	for (const { sensorId, grams, stable, measuredAtMs } of shown) {
		const { numAffectedRows } =
			await sql`insert into scale_now (sensor_id, shown_g, stable, measured_at, heard_at)
			values (${sensorId}, ${grams}, ${stable}, ${new Date(measuredAtMs)}, ${new Date(heardAtMs)})
			on conflict (sensor_id) do update set shown_g = excluded.shown_g, stable = excluded.stable,
				measured_at = excluded.measured_at, heard_at = excluded.heard_at
			where scale_now.measured_at < excluded.measured_at`.execute(tx);
		newer += Number(numAffectedRows ?? 0n);
	}
	return newer;
}

/** A scale that is let in, with what it shows; null where it was never heard. */
export interface ScaleNow {
	readonly sensorId: string;
	readonly name: string;
	readonly shown: { readonly grams: number; readonly stable: boolean } | null;
	/** On the server's own clock; null where it was never heard. */
	readonly heardAtMs: number | null;
	/** On the bakery's clock. */
	readonly measuredAtMs: number | null;
}

export async function loadScalesNow(db: Db | Tx): Promise<readonly ScaleNow[]> {
	const rows = await db
		.selectFrom('device_sensor')
		.innerJoin('device', 'device.id', 'device_sensor.device_id')
		.leftJoin('scale_now', 'scale_now.sensor_id', 'device_sensor.id')
		.select([
			'device_sensor.id',
			'device_sensor.name',
			'shown_g',
			'stable',
			'heard_at',
			'measured_at'
		])
		.where('device_sensor.kind', '=', 'bench-scale')
		.where('device.revoked_at', 'is', null)
		.orderBy('device_sensor.name')
		.execute();
	return rows.map((row) => ({
		sensorId: row.id,
		name: row.name,
		shown:
			row.shown_g === null || row.stable === null
				? null
				: { grams: row.shown_g, stable: row.stable },
		heardAtMs: row.heard_at?.getTime() ?? null,
		measuredAtMs: row.measured_at?.getTime() ?? null
	}));
}
