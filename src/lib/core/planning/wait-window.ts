import type { WaitActivity, WaitStep } from '../formula/index.ts';
import type { CourseStep } from './course.ts';

/** How long a wait may last, in minutes: at least, as it is wished, and at most; null where any longer does no harm. */
export interface WaitWindow {
	readonly least: number;
	readonly wish: number;
	readonly most: number | null;
}

/** How much longer than told something may wait that has no clock, in minutes (our defaults). */
const SPARE_MINUTES: Readonly<Record<WaitActivity, number | null>> = {
	ferment: 30,
	soak: 720,
	autolyse: 30,
	bulk: 15,
	rest: 20,
	chill: 180,
	proof: 15,
	temper: 30,
	cool: null
};

/** A stay by the clock on the wall alone may go over by this share, where its dough is never late there (our default). */
const OVER_SHARE = 0.25;

/**
 * The window of a wait.
 *
 * Model: what waits until it is ripe may be taken on from early to late, best when it is ripe. A wait of fixed legs lasts
 * as long as they say at least, and until the dough is late at most. Without a clock it lasts as long as it says, and
 * how much longer goes by what it is.
 * Range: any wait with its course. Source: domain (the day's schedule), our defaults. Failures: none.
 * Example: a bulk that is early at 163, ripe at 201 and late at 248 minutes may last from 163 to 248, best 201.
 */
export function waitWindow({ step, minutes, marks }: CourseStep): WaitWindow {
	if (step.kind !== 'wait') return { least: minutes, wish: minutes, most: null };
	if (!marks) {
		const spare = SPARE_MINUTES[step.activity];
		return { least: minutes, wish: minutes, most: spare === null ? null : minutes + spare };
	}
	const over = minutes * (1 + OVER_SHARE);
	if (!lastsUntilReady(step)) {
		const late = marks.late ?? over;
		return { least: minutes, wish: minutes, most: Math.max(minutes, late) };
	}
	const least = Math.min(marks.early, minutes);
	return { least, wish: minutes, most: Math.max(minutes, marks.late ?? over) };
}

/** Whether it lasts until it is ready, rather than by the clock. */
export function lastsUntilReady({ legs }: WaitStep): boolean {
	return legs.some(({ minutes }) => minutes === null);
}

/** What is left of a window when some of it has passed. */
export function lessBy({ least, wish, most }: WaitWindow, passed: number): WaitWindow {
	return {
		least: Math.max(0, least - passed),
		wish: Math.max(0, wish - passed),
		most: most === null ? null : Math.max(0, most - passed)
	};
}

/** Where nothing else will do something may wait so much longer than it should (our default, in minutes). */
const OVERSTAY_MINUTES = 60;

/** A window in which something may wait longer than it should. */
export function overstayed(window: WaitWindow): WaitWindow {
	return window.most === null ? window : { ...window, most: window.most + OVERSTAY_MINUTES };
}

/** What is worked on for so long is so much older at its end: it must be begun so much sooner, if it can. */
export function aged({ least, wish, most }: WaitWindow, minutes: number): WaitWindow {
	if (most === null || minutes === 0) return { least, wish, most };
	const sooner = Math.max(least, most - minutes);
	return { least, wish: Math.min(wish, sooner), most: sooner };
}
