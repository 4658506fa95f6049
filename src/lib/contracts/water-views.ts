import type { WaitStep } from '../core/formula/index.ts';
import type { FormulaId, PreparationId } from '../core/identity.ts';
import type { Favour } from '../core/fermentation/index.ts';
import type { DoughInstrument, IceForm, MixProgram, WaterSchool } from '../core/heat/index.ts';
import type { FrictionFigures } from '../core/learning/index.ts';
import type {
	BowlReading,
	MomentTemperature,
	ScaldOfBowl,
	WaterOfMix
} from '../core/mixing/index.ts';
import type { UnmadeDough } from '../core/production/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { BatchName } from './batch-name.ts';

export interface ReadingView {
	readonly id: string;
	readonly celsius: number;
	readonly instrument: string;
	readonly occurredAtMs: number;
}

export interface WaterInputView extends MomentTemperature {
	/** null while nothing was measured and the assumed figure stands in. */
	readonly reading: ReadingView | null;
	/** A dough of the date feels it in its bowl; a place in which only pre-ferments and doughs wait is not felt there. */
	readonly isFelt: boolean;
	/** What its probe says, whether it counts or something typed stands against it; null without one. */
	readonly probe: ProbeView | null;
}

/** A probe with its newest reading. */
export interface ProbeView {
	readonly name: string;
	readonly celsius: number;
	readonly measuredAtMs: number;
	readonly reportEverySeconds: number;
	/** It has said this very figure since then; null where it moves as probes do. */
	readonly unmovedSinceMs: number | null;
}

export interface MixWaterView {
	/** How a command names it. */
	readonly batch: BatchName;
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	/** When the accepted plan begins it; null without one. */
	readonly startMs: number | null;
	readonly doughGrams: number;
	readonly targetCelsius: number;
	/** null for a dough that takes no water or other liquid at the mixer. */
	readonly water: WaterOfMix | null;
	/** The base its baker typed; null for one that follows from its doughs. */
	readonly typedBaseCelsius: number | null;
	/** Its baker picked which liquids are warmed or cooled. */
	readonly picksLiquids: boolean;
	readonly iceMostShare: number;
	/** Its first fermenting wait; null for a dough without one. */
	readonly bulk: {
		readonly step: WaitStep;
		readonly targetCelsius: number;
		/** All its leavening, in percent of the flour as fresh; null where more than yeast lifts it. */
		readonly freshYeastPercent: number | null;
	} | null;
	/** So many times the book's minutes it takes to be ripe; 1 until it is measured. */
	readonly clockFactor: number;
	/** When its bowl may be measured before more water goes in, and what it was measured at. */
	readonly bowlReading: BowlReading | null;
	readonly autolysed: { readonly celsius: number; readonly atMs: number } | null;
	readonly friction: FrictionFigures;
	/** null for a dough that is mixed by hand. */
	readonly mixer: { readonly id: string; readonly name: string } | null;
	/** How long the mixer turns, where the formula tells it. */
	readonly program: MixProgram | null;
	readonly doughKilojoulesPerKilogramKelvin: number;
	/** What this very mix came out of the mixer with; null until it is measured. */
	readonly measured: MeasuredView | null;
}

/** What came out of the mixer, or was stirred, as it was measured. */
export interface MeasuredView {
	readonly entryId: string;
	readonly celsius: number;
	readonly instrument: DoughInstrument;
	readonly occurredAtMs: number;
	/** As warm as its water went in; null for what was stirred by hand. */
	readonly waterCelsius: number | null;
}

/** The water of a build that is mixed by hand in its tub, or the liquid of a scald. */
export interface BuildWaterView {
	/** How a command names it. */
	readonly batch: BatchName;
	readonly preparationId: PreparationId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly startMs: number | null;
	readonly grams: number;
	readonly targetCelsius: number;
	readonly water: WaterOfMix | null;
	readonly iceMostShare: number;
	/** What the hot liquid of a scald does; null for what is no scald. */
	readonly scald: ScaldOfBowl | null;
	/** Fresh milk or egg is in it. */
	readonly isPerishable: boolean;
	/** What it ripens in, with its yeast as `MixWaterView` has it; null for one that does not. */
	readonly ferments: {
		readonly step: WaitStep;
		readonly freshYeastPercent: number | null;
	} | null;
	/** Whether its stage favours lift or souring; null for a build without bacteria of its own. */
	readonly favour: Favour | null;
	/** What it was when it was stirred; null until it is measured. */
	readonly measured: MeasuredView | null;
}

export interface WaterView {
	readonly date: BakeDate;
	readonly inputs: readonly WaterInputView[];
	/** In the order of the accepted plan. */
	readonly mixes: readonly MixWaterView[];
	readonly builds: readonly BuildWaterView[];
	readonly school: WaterSchool;
	/** By the factor rule the soaker counts as a part of its own. */
	readonly countsSoakers: boolean;
	readonly iceForm: IceForm;
	readonly mixers: readonly { readonly id: string; readonly name: string }[];
	/** What stands in, or is held over, a dough. */
	readonly doughProbes: {
		readonly core: ProbeView | null;
		readonly surface: ProbeView | null;
	};
	readonly unmade: readonly UnmadeDough[];
}
