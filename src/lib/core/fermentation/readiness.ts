/** What a baker looks for in a dough or a leaven, each with what it can show. Order runs from young to old. */
export const SIGHTINGS = {
	rise: ['little', 'half-way', 'to-the-mark', 'past-the-mark'],
	float: ['sinks', 'hangs', 'floats'],
	poke: ['springs-back', 'springs-back-slowly', 'half-springs-back', 'stays'],
	dome: ['flat-and-tight', 'domed', 'flattening', 'fallen'],
	wobble: ['stiff', 'trembles', 'wobbles', 'slack'],
	window: ['tears', 'thick', 'thin'],
	smell: ['of-flour', 'mild', 'ripe', 'sharp'],
	'blade-drag': ['cuts-clean', 'drags-a-little', 'collapses'],
	spread: ['stands', 'spreads-a-little', 'runs'],
	volume: ['hardly-grown', 'half-again', 'doubled', 'tripled', 'collapsing'],
	pour: ['heavy', 'stretchy', 'airy', 'runny'],
	taste: ['of-flour', 'sweet', 'mild-sour', 'sour', 'biting']
} as const;

export type SightingKind = keyof typeof SIGHTINGS;
export type Sighting = {
	readonly [K in SightingKind]: { readonly kind: K; readonly seen: (typeof SIGHTINGS)[K][number] };
}[SightingKind];

/** What is looked for in a dough, in a pre-ferment or a culture, in pieces that rest on the bench, and in pieces in proof: their height is that in the basket. */
export const SIGHTS: Readonly<
	Record<'dough' | 'leaven' | 'rested' | 'pieces', readonly SightingKind[]>
> = {
	dough: ['rise', 'float', 'poke', 'dome', 'wobble', 'window', 'smell', 'blade-drag', 'spread'],
	leaven: ['volume', 'dome', 'float', 'pour', 'smell', 'taste'],
	rested: ['spread', 'poke'],
	pieces: ['poke', 'dome', 'rise', 'wobble', 'spread']
};

export type ReadinessVerdict = 'not-yet' | 'nearly' | 'ready' | 'late';

/** What the baker decides when a dough was looked at. */
export const READINESS_DECISIONS = ['wait', 'fold-again', 'go-on'] as const;
export type ReadinessDecision = (typeof READINESS_DECISIONS)[number];

/** Where a dough stands by its clock: shares of its ripe dose. */
export interface ClockStanding {
	readonly share: number;
	readonly earlyShare: number;
	readonly lateShare: number;
}

export type ReadinessReason =
	| { readonly kind: 'clock'; readonly share: number; readonly says: ReadinessVerdict }
	| { readonly kind: 'seen'; readonly sighting: Sighting; readonly says: ReadinessVerdict };

export interface Readiness {
	readonly verdict: ReadinessVerdict;
	/** How far along, all taken together: 1 is ripe. */
	readonly share: number;
	/** The same by what was seen alone, with how sure that is; null where nothing was. */
	readonly seen: { readonly share: number; readonly spread: number } | null;
	readonly reasons: readonly ReadinessReason[];
	/** True where the eye and the clock lie further apart than both are sure of. */
	readonly atOdds: boolean;
	/** A dough that spreads on the bench wants another pre-shape, whatever its age. */
	readonly wantsPreShape: boolean;
}

/** The age a sight stands for on a scale with early 0, ripe 1 and late 2, and how sure it is. */
const AGE: {
	readonly [K in SightingKind]: { readonly ages: readonly number[]; readonly spread: number };
} = {
	rise: { ages: [-0.8, 0.2, 1, 1.9], spread: 0.35 },
	float: { ages: [-0.5, 0.5, 1.1], spread: 0.6 },
	poke: { ages: [-0.6, 0.4, 1, 2], spread: 0.35 },
	dome: { ages: [-0.5, 0.9, 1.6, 2.4], spread: 0.4 },
	wobble: { ages: [-0.5, 0.4, 1, 2], spread: 0.5 },
	window: { ages: [-0.6, 0.3, 0.9], spread: 0.8 },
	smell: { ages: [-0.6, 0.3, 1, 2], spread: 0.7 },
	'blade-drag': { ages: [0.3, 1, 2.1], spread: 0.5 },
	// It speaks of strength rather than of age.
	spread: { ages: [0.8, 1, 1.5], spread: 1.5 },
	// One that doubles is on its way up; how far it rises beyond is a matter of its flour and its water.
	volume: { ages: [-0.6, 0.1, 0.7, 1.1, 2.3], spread: 0.45 },
	pour: { ages: [-0.3, 0.5, 1.1, 2.1], spread: 0.6 },
	taste: { ages: [-0.5, 0.2, 0.9, 1.5, 2.3], spread: 0.6 }
};
/** How sure the clock is on the same scale (our default). */
const CLOCK_SPREAD = 0.5;
const AT_ODDS = 2;

