import type { RipeningDoughView } from '../../contracts/ripening-views.ts';
import { learnedRipening } from '../../core/learning/index.ts';
import { bulkOfPieces, proofAhead, type BulkOfPieces } from '../../core/planning/index.ts';
import { figuresOf, type ResolvedStage } from '../../core/formula/index.ts';
import type { Build, Mix } from '../../core/production/index.ts';
import { followedLog, ripeningStep } from '../../core/ripening/index.ts';
import { stirredTarget } from '../../core/mixing/index.ts';
import type { BatchEntry } from '../db/batch-log.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { nameOfMix, nameOfPreparation } from './batch-names.ts';
import { batchAt, recipeOfMix, recipeOfPreparation, type BakeryDay } from './day-production.ts';
import { learnedWait, loadObservationsOf, observationsOf } from './observations.ts';

/** The doughs and pre-ferments of a date with what happened to each since it was mixed; three queries. */
export async function loadRipeningDoughs(
	db: Db | Tx,
	day: BakeryDay
): Promise<readonly RipeningDoughView[]> {
	const [starts, observations] = await Promise.all([
		loadPlannedMixStarts(db, day.date),
		loadObservationsOf(
			db,
			day.production.doughs.map((dough) => dough.resolved.formula.id)
		)
	]);
	const builds = day.production.builds.flatMap((build): RipeningDoughView[] => {
		const recipe = recipeOfPreparation(day, build);
		const step = ripeningStep(recipe?.steps ?? []);
		// What neither ripens nor was touched has nothing to be followed by.
		if (!recipe || (!step && build.made === null)) return [];
		const { preparation, ordinal } = build;
		const batch = batchAt(day, { kind: 'preparation', preparationId: preparation.id, ordinal });
		const count = day.production.builds.filter(
			(build) => build.preparation.id === preparation.id
		).length;
		return [
			{
				batch: nameOfPreparation(day, build),
				kind: preparation.kind === 'build' ? 'pre-ferment' : 'preparation',
				recipeId: preparation.id,
				name: preparation.name,
				ordinal,
				count,
				grams: build.gross.value,
				targetCelsius: stirredTarget(recipe.steps),
				plannedMs: (batch && starts.get(batch.id)) ?? null,
				step,
				yeastPercent: null,
				clockFactor: 1,
				clockUsed: 0,
				...endedByTakers(
					logView(batch ? (day.log.get(batch.id) ?? []) : []),
					takenAtMs(build, day)
				),
				proof: null
			}
		];
	});
	const doughs = day.production.doughs.flatMap((dough) =>
		dough.mixes.flatMap((mix): RipeningDoughView[] => {
			const { formula } = mix.resolved;
			const recipe = recipeOfMix(day, mix);
			if (!recipe) return [];
			const place = { kind: 'mix', formulaId: formula.id, ordinal: mix.ordinal } as const;
			const batch = batchAt(day, place);
			const observed = observationsOf(observations, formula.id);
			const own = learnedWait(recipe.steps, observed);
			const pieces = own.step ? null : bulkAsPieces(mix, recipe.targetCelsius, day);
			return [
				{
					batch: nameOfMix(day, mix),
					kind: 'mix',
					recipeId: formula.id,
					name: pieces ? `${formula.name}, as ${pieces.product}` : formula.name,
					ordinal: mix.ordinal,
					count: mix.count,
					grams: mix.dough.value,
					targetCelsius: recipe.targetCelsius,
					plannedMs: (batch && starts.get(batch.id)) ?? null,
					yeastPercent: figuresOf(mix.resolved).yeastFreshEquivalent,
					...(pieces ? learnedRipening(pieces.step, observed) : own),
					...logView(batch ? (day.log.get(batch.id) ?? []) : []),
					proof: proofOf(mix, recipe.targetCelsius, day, pieces)
				}
			];
		})
	);
	return [...builds, ...doughs];
}

