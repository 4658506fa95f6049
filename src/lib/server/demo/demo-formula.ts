import type { Addition, Step } from '../../core/formula/index.ts';

type DemoLine = readonly [name: string, percent: number, addition?: Addition];

export interface DemoFormula {
	readonly name: string;
	/** Ingredient or preparation by name, in percent of total flour. */
	readonly lines: readonly DemoLine[];
	/** The lines of the revision before, when there is one. */
	readonly earlier?: readonly DemoLine[];
	readonly doughLoss: number;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
}
