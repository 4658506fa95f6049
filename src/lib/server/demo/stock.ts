/** Who brings what to the Saltmarrow Bakehouse; Monday is 1. */
export const SUPPLIERS = [
	{
		name: 'Millrace flour',
		weekdays: [3],
		daysAhead: 1,
		note: 'sacks to the yard door; before nine'
	},
	{ name: 'Upland dairy', weekdays: [1, 2, 3, 4, 5, 6], daysAhead: 1, note: '' },
	{ name: 'Harbour stores', weekdays: [2, 5], daysAhead: 2, note: 'ask for Oda' }
] as const;

/** What was counted, in kilograms, whom it comes from and in what packs; and of what was not counted yet nothing is said. */
export const COUNTED: readonly (readonly [
	ingredient: string,
	kilograms: number,
	supplier: (typeof SUPPLIERS)[number]['name'],
	packKilograms: number
])[] = [
	['Bread flour', 230, 'Millrace flour', 25],
	['Wholemeal wheat', 60, 'Millrace flour', 25],
	['Light rye flour', 75, 'Millrace flour', 25],
	['Whole rye flour', 50, 'Millrace flour', 25],
	['Salt', 25, 'Harbour stores', 10],
	['Fresh yeast', 2, 'Upland dairy', 0.5],
	['Instant yeast', 1.5, 'Harbour stores', 0.5],
	['Butter', 18, 'Upland dairy', 5],
	['Milk', 30, 'Upland dairy', 10],
	['Sugar', 20, 'Harbour stores', 10],
	['Sunflower seeds', 12, 'Harbour stores', 5],
	['Linseed', 10, 'Harbour stores', 5]
];

/** What came in the last weeks, before it was counted: the lot on its label, kilograms, and how many days ago. */
export const RECEIVED: readonly (readonly [
	ingredient: string,
	lot: string,
	kilograms: number,
	daysAgo: number
])[] = [
	['Bread flour', 'BF 3118', 400, 24],
	['Bread flour', 'BF 3162', 150, 3],
	['Wholemeal wheat', 'WM 0874', 75, 12],
	['Light rye flour', 'LR 0442', 100, 12],
	['Whole rye flour', 'WR 0211', 75, 12],
	['Salt', 'S 77', 40, 40],
	['Fresh yeast', 'Y 4711', 2.5, 3],
	['Butter', 'B 2010', 20, 6],
	['Milk', 'M 2311', 40, 2],
	['Sunflower seeds', 'SF 118', 15, 20],
	['Linseed', 'LN 052', 15, 20]
];
