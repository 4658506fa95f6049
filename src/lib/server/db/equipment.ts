import type { Divider } from '../../core/production/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export interface DividerSettings extends Divider {
	readonly id: string;
}

export async function loadDividers(db: Db | Tx): Promise<readonly DividerSettings[]> {
	const rows = await db.selectFrom('divider').selectAll().orderBy('name').execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		heads: row.heads,
		leastPiece: { grams: row.least_piece_g },
		mostPiece: { grams: row.most_piece_g }
	}));
}

export interface VesselSettings {
	readonly id: string;
	readonly name: string;
	readonly owned: number;
	readonly millilitres: number | null;
}

export async function loadVessels(db: Db | Tx): Promise<readonly VesselSettings[]> {
	const rows = await db.selectFrom('vessel').selectAll().orderBy('name').execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		owned: row.owned,
		millilitres: row.volume_ml
	}));
}

/** What of a bakery is written at once, row by row as the tables say. */
export interface EquipmentRows {
	readonly scales: readonly EveryColumn<'weighing_scale'>[];
	readonly dividers: readonly EveryColumn<'divider'>[];
	readonly vessels: readonly EveryColumn<'vessel'>[];
	readonly mixers: readonly EveryColumn<'mixer'>[];
	readonly decks: readonly EveryColumn<'oven_deck'>[];
	readonly drops: readonly EveryColumn<'delivery_drop'>[];
}

export async function insertEquipment(tx: Tx, rows: EquipmentRows): Promise<void> {
	if (rows.scales.length > 0) await tx.insertInto('weighing_scale').values(rows.scales).execute();
	if (rows.dividers.length > 0) await tx.insertInto('divider').values(rows.dividers).execute();
	if (rows.vessels.length > 0) await tx.insertInto('vessel').values(rows.vessels).execute();
	if (rows.mixers.length > 0) await tx.insertInto('mixer').values(rows.mixers).execute();
	if (rows.decks.length > 0) await tx.insertInto('oven_deck').values(rows.decks).execute();
	if (rows.drops.length > 0) await tx.insertInto('delivery_drop').values(rows.drops).execute();
}

/** The id of a scale by its name; null when there is none. */
export async function findScale(db: Db | Tx, name: string): Promise<string | null> {
	const row = await db
		.selectFrom('weighing_scale')
		.select('id')
		.where('name', '=', name)
		.executeTakeFirst();
	return row?.id ?? null;
}
