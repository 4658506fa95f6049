import type { DropId, PreparationId } from '../core/identity.ts';
import type { DayProduction } from '../core/production/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { OverView } from './views.ts';

/** A pre-ferment that several mixes take from. */
export interface BuildBatchesView {
	readonly preparationId: PreparationId;
	/** In how many batches it is made by a baker's word; 1 for one for all. */
	readonly batches: number;
	readonly version: number;
	/** How many mixes take from it. */
	readonly takers: number;
	/** How far those of one batch lie apart. */
	readonly apartMinutes: number;
	/** How long a batch can be taken, from early to late. */
	readonly usableMinutes: number;
}

export interface DoughsView {
	readonly date: BakeDate;
	readonly drops: readonly { readonly id: DropId; readonly name: string }[];
	readonly production: DayProduction;
	/** The most that a mixer takes. */
	readonly mixerMostGrams: number;
	readonly over: readonly OverView[];
	readonly shared: readonly BuildBatchesView[];
}
