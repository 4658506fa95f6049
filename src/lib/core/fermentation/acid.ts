import { cardinalCurve, rateAt, type CardinalCurve } from './cardinal-rate.ts';
import { integrate, STEP_TOLERANCE } from './integrate.ts';
import { temperatureIn, warmingAt, type PathStretch } from './temperature-path.ts';

function known(minimum: number, optimum: number, maximum: number): CardinalCurve {
	const checked = cardinalCurve({ minimum, optimum, maximum });
	if (!checked.ok) throw new Error('a built-in curve is wrong');
	return checked.value;
}

/** Souring by lactic bacteria, the second clock of a dough (our default, from their growth). */
export const ACID: CardinalCurve = known(4, 33.75, 39);

/** Growth of the two in a sourdough; source: ganzle-1998 as cardinal curves. */
export const GROWTH: Readonly<Record<'yeast' | 'bacteria', CardinalCurve>> = {
	yeast: known(7, 27.75, 33),
	bacteria: ACID
};

/** What a stage favours: the one that grows nearer to its own best, and by how much. */
export interface Favour {
	readonly favours: 'lift' | 'acid' | 'neither';
	/** Minutes of growth at its own optimum, each. */
	readonly yeastMinutes: number;
	readonly bacteriaMinutes: number;
	/** How many times the growth of the other, of 1 or more; Infinity where the other stands still. */
	readonly times: number;
}

/** Closer than this the stage favours neither (our default). */
const NEARLY_ALIKE = 1.05;

/**
 * Gives which of the two a stage of a sourdough favours, lift or acid.
 *
 * Model: growth of yeast and of lactic bacteria, each as a share of its own best, added up over the path of
 * the temperatures. How much there is of each at the start is not asked.
 * Range: any path. Source: ganzle-1998, rosso-1993, newton-cooling. Tolerance: 0.01 min.
 * Failures: none; where both stand still it favours neither.
 * Example: an hour held at 32 degrees favours acid 2.1 times; at 24 it favours lift 1.5 times.
 */
export function favourOf(startCelsius: number, path: readonly PathStretch[]): Favour {
	let celsius = startCelsius;
	let yeastMinutes = 0;
	let bacteriaMinutes = 0;
	for (const stretch of path) {
		const { state } = integrate({
			derivative: ([now = celsius]) => [
				warmingAt(now, stretch),
				rateAt(GROWTH.yeast, now),
				rateAt(GROWTH.bacteria, now)
			],
			start: [celsius, 0, 0],
			minutes: stretch.minutes,
			tolerance: STEP_TOLERANCE
		});
		yeastMinutes += state[1] ?? 0;
		bacteriaMinutes += state[2] ?? 0;
		celsius = temperatureIn(celsius, stretch, stretch.minutes);
	}
	const [less, more] = [yeastMinutes, bacteriaMinutes].sort((a, b) => a - b) as [number, number];
	const times = more === 0 ? 1 : less < 1e-6 ? Infinity : more / less;
	const favours =
		times < NEARLY_ALIKE ? 'neither' : yeastMinutes > bacteriaMinutes ? 'lift' : 'acid';
	return { favours, yeastMinutes, bacteriaMinutes, times };
}
