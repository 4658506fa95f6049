import {
	instantOf,
	parseBakeDate,
	type BakeryClock,
	type WallTime
} from '../../core/time/index.ts';
import { DEMO_ZONE } from './demo-zone.ts';

/** A clock that shows a local date and time (YYYY-MM-DDTHH:MM) now and runs on from there, so many times as fast as real time. */
export function demoClock(local: string, realNowMs: number, rate = 1): BakeryClock {
	const [day = '', time = ''] = local.split('T');
	const date = parseBakeDate(day);
	if (!date.ok || !/^([01]\d|2[0-3]):[0-5]\d$/.test(time))
		throw new Error(`"${local}" is not a local date and time such as 2027-03-27T14:00`);
	return {
		anchorRealMs: realNowMs,
		anchorBakeryMs: instantOf(date.value, time as WallTime, DEMO_ZONE).epochMs,
		rate
	};
}
