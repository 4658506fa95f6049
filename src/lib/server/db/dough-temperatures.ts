import { sql } from 'kysely';
import type { Db, Tx } from './client.ts';

/** A measured dough temperature with the friction it revealed. */
export interface DoughTemperatureRow {
	readonly id: string;
	readonly date: string;
	readonly ordinal: number;
	readonly doughCelsius: number;
	readonly targetCelsius: number;
	readonly waterCelsius: number;
	readonly instrument: 'typed' | 'core-probe' | 'surface-thermometer';
	readonly frictionKilojoulesPerKilogram: number;
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
			const rows = await db
				.selectFrom('dough_temperature as one')
				.leftJoin('dough_temperature_ignored as ignored', 'ignored.dough_temperature_id', 'one.id')
				.selectAll('one')
				.select('ignored.dough_temperature_id as ignored_id')
				.where('one.formula_id', '=', formulaId)
				// The bakery's clock ticks in seconds; within one, what was recorded first came first.
				.where(
					sql<boolean>`not exists (select 1 from friction_reset as reset
						where reset.formula_id = one.formula_id
						and (one.occurred_at < reset.at or one.recorded_at <= reset.recorded_at))`
				)
				.orderBy('one.occurred_at', 'desc')
				.orderBy('one.recorded_at', 'desc')
				.limit(NEWEST_DOUGH_TEMPERATURES)
				.execute();
			return [
				formulaId,
				rows.map((row) => ({
					id: row.id,
					date: row.bake_date,
					ordinal: row.ordinal,
					doughCelsius: row.dough_celsius,
					targetCelsius: row.target_celsius,
					waterCelsius: row.water_celsius,
					instrument: row.instrument,
					frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
					ignored: row.ignored_id !== null,
					occurredAtMs: row.occurred_at.getTime()
				}))
			] as const;
		})
	);
	return new Map(found);
}
