/**
 * A model for a complete solver of constraints, as the plain data its published form (a protocol buffer) has in JSON:
 * whole variables within bounds, linear constraints that may hold only under literals, intervals, machines and pools.
 */
export class CpModelData {
	readonly variables: { name: string; domain: [number, number] }[] = [];
	readonly constraints: Record<string, unknown>[] = [];
	private readonly objective: { vars: number[]; coeffs: number[] } = { vars: [], coeffs: [] };
	private offset = 0;

	/** A whole number within [low, high]; gives its name in the model. */
	int(name: string, low: number, high: number): number {
		this.variables.push({ name, domain: [low, high] });
		return this.variables.length - 1;
	}

	bool(name: string): number {
		return this.int(name, 0, 1);
	}

	/** low <= sum + constant <= high, where all the literals hold. */
	linear(sum: Sum, low: number, high: number, only: readonly number[] = []): void {
		this.constraints.push({
			linear: {
				vars: sum.terms.map(([v]) => v),
				coeffs: sum.terms.map(([, c]) => c),
				domain: [low - sum.constant, high - sum.constant]
			},
			enforcementLiteral: [...only]
		});
	}

	atLeast(sum: Sum, low: number, only: readonly number[] = []): void {
		this.linear(sum, low, FAR, only);
	}

	exactlyOne(literals: readonly number[]): void {
		this.constraints.push({ exactlyOne: { literals: [...literals] } });
	}

	/** One of the literals holds. */
	oneOf(literals: readonly number[]): void {
		this.constraints.push({ boolOr: { literals: [...literals] } });
	}

	/** An interval of a length, that may be there only under literals; gives its name in the model. */
	interval(start: Sum, size: Sum, end: Sum, only: readonly number[] = []): number {
		if (size.terms.length > 0) this.linear(minus(minus(end, start), size), 0, 0, only);
		this.constraints.push({
			interval: { start: expression(start), size: expression(size), end: expression(end) },
			enforcementLiteral: [...only]
		});
		return this.constraints.length - 1;
	}

	noOverlap(intervals: readonly number[]): void {
		this.constraints.push({ noOverlap: { intervals: [...intervals] } });
	}

	cumulative(intervals: readonly number[], demands: readonly number[], capacity: number): void {
		this.constraints.push({
			cumulative: {
				capacity: expression(constant(capacity)),
				intervals: [...intervals],
				demands: demands.map((demand) => expression(constant(demand)))
			}
		});
	}

	/** Adds to what is to be least. */
	cost(sum: Sum, weight: number): void {
		for (const [v, c] of sum.terms) {
			this.objective.vars.push(v);
			this.objective.coeffs.push(c * weight);
		}
		this.offset += sum.constant * weight;
	}

	/** The absolute value of a sum, as a variable of its own. */
	absolute(name: string, sum: Sum, most: number): number {
		const value = this.int(name, 0, most);
		this.atLeast(minus(of(value), sum), 0);
		this.atLeast(plus(of(value), sum), 0);
		return value;
	}

	data(): Record<string, unknown> {
		return {
			variables: this.variables,
			constraints: this.constraints,
			objective: { ...this.objective, offset: this.offset, scalingFactor: 1 }
		};
	}
}

const FAR = 1_000_000_000;

/** A sum of variables times whole numbers, and a constant. */
export interface Sum {
	readonly terms: readonly (readonly [variable: number, coefficient: number])[];
	readonly constant: number;
}

export const of = (variable: number, more = 0): Sum => ({
	terms: [[variable, 1]],
	constant: more
});
export const constant = (value: number): Sum => ({ terms: [], constant: value });
export const plus = (a: Sum, b: Sum): Sum => ({
	terms: [...a.terms, ...b.terms],
	constant: a.constant + b.constant
});
export const times = (a: Sum, by: number): Sum => ({
	terms: a.terms.map(([v, c]) => [v, c * by]),
	constant: a.constant * by
});
export const minus = (a: Sum, b: Sum): Sum => plus(a, times(b, -1));
/** The literal that holds where another does not. */
export const not = (literal: number): number => -literal - 1;

function expression(sum: Sum): Record<string, unknown> {
	return {
		vars: sum.terms.map(([v]) => v),
		coeffs: sum.terms.map(([, c]) => c),
		offset: sum.constant
	};
}
