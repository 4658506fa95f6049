import type { FormulaId, PreparationId } from '../core/identity.ts';
import type { WaitStep } from '../core/formula/index.ts';
import type { RipeningView } from './ripening-views.ts';

/** A stage of a sour with what goes into it. */
export interface SourStageView {
	readonly preparationId: PreparationId;
	readonly name: string;
	readonly ordinal: number;
	readonly grams: number;
	/** What goes in, in the order of the bowl. */
	readonly lines: readonly { readonly name: string; readonly grams: number }[];
	/** Flour and water for one of the seed's flour; null for one without a seed. */
	readonly seedRatio: { readonly flour: number; readonly water: number } | null;
	/** Water for its flour, in percent. */
	readonly hydration: number;
	/** Flour of the seed in percent of all of it. */
	readonly inoculation: number;
	readonly takeBackGrams: number;
	readonly targetCelsius: number | null;
	/** The wait it ripens in; null where its recipe has none. */
	readonly step: WaitStep | null;
	/** Its hands-on time before it stands. */
	readonly mixMinutes: number;
	/** When it is to be begun, and whether an accepted plan says so. */
	readonly plannedMs: number | null;
	readonly isPlanned: boolean;
}

/** A sour from its first stage to the dough that takes it. */
export interface SourWalkView {
	readonly name: string;
	readonly stages: readonly SourStageView[];
	readonly bread: {
		readonly formulaId: FormulaId;
		readonly name: string;
		readonly ordinal: number;
		readonly count: number;
		readonly plannedMs: number | null;
		readonly isPlanned: boolean;
	};
	/** Everything of the date that is followed, the stages among it. */
	readonly ripening: RipeningView;
}
