import { USUAL_ROOM_CELSIUS } from '../../core/formula/index.ts';
import type { WaterSchool } from '../../core/heat/index.ts';
import type { WaterSupply } from '../../core/mixing/index.ts';
import { REAL_TIME, type BakeryClock } from '../../core/time/index.ts';
import type { UnitChoice } from '../../core/units/index.ts';
import type { Db, Tx } from './client.ts';
import { loadEntries, type On } from './entries.ts';
import { placesOf } from './of-entries.ts';
import type { EveryColumn } from './tables.ts';

/** The settings of the bakery as the core wants them. */
export interface BakerySettings extends WaterSupply {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly assumed: {
		readonly roomCelsius: number;
		readonly flourCelsius: number;
		readonly tapCelsius: number;
	};
	readonly version: number;
	/** What stands before a price; empty when the bakery keeps none. */
	readonly currency: string;
	/** How high it stands above the sea. */
	readonly altitudeMetres: number;
	/** How long weighing up one mix takes; 0 where a plan has no task for it. */
	readonly weighMinutes: number;
}

/** The bakery, its rooms taken to be at what they are set to on a date; null where there is none yet. */
export async function loadBakery(
	db: Db | Tx,
	on: On = 'newest',
	loaded = loadEntries(db, on, ['place'])
): Promise<BakerySettings | null> {
	const [row, entries] = await Promise.all([
		db.selectFrom('bakery').selectAll().executeTakeFirst(),
		loaded
	]);
	if (!row) return null;
	const places = [...placesOf(entries).values()];
	const assumed = (role: 'bakehouse' | 'flour') =>
		places.find((place) => place.role === role)?.celsius ?? USUAL_ROOM_CELSIUS;
	return {
		name: row.name,
		timeZone: row.time_zone,
		units: { mass: row.mass_units, temperature: row.temperature_units },
		assumed: {
			roomCelsius: assumed('bakehouse'),
			flourCelsius: assumed('flour'),
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
		altitudeMetres: row.altitude_m,
		weighMinutes: row.weigh_minutes,
		waterSchool: row.water_school,
		countsSoakers: row.factor_counts_soakers
	};
}

export async function loadClock(db: Db | Tx): Promise<BakeryClock> {
	const row = await db.selectFrom('app_clock').selectAll().executeTakeFirst();
	// Until a bakery is founded it is as late as it is.
	if (!row) return REAL_TIME;
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

/** Sets what the bakery is called, its zone, its money and its height; null where somebody changed the settings first. */
export async function updateBakery(
	tx: Tx,
	bakery: Pick<
		BakerySettings,
		'name' | 'timeZone' | 'currency' | 'altitudeMetres' | 'weighMinutes'
	>,
	expectedVersion: number
): Promise<number | null> {
	const row = await tx
		.updateTable('bakery')
		.set((set) => ({
			name: bakery.name,
			time_zone: bakery.timeZone,
			currency: bakery.currency,
			altitude_m: bakery.altitudeMetres,
			weigh_minutes: bakery.weighMinutes,
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
