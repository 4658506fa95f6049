import type {
	DoughMiss,
	LossOfProduct,
	MorningView,
	PaceOfPerson
} from '../../contracts/morning-views.ts';
import { learnedLoss, learnedShare } from '../../core/learning/index.ts';
import { asPlanned, isFollowed, learnedChanges } from '../../core/planning/index.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import { loadLogOf } from '../db/batch-log.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadNewestPlan } from '../db/plans.ts';
import { loadWeighedBaked } from '../db/results.ts';
import { loadTimesByPerson } from '../db/work-timed.ts';
import { bakeDayInput, fingerprintOf } from './bake-day-input.ts';
import { isBegun, loadBakeryDay, type BakeryDay } from './day-production.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { loadObservationsOf } from './observations.ts';
import { readNightLog } from './read-bench.ts';
import { learnedOf } from './read-learned.ts';

/** What a night taught, and what it changes in the night after it. */
export async function readMorning(db: Db, date: BakeDate): Promise<MorningView> {
	const following = addDays(date, 1);
	const loaded = loadBakeryDay(db, date);
	const [night, day, next, newest] = await Promise.all([
		readNightLog(db, date, loaded),
		loaded,
		loadBakeryDay(db, following),
		loadNewestPlan(db, following)
	]);
	const [learned, before, leads, misses, paces, weighed] = await Promise.all([
		loadLearnedForPlan(db, next),
		loadLearnedForPlan(db, next, date),
		loadLeadsOn(db, following),
		missesOf(db, day),
		pacesOf(db, date),
		loadWeighedBaked(db)
	]);
	const input = bakeDayInput(next, leads, learned);
	return {
		date,
		night,
		misses,
		next: {
			date: following,
			learned,
			changes: learnedChanges(before, learned),
			accepted: !newest
				? 'none'
				: newest.fingerprint === fingerprintOf(asPlanned(input)) &&
					  isFollowed(newest.document.plan, input)
					? 'stands'
					: 'out-of-date'
		},
		paces,
		losses: lossesOf(day, weighed)
	};
}

/** The doughs of a date that were measured, the furthest from its target first, with what is believed of their friction since. */
async function missesOf(db: Db, day: BakeryDay): Promise<readonly DoughMiss[]> {
	const mixes = day.batches.filter((batch) => batch.kind === 'mix').filter(isBegun);
	const log = await loadLogOf(
		db,
		mixes.map(({ id }) => id)
	);
	const observations = await loadObservationsOf(
		db,
		mixes.map(({ formulaId }) => formulaId)
	);
	return mixes
		.flatMap((mix): readonly DoughMiss[] => {
			const measured = log.findLast(
				(entry) => entry.batchId === mix.id && entry.kind === 'measured'
			);
			if (measured?.kind !== 'measured' || measured.targetCelsius === null) return [];
			const formula = day.book.formulas.find((one) => one.formula.id === mix.formulaId)?.formula;
			const believed = learnedOf(
				day.book,
				observations,
				mix.formulaId,
				measured.mixing?.mixerId ?? null
			)?.mixes;
			const at = believed?.findIndex(({ id }) => id === measured.id) ?? -1;
			const was = at > 0 ? believed?.[at - 1] : undefined;
			const is = believed?.at(-1);
			return [
				{
					name: formula?.name ?? '',
					ordinal: mix.ordinal,
					offKelvins: measured.celsius - measured.targetCelsius,
					friction: was && is ? { before: was.believed.kelvins, after: is.believed.kelvins } : null
				}
			];
		})
		.sort(
			(a, b) =>
				Math.abs(b.offKelvins) - Math.abs(a.offKelvins) ||
				a.name.localeCompare(b.name, 'en') ||
				a.ordinal - b.ordinal
		);
}

async function pacesOf(db: Db, date: BakeDate): Promise<readonly PaceOfPerson[]> {
	const people = (await loadEntries(db, date, ['person'])).of('person');
	const times = await loadTimesByPerson(
		db,
		people.map(({ id }) => id)
	);
	return people.flatMap(({ id, name, content }): readonly PaceOfPerson[] => {
		const { share, used } = learnedShare(times.filter(({ byId }) => byId === id));
		return used > 0
			? [{ name, setPercent: content.pacePercent, learnedPercent: Math.round(share * 100), used }]
			: [];
	});
}

function lossesOf(
	{ book }: BakeryDay,
	weighed: Awaited<ReturnType<typeof loadWeighedBaked>>
): readonly LossOfProduct[] {
	return book.products.flatMap((revision): readonly LossOfProduct[] => {
		const { product, bakeLossShare, bakedGrams, scaledGrams } = revision;
		const { lossShare, used } = learnedLoss(
			bakeLossShare,
			weighed.filter(({ productId }) => productId === product.id)
		);
		return used === 0
			? []
			: [
					{
						productId: product.id,
						name: product.name,
						bookShare: bakeLossShare,
						learnedShare: lossShare,
						used,
						scaledGrams:
							bakedGrams === null
								? null
								: { now: scaledGrams, wanted: bakedGrams / (1 - lossShare) }
					}
				];
	});
}
