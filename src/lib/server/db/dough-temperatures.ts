import type { DoughInstrument } from '../../contracts/dough-commands.ts';
import type { MixProgram } from '../../core/heat/index.ts';
import type { Db, Tx } from './client.ts';
import { sinceReset } from './dough-watch.ts';

/** A measured dough temperature with the friction it revealed. */
export interface DoughTemperatureRow {
	readonly id: string;
	readonly formulaId: string;
	readonly date: string;
	readonly ordinal: number;
	readonly doughCelsius: number;
	readonly targetCelsius: number;
	readonly waterCelsius: number;
	readonly instrument: DoughInstrument;
	readonly frictionKilojoulesPerKilogram: number;
	/** null for one that was measured before mixers were told apart. */
	readonly mixerId: string | null;
	/** null where it was mixed as the formula says. */
	readonly program: MixProgram | null;
	readonly fillShare: number;
	/** How far its friction may lie from the truth; null for one that was measured before that was told. */
	readonly spreadKilojoulesPerKilogram: number | null;
	readonly ignored: boolean;
	readonly occurredAtMs: number;
}

/** As many of the newest as friction is learned from; what is older says little of the mixer of today. */
export const NEWEST_DOUGH_TEMPERATURES = 40;

/** The newest measured dough temperatures of each formula since its learning began, newest first. */
export async function loadDoughTemperatures(
	db: Db | Tx,
	formulaIds: readonly string[]
): Promise<ReadonlyMap<string, readonly DoughTemperatureRow[]>> {
	const found = await Promise.all(
		formulaIds.map(async (formulaId) => {
			const rows = await query(db)
				.where('one.formula_id', '=', formulaId)
				.where(sinceReset('friction', 'one'))
				.orderBy('one.occurred_at', 'desc')
				.orderBy('one.recorded_at', 'desc')
				.limit(NEWEST_DOUGH_TEMPERATURES)
				.execute();
			return [formulaId, rows.map(rowOf)] as const;
		})
	);
	return new Map(found);
}

/** Every measured dough of a date, newest first. */
export async function loadDoughTemperaturesOn(
	db: Db | Tx,
	date: string
): Promise<readonly DoughTemperatureRow[]> {
	const rows = await query(db)
		.where('one.bake_date', '=', date)
		.orderBy('one.occurred_at', 'desc')
		.orderBy('one.recorded_at', 'desc')
		.execute();
	return rows.map(rowOf);
}

function query(db: Db | Tx) {
	return db
		.selectFrom('dough_temperature as one')
		.leftJoin('observation_ignored as ignored', 'ignored.observation_id', 'one.id')
		.selectAll('one')
		.select('ignored.observation_id as ignored_id');
}

function rowOf(row: {
	id: string;
	formula_id: string;
	bake_date: string;
	ordinal: number;
	dough_celsius: number;
	target_celsius: number;
	water_celsius: number;
	instrument: DoughInstrument;
	friction_kj_per_kg: number;
	mixer_id: string | null;
	slow_min: number | null;
	fast_min: number | null;
	fill_share: number | null;
	spread_kj_per_kg: number | null;
	ignored_id: string | null;
	occurred_at: Date;
}): DoughTemperatureRow {
	return {
		id: row.id,
		formulaId: row.formula_id,
		date: row.bake_date,
		ordinal: row.ordinal,
		doughCelsius: row.dough_celsius,
		targetCelsius: row.target_celsius,
		waterCelsius: row.water_celsius,
		instrument: row.instrument,
		frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
		mixerId: row.mixer_id,
		program:
			row.slow_min !== null && row.fast_min !== null
				? { slowMinutes: row.slow_min, fastMinutes: row.fast_min }
				: null,
		fillShare: row.fill_share ?? 1,
		spreadKilojoulesPerKilogram: row.spread_kj_per_kg,
		ignored: row.ignored_id !== null,
		occurredAtMs: row.occurred_at.getTime()
	};
}

/** How many mixes of each formula were measured since a moment on the bakery's clock. */
export async function countDoughTemperatures(
	db: Db | Tx,
	sinceMs: number
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('dough_temperature')
		.select(['formula_id', (one) => one.fn.countAll<string>().as('count')])
		.where('occurred_at', '>', new Date(sinceMs))
		.groupBy('formula_id')
		.execute();
	return new Map(rows.map((row) => [row.formula_id, Number(row.count)]));
}