/**
 * Combines what is seen with the clock. The decision stays with the baker.
 *
 * Model: the clock and each sight say an age, each with its own sureness; the mean by sureness decides.
 * Below early it is not yet, up to half-way to ripe nearly, up to late ready, then late.
 * Range: early below 1, late above 1. Source: our default, corrected by what bakers decide.
 * Failures: none; without a sight the clock speaks alone.
 * Example: by the clock at 80 % of ripe and with a poke that stays, it is ready.
 */
export function judgeReadiness(clock: ClockStanding, sightings: readonly Sighting[]): Readiness {
	const clockAge = ageOfShare(clock);
	const votes = [
		{ age: clockAge, weight: CLOCK_SPREAD ** -2 },
		...sightings.map((sighting) => ({
			age: ageOf(sighting),
			weight: AGE[sighting.kind].spread ** -2
		}))
	];
	const weight = votes.reduce((total, vote) => total + vote.weight, 0);
	const age = votes.reduce((total, vote) => total + vote.age * vote.weight, 0) / weight;
	const seen = votes.slice(1);
	const seenWeight = seen.reduce((total, vote) => total + vote.weight, 0);
	const seenAge = seen.reduce((total, vote) => total + vote.age * vote.weight, 0) / seenWeight;
	return {
		verdict: verdictOf(age),
		share: shareOfAge(age, clock),
		seen:
			seen.length > 0
				? {
						share: shareOfAge(seenAge, clock),
						spread: (1 - clock.earlyShare) * seenWeight ** -0.5
					}
				: null,
		reasons: [
			{ kind: 'clock', share: clock.share, says: verdictOf(clockAge) },
			...sightings.map((sighting) => ({
				kind: 'seen' as const,
				sighting,
				says: verdictOf(ageOf(sighting))
			}))
		],
		atOdds:
			seen.length > 0 &&
			Math.abs(seenAge - clockAge) > AT_ODDS * Math.hypot(CLOCK_SPREAD, seenWeight ** -0.5),
		wantsPreShape: sightings.some(
			(sighting) => sighting.kind === 'spread' && sighting.seen === 'runs'
		)
	};
}

function ageOf(sighting: Sighting): number {
	const seen: readonly string[] = SIGHTINGS[sighting.kind];
	return AGE[sighting.kind].ages[seen.indexOf(sighting.seen)] ?? 1;
}

function ageOfShare({ share, earlyShare, lateShare }: ClockStanding): number {
	return share <= 1 ? (share - earlyShare) / (1 - earlyShare) : 1 + (share - 1) / (lateShare - 1);
}

function shareOfAge(age: number, { earlyShare, lateShare }: ClockStanding): number {
	const share = age <= 1 ? earlyShare + age * (1 - earlyShare) : 1 + (age - 1) * (lateShare - 1);
	return Math.max(0, share);
}

function verdictOf(age: number): ReadinessVerdict {
	if (age < 0) return 'not-yet';
	if (age < 0.5) return 'nearly';
	return age <= 2 ? 'ready' : 'late';
}

/** A tub is marked where its dough has risen by so much, in per cent (our default, between half and double). */
const MARK_PERCENT = 65;

/**
 * What a rise in per cent is by the mark of a tub, as a baker would say it.
 * Range: any rise; a fall counts as little. Source: our default. Failures: none.
 * Example: 60 % is to the mark, 20 % is little.
 */
export function riseSeen(percent: number): Extract<Sighting, { readonly kind: 'rise' }> {
	const share = percent / MARK_PERCENT;
	if (share < 0.35) return { kind: 'rise', seen: 'little' };
	if (share < 0.8) return { kind: 'rise', seen: 'half-way' };
	return { kind: 'rise', seen: share < 1.35 ? 'to-the-mark' : 'past-the-mark' };
}
