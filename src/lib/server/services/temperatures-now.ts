import type { ProbeView, WaterInputView } from '../../contracts/views.ts';
import { MOST_AHEAD_MINUTES, type SensorKind } from '../../contracts/device-protocol.ts';
import type { PreparationId } from '../../core/identity.ts';
import { restingCelsius, temperatureOfMoment } from '../../core/mixing/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadSensorsNow, type SensorNow } from '../db/devices.ts';
import { loadNewestReadings } from '../db/readings.ts';
import type { BakeryDay } from './day-production.ts';

/** Which probe tells which temperature. */
const PROBE_OF = {
	room: 'room-probe',
	flour: 'flour-probe',
	tap: 'tap-probe'
} as const satisfies Partial<Record<WaterInputView['quantity'], SensorKind>>;

/** The temperatures of the moment that the mixes and builds of a date follow from. */
export async function readWaterInputs(
	db: Db | Tx,
	day: BakeryDay,
	nowMs: number
): Promise<readonly WaterInputView[]> {
	const wanted = wantedOf(day);
	const [readings, sensors] = await Promise.all([
		loadNewestReadings(db, wanted, nowMs + MOST_AHEAD_MINUTES * 60_000),
		loadSensorsNow(db)
	]);
	return wanted.map((wanted) => {
		const typed = readings.find(
			(reading) =>
				reading.quantity === wanted.quantity && reading.preparationId === wanted.preparationId
		);
		const probe =
			wanted.quantity === 'preferment' ? null : newestOf(sensors, PROBE_OF[wanted.quantity]);
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
	});
}

type Wanted = Omit<WaterInputView, 'reading' | 'probe'>;

function wantedOf(day: BakeryDay): readonly Wanted[] {
	const { assumed } = day.bakery;
	const stages = [
		...day.production.doughs.flatMap((dough) => [
			dough.resolved.final,
			...dough.mixes.map((mix) => mix.resolved.final)
		]),
		...day.production.builds.map((build) => build.stage)
	];
	const builds = new Map<PreparationId, string>();
	for (const stage of stages)
		for (const inner of stage.stages)
			if (inner.kind === 'build' && inner.preparation && !builds.has(inner.preparation.id))
				builds.set(inner.preparation.id, inner.name);
	return [
		{ quantity: 'room', preparationId: null, name: 'Room', assumedCelsius: assumed.roomCelsius },
		{ quantity: 'flour', preparationId: null, name: 'Flour', assumedCelsius: assumed.flourCelsius },
		{ quantity: 'tap', preparationId: null, name: 'Cold tap', assumedCelsius: assumed.tapCelsius },
		...[...builds].map(([preparationId, name]) => ({
			quantity: 'preferment' as const,
			preparationId,
			name,
			assumedCelsius: restingCelsius(
				day.book.preparations.get(preparationId)?.steps ?? [],
				assumed.roomCelsius
			)
		}))
	];
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
