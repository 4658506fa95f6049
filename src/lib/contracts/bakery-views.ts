import type { Place } from '../core/formula/index.ts';
import type { IceForm } from '../core/heat/index.ts';
import type { SensorKind } from './device-protocol.ts';
import type { RetarderView } from './ripening-views.ts';
import type { ProbeView } from './water-views.ts';

export interface SupplyView {
	readonly iceForm: IceForm;
	readonly iceMostShare: number;
	readonly iceCelsius: number;
	/** null where there is no chiller. */
	readonly chilledCelsius: number | null;
	readonly hotTapCelsius: number;
	readonly hottestWaterCelsius: number;
	readonly version: number;
}

export interface DeviceView {
	readonly id: string;
	readonly name: string;
	readonly revokedAtMs: number | null;
	readonly sensors: readonly {
		readonly id: string;
		readonly name: string;
		readonly kind: SensorKind;
		readonly placeId: string | null;
		readonly reportEverySeconds: number;
		/** null while it never spoke. */
		readonly now: ProbeView | null;
	}[];
}

/** A named place, with what it was read at last. */
export interface PlaceView extends Place {
	/** It is a cold room whose heat is known: it is set there. */
	readonly isRetarder: boolean;
}

export interface BakeryRoomView {
	readonly places: readonly PlaceView[];
	readonly supply: SupplyView;
	readonly retarders: readonly RetarderView[];
	readonly devices: readonly DeviceView[];
}
