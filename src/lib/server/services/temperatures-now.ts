import type { ProbeView, WaterInputView } from '../../contracts/water-views.ts';
import { MOST_AHEAD_MINUTES, type SensorKind } from '../../contracts/device-protocol.ts';
import { additionOrder, type Place } from '../../core/formula/index.ts';
import type { PlaceId } from '../../core/identity.ts';
import { temperatureOfMoment } from '../../core/mixing/index.ts';
import { MINUTE_MS } from '../../core/time/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadSensorsNow, type SensorNow } from '../db/devices.ts';
import { loadNewestReadings, type NewestReading } from '../db/readings.ts';
import { recipeOfMix, recipeOfPreparation, type BakeryDay } from './day-production.ts';
import { standingOfDay } from './standing-of-day.ts';

/** Which probe tells which temperature. */
const PROBE_OF = {
	room: 'room-probe',
	flour: 'flour-probe',
	tap: 'tap-probe'
} as const satisfies Partial<Record<WaterInputView['quantity'], SensorKind>>;

type Wanted = Omit<WaterInputView, 'reading' | 'probe'>;

/** The temperatures of the moment that the mixes and builds of a date follow from. */
export async function readWaterInputs(
	db: Db | Tx,
	day: BakeryDay,
	nowMs: number
): Promise<readonly WaterInputView[]> {
	const places = wantedPlaces(day);
	const [readings, sensors] = await Promise.all([
		loadNewestReadings(
			db,
			[...places, ...preparationsOf(day)].map(({ quantity, preparationId, placeId }) => ({
				quantity,
				preparationId,
				// The bakehouse and the bins are read as the room and the flour.
				placeId: quantity === 'place' ? placeId : null
			})),
			nowMs + MOST_AHEAD_MINUTES * 60_000
		),
		loadSensorsNow(db)
	]);
	const standing = places.map((wanted) => momentOf(wanted, readings, sensors, nowMs));
	const forecast = await standingOfDay(db, day, standing, nowMs);
	const made = preparationsOf(day).map((wanted) =>
		momentOf({ ...wanted, unread: forecast(wanted) }, readings, sensors, nowMs)
	);
	return [...standing, ...made];
}

function momentOf(
	wanted: Wanted,
	readings: readonly NewestReading[],
	sensors: readonly SensorNow[],
	nowMs: number
): WaterInputView {
	const typed = readings.find(
		(reading) =>
			reading.quantity === wanted.quantity &&
			isOfToday(reading, nowMs) &&
			reading.preparationId === wanted.preparationId &&
			(wanted.quantity !== 'place' || reading.placeId === wanted.placeId)
	);
	const probe = probeOf(wanted, sensors);
	const spoken = probe && {
		id: probe.sensorId,
		celsius: probe.last.celsius,
		instrument: 'probe',
		occurredAtMs: probe.last.measuredAtMs
	};
	return {
		...wanted,
		reading: temperatureOfMoment(typed ?? null, spoken, nowMs),
		probe: probe ? probeView(probe) : null
	};
}

/** A pre-ferment was read so long ago that it is another batch by now (our default). */
const PREFERMENT_HOLDS_MS = 12 * 60 * MINUTE_MS;

/** What was read of a pre-ferment is not said of the next night's; a place stays the same place. */
function isOfToday({ quantity, occurredAtMs }: NewestReading, nowMs: number): boolean {
	return quantity !== 'preferment' || nowMs - occurredAtMs < PREFERMENT_HOLDS_MS;
}

function probeOf(
	{ quantity, placeId }: Wanted,
	sensors: readonly SensorNow[]
): ReturnType<typeof newestOf> {
	switch (quantity) {
		case 'preferment':
			return null;
		case 'place':
			return newestOf(
				sensors.filter((sensor) => sensor.placeId === placeId),
				'place-probe'
			);
		default:
			return newestOf(sensors, PROBE_OF[quantity]);
	}
}

