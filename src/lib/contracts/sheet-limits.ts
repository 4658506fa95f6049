/** What the sizes of a sheet can be; more or less is a typing error (our default, each of them). One list for the forms and the border. */
export const SHEET_LIMITS = {
	/** The sides of a cut piece. */
	sideCm: { least: 0.5, most: 150 },
	edgeCm: { least: 0, most: 10 },
	mostWidthCm: { least: 10, most: 300 },
	mostLengthCm: { least: 20, most: 1000 },
	gramsPerCubicCm: { least: 0.2, most: 2 },
	thicknessMm: { least: 0.5, most: 60 },
	turnMm: { least: 1, most: 100 }
} as const;
