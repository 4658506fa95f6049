import type { ColumnType, Generated, InsertType, JSONColumnType } from 'kysely';
import type { EntryKind } from '../../core/bakery/index.ts';
import type {
	Addition,
	IngredientKind,
	Milling,
	PreparationKind,
	WaitPlace
} from '../../core/formula/index.ts';
import type { ReadinessDecision, ReadinessVerdict } from '../../core/fermentation/index.ts';
import type { DoughInstrument, IceForm, WaterSchool } from '../../core/heat/index.ts';
import type { LearnedSubject } from '../../core/learning/index.ts';
import type { ReadingQuantity } from '../../core/mixing/index.ts';
import type { MeasuredColumns } from './measured-columns.ts';
import type { OrderTables } from './order-tables.ts';
import type { CultureTables } from './culture-tables.ts';
import type { DoorTables } from './door-tables.ts';
import type { StockTables } from './stock-tables.ts';
import type { WeighingTables } from './weighing-tables.ts';
import type { PlanTables } from './plan-tables.ts';
import type { ResultTables } from './result-tables.ts';
import type { WorkTables } from './work-tables.ts';
import type { SensorKind } from '../../contracts/device-protocol.ts';
import type { ExtraUse } from '../../core/production/index.ts';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;
/** JSON is written as text and read as unknown, so that a schema has to read it. */
type Json = JSONColumnType<object, string, string>;

/** What a batch is: what goes into another, a dough, a part of it, or what is baked at once. */
export type BatchKind = 'pre-ferment' | 'preparation' | 'mix' | 'portion' | 'load' | 'feed';
/** A planned batch may still change; one that was begun never does. */
export type BatchState = 'planned' | 'begun' | 'ended' | 'withdrawn';
/** What can happen to a batch; `struck` says that the entry it points at did not happen. */
export type BatchEventKind = 'measured' | 'checked' | 'moved' | 'ended' | 'judged' | 'struck';
/** Somebody edited it, or it follows something it takes from. */
export type RevisionCause = 'edited' | 'followed';

/**
 * Every column of a table that can be written, none left out: a column that a write forgets is an error of
 * the compiler, also where it may be null.
 */
export type EveryColumn<T extends keyof Tables> = {
	[K in keyof Tables[T] as InsertType<Tables[T][K]> extends never ? never : K]: InsertType<
		Tables[T][K]
	>;
};

