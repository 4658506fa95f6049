import { evaluate, type Explained, type Worked } from '../../core/explain/index.ts';
import { formatNumber, type UnitChoice } from '../../core/units/index.ts';
import { decimalsIn, isWrittenOut, valueIn } from './shown.ts';

/** No number of a sentence is told with more decimals. */
const MOST_DECIMALS = 12;

/**
 * Gives with how many decimals each number of a sentence is told, so that whoever works it out again with the digits
 * that stand there comes to the result that stands there, to its last digit.
 *
 * Model: each number begins with the decimals of its unit; while the sentence does not work out, the one whose rounding
 * moves the result most gets one more. Range: any worked number. Source: our own. Limit: twelve decimals; at the limit
 * the sentence stands as it is. Failures: none.
 * Example: 15 036.6 x 0.045 % = 6.8 g takes a third decimal of the percent, where its unit has two.
 */
export function decimalsOf(explained: Worked, units: UnitChoice): ReadonlyMap<Explained, number> {
	const numbers = numbersOf(explained);
	const decimals = new Map<Explained, number>(
		numbers.map((number) => [number, decimalsIn(number, units)])
	);
	const shown = valueIn(explained, units);
	const ending = decimalsIn(explained, units);
	const roundedTo = (number: Explained, places: number) => {
		const value = valueIn(number, units);
		return Number(value.toFixed(places));
	};
	const evaluated = (rounded: (number: Explained) => number) => evaluatedBy(explained, rounded);
	const told = (number: Explained) => roundedTo(number, decimals.get(number) ?? 0);
	const wanted = formatNumber(shown, ending);
	while (formatNumber(evaluated(told), ending) !== wanted) {
		const exact = (number: Explained) => valueIn(number, units);
		const whole = evaluated(exact);
		let [worst, most]: [Explained | null, number] = [null, 0];
		for (const number of numbers) {
			const places = decimals.get(number) ?? 0;
			if (places >= MOST_DECIMALS) continue;
			const off = Math.abs(
				evaluated((other) => (other === number ? told(other) : exact(other))) - whole
			);
			if (off > most) [worst, most] = [number, off];
		}
		if (!worst) break;
		decimals.set(worst, (decimals.get(worst) ?? 0) + 1);
	}
	return decimals;
}

/** The numbers that stand in a sentence: what is written out in place stands by its own numbers. */
function numbersOf({ operation, inputs }: Worked): readonly Explained[] {
	return inputs.flatMap((input) => (isWrittenOut(input, operation) ? numbersOf(input) : [input]));
}

function evaluatedBy(
	{ operation, inputs }: Worked,
	valueOf: (number: Explained) => number
): number {
	return evaluate(
		operation,
		inputs.map((input) =>
			isWrittenOut(input, operation) ? evaluatedBy(input, valueOf) : valueOf(input)
		)
	);
}
