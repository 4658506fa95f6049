import { fail, ok, type Result } from '../result.ts';
import { fahrenheit, type Temperature } from './temperature.ts';
import type { UnitChoice } from './format.ts';

export type ParseFailure =
	| { readonly kind: 'empty' }
	| { readonly kind: 'not-a-number'; readonly text: string }
	| {
			/** A comma before three digits: thousands to some, decimals to others. */
			readonly kind: 'ambiguous';
			readonly text: string;
			readonly thousands: string;
			readonly decimals: string;
	  }
	| { readonly kind: 'not-whole'; readonly text: string }
	/** A volume of what nobody weighed a litre of. */
	| { readonly kind: 'no-density'; readonly text: string }
	| { readonly kind: 'below'; readonly least: number; readonly unit: string }
	| { readonly kind: 'above'; readonly most: number; readonly unit: string };

/**
 * Reads a number as typed: a comma or a point for the decimals, spaces between thousands,
 * a typed minus or the typographic one. Nothing else is guessed: "1,250" may be either and is asked about.
 */
export function parseNumber(text: string): Result<number, ParseFailure> {
	const typed = text.replace(/[\s\u2009\u00a0]/g, '').replace('\u2212', '-');
	if (/^-?[1-9]\d{0,2},\d{3}$/.test(typed))
		return fail({
			kind: 'ambiguous',
			text,
			thousands: typed.replace(',', ''),
			decimals: typed.replace(',', '.')
		});
	const tidy = typed.replace(',', '.');
	if (tidy === '') return fail({ kind: 'empty' });
	if (!/^-?(\d+\.?\d*|\.\d+)$/.test(tidy)) return fail({ kind: 'not-a-number', text });
	return ok(Number(tidy));
}

/** Reads a count of pieces: a whole number from 0 to `most`. */
export function parsePieces(text: string, most: number): Result<number, ParseFailure> {
	const parsed = parseNumber(text);
	if (!parsed.ok) return parsed;
	if (!Number.isInteger(parsed.value)) return fail({ kind: 'not-whole', text });
	if (parsed.value < 0) return fail({ kind: 'below', least: 0, unit: 'pieces' });
	if (parsed.value > most) return fail({ kind: 'above', most, unit: 'pieces' });
	return ok(parsed.value);
}

/** Reads a temperature in the bakery's unit within given limits. */
export function parseTemperature(
	text: string,
	units: UnitChoice,
	limits: { readonly least: Temperature; readonly most: Temperature }
): Result<Temperature, ParseFailure> {
	const parsed = parseNumber(text.replace(/°?\s*[cf]$/i, ''));
	if (!parsed.ok) return parsed;
	const inF = units.temperature === 'fahrenheit';
	const read = inF ? fahrenheit(parsed.value) : { celsius: parsed.value };
	const unit = inF ? '°F' : '°C';
	const shown = (temperature: Temperature) =>
		inF ? temperature.celsius * 1.8 + 32 : temperature.celsius;
	if (read.celsius < limits.least.celsius)
		return fail({ kind: 'below', least: shown(limits.least), unit });
	if (read.celsius > limits.most.celsius)
		return fail({ kind: 'above', most: shown(limits.most), unit });
	return ok(read);
}

/** What a typed number has to lie within. */
export interface NumberLimits {
	readonly least: number;
	readonly most: number;
	readonly whole: boolean;
	/** Named in the failure, so that the baker knows what to type. */
	readonly unit: string;
}

/** Reads a number within limits. Example: "120" for at most 100 % is `above`. */
export function parseWithin(text: string, limits: NumberLimits): Result<number, ParseFailure> {
	const parsed = parseNumber(text);
	if (!parsed.ok) return parsed;
	const { least, most, whole, unit } = limits;
	if (whole && !Number.isInteger(parsed.value)) return fail({ kind: 'not-whole', text });
	if (parsed.value < least) return fail({ kind: 'below', least, unit });
	if (parsed.value > most) return fail({ kind: 'above', most, unit });
	return ok(parsed.value);
}
