import type {
	DoughEvent,
	PlaceStretch,
	RipeningStep,
	WatchedDough
} from '../core/ripening/index.ts';
import type {
	ReadinessDecision,
	ReadinessVerdict,
	Retarder,
	Sighting
} from '../core/fermentation/index.ts';
import type { WaitStep, RipenessClock } from '../core/formula/index.ts';
import type { FormulaId, PlaceId, PreparationId } from '../core/identity.ts';
import type { BatchName } from './batch-name.ts';
import type { DoughInstrument } from '../core/heat/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { ProbeView } from './water-views.ts';

/** What was seen of a dough, and what the baker decided. */
export interface JudgementView {
	readonly id: string;
	readonly by: string;
	readonly occurredAtMs: number;
	readonly sightings: readonly Sighting[];
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
}

/** The proof a dough goes into, as its first product waits in it. */
export interface ProofView {
	readonly product: string;
	readonly step: WaitStep & { readonly clock: RipenessClock };
	/** Hands-on time and rests between the end of the bulk and the proof. */
	readonly minutesBefore: number;
}

/** A dough or a pre-ferment that is followed from its mix, with all that its card follows from. */
export interface RipeningDoughView {
	/** How a command names it. */
	readonly batch: BatchName;
	readonly kind: 'mix' | 'pre-ferment' | 'preparation';
	/** Its formula, or the recipe of the preparation. */
	readonly recipeId: FormulaId | PreparationId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly grams: number;
	/** null while it was not measured at the mixer: it is not followed yet. */
	readonly mixed: {
		readonly atMs: number;
		readonly celsius: number;
		readonly instrument: DoughInstrument;
	} | null;
	/** When the accepted plan mixes it. */
	readonly plannedMs: number | null;
	/** null for what has no temperature to come to. */
	readonly targetCelsius: number | null;
	/** Its fermenting wait with the places as they were learned; null for a dough without a clock. */
	readonly step: RipeningStep | null;
	/** Baker's yeast in it as fresh, in percent of its flour; null for what is no dough. */
	readonly yeastPercent: number | null;
	/** So many times the book's minutes; with how many judgements it was learned from. */
	readonly clockFactor: number;
	readonly clockUsed: number;
	readonly events: readonly DoughEvent[];
	/** The cold room it stands in. */
	readonly retarderId: string | null;
	/** When its wait was ended. */
	readonly endedAtMs: number | null;
	/** The entry of its last move, or of the end of its wait; null where it never moved. */
	readonly lastMoveId: string | null;
	readonly judgements: readonly JudgementView[];
	readonly proof: ProofView | null;
}

export interface RetarderView extends Retarder {
	readonly id: string;
	readonly name: string;
	/** What its own probe says of its air; null where it has none, or was never heard. */
	readonly probe: ProbeView | null;
	/** How hard it really pulls by its nights, which its watts say already; null where its entry stands. */
	readonly learned: { readonly entryWatts: number; readonly used: number } | null;
}

/** A dough as the core follows it; null while it was not mixed, or has no clock. */
export function watchedDough(dough: RipeningDoughView): WatchedDough | null {
	const { mixed, step } = dough;
	if (!mixed || !step) return null;
	return {
		step,
		clockFactor: dough.clockFactor,
		grams: dough.grams,
		mixedAtMs: mixed.atMs,
		mixedCelsius: mixed.celsius,
		events: dough.events,
		retarderId: dough.retarderId
	};
}

export interface RipeningView {
	readonly date: BakeDate;
	readonly doughs: readonly RipeningDoughView[];
	/** The room as it was read since the first dough was mixed. */
	readonly room: readonly PlaceStretch[];
	/** The named places that are read, by their ids. */
	readonly named: ReadonlyMap<PlaceId, readonly PlaceStretch[]>;
	readonly roomProbe: ProbeView | null;
	/** How far the dough in the tub with the sensor has risen; null where none is heard. */
	readonly tubRise: {
		readonly sensor: string;
		readonly percent: number;
		readonly measuredAtMs: number;
	} | null;
	readonly coreProbe: ProbeView | null;
	/** What the room is taken to be at now. */
	readonly roomCelsius: number;
	readonly retarders: readonly RetarderView[];
}
