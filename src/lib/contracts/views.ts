import type { BakeDayInput, WaterOfMix } from '../core/bake-day/index.ts';
import type { Addition, Formula, Ingredient, Preparation } from '../core/formula/index.ts';
import type { DropId, FormulaId, PreparationId, ProductId } from '../core/identity.ts';
import type { DayProduction, UnmadeDough } from '../core/production/index.ts';
import type { Placement } from '../core/schedule/index.ts';
import type { BakeDate, BakeryClock, WallTime } from '../core/time/index.ts';
import type { UnitChoice, WeighingScale } from '../core/units/index.ts';
import type { ReadingQuantity } from './commands.ts';

/** What every room knows of the bakery. */
export interface BakeryView {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly clock: BakeryClock;
	readonly actor: { readonly name: string; readonly role: 'head-baker' | 'baker' };
}

export interface DropView {
	readonly id: DropId;
	readonly name: string;
	readonly dueTime: WallTime;
	readonly dueMs: number;
}

export interface OrderProductView {
	readonly id: ProductId;
	readonly name: string;
	readonly scaledGrams: number;
	readonly doughName: string;
}

export interface OrderCell {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number;
	readonly version: number;
}

export interface OrdersView {
	readonly date: BakeDate;
	readonly drops: readonly DropView[];
	readonly products: readonly OrderProductView[];
	readonly cells: readonly OrderCell[];
	/** The latest other date that has orders, to copy from when this one has none. */
	readonly copyFrom: BakeDate | null;
}

export interface DoughsView {
	readonly date: BakeDate;
	readonly production: DayProduction;
}

export interface ReadingView {
	readonly id: string;
	readonly celsius: number;
	readonly instrument: string;
	readonly occurredAtMs: number;
}

export interface WaterInputView {
	readonly quantity: ReadingQuantity;
	readonly preparationId: PreparationId | null;
	readonly name: string;
	/** null while nothing was measured and the assumed figure stands in. */
	readonly reading: ReadingView | null;
	readonly assumedCelsius: number;
}

export interface MixWaterView {
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly doughGrams: number;
	readonly targetCelsius: number;
	/** null for a dough that adds no water at the mixer. */
	readonly water: WaterOfMix | null;
	readonly iceMostShare: number;
}

export interface WaterView {
	readonly date: BakeDate;
	readonly inputs: readonly WaterInputView[];
	readonly mixes: readonly MixWaterView[];
	readonly unmade: readonly UnmadeDough[];
}

export interface AcceptedPlanView {
	readonly number: number;
	readonly acceptedBy: string;
	readonly acceptedAtMs: number;
	readonly input: BakeDayInput;
	readonly placement: Placement;
	/** False when orders, leads or formulas have changed since. */
	readonly current: boolean;
}

export interface PlanView {
	readonly date: BakeDate;
	readonly input: BakeDayInput;
	readonly fingerprint: string;
	readonly leadVersions: readonly {
		readonly formulaId: FormulaId;
		readonly ordinal: number;
		readonly version: number;
	}[];
	readonly accepted: AcceptedPlanView | null;
	readonly unmade: readonly UnmadeDough[];
}

export interface FormulaListEntry {
	readonly id: FormulaId;
	readonly name: string;
	readonly revision: number;
	readonly products: readonly string[];
}

/** A build or soaker as the sheet needs it. */
export interface PreparationView {
	readonly preparation: Preparation;
	readonly revision: number;
	/** Other formulas that take from it. */
	readonly sharedWith: readonly string[];
}

/** What changed in one part of a formula between two revisions. */
export interface ChangeView {
	readonly part: string;
	readonly unit: '% of flour' | '% of it';
	readonly lines: readonly {
		readonly name: string;
		readonly addition: Addition;
		readonly before: number | null;
		readonly after: number | null;
	}[];
}

export interface FormulaView {
	readonly date: BakeDate;
	readonly formulas: readonly FormulaListEntry[];
	readonly formula: Formula;
	readonly revision: number;
	readonly targetCelsius: number;
	readonly madeBy: string;
	readonly preparations: readonly PreparationView[];
	readonly ingredients: readonly Ingredient[];
	readonly products: readonly {
		readonly name: string;
		readonly scaledGrams: number;
		readonly ordered: number;
	}[];
	readonly mixerMostGrams: number;
	readonly scales: readonly WeighingScale[];
	readonly changes: readonly ChangeView[];
}
