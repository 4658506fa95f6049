import { fail, ok, type Result } from '../result.ts';
import { ounces, pounds } from './mass.ts';
import { parseNumber, type ParseFailure } from './parse.ts';
import { litresIn, VOLUME_UNITS } from './volume.ts';

/** So much of something as a recipe writes it: weighed, poured, or a bare number whose unit stands elsewhere. */
export type Amount =
	| { readonly kind: 'mass'; readonly grams: number }
	| { readonly kind: 'volume'; readonly litres: number }
	| { readonly kind: 'number'; readonly value: number };

/** Grams in each unit of weight that recipes are written in. */
const GRAMS: Readonly<Record<string, number>> = {
	mg: 0.001,
	g: 1,
	gr: 1,
	gram: 1,
	dag: 10,
	kg: 1000,
	kilo: 1000,
	kilogram: 1000,
	oz: ounces(1).grams,
	ounce: ounces(1).grams,
	lb: pounds(1).grams,
	pound: pounds(1).grams
};

const FRACTIONS: Readonly<Record<string, string>> = {
	'¼': '1/4',
	'½': '1/2',
	'¾': '3/4',
	'⅓': '1/3',
	'⅔': '2/3',
	'⅛': '1/8',
	'⅜': '3/8',
	'⅝': '5/8',
	'⅞': '7/8'
};

const NUMBER = String.raw`\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|(?:\d[\d.,\u2009\u00a0]*|\.\d+)`;
const UNITS = [...Object.keys(GRAMS), ...VOLUME_UNITS].sort((a, b) => b.length - a.length);
/** A number, and the unit that follows it where one does: a whole word, in one number or many. */
const PART = new RegExp(String.raw`^\s*(${NUMBER})\s*((?:${UNITS.join('|')})(?:s|es)?\b\.?)?`, 'i');

/** A unit by the name a column or a cell has for it. */
export type AmountUnit =
	| { readonly of: 'mass'; readonly grams: number }
	| { readonly of: 'volume'; readonly litres: number };

/**
 * The unit that a word names, in one number or many, or as a column is headed.
 * Range: any text. Source: definition; cups and spoons are our defaults. Failures: null for a word that is no unit.
 * Example: "Ounces" is 28.35 g; "cup" a quarter of a litre; "tub" is none.
 */
export function unitNamed(word: string): AmountUnit | null {
	const asked = word.trim().toLowerCase().replace(/\.$/, '');
	for (const name of [asked, asked.replace(/s$/, ''), asked.replace(/es$/, '')]) {
		const grams = GRAMS[name];
		if (Object.hasOwn(GRAMS, name) && grams !== undefined) return { of: 'mass', grams };
		const litres = litresIn(name);
		if (litres !== null) return { of: 'volume', litres };
	}
	return null;
}

/**
 * Reads the amount that a line of a recipe begins with; gives it with the words after it.
 *
 * Model: a number with a comma or a point, a fraction ("1/2", "1 1/2", "½"), and a unit of weight or volume; parts of one kind that follow each other are one amount
 * ("1 lb 4 oz"). A number without a unit stands as it is. Range: any text. Source: definition. Failures: those of a number; `not-a-number` where the line begins with none.
 * Example: "1 lb 4 oz strong flour" is 566.99 g of "strong flour".
 */
export function amountAtStart(
	text: string
): Result<{ readonly amount: Amount; readonly rest: string }, ParseFailure> {
	let rest = text.replace(/[¼½¾⅓⅔⅛⅜⅝⅞]/g, (sign) => ` ${FRACTIONS[sign] ?? sign}`).trim();
	let found: Amount | null = null;
	for (;;) {
		const part = PART.exec(rest);
		if (!part) break;
		const [whole, number = '', unit = ''] = part;
		// A bare number after an amount is a word of what follows: "500 g 00 flour".
		if (found && unit === '') break;
		const value = valueOf(number);
		if (!value.ok) return found ? ok({ amount: found, rest }) : value;
		const amount = amountOf(value.value, unit);
		if (found && found.kind !== amount.kind) break;
		found = found ? sum(found, amount) : amount;
		rest = rest.slice(whole.length).trim();
		if (unit === '') break;
	}
	if (!found) return fail(text.trim() === '' ? { kind: 'empty' } : { kind: 'not-a-number', text });
	return ok({ amount: found, rest });
}

/**
 * Reads an amount that stands alone, in a cell or a field.
 * Range: any text. Source: `amountAtStart`. Failures: as there; `not-a-number` where more stands behind it.
 * Example: "1½ cups" is 0.375 l; "12 oz flour" is no amount.
 */
export function parseAmount(text: string): Result<Amount, ParseFailure> {
	const read = amountAtStart(text);
	if (!read.ok) return read;
	return read.value.rest === '' ? ok(read.value.amount) : fail({ kind: 'not-a-number', text });
}

function valueOf(text: string): Result<number, ParseFailure> {
	const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(text.trim());
	if (!fraction) return parseNumber(text);
	const [, whole = '0', over = '0', under = '0'] = fraction;
	if (Number(under) === 0) return fail({ kind: 'not-a-number', text });
	return ok(Number(whole) + Number(over) / Number(under));
}

function amountOf(value: number, unitWord: string): Amount {
	const unit = unitNamed(unitWord);
	if (!unit) return { kind: 'number', value };
	return unit.of === 'mass'
		? { kind: 'mass', grams: value * unit.grams }
		: { kind: 'volume', litres: value * unit.litres };
}

function sum(a: Amount, b: Amount): Amount {
	if (a.kind === 'mass' && b.kind === 'mass') return { kind: 'mass', grams: a.grams + b.grams };
	if (a.kind === 'volume' && b.kind === 'volume')
		return { kind: 'volume', litres: a.litres + b.litres };
	return a;
}
