import type { ColumnType } from 'kysely';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** What can be said of an ingredient's stock by hand. */
export type StockEntryKind = 'counted' | 'received' | 'taken-out';

/** What there is of each ingredient, and whom it comes from. */
export interface StockTables {
	stock_entry: {
		id: string;
		ingredient_id: string;
		kind: StockEntryKind;
		amount_g: number;
		lot: string;
		note: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	stock_use: {
		batch_id: string;
		ingredient_id: string;
		amount_g: number;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	stock_keeping: {
		ingredient_id: string;
		supplier_id: string | null;
		pack_g: number | null;
		least_g: number;
		row_version: number;
		changed_by: string;
	};
}
