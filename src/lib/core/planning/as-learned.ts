import type { BakeStep, HandsOnActivity, Step } from '../formula/index.ts';
import type { PlannedOven } from './input.ts';

/** What the log taught, as a plan takes it. */
export type LearnedInPlan =
	/** A dough or a pre-ferment takes so many times the minutes of its clock. */
	| {
			readonly kind: 'clock';
			readonly recipeId: string;
			readonly name: string;
			readonly share: number;
			/** From how many observations. */
			readonly used: number;
	  }
	/** Pieces take so many times the minutes of their proof's clock. */
	| {
			readonly kind: 'proof';
			readonly recipeId: string;
			readonly name: string;
			readonly share: number;
			readonly used: number;
	  }
	/** Hands take so many times the minutes of the book. */
	| {
			readonly kind: 'hands';
			readonly recipeId: string;
			readonly name: string;
			readonly activity: HandsOnActivity;
			readonly share: number;
			readonly used: number;
	  }
	/** It bakes so many times the minutes of its programme. */
	| {
			readonly kind: 'bake';
			readonly recipeId: string;
			readonly name: string;
			readonly share: number;
			readonly used: number;
	  }
	/** In one oven its bake takes so many times what it takes elsewhere. */
	| {
			readonly kind: 'bake-in';
			readonly recipeId: string;
			readonly ovenId: string;
			readonly name: string;
			readonly ovenName: string;
			readonly share: number;
			readonly used: number;
	  }
	/** An oven wants so many more minutes between loads. */
	| {
			readonly kind: 'recovery';
			readonly ovenId: string;
			readonly name: string;
			readonly minutes: number;
			readonly used: number;
	  };

/**
 * Gives the steps of a recipe as the log corrected them.
 *
 * Model: hands and bakes in proportion, to whole minutes where they are fixed ones; a bake never ends before the last change of its programme; the clock of the
 * wait that it ferments in (its first with a clock) in proportion. Range: shares above 0. Source: our default. Failures: none.
 * Example: shaping learned at 1.2: 10 minutes become 12, 20 seconds a piece 24.
 */
export function asLearned(
	steps: readonly Step[],
	recipeId: string,
	learned: readonly LearnedInPlan[]
): readonly Step[] {
	const own = learned.filter(
		(one) => one.kind !== 'recovery' && one.kind !== 'bake-in' && one.recipeId === recipeId
	);
	if (own.length === 0) return steps;
	const clock = own.find(({ kind }) => kind === 'clock' || kind === 'proof');
	const bake = own.find(({ kind }) => kind === 'bake');
	const ripens = steps.find((step) => step.kind === 'wait' && step.clock !== null);
	return steps.map((step): Step => {
		switch (step.kind) {
			case 'hands-on': {
				const hands = own.find((one) => one.kind === 'hands' && one.activity === step.activity);
				if (hands?.kind !== 'hands') return step;
				return {
					...step,
					fixedMinutes: Math.round(step.fixedMinutes * hands.share),
					secondsPerPiece: Math.round(step.secondsPerPiece * hands.share)
				};
			}
			case 'bake': {
				return bake?.kind === 'bake' ? bakedSoMuchLonger(step, bake.share) : step;
			}
			case 'wait':
				if (step !== ripens || !step.clock) return step;
				if (clock?.kind !== 'clock' && clock?.kind !== 'proof') return step;
				return {
					...step,
					clock: {
						...step.clock,
						underMinutes: Math.round(step.clock.underMinutes * clock.share),
						ripeMinutes: Math.round(step.clock.ripeMinutes * clock.share),
						overMinutes: Math.round(step.clock.overMinutes * clock.share)
					}
				};
		}
	});
}

/**
 * A bake as it goes in one oven.
 * Range: a step of `asLearned`, of the product and the oven named. Source: our default, as there. Failures: none; where nothing is learned of that oven, it is as it was.
 * Example: 40 minutes elsewhere, learned at 1.1 in the yard oven: 44 there.
 */
export function bakeIn(
	step: BakeStep,
	productId: string,
	ovenId: string | undefined,
	learned: readonly LearnedInPlan[]
): BakeStep {
	return bakedSoMuchLonger(step, shareIn(productId, ovenId, learned));
}

/** How many times as long a product bakes in one oven as elsewhere. Range: any. Source: definition. Failures: none. Example: nothing learned of it: 1. */
export function shareIn(
	productId: string,
	ovenId: string | undefined,
	learned: readonly LearnedInPlan[]
): number {
	const own = learned.find(
		(one) => one.kind === 'bake-in' && one.recipeId === productId && one.ovenId === ovenId
	);
	return own?.kind === 'bake-in' ? own.share : 1;
}

/** Never over before the last change of its programme. */
function bakedSoMuchLonger(step: BakeStep, share: number): BakeStep {
	if (share === 1) return step;
	const last = Math.max(0, ...step.programme.changes.map(({ atMinutes }) => atMinutes));
	return { ...step, bakeMinutes: Math.max(last + 1, Math.round(step.bakeMinutes * share)) };
}

/** An oven as the log corrected it. Range: any. Source: definition. Failures: none. Example: 4 more minutes learned on 6: 10. */
export function ovenAsLearned(oven: PlannedOven, learned: readonly LearnedInPlan[]): PlannedOven {
	const more = learned.find((one) => one.kind === 'recovery' && one.ovenId === oven.id);
	return more?.kind === 'recovery'
		? { ...oven, recoveryMinutes: oven.recoveryMinutes + Math.round(more.minutes) }
		: oven;
}

/** Less of a change is no news (our default, as a share). */
const LEAST_CHANGE = 0.02;

/** Something that is believed otherwise than before. */
export interface LearnedChange {
	/** As it is believed now; null for what is no longer far enough from the book. */
	readonly now: LearnedInPlan | null;
	readonly before: LearnedInPlan | null;
}

/**
 * What changed between two beliefs, the largest change first.
 * Range: beliefs of the same recipes. Source: definition. Failures: none.
 * Example: shaping at 1 before and at 1.2 now stands before a clock that went from 1.10 to 1.11.
 */
export function learnedChanges(
	before: readonly LearnedInPlan[],
	now: readonly LearnedInPlan[]
): readonly LearnedChange[] {
	const keys = new Set([...before, ...now].map(keyOf));
	const of = (all: readonly LearnedInPlan[], key: string) =>
		all.find((one) => keyOf(one) === key) ?? null;
	return [...keys]
		.map((key) => ({ now: of(now, key), before: of(before, key) }))
		.filter((change) => sizeOf(change) >= LEAST_CHANGE)
		.sort((a, b) => sizeOf(b) - sizeOf(a));
}

function keyOf(one: LearnedInPlan): string {
	switch (one.kind) {
		case 'hands':
			return `hands ${one.recipeId} ${one.activity}`;
		case 'clock':
		case 'proof':
		case 'bake':
			return `${one.kind} ${one.recipeId}`;
		case 'bake-in':
			return `${one.kind} ${one.recipeId} ${one.ovenId}`;
		case 'recovery':
			return `recovery ${one.ovenId}`;
	}
}

/** How large a change is, as a share; an oven's minutes as parts of a quarter of an hour. */
function sizeOf({ now, before }: LearnedChange): number {
	const share = (one: LearnedInPlan | null) => {
		if (one === null) return 1;
		return one.kind === 'recovery' ? 1 + one.minutes / 15 : one.share;
	};
	return Math.abs(share(now) - share(before));
}
