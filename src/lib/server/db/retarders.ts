import type { Retarder } from '../../core/fermentation/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export interface RetarderSettings extends Retarder {
	readonly id: string;
	readonly name: string;
}

export async function loadRetarders(db: Db | Tx): Promise<readonly RetarderSettings[]> {
	const rows = await db.selectFrom('retarder').selectAll().orderBy('name').execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		setCelsius: row.set_celsius,
		compressorWatts: row.compressor_w,
		airKilojoulesPerKelvin: row.air_kj_per_k,
		wallsWattsPerKelvin: row.walls_w_per_k
	}));
}

/** Writes a cold room, or what it is now. */
export async function putRetarder(tx: Tx, retarder: RetarderSettings): Promise<void> {
	const row: EveryColumn<'retarder'> = {
		id: retarder.id,
		name: retarder.name,
		set_celsius: retarder.setCelsius,
		compressor_w: retarder.compressorWatts,
		air_kj_per_k: retarder.airKilojoulesPerKelvin,
		walls_w_per_k: retarder.wallsWattsPerKelvin
	};
	const { id: _, ...settings } = row;
	await tx
		.insertInto('retarder')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet(settings))
		.execute();
}
