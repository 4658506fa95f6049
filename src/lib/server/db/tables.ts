import type { ColumnType, Generated, JSONColumnType } from 'kysely';
import type {
	Addition,
	IngredientKind,
	Milling,
	PreparationKind,
	WaitPlace
} from '../../core/formula/index.ts';
import type { ReadinessVerdict } from '../../core/fermentation/index.ts';
import type { IceForm, WaterSchool } from '../../core/heat/index.ts';
import type { LearnedSubject, ReadinessDecision } from '../../contracts/dough-commands.ts';
import type { SensorKind } from '../../contracts/device-protocol.ts';
import type { ExtraUse } from '../../core/production/index.ts';

/** Set by the database when the row is written, never by the application. */
type RecordedAt = ColumnType<Date, never, never>;
/** JSON is written as text and read as unknown, so that a schema has to read it. */
type Json = JSONColumnType<object, string, string>;

export interface Tables {
	bakery: {
		id: Generated<boolean>;
		name: string;
		time_zone: string;
		mass_units: Generated<'metric' | 'imperial'>;
		temperature_units: Generated<'celsius' | 'fahrenheit'>;
		oven_recovery_minutes: number;
		assumed_room_celsius: number;
		assumed_flour_celsius: number;
		assumed_tap_celsius: number;
		hot_tap_celsius: number;
		hottest_water_celsius: number;
		ice_celsius: number;
		ice_most_share: number;
		currency: Generated<string>;
		caustic_most_share: Generated<number>;
		water_school: Generated<WaterSchool>;
		ice_form: Generated<IceForm>;
		chilled_water_celsius: number | null;
		row_version: Generated<number>;
	};
	app_clock: {
		id: Generated<boolean>;
		anchor_real_ms: number;
		anchor_bakery_ms: number;
		rate: number;
	};
	person: { id: string; name: string; role: 'head-baker' | 'baker' };
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
	weighing_scale: { id: string; name: string; capacity_g: number; division_g: number };
	mixer: {
		id: string;
		name: string;
		least_dough_g: number;
		most_dough_g: number;
		bowl_kj_per_k: Generated<number>;
	};
	dough_temperature: {
		id: string;
		command_id: string;
		bake_date: string;
		formula_id: string;
		ordinal: number;
		dough_celsius: number;
		target_celsius: number;
		water_celsius: number;
		instrument: 'typed' | 'core-probe' | 'surface-thermometer';
		friction_kj_per_kg: number;
		dough_kj_per_kg_k: number;
		mixer_id: string | null;
		slow_min: number | null;
		fast_min: number | null;
		fill_share: number | null;
		spread_kj_per_kg: number | null;
		inputs: Json;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	oven_deck: { id: string; name: string; ordinal: number };
	ingredient: {
		id: string;
		name: string;
		kind: IngredientKind;
		flour_share: number;
		water_share: number;
		wholegrain_of_flour: Generated<number>;
		yeast_fresh_equivalent: Generated<number>;
		allergens: Generated<string[]>;
		heat_capacity_kj_per_kg_k: number;
		fat_share: Generated<number>;
		sugar_share: Generated<number>;
		density_kg_per_l: number | null;
		price_per_kg: number | null;
		weighing_scale_id: string | null;
		retired_at: Date | null;
		row_version: Generated<number>;
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
		kind: PreparationKind;
		build_loss_share: number;
		take_back_g: number;
		steps: Json;
		made_by: string;
		recorded_at: RecordedAt;
	};
	preparation_revision_line: {
		revision_id: string;
		ordinal: number;
		ingredient_id: string | null;
		preparation_id: string | null;
		parts: number;
	};
	formula: { id: string; name: string; retired_at: Date | null };
	formula_revision: {
		id: string;
		formula_id: string;
		number: number;
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
		ingredient_id: string | null;
		preparation_id: string | null;
		percent_of_flour: number;
		addition: Addition;
	};
	formula_revision_delivery: { revision_id: string; ingredient_id: string; delivery_id: string };
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
	divider: {
		id: string;
		name: string;
		heads: number;
		least_piece_g: number;
		most_piece_g: number;
	};
	vessel: { id: string; name: string; owned: number; volume_ml: number | null };
	product: { id: string; name: string; ordinal: number; retired_at: Date | null };
	product_revision: {
		id: string;
		product_id: string;
		number: number;
		pieces_per_deck: number;
		baked_g: number | null;
		bake_loss_share: Generated<number>;
		shape: Generated<string>;
		vessel_id: string | null;
		divider_id: string | null;
		footprint_length_cm: number | null;
		footprint_width_cm: number | null;
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
		ingredient_id: string | null;
		preparation_id: string | null;
		amount_g: number;
		for_pieces: number;
	};
	delivery_drop: { id: string; name: string; due_time: string; retired_at: Date | null };
	order_line: {
		bake_date: string;
		drop_id: string;
		product_id: string;
		pieces: number;
		row_version: Generated<number>;
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
		recorded_at: RecordedAt;
	};
	reading: {
		id: string;
		command_id: string;
		quantity: 'room' | 'flour' | 'tap' | 'preferment';
		preparation_id: string | null;
		celsius: number;
		instrument: 'typed' | 'probe' | 'core-probe' | 'surface-thermometer';
		corrects_id: string | null;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	mix_lead: {
		bake_date: string;
		formula_id: string;
		ordinal: number;
		minutes: number;
		row_version: Generated<number>;
		changed_by: string;
	};
	plan_version: {
		id: string;
		bake_date: string;
		number: number;
		command_id: string;
		accepted_by: string;
		occurred_at: Date;
		recorded_at: RecordedAt;
		fingerprint: string;
		input: Json;
		placement: Json;
	};
	batch: {
		id: string;
		bake_date: string;
		kind: 'build' | 'mix' | 'lot' | 'load';
		key: string;
		preparation_revision_id: string | null;
		formula_revision_id: string | null;
		product_revision_id: string | null;
		recorded_at: RecordedAt;
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
		report_every_s: number;
	};
	device_reading: {
		id: string;
		sensor_id: string;
		celsius: number;
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
	retarder: {
		id: string;
		name: string;
		set_celsius: number;
		compressor_w: number;
		air_kj_per_k: number;
		walls_w_per_k: number;
	};
	dough_check: {
		id: string;
		command_id: string;
		bake_date: string;
		formula_id: string;
		ordinal: number;
		celsius: number;
		stage: 'autolyse' | 'dough';
		instrument: 'typed' | 'core-probe' | 'surface-thermometer';
		place: WaitPlace;
		ambient_celsius: number;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	dough_move: {
		id: string;
		command_id: string;
		bake_date: string;
		formula_id: string;
		ordinal: number;
		place: WaitPlace;
		ambient_celsius: number;
		time_constant_min: number;
		retarder_id: string | null;
		ended: Generated<boolean>;
		occurred_at: Date;
		recorded_at: RecordedAt;
	};
	readiness_judgement: {
		id: string;
		command_id: string;
		bake_date: string;
		formula_id: string;
		ordinal: number;
		sightings: Json;
		dose_min: number;
		book_ripe_min: number;
		seen_share: number | null;
		seen_spread: number | null;
		verdict: ReadinessVerdict;
		decision: ReadinessDecision;
		occurred_at: Date;
		recorded_at: RecordedAt;
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
