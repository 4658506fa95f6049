export { parseBakeDate, addDays, weekdayOf, type BakeDate } from './bake-date.ts';
export {
	MINUTE_MS,
	instantOf,
	wallTimeOf,
	isKnownZone,
	type Instant,
	type WallTime
} from './wall-time.ts';
export { REAL_TIME, bakeryTime, type BakeryClock } from './bakery-clock.ts';
