import type { FlourProperties } from '../../core/formula/index.ts';

export interface DemoDelivery {
	readonly flour: string;
	readonly lot: string;
	/** How many days before the demo's own today it came. */
	readonly daysAgo: number;
	readonly properties: FlourProperties;
}

const UNKNOWN: FlourProperties = {
	extractionPercent: null,
	proteinPercent: null,
	ashPercent: null,
	moisturePercent: null,
	fallingNumberSeconds: null,
	absorptionPoints: null,
	milling: null,
	wholegrainPercent: null
};

/** The flour that came in the last weeks; one sack in each kind drinks unlike the house flour. */
export const DELIVERIES: readonly DemoDelivery[] = [
	{
		flour: 'Bread flour',
		lot: 'BF 3118',
		daysAgo: 24,
		properties: {
			...UNKNOWN,
			extractionPercent: 76,
			proteinPercent: 12.1,
			ashPercent: 0.62,
			moisturePercent: 14.2,
			fallingNumberSeconds: 310,
			absorptionPoints: 0,
			milling: 'roller'
		}
	},
	{
		flour: 'Bread flour',
		lot: 'BF 3162',
		daysAgo: 3,
		properties: {
			...UNKNOWN,
			extractionPercent: 76,
			proteinPercent: 12.8,
			ashPercent: 0.61,
			moisturePercent: 13.1,
			fallingNumberSeconds: 345,
			absorptionPoints: 2,
			milling: 'roller'
		}
	},
	{
		flour: 'Wholemeal wheat',
		lot: 'WM 0874',
		daysAgo: 9,
		properties: {
			...UNKNOWN,
			proteinPercent: 13.2,
			ashPercent: 1.58,
			moisturePercent: 13.6,
			absorptionPoints: -1,
			milling: 'stone',
			wholegrainPercent: 100
		}
	},
	{
		flour: 'Whole rye flour',
		lot: 'WR 0211',
		daysAgo: 12,
		properties: {
			...UNKNOWN,
			ashPercent: 1.7,
			moisturePercent: 13.9,
			fallingNumberSeconds: 142,
			absorptionPoints: 1.5,
			milling: 'stone',
			wholegrainPercent: 100
		}
	}
];
