import { USUAL_ROOM_CELSIUS } from '../../core/formula/index.ts';
import type { WaterSchool } from '../../core/heat/index.ts';
import type { Mixer, WaterSupply } from '../../core/mixing/index.ts';
import type { BakeryClock, WallTime } from '../../core/time/index.ts';
import type { UnitChoice, WeighingScale } from '../../core/units/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** The settings of the bakery as the core wants them. */
export interface BakerySettings extends WaterSupply {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly ovenRecoveryMinutes: number;
	readonly assumed: {
		readonly roomCelsius: number;
		readonly flourCelsius: number;
		readonly tapCelsius: number;
	};
	readonly version: number;
	/** What stands before a price; empty when the bakery keeps none. */
	readonly currency: string;
}

export async function loadBakery(db: Db | Tx): Promise<BakerySettings | null> {
	const row = await db
		.selectFrom('bakery')
		.leftJoin('place as room', (join) => join.on('room.role', '=', 'bakehouse'))
		.leftJoin('place as flour', (join) => join.on('flour.role', '=', 'flour'))
		.selectAll('bakery')
		.select(['room.set_celsius as room_celsius', 'flour.set_celsius as flour_celsius'])
		.executeTakeFirst();
	if (!row) return null;
	return {
		name: row.name,
		timeZone: row.time_zone,
		units: { mass: row.mass_units, temperature: row.temperature_units },
		ovenRecoveryMinutes: row.oven_recovery_minutes,
		assumed: {
			roomCelsius: row.room_celsius ?? USUAL_ROOM_CELSIUS,
			flourCelsius: row.flour_celsius ?? USUAL_ROOM_CELSIUS,
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
		waterSchool: row.water_school,
		countsSoakers: row.factor_counts_soakers
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

export async function loadMixers(db: Db | Tx): Promise<readonly Mixer[]> {
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

/** Writes the bakery itself, with its clock. */
export async function insertBakery(tx: Tx, row: EveryColumn<'bakery'>): Promise<void> {
	await tx.insertInto('bakery').values(row).execute();
}

/** Sets what taps, chiller and ice can give; null where somebody else changed the settings first. */
export async function updateSupply(
	tx: Tx,
	supply: Omit<WaterSupply, 'waterSchool' | 'countsSoakers'>,
	expectedVersion: number
): Promise<number | null> {
	const row = await tx
		.updateTable('bakery')
		.set((set) => ({
			ice_form: supply.iceForm,
			ice_most_share: supply.iceMostShare,
			ice_celsius: supply.iceCelsius,
			chilled_water_celsius: supply.chilledCelsius,
			hot_tap_celsius: supply.hotTapCelsius,
			hottest_water_celsius: supply.hottestWaterCelsius,
			row_version: set('row_version', '+', 1)
		}))
		.where('row_version', '=', expectedVersion)
		.returning('row_version')
		.executeTakeFirst();
	return row?.row_version ?? null;
}

/** Sets how the bakery reads its figures; null where there is no bakery yet. */
export async function updateUnits(tx: Tx, units: UnitChoice): Promise<number | null> {
	const row = await tx
		.updateTable('bakery')
		.set((set) => ({
			mass_units: units.mass,
			temperature_units: units.temperature,
			row_version: set('row_version', '+', 1)
		}))
		.returning('row_version')
		.executeTakeFirst();
	return row?.row_version ?? null;
}

export async function updateWaterSchool(
	tx: Tx,
	school: WaterSchool,
	countsSoakers: boolean | undefined
): Promise<void> {
	await tx
		.updateTable('bakery')
		.set({
			water_school: school,
			...(countsSoakers === undefined ? {} : { factor_counts_soakers: countsSoakers })
		})
		.execute();
}
