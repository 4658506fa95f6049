import type { Explained, Operation, Unit, Worked } from '../../core/explain/index.ts';
import { formatNumber } from '../../core/units/index.ts';

/** A piece of an arithmetic sentence: plain text, or a number that leads to where it comes from. */
export type SentencePart =
	| { readonly kind: 'text'; readonly text: string }
	| { readonly kind: 'number'; readonly text: string; readonly from: Explained };

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

/** A number without its unit, with the precision its unit calls for. */
export function numberText({ value, unit }: Pick<Explained, 'value' | 'unit'>): string {
	if (unit === '1' && Number.isInteger(value)) return formatNumber(value, 0);
	if (unit === '%' && Number.isInteger(Math.round(value * 1e6) / 1e6))
		return formatNumber(value, 0);
	return formatNumber(value, DECIMALS[unit]);
}

/** A number with its unit. */
export function valueText(explained: Pick<Explained, 'value' | 'unit'>): string {
	const unit = SHOWN[explained.unit];
	return unit === '' ? numberText(explained) : `${numberText(explained)}\u00a0${unit}`;
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
 * written out in place; a named number that was itself worked out stands with its value.
 */
export function sentenceOf(explained: Worked): readonly SentencePart[] {
	return [...written(explained, false), { kind: 'text', text: ` = ${valueText(explained)}` }];
}

/** The same as one line of text. */
export function sentenceText(explained: Worked): string {
	return sentenceOf(explained)
		.map((part) => part.text)
		.join('');
}

function written(explained: Worked, inBrackets: boolean): readonly SentencePart[] {
	const { operation, inputs } = explained;
	const parts: SentencePart[] = [];
	inputs.forEach((input, index) => {
		if (index > 0) parts.push({ kind: 'text', text: SIGN[operation] });
		parts.push(...operand(input, operation, index));
	});
	if (operation === 'largest') return [text('the largest of '), ...parts];
	return inBrackets ? [text('('), ...parts, text(')')] : parts;
}

function operand(input: Explained, operation: Operation, index: number): readonly SentencePart[] {
	if (
		input.kind === 'worked' &&
		(input.term.key === 'grouped' || input.term.key === 'kept-share' || operation === 'largest')
	)
		return written(input, needsBrackets(input, operation, index));
	const percent = (operation === 'percent' || operation === 'per-percent') && index === 1;
	const shown = percent ? `${numberText(input)} %` : numberText(input);
	// A negative number after a sign would read as two signs.
	const guarded = input.value < 0 && index > 0 ? `(${shown})` : shown;
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
