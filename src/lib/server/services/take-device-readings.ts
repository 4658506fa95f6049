import {
	deviceReadingSchema,
	MOST_AHEAD_MINUTES,
	MOST_LATE_DAYS,
	SENSOR_LIMITS,
	type DeviceAnswer,
	type DeviceReading,
	type RefusedReading,
	type SensorKind
} from '../../contracts/device-protocol.ts';
import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import {
	addToDays,
	insertDeviceReadings,
	loadDeviceReadings,
	type KnownDevice,
	type NewDeviceReading
} from '../db/devices.ts';
import { bakeryNow } from './bakery-now.ts';

/** The temperature a probe tells of the bakery; a dough's is nobody else's. */
const QUANTITY: Partial<Record<SensorKind, 'room' | 'flour' | 'tap'>> = {
	'room-probe': 'room',
	'flour-probe': 'flour',
	'tap-probe': 'tap'
};

interface Judged {
	readonly at: number;
	readonly reading: NewDeviceReading;
}

/**
 * Takes the readings of a message one by one: what is good is kept, what is not is told with its reason. A
 * reading that was sent before is known again, however often and however late it comes.
 */
export async function takeDeviceReadings(
	db: Db,
	device: KnownDevice,
	readings: readonly unknown[],
	realNowMs: number
): Promise<DeviceAnswer> {
	const nowMs = await bakeryNow(db, realNowMs);
	const refused: RefusedReading[] = [];
	const good: Judged[] = [];
	const seen = new Set<string>();
	for (const [at, raw] of readings.entries()) {
		const judged = judge(raw, at, device, nowMs);
		if ('reason' in judged) refused.push(judged);
		else if (seen.has(judged.reading.id))
			refused.push(
				refuse(at, judged.reading.id, 'sent-twice', 'its id stands twice in this message')
			);
		else {
			seen.add(judged.reading.id);
			good.push(judged);
		}
	}
	const { taken, known, clashing } = await db.transaction().execute(async (tx) => {
		const inserted = await insertDeviceReadings(
			tx,
			good.map((judged) => judged.reading)
		);
		const others = good.filter((judged) => !inserted.has(judged.reading.id));
		const before = new Map(
			(
				await loadDeviceReadings(
					tx,
					others.map((other) => other.reading.id)
				)
			).map((reading) => [reading.id, reading])
		);
		const same = others.filter(({ reading }) => isSame(reading, before.get(reading.id)));
		const bakery = await loadBakery(tx);
		if (bakery)
			await addToDays(
				tx,
				good.flatMap(({ reading }) => {
					const sensor = device.sensors.find((sensor) => sensor.id === reading.sensorId);
					const quantity = sensor ? QUANTITY[sensor.kind] : undefined;
					return quantity && reading.celsius !== null && inserted.has(reading.id)
						? [{ quantity, celsius: reading.celsius, atMs: reading.measuredAtMs }]
						: [];
				}),
				bakery.timeZone
			);
		return {
			taken: inserted.size,
			known: same.length,
			clashing: others.filter((other) => !same.includes(other))
		};
	});
	for (const { at, reading } of clashing)
		refused.push(
			refuse(at, reading.id, 'id-used-before', 'another reading was sent with this id before')
		);
	return { taken, known, refused: refused.sort((a, b) => a.at - b.at) };
}

function judge(
	raw: unknown,
	at: number,
	device: KnownDevice,
	nowMs: number
): Judged | RefusedReading {
	const parsed = deviceReadingSchema.safeParse(raw);
	if (!parsed.success) {
		const [issue] = parsed.error.issues;
		const where = issue?.path.join('.') ?? '';
		return refuse(
			at,
			idOf(raw),
			'malformed',
			`${where === '' ? '' : `${where}: `}${issue?.message ?? ''}`
		);
	}
	const reading: DeviceReading = parsed.data;
	const sensor = device.sensors.find((sensor) => sensor.name === reading.sensor);
	if (!sensor)
		return refuse(
			at,
			reading.id,
			'unknown-sensor',
			`this device has ${device.sensors.map((sensor) => `"${sensor.name}"`).join(', ')}`
		);
	if (sensor.kind === 'bench-scale')
		return refuse(
			at,
			reading.id,
			'malformed',
			'sensor: it is a scale; its weights go to /devices/weights'
		);
	const isRise = sensor.kind === 'tub-rise';
	if (isRise !== (reading.risePercent !== undefined))
		return refuse(
			at,
			reading.id,
			'malformed',
			isRise ? 'risePercent: a tub sensor tells per cent' : 'celsius: this sensor tells degrees'
		);
	if (sensor.kind !== 'deck-stone' && (reading.celsius ?? 0) > SENSOR_LIMITS.mostCelsius)
		return refuse(
			at,
			reading.id,
			'malformed',
			`celsius: at the most ${SENSOR_LIMITS.mostCelsius}; only a stone is hotter`
		);
	const measuredAtMs = Date.parse(reading.measuredAt);
	if (measuredAtMs > nowMs + MOST_AHEAD_MINUTES * 60_000)
		return refuse(
			at,
			reading.id,
			'measured-in-the-future',
			`the bakery's clock shows ${new Date(nowMs).toISOString()}`
		);
	if (measuredAtMs < nowMs - MOST_LATE_DAYS * 24 * 3_600_000)
		return refuse(
			at,
			reading.id,
			'measured-too-long-ago',
			`the bakery's clock shows ${new Date(nowMs).toISOString()}: has the device lost the time?`
		);
	return {
		at,
		reading: {
			id: reading.id,
			sensorId: sensor.id,
			celsius: reading.celsius ?? null,
			percent: reading.risePercent ?? null,
			measuredAtMs
		}
	};
}

function isSame(one: NewDeviceReading, other: NewDeviceReading | undefined): boolean {
	return (
		other !== undefined &&
		one.sensorId === other.sensorId &&
		one.celsius === other.celsius &&
		one.percent === other.percent &&
		one.measuredAtMs === other.measuredAtMs
	);
}

function idOf(raw: unknown): string | null {
	const id = typeof raw === 'object' && raw !== null ? (raw as { id?: unknown }).id : null;
	return typeof id === 'string' ? id.slice(0, 200) : null;
}

function refuse(
	at: number,
	id: string | null,
	reason: RefusedReading['reason'],
	what: string
): RefusedReading {
	return { at, id, reason, what };
}
