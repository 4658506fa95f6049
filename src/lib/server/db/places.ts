import type { Place } from '../../core/formula/index.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** Every named place: the bakehouse and the bins first, the others by name. */
export async function loadPlaces(db: Db | Tx): Promise<ReadonlyMap<PlaceId, Place>> {
	const rows = await db.selectFrom('place').selectAll().orderBy('role').orderBy('name').execute();
	return new Map(
		rows.map((row) => [
			id<PlaceId>(row.id),
			{
				id: id<PlaceId>(row.id),
				name: row.name,
				kind: row.kind,
				role: row.role,
				celsius: row.set_celsius
			}
		])
	);
}

/** Writes a place, or what it is now; what it is to the bakery never changes. */
export async function putPlace(tx: Tx, place: Place): Promise<void> {
	const row: EveryColumn<'place'> = {
		id: place.id,
		name: place.name,
		kind: place.kind,
		role: place.role,
		set_celsius: place.celsius
	};
	await tx
		.insertInto('place')
		.values(row)
		.onConflict((conflict) =>
			conflict
				.column('id')
				.doUpdateSet({ name: row.name, kind: row.kind, set_celsius: row.set_celsius })
		)
		.execute();
}