export interface Tables
	extends
		CultureTables,
		DoorTables,
		OrderTables,
		PlanTables,
		ResultTables,
		StockTables,
		WeighingTables,
		WorkTables {
	bakery: {
		id: Generated<boolean>;
		name: string;
		time_zone: string;
		mass_units: 'metric' | 'imperial';
		temperature_units: 'celsius' | 'fahrenheit';
		assumed_tap_celsius: number;
		hot_tap_celsius: number;
		hottest_water_celsius: number;
		ice_celsius: number;
		ice_most_share: number;
		currency: string;
		altitude_m: number;
		weigh_minutes: number;
		caustic_most_share: number;
		water_school: WaterSchool;
		factor_counts_soakers: boolean;
		ice_form: IceForm;
		chilled_water_celsius: number | null;
		row_version: number;
	};
	app_clock: {
		id: Generated<boolean>;
		anchor_real_ms: number;
		anchor_bakery_ms: number;
		rate: number;
	};
	bakery_entry: { id: string; kind: EntryKind; name: string };
	bakery_entry_revision: {
		id: ColumnType<string, never, never>;
		entry_id: string;
		number: number;
		applies_from: string;
		name: string;
		retired: boolean;
		content: Json;
		made_by: string | null;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	command: {
		id: string;
		sequence: ColumnType<string, never, never>;
		kind: string;
		actor_id: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
		request: Json;
		answer: Json;
	};
	ingredient: { id: string; name: string; retired_at: Date | null; place_id: string | null };
	ingredient_revision: {
		id: string;
		ingredient_id: string;
		number: number;
		name: string;
		kind: IngredientKind;
		flour_share: number;
		water_share: number;
		fat_share: number;
		sugar_share: number;
		wholegrain_of_flour: number;
		yeast_fresh_equivalent: number;
		allergens: string[];
		heat_capacity_kj_per_kg_k: number;
		density_kg_per_l: number | null;
		price_per_kg: number | null;
		purity_share: Generated<number>;
		rolls_from_c: number | null;
		rolls_to_c: number | null;
		melts_at_c: number | null;
		weighing_scale_id: string | null;
		made_by: string | null;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	flour_delivery: {
		id: string;
		ingredient_id: string;
		command_id: string | null;
		received_on: string;
		lot: string;
		extraction_percent: number | null;
		protein_percent: number | null;
		ash_percent: number | null;
		moisture_percent: number | null;
		falling_number_s: number | null;
		absorption_points: number | null;
		milling: Milling | null;
		wholegrain_percent: number | null;
		recorded_at: RecordedAt;
	};
	preparation: { id: string; name: string; retired_at: Date | null };
	preparation_revision: {
		id: string;
		preparation_id: string;
		number: number;
		name: string;
		cause: RevisionCause;
		occurred_at: Date;
		kind: PreparationKind;
		build_loss_share: number;
		take_back_g: number;
		dip_seconds: number | null;
		renew_after_min: number | null;
		steps: Json;
		made_by: string;
		recorded_at: RecordedAt;
	};
	preparation_revision_line: {
		revision_id: string;
		ordinal: number;
		ingredient_revision_id: string | null;
		preparation_revision_id: string | null;
		parts: number;
	};
	formula: { id: string; name: string; retired_at: Date | null };
	formula_revision: {
		id: string;
		formula_id: string;
		number: number;
		name: string;
		cause: RevisionCause;
		occurred_at: Date;
		dough_loss_share: number;
		target_dough_celsius: number;
		friction_kj_per_kg: number;
		most_dough_g: number | null;
		steps: Json;
		made_by: string;
		recorded_at: RecordedAt;
	};
	formula_revision_line: {
		revision_id: string;
		ordinal: number;
		ingredient_revision_id: string | null;
		preparation_revision_id: string | null;
		percent_of_flour: number;
		addition: Addition;
	};
	formula_revision_delivery: { revision_id: string; ingredient_id: string; delivery_id: string };
	dough_base: { formula_id: string; celsius: number };
	dough_liquid: { formula_id: string; ingredient_id: string; addition: string };
	formula_draft: {
		id: string;
		formula_id: string;
		base_revision: number;
		command_id: string;
		made_by: string;
		content: Json;
		recorded_at: RecordedAt;
		set_aside_at: Date | null;
	};
	product: { id: string; name: string; ordinal: number; retired_at: Date | null };
	product_revision: {
		id: string;
		product_id: string;
		number: number;
		name: string;
		cause: RevisionCause;
		occurred_at: Date;
		pieces_per_deck: number | null;
		spacing_cm: number;
		baked_g: number | null;
		bake_loss_share: number;
		spares_share: number;
		shape: string;
		score: Generated<string>;
		score_mm: number | null;
		vessel_id: string | null;
		divider_id: string | null;
		footprint_length_cm: number | null;
		footprint_width_cm: number | null;
		height_cm: number | null;
		/** As `contracts/sheeting` reads it; null for what is divided by weight. */
		sheet: Json | null;
		steps: Json;
		made_by: string;
		recorded_at: RecordedAt;
	};
	product_revision_dough: {
		revision_id: string;
		ordinal: number;
		formula_id: string;
		scaled_g: number;
	};
	product_revision_extra: {
		revision_id: string;
		ordinal: number;
		use: ExtraUse;
		ingredient_revision_id: string | null;
		preparation_revision_id: string | null;
		amount_g: number;
		for_pieces: number;
	};
	reading: {
		id: string;
		command_id: string;
		quantity: ReadingQuantity;
		preparation_id: string | null;
		place_id: string | null;
		celsius: number;
		instrument: 'typed' | 'probe' | 'core-probe' | 'surface-thermometer';
		corrects_id: string | null;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	batch: {
		id: string;
		bake_date: string;
		kind: BatchKind;
		ordinal: number;
		formula_id: string | null;
		formula_revision_id: string | null;
		preparation_id: string | null;
		preparation_revision_id: string | null;
		product_id: string | null;
		product_revision_id: string | null;
		recipe_id: ColumnType<string, never, never>;
		mass_g: number | null;
		pieces: number | null;
		state: BatchState;
		recorded_at: RecordedAt;
	};
	batch_parent: { batch_id: string; parent_id: string };
	mixes_wanted: {
		bake_date: string;
		formula_id: string;
		mixes: number | null;
		row_version: number;
		changed_by: string;
	};
	batches_wanted: {
		bake_date: string;
		preparation_id: string;
		batches: number | null;
		row_version: number;
		changed_by: string;
	};
	batch_lead: { batch_id: string; minutes: number; row_version: number; changed_by: string };
	batch_event: {
		id: string;
		batch_id: string;
		recipe_id: string;
		kind: BatchEventKind;
		command_id: string;
		corrects_id: string | null;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	event_measured: MeasuredColumns;
	event_checked: {
		event_id: string;
		kind: ColumnType<'checked', never, never>;
		stage: 'autolyse' | 'dough';
		celsius: number;
		instrument: DoughInstrument;
		place: WaitPlace;
		ambient_celsius: number;
	};
	event_moved: {
		event_id: string;
		kind: ColumnType<'moved', never, never>;
		place: WaitPlace;
		ambient_celsius: number;
		time_constant_min: number;
		retarder_id: string | null;
	};
	event_judged: {
		event_id: string;
		kind: ColumnType<'judged', never, never>;
		sightings: Json;
		dose_min: number;
		book_ripe_min: number;
		seen_share: number | null;
		seen_spread: number | null;
		verdict: ReadinessVerdict;
		decision: ReadinessDecision;
	};
	name_matched: {
		key: string;
		ingredient_id: string | null;
		preparation_id: string | null;
		command_id: string;
	};
	device: {
		id: string;
		name: string;
		key_sha256: string;
		command_id: string | null;
		revoked_at: Date | null;
	};
	device_sensor: {
		id: string;
		device_id: string;
		name: string;
		kind: SensorKind;
		place_id: string | null;
		deck_id: string | null;
		report_every_s: number;
	};
	device_reading: {
		id: string;
		sensor_id: string;
		celsius: number | null;
		percent: number | null;
		measured_at: Date;
		recorded_at: RecordedAt;
	};
	temperature_day: {
		quantity: 'room' | 'flour' | 'tap';
		day: string;
		readings: number;
		sum_celsius: number;
		least_celsius: number;
		most_celsius: number;
	};
	observation_ignored: { observation_id: string; command_id: string };
	learning_reset: {
		subject: LearnedSubject;
		formula_id: string;
		at: Date;
		recorded_at: ColumnType<Date, never, Date>;
		command_id: string;
	};
}
