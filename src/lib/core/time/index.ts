export { parseBakeDate, addDays, weekdayOf, type BakeDate } from './bake-date.ts';
export { MINUTE_MS, type Instant } from './instant.ts';
export { readWallTime, type WallTimeFailure } from './read-wall-time.ts';
export { instantOf, wallTimeOf, isKnownZone, type WallTime } from './wall-time.ts';
export { REAL_TIME, bakeryTime, type BakeryClock } from './bakery-clock.ts';
