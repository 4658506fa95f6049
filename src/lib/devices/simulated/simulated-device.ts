import { randomUUID } from 'node:crypto';
import type { DeviceReading, DeviceSelf } from '../../contracts/device-protocol.ts';
import { chanceFrom } from '../../core/chance.ts';
import { bakeryTime } from '../../core/time/index.ts';
import { DeviceClient, NotNow, ShutOut, type DeviceAccess } from '../device-client.ts';
import { FaultySensor, type Faults } from './faults.ts';
import { trueCelsius, type Weather } from './physics.ts';

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
				const nowMs = Math.round(bakeryTime(self.clock, { epochMs: Date.now() }).epochMs);
				await client.send(readDue(self, sensors, nowMs, options));
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
	{ weather, faults, seed }: SimulatedDeviceOptions
): readonly DeviceReading[] {
	return sensors.flatMap(({ name, kind, reportEverySeconds }, index) => {
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
		const celsius = one.sensor.read(trueCelsius(kind, nowMs, weather), nowMs);
		if (celsius === null) return [];
		return [{ id: randomUUID(), sensor: name, celsius, measuredAt: new Date(nowMs).toISOString() }];
	});
}
