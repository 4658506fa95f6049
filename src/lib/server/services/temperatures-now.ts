import type { ProbeView, WaterInputView } from '../../contracts/views.ts';
import type { SensorKind } from '../../contracts/device-protocol.ts';
import { readingOfMoment } from '../../core/bake-day/index.ts';
import type { ResolvedStage } from '../../core/formula/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadSensorsNow, type SensorNow } from '../db/devices.ts';
import { loadNewestReadings, type NewestReading } from '../db/readings.ts';
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
	const { assumed } = day.bakery;
	const stages = [
		...day.production.doughs.map((dough) => dough.resolved.final),
		...day.production.builds.map((build) => build.stage)
	];
	const builds = new Map(
		stages
			.flatMap((stage) => stage.stages)
			.filter((stage) => stage.kind === 'build')
			.flatMap((stage) => (stage.preparation ? [[stage.preparation.id, stage] as const] : []))
	);
	const wanted: Pick<WaterInputView, 'quantity' | 'preparationId' | 'name' | 'assumedCelsius'>[] = [
		{ quantity: 'room', preparationId: null, name: 'Room', assumedCelsius: assumed.roomCelsius },
		{ quantity: 'flour', preparationId: null, name: 'Flour', assumedCelsius: assumed.flourCelsius },
		{ quantity: 'tap', preparationId: null, name: 'Cold tap', assumedCelsius: assumed.tapCelsius },
		...[...builds].map(([preparationId, stage]) => ({
			quantity: 'preferment' as const,
			preparationId,
			name: stage.name,
			assumedCelsius: restingCelsius(day, stage)
		}))
	];
	const [readings, sensors] = await Promise.all([
		loadNewestReadings(db, wanted),
		loadSensorsNow(db)
	]);
	return wanted.map((one) => ({
		...one,
		...ofMoment(
			readings.find(
				(reading) =>
					reading.quantity === one.quantity && reading.preparationId === one.preparationId
			) ?? null,
			one.quantity === 'preferment' ? null : newestOf(sensors, PROBE_OF[one.quantity]),
			nowMs
		)
	}));
}

type Spoken = SensorNow & { readonly last: NonNullable<SensorNow['last']> };

/** Of several probes of a kind the one that spoke last. */
export function newestOf(sensors: readonly SensorNow[], kind: SensorKind): Spoken | null {
	const spoken = sensors.filter((one): one is Spoken => one.kind === kind && one.last !== null);
	return spoken.sort((a, b) => b.last.measuredAtMs - a.last.measuredAtMs)[0] ?? null;
}

function ofMoment(
	typed: NewestReading | null,
	probe: Spoken | null,
	nowMs: number
): Pick<WaterInputView, 'reading' | 'probe'> {
	const chosen = readingOfMoment(
		// What was taken over from a probe does not stand against it.
		typed && typed.instrument !== 'probe'
			? { celsius: typed.celsius, atMs: typed.occurredAtMs }
			: typed && (!probe || typed.occurredAtMs > probe.last.measuredAtMs)
				? { celsius: typed.celsius, atMs: typed.occurredAtMs }
				: null,
		probe ? { celsius: probe.last.celsius, atMs: probe.last.measuredAtMs } : null,
		nowMs
	);
	return {
		reading:
			chosen === 'probe' && probe
				? {
						id: probe.sensorId,
						celsius: probe.last.celsius,
						instrument: 'probe',
						occurredAtMs: probe.last.measuredAtMs
					}
				: chosen === 'typed' && typed
					? {
							id: typed.id,
							celsius: typed.celsius,
							instrument: typed.instrument,
							occurredAtMs: typed.occurredAtMs
						}
					: null,
		probe: probe ? probeView(probe) : null
	};
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

/** Until it is measured, a build is taken to be as warm as the place it ripens in. */
function restingCelsius(day: BakeryDay, stage: ResolvedStage): number {
	const steps = stage.preparation
		? (day.book.preparations.get(stage.preparation.id)?.steps ?? [])
		: [];
	for (const step of [...steps].reverse())
		if (step.kind === 'wait')
			return step.legs.at(-1)?.ambientCelsius ?? day.bakery.assumed.roomCelsius;
	return day.bakery.assumed.roomCelsius;
}
