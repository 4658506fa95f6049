import type { ColumnType, JSONColumnType } from 'kysely';
import type { DoughInstrument } from '../../core/heat/index.ts';

/** A measured dough with all it was mixed from; null in what only a mixer tells. */
export interface MeasuredColumns {
	event_id: string;
	kind: ColumnType<'measured', never, never>;
	celsius: number;
	target_celsius: number | null;
	instrument: DoughInstrument;
	water_celsius: number | null;
	friction_kj_per_kg: number | null;
	dough_kj_per_kg_k: number | null;
	mixer_id: string | null;
	slow_min: number | null;
	fast_min: number | null;
	fill_share: number | null;
	spread_kj_per_kg: number | null;
	/** Of each school, all or none: what it read from the dough, and what it had asked for. */
	rule_rise_k: number | null;
	base_rise_k: number | null;
	asked_factor_rule_celsius: number | null;
	asked_base_celsius: number | null;
	asked_balance_celsius: number | null;
	water_degrees_per_dough: number | null;
	room_celsius: number | null;
	inputs: JSONColumnType<object | null, string | null, never>;
}
