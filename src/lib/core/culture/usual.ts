import type { RipenessClock } from '../formula/index.ts';
import type { FeedRatio } from './keeping.ts';

/** How a culture is kept until somebody says otherwise (our defaults). */
export const USUAL_KEEPING: {
	readonly ratio: FeedRatio;
	readonly fedCelsius: number;
	readonly clock: Pick<
		RipenessClock,
		'referenceCelsius' | 'underMinutes' | 'ripeMinutes' | 'overMinutes'
	>;
	readonly keepGrams: number;
	readonly coldDays: number;
	readonly refreshes: number;
} = {
	ratio: { seed: 1, flour: 5, water: 5 },
	fedCelsius: 24,
	clock: { referenceCelsius: 21, underMinutes: 480, ripeMinutes: 600, overMinutes: 780 },
	keepGrams: 100,
	coldDays: 4,
	refreshes: 2
};
