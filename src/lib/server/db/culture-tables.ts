import type { ColumnType } from 'kysely';
import type { Beginning } from '../../core/culture/index.ts';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;

/** What happens to a culture. */
export type CultureEntryKind =
	| 'begun'
	| 'fed'
	| 'stirred'
	| 'trusted'
	| 'counted'
	| 'kept-back'
	| 'taken-out'
	| 'moved'
	| 'measured'
	| 'seen';

/** How each culture is kept, and all that happened to it. */
export interface CultureTables {
	culture: {
		ingredient_id: string;
		seed_parts: number;
		flour_parts: number;
		water_parts: number;
		place_id: string | null;
		rest_place_id: string | null;
		time_constant_min: number;
		fed_celsius: number;
		reference_celsius: number;
		under_min: number;
		ripe_min: number;
		over_min: number;
		keep_g: number;
		cold_days: number;
		refreshes: number;
		row_version: number;
		changed_by: string;
	};
	culture_flour: {
		ingredient_id: string;
		flour_id: string;
		parts: number;
	};
	culture_feed_time: {
		ingredient_id: string;
		wall_time: string;
	};
	culture_entry: {
		id: string;
		ingredient_id: string;
		kind: CultureEntryKind;
		beginning: Beginning | null;
		seed_g: number | null;
		flour_g: number | null;
		water_g: number | null;
		amount_g: number | null;
		celsius: number | null;
		batch_id: string | null;
		place_id: string | null;
		/** Written as JSON text, read as what it says. */
		sightings: ColumnType<unknown, string | null, never>;
		clock_share: number | null;
		seen_share: number | null;
		seen_spread: number | null;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	culture_feed_flour: {
		entry_id: string;
		flour_id: string;
		amount_g: number;
		occurred_at: Date;
	};
	culture_struck: {
		entry_id: string;
		command_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
}
