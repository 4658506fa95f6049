import { chanceFrom, normalFrom } from '../../core/chance.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';

/** What a day in Saltmarrow comes to. */
export interface SeasonDay {
	readonly day: BakeDate;
	readonly room: number;
	readonly flour: number;
	readonly tap: number;
}

const SEED = 1904;
const YEAR_DAYS = 365.25;
/** The harbour is warmest early in August. */
const WARMEST_DAY_OF_YEAR = 217;

/** Nights before the demo begins on which a fan failed and the ovens' heat stayed in the bakehouse. */
const HOT_NIGHTS_BACK = [12, 24, 36];
/** What that added, in kelvins; the harbour's water does not know of it. */
const HEAT = { room: 8, flour: 7 } as const;

/** The made-up temperatures of the bakehouse over the days before a date, oldest first. */
export function seasonsBefore(today: BakeDate, days: number): readonly SeasonDay[] {
	const chance = chanceFrom(SEED);
	let weather = 0;
	return Array.from({ length: days }, (_, index) => {
		const day = addDays(today, index - days);
		const angle = (2 * Math.PI * (dayOfYear(day) - WARMEST_DAY_OF_YEAR)) / YEAR_DAYS;
		const season = Math.cos(angle);
		// The sea's water and the bin follow the air with a lag.
		const lagged = Math.cos(angle - 0.45);
		const isHot = HOT_NIGHTS_BACK.includes(days - index);
		weather = 0.75 * weather + 0.8 * normalFrom(chance);
		return {
			day,
			room: 23.4 + 2.6 * season + weather + (isHot ? HEAT.room : 0),
			flour: 20.6 + 2.8 * lagged + 0.5 * weather + (isHot ? HEAT.flour : 0),
			tap: 12.2 + 4.6 * lagged + 0.25 * normalFrom(chance)
		};
	});
}

function dayOfYear(day: BakeDate): number {
	return (
		(Date.parse(`${day}T00:00:00Z`) - Date.parse(`${day.slice(0, 4)}-01-01T00:00:00Z`)) / 86_400_000
	);
}
