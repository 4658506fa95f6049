import type { ColumnType } from 'kysely';
import type { WorkAct } from '../../core/bench/index.ts';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** What was tapped at the bench. */
export interface WorkTables {
	work_entry: {
		id: string;
		bake_date: string;
		work: string;
		batch_id: string | null;
		act: WorkAct;
		until_at: Date | null;
		because: string;
		celsius: number | null;
		person_id: string | null;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	work_timed: {
		bake_date: string;
		task_key: string;
		recipe_id: string;
		activity: string;
		machine_id: string | null;
		by_id: string;
		book_min: number;
		real_min: number;
		stone_off_k: number | null;
		occurred_at: Date;
	};
	time_ignored: {
		bake_date: string;
		task_key: string;
		command_id: string;
	};
	times_reset: {
		recipe_id: string;
		at: Date;
		command_id: string;
		recorded_at: RecordedAt;
	};
	work_struck: {
		entry_id: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
}
