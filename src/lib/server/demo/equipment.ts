/** Dividers and the tins, baskets and trays of the Saltmarrow Bakehouse. */
export const DIVIDERS = [
	{ name: 'Roll divider', heads: 30, leastPiece: 35, mostPiece: 110 }
] as const;

export const VESSELS = [
	{ name: 'Round basket', owned: 60, millilitres: null },
	{ name: 'Long basket', owned: 30, millilitres: null },
	{ name: 'Long tin', owned: 48, millilitres: 2400 },
	{ name: 'Lidded tin', owned: 24, millilitres: 2700 },
	{ name: 'Tray', owned: 40, millilitres: null },
	{ name: 'Lined board', owned: 12, millilitres: null }
] as const;
