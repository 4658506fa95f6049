/**
 * A computed number that carries how it came about: its operation and its inputs, each input with
 * its source. The sentence on the screen is rendered from this alone.
 */
export type Explained = Given | Worked;

export interface Given {
	readonly kind: 'given';
	readonly term: Term;
	readonly value: number;
	readonly unit: Unit;
	readonly source: Source;
}

export interface Worked {
	readonly kind: 'worked';
	readonly term: Term;
	readonly value: number;
	readonly unit: Unit;
	readonly operation: Operation;
	readonly inputs: readonly Explained[];
}

export type Unit =
	| 'g'
	| '°C'
	| 'K'
	| 'min'
	| '%'
	| 'pieces'
	| 'kJ/kg'
	| 'kJ/(kg K)'
	| 'kJ/kg latent'
	| 'kJ'
	| 'kJ/K'
	| 'kg'
	| 'money'
	| 'money/kg'
	| '1';

/**
 * sum: all inputs added; difference: the first less the others; product and quotient likewise;
 * percent: the second as a percentage of the first; per-percent: the whole of which the first is the
 * second's percentage; largest: the largest of the inputs.
 */
export type Operation =
	'sum' | 'difference' | 'product' | 'quotient' | 'percent' | 'per-percent' | 'largest';

/** What the number is called, by key; `of` is the name of the thing it belongs to, as the baker wrote it. */
export interface Term {
	readonly key: TermKey;
	readonly of?: string;
}

export type TermKey =
	| 'pieces'
	| 'piece-weight'
	| 'sheet-share'
	| 'dough-in-pieces'
	| 'baked-weight'
	| 'bake-loss'
	| 'on-hand'
	| 'build-usable'
	| 'mixer-most'
	| 'mixer-fill'
	| 'dough-loss'
	| 'kept-share'
	| 'whole'
	| 'dough'
	| 'mixes'
	| 'mix'
	| 'mix-dough'
	| 'total-flour'
	| 'total-percent'
	| 'percent'
	| 'line'
	| 'build-needed'
	| 'build-short'
	| 'take-back'
	| 'kept-back-on-the-way'
	| 'percent-with-losses'
	| 'mixed-share'
	| 'build-loss'
	| 'build-gross'
	| 'parts'
	| 'target-dough'
	| 'temperatures-counted'
	| 'flour-temperature'
	| 'room-temperature'
	| 'preferment-temperature'
	| 'other-temperatures'
	| 'friction-factor'
	| 'friction-work'
	| 'learned-rise'
	| 'dough-heat-capacity'
	| 'water-temperature'
	| 'water-mass'
	| 'tap-temperature'
	| 'ice-mass'
	| 'ice-temperature'
	| 'water-heat-capacity'
	| 'ice-heat-capacity'
	| 'latent-heat'
	| 'absorption'
	| 'water-correction'
	| 'hydration'
	| 'hydration-without-soakers'
	| 'effective-hydration'
	| 'salt'
	| 'yeast'
	| 'prefermented-flour'
	| 'flour-in-build'
	| 'wholegrain'
	| 'inoculation'
	| 'seed-ratio-flour'
	| 'seed-ratio-water'
	| 'water-share'
	| 'flour-share'
	| 'wholegrain-share'
	| 'fresh-equivalent'
	| 'price'
	| 'cost-per-kilogram'
	| 'cost-per-piece'
	| 'piece-weight-kg'
	| 'base-temperature'
	| 'friction-heat'
	| 'dough-mass'
	| 'dough-temperature'
	| 'expected-dough'
	| 'scald-ends'
	| 'scald-poured'
	| 'heat-in'
	| 'heat-brought'
	| 'heat-per-degree'
	| 'dough-with-water-at-zero'
	| 'dough-per-degree-of-water'
	| 'heat-of'
	| 'mass-of'
	| 'heat-capacity-of'
	| 'temperature-of'
	| 'grouped';

export type Source =
	| { readonly kind: 'ordered' }
	/** What stands in the tub: it was made before, and stays as it was weighed. */
	| { readonly kind: 'made' }
	| { readonly kind: 'formula' }
	| { readonly kind: 'bakery' }
	| { readonly kind: 'constant'; readonly source: string }
	| { readonly kind: 'learned' }
	| { readonly kind: 'assumed' }
	/** What a thermostat is set to. */
	| { readonly kind: 'set' }
	/** What follows from what is known of it, with its standard deviation in kelvins. */
	| { readonly kind: 'forecast'; readonly spreadKelvins: number }
	| { readonly kind: 'measured'; readonly epochMs: number; readonly instrument: string };

export function given(term: Term, value: number, unit: Unit, source: Source): Given {
	return { kind: 'given', term, value, unit, source };
}

/**
 * Gives a worked number, computed from its inputs here and nowhere else, so that what is
 * explained is what was computed.
 * Example: the product of 4 and 25 °C is worked as 100 °C.
 */
export function worked(
	term: Term,
	unit: Unit,
	operation: Operation,
	inputs: readonly Explained[]
): Worked {
	const value = evaluate(
		operation,
		inputs.map((input) => input.value)
	);
	return { kind: 'worked', term, value, unit, operation, inputs };
}

/** Evaluates one operation over raw numbers that are already in the units the operation expects. */
export function evaluate(operation: Operation, values: readonly number[]): number {
	const [first = 0, ...rest] = values;
	switch (operation) {
		case 'sum':
			return values.reduce((total, value) => total + value, 0);
		case 'difference':
			return rest.reduce((total, value) => total - value, first);
		case 'product':
			return rest.reduce((total, value) => total * value, first);
		case 'quotient':
			return rest.reduce((total, value) => total / value, first);
		case 'percent':
			return (first * (rest[0] ?? 0)) / 100;
		case 'per-percent':
			return (first / (rest[0] ?? 0)) * 100;
		case 'largest':
			return Math.max(...values);
	}
}

/** All given leaves, in reading order. */
export function leavesOf(explained: Explained): readonly Given[] {
	return explained.kind === 'given' ? [explained] : explained.inputs.flatMap(leavesOf);
}
