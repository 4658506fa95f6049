import type { Explained, Operation, Unit, Worked } from '../../core/explain/index.ts';
import type { UnitChoice } from '../../core/units/index.ts';

/** The precision a unit calls for. */
const DECIMALS: Record<Unit, number> = {
	g: 1,
	'°C': 1,
	K: 1,
	min: 0,
	'%': 2,
	pieces: 0,
	'kJ/kg': 2,
	'kJ/(kg K)': 3,
	'kJ/kg latent': 2,
	kJ: 1,
	'kJ/K': 2,
	kg: 3,
	money: 2,
	'money/kg': 2,
	'1': 3
};

export type Shown = Pick<Explained, 'value' | 'unit'> & { readonly term?: Explained['term'] };

/**
 * A value as a bakery reads it: a temperature in its degrees, a difference without the offset. A base is a sum
 * of three readings and takes three offsets.
 */
export function valueIn({ value, unit, term }: Shown, units: UnitChoice): number {
	if (units.temperature === 'celsius') return value;
	if (unit === 'K') return 1.8 * value;
	if (unit === '°C') return 1.8 * value + (term?.key === 'base-temperature' ? 96 : 32);
	return value;
}

/** With how many decimals a number is told by itself. */
export function decimalsIn(shown: Shown, units: UnitChoice): number {
	const value = valueIn(shown, units);
	if (shown.unit === '1' && Number.isInteger(value)) return 0;
	if (shown.unit === '%' && Number.isInteger(Math.round(value * 1e6) / 1e6)) return 0;
	return DECIMALS[shown.unit];
}

/** Unnamed groups are written out in place, and so is what a largest is taken of. */
export function isWrittenOut(input: Explained, of: Operation): input is Worked {
	return (
		input.kind === 'worked' &&
		(input.term.key === 'grouped' || input.term.key === 'kept-share' || of === 'largest')
	);
}
