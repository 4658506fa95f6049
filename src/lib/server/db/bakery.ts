import type { IceForm, WaterSchool } from '../../core/heat/index.ts';
import type { BakeryClock, WallTime } from '../../core/time/index.ts';
import type { UnitChoice, WeighingScale } from '../../core/units/index.ts';
import type { Db, Tx } from './client.ts';

/** The settings of the bakery as the core wants them. */
export interface BakerySettings {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly ovenRecoveryMinutes: number;
	readonly assumed: {
		readonly roomCelsius: number;
		readonly flourCelsius: number;
		readonly tapCelsius: number;
	};
	readonly hotTapCelsius: number;
	readonly hottestWaterCelsius: number;
	readonly iceForm: IceForm;
	readonly iceCelsius: number;
	readonly iceMostShare: number;
	/** null where there is no chiller. */
	readonly chilledCelsius: number | null;
	readonly version: number;
	/** What stands before a price; empty when the bakery keeps none. */
	readonly currency: string;
	readonly waterSchool: WaterSchool;
}

export async function loadBakery(db: Db | Tx): Promise<BakerySettings | null> {
	const row = await db.selectFrom('bakery').selectAll().executeTakeFirst();
	if (!row) return null;
	return {
		name: row.name,
		timeZone: row.time_zone,
		units: { mass: row.mass_units, temperature: row.temperature_units },
		ovenRecoveryMinutes: row.oven_recovery_minutes,
		assumed: {
			roomCelsius: row.assumed_room_celsius,
			flourCelsius: row.assumed_flour_celsius,
			tapCelsius: row.assumed_tap_celsius
		},
		hotTapCelsius: row.hot_tap_celsius,
		hottestWaterCelsius: row.hottest_water_celsius,
		iceForm: row.ice_form,
		chilledCelsius: row.chilled_water_celsius,
		version: row.row_version,
		iceCelsius: row.ice_celsius,
		iceMostShare: row.ice_most_share,
		currency: row.currency,
		waterSchool: row.water_school
	};
}

export async function loadClock(db: Db | Tx): Promise<BakeryClock> {
	const row = await db.selectFrom('app_clock').selectAll().executeTakeFirstOrThrow();
	return {
		anchorRealMs: row.anchor_real_ms,
		anchorBakeryMs: row.anchor_bakery_ms,
		rate: row.rate
	};
}

export async function setClock(db: Db | Tx, clock: BakeryClock): Promise<void> {
	const row = {
		anchor_real_ms: clock.anchorRealMs,
		anchor_bakery_ms: clock.anchorBakeryMs,
		rate: clock.rate
	};
	await db
		.insertInto('app_clock')
		.values({ id: true, ...row })
		.onConflict((conflict) => conflict.column('id').doUpdateSet(row))
		.execute();
}

export async function loadScales(db: Db | Tx): Promise<readonly WeighingScale[]> {
	const rows = await db.selectFrom('weighing_scale').selectAll().orderBy('division_g').execute();
	return rows.map((row) => ({
		name: row.name,
		capacity: { grams: row.capacity_g },
		division: { grams: row.division_g }
	}));
}

export interface MixerSettings {
	readonly id: string;
	readonly name: string;
	readonly leastGrams: number;
	readonly mostGrams: number;
	/** Heat that warms its bowl by a degree; 0 where nobody found out. */
	readonly bowlKilojoulesPerKelvin: number;
}

export async function loadMixers(db: Db | Tx): Promise<readonly MixerSettings[]> {
	const rows = await db.selectFrom('mixer').selectAll().orderBy('name').execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		leastGrams: row.least_dough_g,
		mostGrams: row.most_dough_g,
		bowlKilojoulesPerKelvin: row.bowl_kj_per_k
	}));
}

export async function loadDecks(
	db: Db | Tx
): Promise<readonly { readonly id: string; readonly name: string }[]> {
	return db.selectFrom('oven_deck').select(['id', 'name']).orderBy('ordinal').execute();
}

export interface DropSettings {
	readonly id: string;
	readonly name: string;
	readonly dueTime: WallTime;
}

export async function loadDrops(db: Db | Tx): Promise<readonly DropSettings[]> {
	const rows = await db
		.selectFrom('delivery_drop')
		.select(['id', 'name', 'due_time'])
		.where('retired_at', 'is', null)
		.orderBy('due_time')
		.orderBy('name')
		.execute();
	return rows.map((row) => ({
		id: row.id,
		name: row.name,
		dueTime: row.due_time.slice(0, 5) as WallTime
	}));
}
