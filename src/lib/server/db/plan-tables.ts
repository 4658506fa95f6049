import type { ColumnType, JSONColumnType } from 'kysely';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** JSON is written as text and read as unknown, so that a schema has to read it. */
type Json = JSONColumnType<object, string, string>;

/** Plans that were accepted, with what they make, do and put where. */
export interface PlanTables {
	plan_version: {
		id: string;
		bake_date: string;
		number: number;
		command_id: string;
		accepted_by: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
		fingerprint: string;
		document: Json;
		document_schema: number;
		takes: Json;
	};
	plan_batch: { plan_id: string; batch_id: string; mass_g: number; pieces: number | null };
	plan_task: {
		plan_id: string;
		task_key: string;
		batch_id: string;
		activity: string;
		machine_id: string | null;
		start_at: Date;
		end_at: Date;
		book_min: number | null;
		load_celsius: number | null;
	};
	plan_stay: {
		plan_id: string;
		bake_date: string;
		task_key: string;
		leg: number;
		place_id: string;
		planned_in_at: Date;
		into_work: string;
		out_works: string[];
		kilograms: number;
		celsius: number;
		time_constant_min: number;
	};
}
