import type { Divider } from '../../core/production/index.ts';
import type { Db, Tx } from './client.ts';

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
