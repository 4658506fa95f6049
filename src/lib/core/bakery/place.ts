/** What dough waits in, and what ingredients stand in. */
export interface PlaceContent {
	readonly placeKind: 'room' | 'proofer' | 'cold';
	/** The room all stand in, and the bins; every other place is `other`. */
	readonly role: 'bakehouse' | 'flour' | 'other';
	/** What it is set to, or taken to be at until it is read. */
	readonly celsius: number;
	readonly humidityPercent: number | null;
	/** How many trays or tubs it has room for; null where it never runs out. */
	readonly holds: number | null;
	/** What it is to heat, where warm dough warms it; null where it is not known. */
	readonly cold: {
		readonly compressorWatts: number;
		readonly airKilojoulesPerKelvin: number;
		readonly wallsWattsPerKelvin: number;
	} | null;
}
