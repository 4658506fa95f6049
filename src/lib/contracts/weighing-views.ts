import type { WaterOrder } from '../core/heat/index.ts';
import type { LineToWeigh } from '../core/weighing/index.ts';
import type { Addition, Material } from '../core/formula/index.ts';
import type { Density } from '../core/units/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { BatchName } from './batch-name.ts';

/** What a scale at the bench shows. */
export interface ScaleNowView {
	readonly sensorId: string;
	readonly name: string;
	readonly shown: { readonly grams: number; readonly stable: boolean } | null;
	/** How long ago it was heard; null where it never was. */
	readonly ageMs: number | null;
}

/** A weight that went into the bowl. */
export interface WeighingView {
	readonly id: string;
	/** Which of the weights of its batch it is, the first being 0. */
	readonly at: number;
	readonly grams: number;
	readonly how: 'typed' | 'scale' | 'by-feel';
	readonly closeEnough: boolean;
	readonly by: string;
	readonly atMs: number;
}

/** One line of a weigh-up, and what went in for it. */
export interface WeighingLineView extends LineToWeigh {
	readonly material: Material;
	readonly addition: Addition;
	readonly scale: string;
	/** For what can be measured by volume; null where nobody weighed a litre of it. */
	readonly density: Density | null;
	/** The newest that was told, by a delivery or at the scale; empty where none was. */
	readonly lot: string;
	readonly weighed: readonly WeighingView[];
}

/** A mix or a preparation to be weighed into its bowl, line by line. */
export interface WeighUpView {
	readonly date: BakeDate;
	readonly kind: 'mix' | 'pre-ferment' | 'preparation';
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	/** What it becomes; empty for a preparation. */
	readonly becomes: readonly { readonly pieces: number; readonly product: string }[];
	readonly batch: BatchName;
	readonly totalGrams: number;
	readonly flourGrams: number;
	/** The most that a mixer takes of it; null for what is stirred by hand. */
	readonly mostGrams: number | null;
	readonly lines: readonly WeighingLineView[];
	/** What was added beside the lines, by feel. */
	readonly byFeel: readonly (WeighingView & { readonly name: string })[];
	/** What can be added by feel. */
	readonly feelable: readonly { readonly ingredientId: string; readonly name: string }[];
	/** How warm its liquid is poured at this moment, and with how much ice; null where nothing is poured. */
	readonly water: { readonly liquid: string; readonly order: WaterOrder } | null;
	readonly isCaustic: boolean;
	readonly isPerishable: boolean;
}
