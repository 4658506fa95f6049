import { fail, ok, type Result } from '../../core/result.ts';
import {
	parseWeight,
	pounds,
	type Density,
	type ParseFailure,
	type UnitChoice
} from '../../core/units/index.ts';

/** The unit in which a weight of about so much is typed, as the scale shows it. */
export interface TypedUnit {
	readonly name: 'g' | 'kg' | 'lb' | 'oz';
	readonly grams: number;
}

const OUNCES_IN_POUND = 16;
/** From here on weights are told in kilograms. */
const KILOGRAMS_FROM = 10_000;

/** What a weight is typed in: grams below ten kilograms, or pounds, and ounces below one. */
export function typedUnit(wantedGrams: number, units: UnitChoice): TypedUnit {
	const pound = pounds(1).grams;
	if (units.mass === 'imperial')
		return wantedGrams < pound
			? { name: 'oz', grams: pound / OUNCES_IN_POUND }
			: { name: 'lb', grams: pound };
	return wantedGrams < KILOGRAMS_FROM ? { name: 'g', grams: 1 } : { name: 'kg', grams: 1000 };
}

/** Reads a weight as it is typed, or a volume of what has a density, above nothing and below what any bowl takes. */
export function readWeight(
	text: string,
	unit: TypedUnit,
	mostGrams: number,
	density: Density | null = null
): Result<number, ParseFailure> {
	const read = parseWeight(text, { gramsPerUnit: unit.grams, density });
	if (!read.ok) return read;
	const grams = read.value;
	if (grams <= 0) return fail({ kind: 'below', least: 0, unit: unit.name });
	if (grams > mostGrams)
		return fail({ kind: 'above', most: Math.floor(mostGrams / unit.grams), unit: unit.name });
	return ok(grams);
}
