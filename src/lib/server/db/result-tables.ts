import type { ColumnType } from 'kysely';
import type {
	Browning,
	Fault,
	LookedAt,
	PieceDecision,
	ResultTold,
	Sound
} from '../../core/results/index.ts';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** What came out of the nights. */
export interface ResultTables {
	result_entry: {
		id: string;
		bake_date: string;
		batch_id: string;
		kind: ResultTold['kind'];
		good: number | null;
		second: number | null;
		lost: number | null;
		pieces: number | null;
		baked_g: number | null;
		crust: number | null;
		crumb: number | null;
		taste: number | null;
		fault: Fault | null;
		drop_id: string | null;
		/** Written as JSON text, read as what it says. */
		sightings: ColumnType<unknown, string | null, never>;
		clock_share: number | null;
		early_share: number | null;
		late_share: number | null;
		decision: PieceDecision | null;
		looked_at: LookedAt | null;
		book_factor: number | null;
		browning: Browning | null;
		sound: Sound | null;
		note: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	result_picture: {
		entry_id: string;
		jpeg: Buffer;
	};
	result_struck: {
		entry_id: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
}
