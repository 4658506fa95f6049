/** Work or heat put into each kilogram of dough. */
export interface SpecificEnergy {
	readonly kilojoulesPerKilogram: number;
}

/** How much heat warms one kilogram by one kelvin. */
export interface SpecificHeat {
	readonly kilojoulesPerKilogramKelvin: number;
}

export function kilojoulesPerKilogram(value: number): SpecificEnergy {
	return { kilojoulesPerKilogram: value };
}

export function kilojoulesPerKilogramKelvin(value: number): SpecificHeat {
	return { kilojoulesPerKilogramKelvin: value };
}
