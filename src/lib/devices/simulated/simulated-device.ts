import { randomUUID } from 'node:crypto';
import type {
	DeviceReading,
	DeviceSelf,
	Held,
	SensorKind
} from '../../contracts/device-protocol.ts';
import { chanceFrom } from '../../core/chance.ts';
import { bakeryTime } from '../../core/time/index.ts';
import { DeviceClient, NotNow, ShutOut, type DeviceAccess } from '../device-client.ts';
import { FaultySensor, type Faults } from './faults.ts';
import { trueCelsius, trueRisePercent, type Weather } from './physics.ts';

export interface SimulatedDeviceOptions extends DeviceAccess {
	readonly weather: Weather;
	readonly faults: Faults;
	readonly seed: number;
	/** Told what goes wrong; a device has no screen. */
	readonly onTrouble: (what: string) => void;
}

export interface RunningDevice {
	readonly stop: () => void;
	/** Done when it was stopped or shut out. */
	readonly over: Promise<void>;
}

const RETRY_MS = 1000;
/** The bakery's clock can be set: it is asked for again this often. */
const ASK_AGAIN_MS = 30_000;
/** However fast the bakery's clock runs, a device speaks no more often than this. */
const LEAST_WAIT_MS = 100;

/** What they say follows from what is done at the bench. */
const FOLLOWS: ReadonlySet<SensorKind> = new Set([
	'deck-stone',
	'loaf-core',
	'tub-rise',
	'place-probe'
]);

/** Starts probes that read a simulated bakery on the clock of the application. */
export function startSimulatedDevice(options: SimulatedDeviceOptions): RunningDevice {
	const client = new DeviceClient(options);
	let stopped = false;
	let wake = () => {};
	const pause = (ms: number) =>
		new Promise<void>((resolve) => {
			const timer = setTimeout(resolve, ms);
			wake = () => {
				clearTimeout(timer);
				resolve();
			};
		});
	const run = async () => {
		let self: DeviceSelf | null = null;
		let askedAtMs = 0;
		const sensors = new Map<string, { sensor: FaultySensor; nextMs: number }>();
		while (!stopped) {
			try {
				if (!self || Date.now() - askedAtMs > ASK_AGAIN_MS) {
					self = await client.self();
					askedAtMs = Date.now();
				}
				const holds = self.sensors.some(({ kind }) => FOLLOWS.has(kind))
					? new Map(
							(await client.surroundings()).sensors.map((one) => [one.sensor, one.holds] as const)
						)
					: new Map<string, Held>();
				const nowMs = Math.round(bakeryTime(self.clock, { epochMs: Date.now() }).epochMs);
				await client.send(readDue(self, sensors, nowMs, holds, options));
			} catch (error) {
				if (error instanceof ShutOut) {
					options.onTrouble(`shut out: ${error.message}`);
					return;
				}
				if (!(error instanceof NotNow)) throw error;
				options.onTrouble(`${error.message}; ${client.waiting} readings wait`);
				await pause(RETRY_MS);
				continue;
			}
			const soonest = Math.min(...self.sensors.map((sensor) => sensor.reportEverySeconds));
			await pause(Math.max(LEAST_WAIT_MS, (soonest * 1000) / Math.max(self.clock.rate, 1e-3)));
		}
	};
	return {
		stop: () => {
			stopped = true;
			wake();
		},
		over: run()
	};
}

function readDue(
	{ sensors }: DeviceSelf,
	known: Map<string, { sensor: FaultySensor; nextMs: number }>,
	nowMs: number,
	holds: ReadonlyMap<string, Held>,
	{ weather, faults, seed }: SimulatedDeviceOptions
): readonly DeviceReading[] {
	return sensors.flatMap(({ name, kind, reportEverySeconds }, index): readonly DeviceReading[] => {
		// A probe does not speak for the scale beside it.
		if (kind === 'bench-scale') return [];
		const one = known.get(name) ?? {
			sensor: new FaultySensor(name, faults, chanceFrom(seed + index)),
			nextMs: nowMs
		};
		known.set(name, one);
		// A clock that was set back starts the rhythm anew.
		if (nowMs < one.nextMs && one.nextMs - nowMs <= reportEverySeconds * 1000) return [];
		one.nextMs = nowMs + reportEverySeconds * 1000 * 0.9;
		const held = holds.get(name) ?? null;
		const measuredAt = new Date(nowMs).toISOString();
		if (kind === 'tub-rise') {
			const risen = trueRisePercent(held, nowMs);
			// An empty tub has nothing to say.
			const risePercent = risen === null ? null : one.sensor.read(risen, nowMs);
			return risePercent === null
				? []
				: [{ id: randomUUID(), sensor: name, risePercent, measuredAt }];
		}
		const celsius = one.sensor.read(trueCelsius(kind, nowMs, weather, held), nowMs);
		return celsius === null ? [] : [{ id: randomUUID(), sensor: name, celsius, measuredAt }];
	});
}
