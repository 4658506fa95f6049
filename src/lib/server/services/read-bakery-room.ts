import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
import { firstSteps } from '../../core/bakery/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadBookSize } from '../db/book-size.ts';
import type { Db } from '../db/client.ts';
import { loadDevices, loadSensorsNow } from '../db/devices.ts';
import { loadEntries } from '../db/entries.ts';
import { decksOf, mixersOf, placesOf, plannedOvensOf } from '../db/of-entries.ts';
import { loadScalesNow, type ScaleNow } from '../db/scales.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { countEntries } from './read-entries.ts';
import { probeView } from './temperatures-now.ts';

/** What the bakery is, how far it is entered, and what reads it. */
export async function readBakeryRoom(db: Db, date: BakeDate): Promise<BakeryRoomView> {
	const [bakery, entries, devices, sensors, scales, size] = await Promise.all([
		loadBakery(db, date),
		loadEntries(db, date),
		loadDevices(db),
		loadSensorsNow(db),
		loadScalesNow(db),
		loadBookSize(db, date)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	return {
		date,
		settings: {
			name: bakery.name,
			timeZone: bakery.timeZone,
			currency: bakery.currency,
			altitudeMetres: bakery.altitudeMetres,
			weighMinutes: bakery.weighMinutes,
			version: bakery.version
		},
		steps: firstSteps({
			...size,
			shifts: entries.of('person').reduce((sum, { content }) => sum + content.shifts.length, 0),
			mixers: mixersOf(entries).length,
			decks: decksOf(entries).length,
			places: entries.of('place').length,
			drops: entries.of('drop').length
		}),
		counts: countEntries(entries),
		supply: {
			iceForm: bakery.iceForm,
			iceMostShare: bakery.iceMostShare,
			iceCelsius: bakery.iceCelsius,
			chilledCelsius: bakery.chilledCelsius,
			hotTapCelsius: bakery.hotTapCelsius,
			hottestWaterCelsius: bakery.hottestWaterCelsius,
			version: bakery.version
		},
		places: [...placesOf(entries, 'in-use').values()],
		decks: plannedOvensOf(entries).flatMap((oven) =>
			oven.decks.map(({ id, name }) => ({ id, name: `${oven.name}, ${name}` }))
		),
		devices: devices.map((device) => ({
			...device,
			sensors: sensors
				.filter((sensor) => sensor.deviceId === device.id)
				.map((sensor) => ({
					id: sensor.sensorId,
					name: sensor.sensor,
					kind: sensor.kind,
					placeId: sensor.placeId,
					reportEverySeconds: sensor.reportEverySeconds,
					now: sensor.last ? probeView({ ...sensor, last: sensor.last }) : null,
					rise: sensor.lastRise,
					shown: shownBy(scales.find(({ sensorId }) => sensorId === sensor.sensorId))
				}))
		}))
	};
}

/** What a scale shows; null for what is none, or was never heard. */
function shownBy(scale: ScaleNow | undefined) {
	return scale?.shown && scale.measuredAtMs !== null
		? { ...scale.shown, measuredAtMs: scale.measuredAtMs }
		: null;
}
