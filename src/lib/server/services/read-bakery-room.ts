import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadDevices, loadSensorsNow } from '../db/devices.ts';
import { loadPlaces } from '../db/places.ts';
import { loadRetarders } from '../db/retarders.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { probeView } from './temperatures-now.ts';

/** What the house can give, and what reads it. */
export async function readBakeryRoom(db: Db): Promise<BakeryRoomView> {
	const [bakery, places, retarders, devices, sensors] = await Promise.all([
		loadBakery(db),
		loadPlaces(db),
		loadRetarders(db),
		loadDevices(db),
		loadSensorsNow(db)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	return {
		supply: {
			iceForm: bakery.iceForm,
			iceMostShare: bakery.iceMostShare,
			iceCelsius: bakery.iceCelsius,
			chilledCelsius: bakery.chilledCelsius,
			hotTapCelsius: bakery.hotTapCelsius,
			hottestWaterCelsius: bakery.hottestWaterCelsius,
			version: bakery.version
		},
		places: [...places.values()].map((place) => ({
			...place,
			isRetarder: retarders.some((retarder) => retarder.id === place.id)
		})),
		retarders,
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
					now: sensor.last ? probeView({ ...sensor, last: sensor.last }) : null
				}))
		}))
	};
}
