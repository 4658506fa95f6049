import {
	evaluate,
	type Explained,
	type Operation,
	type Unit,
	type Worked
} from '../../core/explain/index.ts';
import { formatNumber, METRIC, type UnitChoice } from '../../core/units/index.ts';
import { decimalsOf } from './digits.ts';
import { decimalsIn, isWrittenOut, valueIn, type Shown } from './shown.ts';

/** A piece of an arithmetic sentence: plain text, or a number that leads to where it comes from. */
export type SentencePart =
	| { readonly kind: 'text'; readonly text: string }
	| { readonly kind: 'number'; readonly text: string; readonly from: Explained };

/** Units written behind a number; a temperature difference reads as degrees, latent heat as kJ/kg. */
const SHOWN: Record<Unit, string> = {
	g: 'g',
	'°C': '°C',
	K: '°C',
	min: 'min',
	'%': '%',
	pieces: 'pieces',
	'kJ/kg': 'kJ/kg',
	'kJ/(kg K)': 'kJ/(kg K)',
	'kJ/kg latent': 'kJ/kg',
	kJ: 'kJ',
	'kJ/K': 'kJ/K',
	kg: 'kg',
	money: '',
	'money/kg': 'per kg',
	'1': ''
};

/** How far apart the two sides of a sentence may lie in degrees Fahrenheit before it is told in Celsius. */
const SAME_DEGREES = 1e-6;

/**
 * The units a sentence holds in: one that multiplies heat by degrees holds in Celsius alone, and is told so.
 */
export function unitsOfSentence(explained: Worked, units: UnitChoice): UnitChoice {
	if (units.temperature === 'celsius') return units;
	const worksOut = evaluatedIn(explained, units);
	return Math.abs(worksOut - valueIn(explained, units)) < SAME_DEGREES
		? units
		: { ...units, temperature: 'celsius' };
}

function evaluatedIn({ operation, inputs }: Worked, units: UnitChoice): number {
	return evaluate(
		operation,
		inputs.map((input) =>
			input.kind === 'worked' && input.term.key === 'grouped'
				? evaluatedIn(input, units)
				: valueIn(input, units)
		)
	);
}

/** A number without its unit, with the precision its unit calls for or so many decimals. */
export function numberText(shown: Shown, units: UnitChoice = METRIC, decimals?: number): string {
	return formatNumber(valueIn(shown, units), decimals ?? decimalsIn(shown, units));
}

/** A number with its unit. */
export function valueText(explained: Shown, units: UnitChoice = METRIC, decimals?: number): string {
	const celsius = units.temperature === 'celsius';
	const unit = celsius ? SHOWN[explained.unit] : SHOWN[explained.unit].replace(/^°C$/, '°F');
	const number = numberText(explained, units, decimals);
	return unit === '' ? number : `${number}\u00a0${unit}`;
}

const SIGN: Record<Operation, string> = {
	sum: ' + ',
	difference: ' − ',
	product: ' × ',
	quotient: ' ÷ ',
	percent: ' × ',
	'per-percent': ' ÷ ',
	largest: ', '
};

/**
 * The sentence a baker would say: "4 × 25.0 − (19.0 + 23.0 + 24.0 + 14.0) = 20.0 °C". Unnamed groups are
 * written out in place; a named number that was itself worked out stands with its value. Worked out again with the
 * digits that stand there, it comes to the result that stands there.
 */
export function sentenceOf(explained: Worked, units: UnitChoice = METRIC): readonly SentencePart[] {
	const held = unitsOfSentence(explained, units);
	const result = valueText(explained, held);
	// What holds in Celsius alone still ends with what the bakery's thermometer shows.
	const own = valueText(explained, units);
	return [
		...written(explained, false, { units: held, decimals: decimalsOf(explained, held) }),
		{ kind: 'text', text: ` = ${result}${own === result ? '' : `, that is ${own}`}` }
	];
}

/** The same as one line of text. */
export function sentenceText(explained: Worked, units: UnitChoice = METRIC): string {
	return sentenceOf(explained, units)
		.map((part) => part.text)
		.join('');
}

/** How the numbers of one sentence are told. */
interface Telling {
	readonly units: UnitChoice;
	readonly decimals: ReadonlyMap<Explained, number>;
}

function written(
	explained: Worked,
	inBrackets: boolean,
	telling: Telling
): readonly SentencePart[] {
	const { operation, inputs } = explained;
	const parts: SentencePart[] = [];
	inputs.forEach((input, index) => {
		if (index > 0) parts.push({ kind: 'text', text: SIGN[operation] });
		parts.push(...operand(input, operation, index, telling));
	});
	if (operation === 'largest') return [text('the largest of '), ...parts];
	return inBrackets ? [text('('), ...parts, text(')')] : parts;
}

function operand(
	input: Explained,
	operation: Operation,
	index: number,
	telling: Telling
): readonly SentencePart[] {
	if (isWrittenOut(input, operation))
		return written(input, needsBrackets(input, operation, index), telling);
	const percent = (operation === 'percent' || operation === 'per-percent') && index === 1;
	const number = numberText(input, telling.units, telling.decimals.get(input));
	const shown = percent ? `${number} %` : number;
	// A negative number after a sign would read as two signs.
	const guarded = number.startsWith('\u2212') && index > 0 ? `(${shown})` : shown;
	return [{ kind: 'number', text: guarded, from: input }];
}

function needsBrackets(input: Worked, operation: Operation, index: number): boolean {
	if (input.inputs.length < 2) return false;
	const loose = input.operation === 'sum' || input.operation === 'difference';
	if (
		operation === 'product' ||
		operation === 'quotient' ||
		operation === 'per-percent' ||
		operation === 'percent'
	)
		return loose || (index > 0 && operation !== 'product');
	return operation === 'difference' && index > 0 && loose;
}

function text(value: string): SentencePart {
	return { kind: 'text', text: value };
}