/** The room, the flour and the tap, and every other place that something of the date stands in. */
function wantedPlaces(day: BakeryDay): readonly Wanted[] {
	const { assumed } = day.bakery;
	const named = [...day.book.places.values()];
	const holding = placesOfIngredients(day);
	const standsIn = new Set([...holding, ...placesOfWaits(day)]);
	const assumedAt = (celsius: number) => ({ celsius, source: { kind: 'assumed' as const } });
	const roleOf = (role: Place['role']) => named.find((place) => place.role === role)?.id ?? null;
	return [
		{
			quantity: 'room',
			preparationId: null,
			placeId: roleOf('bakehouse'),
			name: 'Room',
			isFelt: true,
			unread: assumedAt(assumed.roomCelsius)
		},
		{
			quantity: 'flour',
			preparationId: null,
			placeId: roleOf('flour'),
			name: 'Flour',
			isFelt: true,
			unread: assumedAt(assumed.flourCelsius)
		},
		{
			quantity: 'tap',
			preparationId: null,
			placeId: null,
			name: 'Cold tap',
			isFelt: true,
			unread: assumedAt(assumed.tapCelsius)
		},
		...named
			.filter((place) => place.role === 'other' && standsIn.has(place.id))
			.map((place): Wanted => ({
				quantity: 'place',
				preparationId: null,
				placeId: place.id,
				name: place.name,
				isFelt: holding.has(place.id),
				// What has a thermostat keeps to it; a corner of the room is only taken to be so.
				unread: {
					celsius: place.celsius,
					source: { kind: place.kind === 'room' ? 'assumed' : 'set' }
				}
			}))
	];
}

/** The places that ingredients of the date stand in. */
function placesOfIngredients(day: BakeryDay): ReadonlySet<PlaceId> {
	const found = new Set<PlaceId>();
	for (const stage of stagesOf(day))
		for (const { ingredient, addition } of stage.lines)
			if (ingredient.placeId && additionOrder(addition) < additionOrder('fold-in'))
				found.add(ingredient.placeId);
	return found;
}

/** The places that builds of the date, and doughs of it before their bulk, stand in. */
function placesOfWaits(day: BakeryDay): ReadonlySet<PlaceId> {
	const { builds, doughs } = day.production;
	const steps = [
		...builds.flatMap((build) => recipeOfPreparation(day, build)?.steps ?? []),
		...doughs.flatMap((dough) => dough.mixes.flatMap((mix) => recipeOfMix(day, mix)?.steps ?? []))
	];
	return new Set(
		steps.flatMap((step) =>
			step.kind === 'wait' ? step.legs.flatMap(({ named }) => named?.id ?? []) : []
		)
	);
}

function stagesOf(day: BakeryDay) {
	return [
		...day.production.doughs.flatMap((dough) => [
			dough.resolved.final,
			...dough.mixes.map((mix) => mix.resolved.final)
		]),
		...day.production.builds.map((build) => build.stage)
	];
}

/** The pre-ferments, soakers and scalds that go into a bowl of the date; pre-ferments first. */
function preparationsOf(day: BakeryDay): readonly Omit<Wanted, 'unread'>[] {
	const mixedIn = stagesOf(day)
		.flatMap((stage) => stage.stages)
		.filter(({ addition }) => additionOrder(addition) < additionOrder('fold-in'))
		.sort((a, b) => Number(a.kind !== 'build') - Number(b.kind !== 'build'));
	const found = new Map<string, Omit<Wanted, 'unread'>>();
	for (const { preparation, name } of mixedIn)
		if (preparation && !found.has(preparation.id))
			found.set(preparation.id, {
				quantity: 'preferment',
				preparationId: preparation.id,
				placeId: null,
				name,
				isFelt: true
			});
	return [...found.values()];
}

type Spoken = SensorNow & { readonly last: NonNullable<SensorNow['last']> };

/** Of several probes of a kind the one that spoke last. */
export function newestOf(sensors: readonly SensorNow[], kind: SensorKind): Spoken | null {
	const spoken = sensors.filter(
		(sensor): sensor is Spoken => sensor.kind === kind && sensor.last !== null
	);
	return spoken.sort((a, b) => b.last.measuredAtMs - a.last.measuredAtMs)[0] ?? null;
}

/** What a probe says; whether it can be believed is judged as time goes on. */
export function probeView(sensor: Spoken): ProbeView {
	return {
		name: sensor.sensor,
		celsius: sensor.last.celsius,
		measuredAtMs: sensor.last.measuredAtMs,
		reportEverySeconds: sensor.reportEverySeconds,
		unmovedSinceMs: sensor.unmovedSinceMs
	};
}
