/** What was read of a dough on the way. */
export interface CheckReading {
	readonly celsius: number;
	/** Read off its skin, which is not its mass. */
	readonly onSurface: boolean;
}

/** So far towards the air around it a skin lies from the mass under it (our default). */
const SKIN_SHARE = 0.2;
/** What a skin says of the mass is believed as much as what was forecast of it (our default). */
const TRUST_IN_SKIN = 0.5;

/**
 * Gives how warm the mass of a dough is after it was read.
 *
 * Model: a reading from the core is the mass. A skin lies a fifth of the way towards the air, and what it says beyond
 * that moves the forecast by half. Range: any temperatures. Source: our defaults. Failures: none.
 * Example: a sour forecast at 31 in air of 41 has a skin of 33; read at 35 on its skin it is believed at 32, not at 35.
 */
export function massByCheck(
	forecastCelsius: number,
	airCelsius: number,
	{ celsius, onSurface }: CheckReading
): number {
	if (!onSurface) return celsius;
	const skin = forecastCelsius + SKIN_SHARE * (airCelsius - forecastCelsius);
	return forecastCelsius + TRUST_IN_SKIN * (celsius - skin);
}
