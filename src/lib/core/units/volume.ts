import { fail, ok, type Result } from '../result.ts';
import { massOfVolume, type Density } from './mass.ts';
import { parseNumber, type ParseFailure } from './parse.ts';

/** Litres in each unit of volume that recipes are written in; spoons and cups are our defaults. */
const LITRES = {
	ml: 0.001,
	cl: 0.01,
	dl: 0.1,
	l: 1,
	tsp: 0.005,
	tbsp: 0.015,
	cup: 0.25
} as const;
type VolumeUnit = keyof typeof LITRES;

/** What the units of volume are called, in one number. */
export const VOLUME_UNITS: readonly string[] = [
	...Object.keys(LITRES),
	'litre',
	'liter',
	'teaspoon',
	'tablespoon'
];
const BY_NAME: Readonly<Record<string, VolumeUnit>> = {
	litre: 'l',
	liter: 'l',
	teaspoon: 'tsp',
	tablespoon: 'tbsp'
};

/** The litres in a unit by its name in one number; null for what is no unit of volume. Range: any text. Source: definition. Failures: none. Example: "cup" is 0.25. */
export function litresIn(name: string): number | null {
	const unit = BY_NAME[name] ?? name;
	return Object.hasOwn(LITRES, unit) ? LITRES[unit as VolumeUnit] : null;
}

const VOLUME = /^(.*?)\s*(ml|cl|dl|l|litres?|tsp|tbsp|cups?)\.?$/i;

/**
 * Reads a weight as it is typed: a number in the unit it is asked in, or a volume of something whose density is known.
 *
 * Range: any text; a volume ends in ml, cl, dl, l, tsp, tbsp or cup. Source: definition; spoons and cups are our defaults.
 * Failures: those of a number; `no-density` for a volume of what nobody weighed a litre of.
 * Example: "1.5 l" of milk at 1.03 kg per litre is 1 545 g; "1.5" asked in kilograms is 1 500 g.
 */
export function parseWeight(
	text: string,
	asked: { readonly gramsPerUnit: number; readonly density: Density | null }
): Result<number, ParseFailure> {
	const volume = VOLUME.exec(text.trim());
	if (!volume) {
		const read = parseNumber(text);
		return read.ok ? ok(read.value * asked.gramsPerUnit) : read;
	}
	const [, number = '', unit = ''] = volume;
	const read = parseNumber(number);
	if (!read.ok) return read;
	if (!asked.density) return fail({ kind: 'no-density', text });
	return ok(massOfVolume(read.value * LITRES[unitOf(unit)], asked.density).grams);
}

function unitOf(typed: string): VolumeUnit {
	const word = typed.toLowerCase().replace(/s$/, '');
	return word === 'litre' ? 'l' : (word as VolumeUnit);
}
