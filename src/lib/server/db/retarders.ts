import type { Retarder } from '../../core/fermentation/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { putPlace } from './places.ts';
import type { EveryColumn } from './tables.ts';

export interface RetarderSettings extends Retarder {
	readonly id: string;
	readonly name: string;
}

export async function loadRetarders(db: Db | Tx): Promise<readonly RetarderSettings[]> {
	const rows = await db
		.selectFrom('retarder')
		.innerJoin('place', 'place.id', 'retarder.id')
		.selectAll('retarder')
		.select(['place.name', 'place.set_celsius'])
		.orderBy('place.name')
		.execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		setCelsius: row.set_celsius,
		compressorWatts: row.compressor_w,
		airKilojoulesPerKelvin: row.air_kj_per_k,
		wallsWattsPerKelvin: row.walls_w_per_k
	}));
}

/** Writes a cold room, or what it is now, with its place. */
export async function putRetarder(tx: Tx, retarder: RetarderSettings): Promise<void> {
	await putPlace(tx, {
		id: id<PlaceId>(retarder.id),
		name: retarder.name,
		kind: 'cold',
		role: 'other',
		celsius: retarder.setCelsius
	});
	const row: EveryColumn<'retarder'> = {
		id: retarder.id,
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
