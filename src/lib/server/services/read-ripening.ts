import type { RipeningView } from '../../contracts/ripening-views.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadSensorsNow } from '../db/devices.ts';
import { bakeryNow } from './bakery-now.ts';
import { loadBakeryDay } from './day-production.ts';
import { retardersAsLearned } from './cold-as-learned.ts';
import { readRoomTrace } from './read-room-trace.ts';
import { loadRipeningDoughs } from './ripening-of-day.ts';
import { namedAir } from './standing-of-day.ts';
import { newestOf, probeView, readWaterInputs } from './temperatures-now.ts';

/** Every dough of a date on its clock. */
export async function readRipening(
	db: Db,
	date: BakeDate,
	realNowMs: number,
	loaded = loadBakeryDay(db, date)
): Promise<RipeningView> {
	const [day, nowMs] = await Promise.all([loaded, bakeryNow(db, realNowMs)]);
	const [doughs, inputs, sensors] = await Promise.all([
		loadRipeningDoughs(db, day),
		readWaterInputs(db, day, nowMs),
		loadSensorsNow(db)
	]);
	const firstMs = Math.min(...doughs.map((dough) => dough.mixed?.atMs ?? Infinity), nowMs);
	const room = inputs.find((input) => input.quantity === 'room');
	const roomProbe = newestOf(sensors, 'room-probe');
	const coreProbe = newestOf(sensors, 'core-probe');
	const tub = sensors
		.filter(({ lastRise }) => lastRise !== null)
		.sort((a, b) => (b.lastRise?.measuredAtMs ?? 0) - (a.lastRise?.measuredAtMs ?? 0))[0];
	const trace = await readRoomTrace(db, firstMs, nowMs, room?.reading?.celsius ?? null);
	const roomCelsius =
		room?.reading?.celsius ?? room?.unread.celsius ?? day.bakery.assumed.roomCelsius;
	const retarders = await retardersAsLearned(db, day.retarders, date, roomCelsius);
	return {
		date,
		doughs,
		room: trace,
		named: namedAir(inputs, trace, nowMs),
		roomProbe: roomProbe ? probeView(roomProbe) : null,
		coreProbe: coreProbe ? probeView(coreProbe) : null,
		tubRise: tub?.lastRise ? { sensor: tub.sensor, ...tub.lastRise } : null,
		roomCelsius,
		retarders: retarders.map((retarder) => {
			const probe = newestOf(
				sensors.filter(({ placeId }) => placeId === retarder.id),
				'place-probe'
			);
			return { ...retarder, probe: probe ? probeView(probe) : null };
		})
	};
}
