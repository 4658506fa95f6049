import type { Retarder } from '../../core/fermentation/index.ts';
import type { Db, Tx } from './client.ts';

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
