import type { ColumnType } from 'kysely';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** How a weight came to be known. */
export type WeighedHow = 'typed' | 'scale' | 'by-feel';

/** What went into the bowls. */
export interface WeighingTables {
	weighing: {
		id: string;
		batch_id: string;
		ingredient_id: string | null;
		preparation_id: string | null;
		addition: string;
		wanted_g: number;
		weighed_g: number;
		how: WeighedHow;
		close_enough: boolean;
		scale: string;
		lot: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	scale_now: {
		sensor_id: string;
		shown_g: number;
		stable: boolean;
		measured_at: Date;
		heard_at: Date;
	};
	weighing_struck: {
		weighing_id: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
}
