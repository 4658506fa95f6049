/** What a figure of the bakery can be; more or less than this is a typing error (our default, each of them). */
export interface Limits {
	readonly least: number;
	readonly most: number;
	readonly whole?: boolean;
}

/** One list for the forms, the border and the tests, by the name of the figure and its unit. */
export const BAKERY_LIMITS = {
	leastGrams: { least: 0, most: 500_000 },
	mostGrams: { least: 100, most: 500_000 },
	waterBelowPercent: { least: 20, most: 100 },
	bowls: { least: 1, most: 50, whole: true },
	bowlKilojoulesPerKelvin: { least: 0, most: 200 },
	reheatMinutes: { least: 0, most: 120, whole: true },
	handLoadingMinutes: { least: 1, most: 60, whole: true },
	speeds: { least: 1, most: 4, whole: true },
	cleanDownMinutes: { least: 0, most: 240, whole: true },
	recoveryMinutes: { least: 0, most: 120, whole: true },
	preheatMinutes: { least: 0, most: 1440, whole: true },
	minutesPerTenKelvin: { least: 0, most: 120 },
	deckLengthCm: { least: 10, most: 600 },
	deckWidthCm: { least: 10, most: 400 },
	deckHeightCm: { least: 5, most: 250 },
	deckCount: { least: 1, most: 200, whole: true },
	humidityPercent: { least: 0, most: 100, whole: true },
	compressorWatts: { least: 20, most: 50_000 },
	airKilojoulesPerKelvin: { least: 2, most: 10_000 },
	wallsWattsPerKelvin: { least: 0, most: 1000 },
	coldCelsius: { least: -40, most: 20 },
	placeCelsius: { least: -40, most: 60 },
	holds: { least: 1, most: 9999, whole: true },
	capacityGrams: { least: 1, most: 1_000_000 },
	divisionGrams: { least: 0.001, most: 1000 },
	heads: { least: 2, most: 200, whole: true },
	pieceGrams: { least: 5, most: 5000 },
	sheeterWidthCm: { least: 10, most: 300 },
	sheeterLengthCm: { least: 20, most: 1000 },
	rollerMillimetres: { least: 0.1, most: 100 },
	owned: { least: 0, most: 99_999, whole: true },
	millilitres: { least: 10, most: 200_000 },
	benchLengthCm: { least: 20, most: 2000 },
	benchWidthCm: { least: 20, most: 500 },
	hands: { least: 1, most: 20, whole: true },
	cutOffDays: { least: 0, most: 14, whole: true },
	daysAhead: { least: 0, most: 14, whole: true },
	legMinutes: { least: 0, most: 600, whole: true },
	pacePercent: { least: 25, most: 200, whole: true },
	shiftMinutes: { least: 15, most: 960, whole: true },
	breakMinutes: { least: 5, most: 180, whole: true }
} as const satisfies Readonly<Record<string, Limits>>;

export type BakeryFigure = keyof typeof BAKERY_LIMITS;
