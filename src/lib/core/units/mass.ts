/** A mass in grams. Water and every other ingredient is weighed, never poured by volume. */
export interface Mass {
	readonly grams: number;
}

const GRAMS_PER_POUND = 453.59237; // exact by definition of the international pound
const OUNCES_PER_POUND = 16;

export function grams(value: number): Mass {
	return { grams: value };
}

export function kilograms(value: number): Mass {
	return { grams: value * 1000 };
}

export function pounds(value: number): Mass {
	return { grams: value * GRAMS_PER_POUND };
}

export function ounces(value: number): Mass {
	return pounds(value / OUNCES_PER_POUND);
}

export function inKilograms(mass: Mass): number {
	return mass.grams / 1000;
}

export function inPounds(mass: Mass): number {
	return mass.grams / GRAMS_PER_POUND;
}

export function inOunces(mass: Mass): number {
	return inPounds(mass) * OUNCES_PER_POUND;
}

export function sumOfMasses(masses: readonly Mass[]): Mass {
	return { grams: masses.reduce((total, mass) => total + mass.grams, 0) };
}

export function scaleMass(mass: Mass, factor: number): Mass {
	return { grams: mass.grams * factor };
}

/** Mass of a volume; recipes that come in litres are weighed through it. */
export interface Density {
	readonly kilogramsPerLitre: number;
}

/** The mass of a volume in litres. Example: a litre at 1.03 kg per litre is 1 030 g. */
export function massOfVolume(litres: number, density: Density): Mass {
	return { grams: litres * density.kilogramsPerLitre * 1000 };
}
