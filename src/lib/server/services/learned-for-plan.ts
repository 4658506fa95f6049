import {
	learnedClock,
	learnedProof,
	learnedRecovery,
	learnedShare,
	type ProofLook,
	type TimedWork
} from '../../core/learning/index.ts';
import type { LearnedInPlan } from '../../core/planning/index.ts';
import { readinessOf } from '../../core/results/index.ts';
import { HANDS_ON_ACTIVITIES } from '../../core/formula/index.ts';
import { addDays, instantOf, type BakeDate, type WallTime } from '../../core/time/index.ts';
import { remembered } from '../remembered.ts';
import type { Db, Tx } from '../db/client.ts';
import type { LearnedUntil } from '../db/batch-log.ts';
import { loadProofsLookedAt, type ProofLookedAt } from '../db/results.ts';
import { loadStones, loadTimes } from '../db/work-timed.ts';
import type { BakeryDay } from './day-production.ts';
import { loadObservationsOf, observationsOf } from './observations.ts';

/** Fewer observations than this change no plan, nor does a smaller difference (our defaults). */
const LEAST_USED = 2;
const LEAST_CHANGE = 0.03;
const LEAST_MINUTES = 1;

const clockOf = remembered(learnedClock, (judgements) => JSON.stringify(judgements));
const proofOf = remembered(learnedProof, (looks) => JSON.stringify(looks));
const shareOf = remembered(learnedShare, (times: readonly TimedWork[]) =>
	times.map((one) => `${one.id} ${one.bookMinutes} ${one.realMinutes}`).join('\n')
);

/**
 * What is learned until noon of the day before a date, of the nights before it, is in its plan: those are over by then, and what is tapped tonight
 * changes no plan that is followed tonight.
 */
function learnedUntil(date: BakeDate, timeZone: string): LearnedUntil {
	return { date, atMs: instantOf(addDays(date, -1), '12:00' as WallTime, timeZone).epochMs };
}

/** What the log taught of everything a date makes, as its plan takes it; a fixed number of queries. */
export async function loadLearnedForPlan(
	db: Db | Tx,
	day: BakeryDay,
	/** As it was believed for the plan of that date. */
	asOf: BakeDate = day.date
): Promise<readonly LearnedInPlan[]> {
	const { production, book } = day;
	const until = learnedUntil(asOf, day.bakery.timeZone);
	const names = new Map<string, string>();
	for (const { resolved, mixes } of production.doughs) {
		names.set(resolved.formula.id, resolved.formula.name);
		for (const { portions } of mixes)
			for (const { productId } of portions) {
				const product = book.products.find((one) => one.product.id === productId);
				if (product) names.set(productId, product.product.name);
			}
	}
	for (const { preparation } of production.builds) names.set(preparation.id, preparation.name);
	const recipes = [...names.keys()];
	const ferments = [
		...production.doughs.map(({ resolved }) => resolved.formula.id),
		...production.builds.map(({ preparation }) => preparation.id)
	];
	const decks = day.ovens.flatMap((oven) => oven.decks.map(({ id }) => id));
	const [observations, all, stones, looks] = await Promise.all([
		loadObservationsOf(db, ferments, { kinds: ['judged'], until }),
		loadTimes(db, recipes, until),
		loadStones(db, decks, until),
		loadProofsLookedAt(db, until)
	]);
	const times = all.filter(({ ignored }) => !ignored);
	const clocks = ferments.flatMap((recipeId): readonly LearnedInPlan[] => {
		const { mean, used } = clockOf(observationsOf(observations, recipeId).judged);
		return counts(mean, used)
			? [{ kind: 'clock', recipeId, name: names.get(recipeId) ?? '', share: rounded(mean), used }]
			: [];
	});
	const products = production.doughs.flatMap(({ mixes }) =>
		mixes.flatMap(({ portions }) => portions.map(({ productId }) => productId))
	);
	const proofs = [...new Set(products)].flatMap((recipeId): readonly LearnedInPlan[] => {
		const { share, used } = proofOf(
			looks.filter(({ productId }) => productId === recipeId).map(proofLook)
		);
		return counts(share, used)
			? [{ kind: 'proof', recipeId, name: names.get(recipeId) ?? '', share: rounded(share), used }]
			: [];
	});
	const taken = recipes.flatMap((recipeId): readonly LearnedInPlan[] =>
		[...HANDS_ON_ACTIVITIES, 'bake' as const].flatMap((activity): readonly LearnedInPlan[] => {
			const own = times.filter((one) => one.recipeId === recipeId && one.activity === activity);
			const { share, used } = shareOf(own);
			if (!counts(share, used)) return [];
			const of = { recipeId, name: names.get(recipeId) ?? '', share: rounded(share), used };
			return [activity === 'bake' ? { kind: 'bake', ...of } : { kind: 'hands', activity, ...of }];
		})
	);
	const bakedIn = [...new Set(products)].flatMap((recipeId): readonly LearnedInPlan[] => {
		const bake = taken.find((one) => one.kind === 'bake' && one.recipeId === recipeId);
		const elsewhere = bake?.kind === 'bake' ? bake.share : 1;
		return day.ovens.flatMap((oven): readonly LearnedInPlan[] => {
			const own = times
				.filter(
					({ recipeId: of, activity, machineId }) =>
						of === recipeId && activity === 'bake' && oven.decks.some(({ id }) => id === machineId)
				)
				// Beside what all ovens taught of it: an oven without a time of its own is believed to be as they are.
				.map((one) => ({ ...one, bookMinutes: one.bookMinutes * elsewhere }));
			const { share, used } = shareOf(own);
			if (!counts(share, used)) return [];
			const of = { recipeId, name: names.get(recipeId) ?? '', share: rounded(share), used };
			return [{ kind: 'bake-in', ...of, ovenId: oven.id, ovenName: oven.name }];
		});
	});
	const ovens = day.ovens.flatMap((oven): readonly LearnedInPlan[] => {
		const own = stones.filter(({ deckId }) => oven.decks.some(({ id }) => id === deckId));
		const { minutes, used } = learnedRecovery(own, oven.heatMinutesPerTenKelvin);
		return used >= LEAST_USED && minutes >= LEAST_MINUTES
			? [{ kind: 'recovery', ovenId: oven.id, name: oven.name, minutes: Math.round(minutes), used }]
			: [];
	});
	return [...clocks, ...proofs, ...taken, ...bakedIn, ...ovens];
}

/** A look at pieces in proof, as it is learned from. */
export function proofLook({ id, told }: ProofLookedAt): ProofLook {
	return {
		id,
		bookShare: told.clock.share * told.bookFactor,
		seen: readinessOf(told).seen
	};
}

function counts(share: number, used: number): boolean {
	return used >= LEAST_USED && Math.abs(share - 1) >= LEAST_CHANGE;
}

/** To a hundredth: what is finer is no knowledge. */
function rounded(share: number): number {
	return Math.round(share * 100) / 100;
}