/**
 * When the last mix that takes from a build came out of the mixer; null while one is still to come, or where
 * something else takes from it too and nobody says when.
 */
function takenAtMs({ preparation }: Build, day: BakeryDay): number | null {
	const takes = (stage: ResolvedStage) =>
		stage.stages.some((inner) => inner.preparation?.id === preparation.id);
	const { builds, doughs } = day.production;
	const byPieces = day.book.products.some(({ product }) =>
		product.extras.some(
			({ material }) => material.kind === 'preparation' && material.preparationId === preparation.id
		)
	);
	if (byPieces || builds.some((other) => takes(other.stage))) return null;
	const mixedAtMs = doughs
		.flatMap((dough) => dough.mixes)
		.filter((mix) => takes(mix.resolved.final))
		.map((mix) => {
			const log = mix.made ? (day.log.get(mix.made) ?? []) : [];
			return followedLog(log).mixed?.atMs ?? null;
		});
	return mixedAtMs.length === 0 || mixedAtMs.includes(null)
		? null
		: Math.max(...mixedAtMs.map((atMs) => atMs ?? 0));
}

/** What was taken whole ripens no more, whether somebody said so or not. */
function endedByTakers(log: LogView, takenAt: number | null): LogView {
	if (takenAt === null || log.mixed === null || log.endedAtMs !== null) return log;
	return { ...log, endedAtMs: takenAt, lastMoveId: null, retarderId: null };
}

type LogView = Pick<
	RipeningDoughView,
	'mixed' | 'events' | 'retarderId' | 'endedAtMs' | 'lastMoveId' | 'judgements'
>;

function logView(entries: readonly BatchEntry[]): LogView {
	const { mixed, events, retarderId, endedAtMs } = followedLog(entries);
	const measured = entries.findLast((entry) => entry.kind === 'measured');
	return {
		mixed:
			mixed && measured?.kind === 'measured' ? { ...mixed, instrument: measured.instrument } : null,
		events,
		retarderId,
		endedAtMs,
		lastMoveId:
			entries.findLast((entry) => entry.kind === 'moved' || entry.kind === 'ended')?.id ?? null,
		judgements: entries.flatMap((entry) =>
			entry.kind === 'judged'
				? [
						{
							id: entry.id,
							by: entry.by,
							occurredAtMs: entry.occurredAtMs,
							sightings: entry.sightings,
							verdict: entry.verdict,
							decision: entry.decision
						}
					]
				: []
		)
	};
}

/** The bulk that a dough without one of its own goes through as pieces of a product. */
function bulkAsPieces(mix: Mix, doughCelsius: number, day: BakeryDay): BulkOfPieces | null {
	const bakehouse = [...day.book.places.values()].find(({ role }) => role === 'bakehouse');
	const portions = mix.portions.flatMap(({ productId, pieces }) => {
		const found = day.book.products.find(({ product }) => product.id === productId);
		return found ? [{ product: found.product.name, steps: found.steps, pieces }] : [];
	});
	return bulkOfPieces(portions, doughCelsius, {
		named: bakehouse ? { id: bakehouse.id, name: bakehouse.name } : null,
		ambientCelsius: bakehouse?.celsius ?? day.bakery.assumed.roomCelsius
	});
}

/** The proof of the first product that a mix becomes, or of that whose pieces are followed already. */
function proofOf(
	mix: Mix,
	doughCelsius: number,
	day: BakeryDay,
	followed: BulkOfPieces | null
): RipeningDoughView['proof'] {
	const products = mix.portions.flatMap(({ productId, pieces }) => {
		const found = day.book.products.find(({ product }) => product.id === productId);
		return found ? [{ found, pieces }] : [];
	});
	const portion =
		products.find(({ found }) => found.product.name === followed?.product) ?? products[0];
	if (!portion) return null;
	const { found: product, pieces } = portion;
	const ahead = proofAhead(followed?.after ?? product.steps, pieces, doughCelsius);
	return ahead && { product: product.product.name, ...ahead };
}
