import { bakeryTime } from '../../core/time/index.ts';
import type { DeviceSelf, DeviceWeight } from '../../contracts/device-protocol.ts';
import { DeviceClient, NotNow, ShutOut, type DeviceAccess } from '../device-client.ts';
import type { RunningDevice } from './simulated-device.ts';

export interface SimulatedScaleOptions extends DeviceAccess {
	/** What its display counts in, in grams. */
	readonly divisionGrams: number;
	/** Told what goes wrong; a scale has no other screen. */
	readonly onTrouble: (what: string) => void;
}

export interface RunningScale extends RunningDevice {
	/** Puts so many grams on it; takes them off where they are below 0. */
	readonly put: (grams: number) => void;
	/** Takes everything off. */
	readonly clear: () => void;
}

/** A load swings into its weight: after so long what is missing of it is down to a third. */
const SWING_MS = 150;
const SPEAKS_EVERY_MS = 400;
const RETRY_MS = 1000;
const ASK_AGAIN_MS = 30_000;

/** A scale that loads are put on by hand; it speaks the protocol like any other device. */
export function startSimulatedScale(options: SimulatedScaleOptions): RunningScale {
	const client = new DeviceClient(options);
	let load = 0;
	let before = 0;
	let putAtMs = Date.now() - 60_000;
	let stopped = false;
	const shownAt = (nowMs: number) => {
		const swung = load + (before - load) * Math.exp(-(nowMs - putAtMs) / SWING_MS);
		const { divisionGrams } = options;
		return {
			grams: Math.round(swung / divisionGrams) * divisionGrams,
			stable: Math.abs(swung - load) < divisionGrams / 4
		};
	};
	const put = (grams: number) => {
		const nowMs = Date.now();
		before = load + (before - load) * Math.exp(-(nowMs - putAtMs) / SWING_MS);
		load += grams;
		putAtMs = nowMs;
	};
	const run = async () => {
		let self: DeviceSelf | null = null;
		let askedAtMs = 0;
		while (!stopped) {
			try {
				if (!self || Date.now() - askedAtMs > ASK_AGAIN_MS) {
					self = await client.self();
					askedAtMs = Date.now();
				}
				const { clock, sensors } = self;
				const nowMs = Date.now();
				const measuredAt = new Date(bakeryTime(clock, { epochMs: nowMs }).epochMs).toISOString();
				const weights = sensors
					.filter(({ kind }) => kind === 'bench-scale')
					.map(({ name }): DeviceWeight => ({ sensor: name, measuredAt, ...shownAt(nowMs) }));
				if (weights.length > 0) await client.show(weights);
				await pause(SPEAKS_EVERY_MS);
			} catch (error) {
				if (error instanceof ShutOut) {
					options.onTrouble(`shut out: ${error.message}`);
					return;
				}
				if (!(error instanceof NotNow)) throw error;
				// What it showed meanwhile is of no use to anybody: it says what it shows now when it is heard again.
				options.onTrouble(error.message);
				await pause(RETRY_MS);
			}
		}
	};
	return {
		put,
		clear: () => put(-load),
		stop: () => {
			stopped = true;
		},
		over: run()
	};
}

function pause(ms: number): Promise<void> {
	return new Promise((resolve) => setTimeout(resolve, ms));
}
