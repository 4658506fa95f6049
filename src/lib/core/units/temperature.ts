/** A point on the temperature scale. A difference between two points is another type. */
export interface Temperature {
	readonly celsius: number;
}

/** A difference between two temperatures, for example a friction factor. Converts without the 32 offset. */
export interface TemperatureDifference {
	readonly kelvins: number;
}

export function celsius(value: number): Temperature {
	return { celsius: value };
}

export function fahrenheit(value: number): Temperature {
	return { celsius: (value - 32) / 1.8 };
}

export function inFahrenheit(temperature: Temperature): number {
	return temperature.celsius * 1.8 + 32;
}

export function kelvins(value: number): TemperatureDifference {
	return { kelvins: value };
}

export function differenceInFahrenheit(difference: TemperatureDifference): number {
	return difference.kelvins * 1.8;
}

export function differenceFromFahrenheit(value: number): TemperatureDifference {
	return { kelvins: value / 1.8 };
}

/** How much warmer `a` is than `b`. */
export function differenceBetween(a: Temperature, b: Temperature): TemperatureDifference {
	return { kelvins: a.celsius - b.celsius };
}

export function warmerBy(temperature: Temperature, difference: TemperatureDifference): Temperature {
	return { celsius: temperature.celsius + difference.kelvins };
}
