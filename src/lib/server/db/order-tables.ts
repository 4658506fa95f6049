import type { ColumnType } from 'kysely';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** What is ordered: for single dates, and by weekday. */
export interface OrderTables {
	order_line: {
		bake_date: string;
		drop_id: string;
		product_id: string;
		/** Null leaves it to the standing order. */
		pieces: number | null;
		row_version: number;
		changed_by: string;
	};
	order_change: {
		id: ColumnType<string, never, never>;
		command_id: string;
		bake_date: string;
		drop_id: string;
		product_id: string;
		pieces_before: number;
		pieces_after: number;
		left_to_standing: boolean;
		recorded_at: RecordedAt;
	};
	standing_order: {
		drop_id: string;
		product_id: string;
		row_version: number;
		changed_by: string;
	};
	standing_stretch: {
		drop_id: string;
		product_id: string;
		weekday: number;
		from_date: string;
		until_date: string | null;
		pieces: number;
	};
	standing_before: {
		command_id: string;
		drop_id: string;
		product_id: string;
		weekday: number;
		from_date: string;
		until_date: string | null;
		pieces: number;
		recorded_at: RecordedAt;
	};
	standing_change: {
		id: ColumnType<string, never, never>;
		command_id: string;
		drop_id: string;
		product_id: string;
		weekday: number;
		from_date: string;
		until_date: string | null;
		pieces: number;
		recorded_at: RecordedAt;
	};
}
