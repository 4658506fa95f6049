import {
	judgeReadiness,
	type ClockStanding,
	type Readiness,
	type Sighting
} from '../fermentation/index.ts';
import type { DropId, FormulaId, ProductId } from '../identity.ts';

/** The part of a mix that becomes one product. */
export interface PortionRef {
	readonly formulaId: FormulaId;
	readonly ordinal: number;
	readonly productId: ProductId;
}

/** What can be wrong with bread, as it is seen, cut or tasted (the trade's words). */
export const FAULTS = [
	'burst-below',
	'flat',
	'dense',
	'pale',
	'dark',
	'dull-crust',
	'sour',
	'bland',
	'gummy',
	'blistered',
	'tunnel',
	'uneven'
] as const;
export type Fault = (typeof FAULTS)[number];

/** What is scored from 1 to 5. */
export const SCORED = ['crust', 'crumb', 'taste'] as const;
export type Scored = (typeof SCORED)[number];

/** Where pieces are looked at: resting on the bench before they are shaped, or in proof. */
export const LOOKED_AT = ['rest', 'proof'] as const;
export type LookedAt = (typeof LOOKED_AT)[number];

/** What is done about pieces that were looked at. */
export const PIECE_DECISIONS = ['wait', 'cold', 'load', 'pre-shape-again', 'shape'] as const;
export type PieceDecision = (typeof PIECE_DECISIONS)[number];

/** How a crust has coloured, from young to old. */
export const BROWNINGS = ['pale', 'golden', 'brown', 'dark'] as const;
export type Browning = (typeof BROWNINGS)[number];

/** How the bottom of a loaf answers a knock: a damp crumb answers dully. */
export const SOUNDS = ['dull', 'hollow'] as const;
export type Sound = (typeof SOUNDS)[number];

/** What is told of a portion, in proof or after it was baked. */
export type ResultTold =
	/** Counted after the oven; what is counted in several goes adds up. */
	| {
			readonly kind: 'counted';
			readonly good: number;
			/** Fit to eat, not to be sold as what it is. */
			readonly second: number;
			readonly lost: number;
			/** Why some were second or lost; empty where nobody said. */
			readonly because: string;
	  }
	| { readonly kind: 'weighed'; readonly pieces: number; readonly bakedGrams: number }
	| {
			readonly kind: 'scored';
			readonly scores: Readonly<Record<Scored, number | null>>;
			readonly note: string;
	  }
	| { readonly kind: 'fault'; readonly fault: Fault; readonly note: string }
	/** Drawn: how it had coloured, how it sounded; at least one of the two. */
	| {
			readonly kind: 'drawn';
			readonly browning: Browning | null;
			readonly sound: Sound | null;
	  }
	/** Looked at on the bench or in proof: how it stood by the clock then, what was seen, what was decided. */
	| {
			readonly kind: 'judged';
			readonly at: LookedAt;
			readonly clock: ClockStanding;
			/** How many times its book's minutes its plan gave it: the clock is that of the plan. */
			readonly bookFactor: number;
			readonly sightings: readonly Sighting[];
			readonly decision: PieceDecision;
	  }
	/** What it looked like; kept apart from what is told, and null where it is read. */
	| { readonly kind: 'picture'; readonly jpegBase64: string | null }
	/** A short count is answered: a drop gets fewer. */
	| { readonly kind: 'less'; readonly dropId: DropId; readonly pieces: number }
	/** A short count is answered: so many are made again. */
	| { readonly kind: 'again'; readonly pieces: number };

export const RESULT_KINDS = [
	'counted',
	'weighed',
	'scored',
	'fault',
	'drawn',
	'judged',
	'picture',
	'less',
	'again'
] as const satisfies readonly ResultTold['kind'][];

/** Something told, of which portion, by whom and when. */
export interface ResultEntry {
	readonly id: string;
	readonly portion: PortionRef;
	readonly told: ResultTold;
	readonly by: string;
	readonly atMs: number;
}

/**
 * How pieces stood when they were looked at, by clock and sights together; worked out anew from what was kept.
 * Range: something judged. Source: `judgeReadiness`. Failures: none.
 * Example: at 80 % of their proof with a poke that half springs back: ready.
 */
export function readinessOf({
	clock,
	sightings
}: Extract<ResultTold, { readonly kind: 'judged' }>): Readiness {
	return judgeReadiness(clock, sightings);
}
