import {
	deviceWeightSchema,
	MOST_AHEAD_MINUTES,
	MOST_WEIGHT_AGE_MINUTES,
	type RefusedReading,
	type WeightsAnswer
} from '../../contracts/device-protocol.ts';
import type { Db } from '../db/client.ts';
import type { KnownDevice } from '../db/devices.ts';
import { putScalesNow, type ScaleShown } from '../db/scales.ts';
import { bakeryNow } from './bakery-now.ts';

/** Takes what scales show, one by one: the newest of each is kept, what is not good is told with its reason. */
export async function takeDeviceWeights(
	db: Db,
	device: KnownDevice,
	weights: readonly unknown[],
	realNowMs: number
): Promise<WeightsAnswer> {
	const nowMs = await bakeryNow(db, realNowMs);
	const refused: RefusedReading[] = [];
	const shown: ScaleShown[] = [];
	for (const [at, raw] of weights.entries()) {
		const judged = judge(raw, device, nowMs);
		if ('reason' in judged) refused.push({ at, id: null, ...judged });
		else shown.push(judged);
	}
	const taken = await db.transaction().execute((tx) => putScalesNow(tx, shown, realNowMs));
	return { taken, known: shown.length - taken, refused };
}

function judge(
	raw: unknown,
	device: KnownDevice,
	nowMs: number
): ScaleShown | Pick<RefusedReading, 'reason' | 'what'> {
	const parsed = deviceWeightSchema.safeParse(raw);
	if (!parsed.success) {
		const [issue] = parsed.error.issues;
		return {
			reason: 'malformed',
			what: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`
		};
	}
	const { sensor: name, grams, stable, measuredAt } = parsed.data;
	const scales = device.sensors.filter(({ kind }) => kind === 'bench-scale');
	const scale = scales.find((one) => one.name === name);
	if (!scale)
		return {
			reason: 'unknown-sensor',
			what: `the scales of this device are ${scales.map((one) => `"${one.name}"`).join(', ') || 'none'}`
		};
	const measuredAtMs = Date.parse(measuredAt);
	const clock = `the bakery's clock shows ${new Date(nowMs).toISOString()}`;
	if (measuredAtMs > nowMs + MOST_AHEAD_MINUTES * 60_000)
		return { reason: 'measured-in-the-future', what: clock };
	if (measuredAtMs < nowMs - MOST_WEIGHT_AGE_MINUTES * 60_000)
		return {
			reason: 'measured-too-long-ago',
			what: `${clock}: what a scale showed then is of no use`
		};
	return { sensorId: scale.id, grams, stable, measuredAtMs };
}
