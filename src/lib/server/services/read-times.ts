import type { TimedActivityView, TimesView } from '../../contracts/times-views.ts';
import { HANDS_ON_ACTIVITIES } from '../../core/formula/index.ts';
import {
	learnedLoss,
	learnedProof,
	learnedRecovery,
	learnedShare,
	learnedWater
} from '../../core/learning/index.ts';
import type { PlannedOven } from '../../core/planning/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook, type FormulaBook } from '../db/formula-book.ts';
import { mixersOf, plannedOvensOf } from '../db/of-entries.ts';
import { loadProofsLookedAt, loadWeighedBaked } from '../db/results.ts';
import { loadWaterOfMixes } from '../db/weighings.ts';
import { countTimes, loadStones, loadTimes, type TimedRow } from '../db/work-timed.ts';
import { proofLook } from './learned-for-plan.ts';

/** How long everything really takes, and what else the log taught of one recipe; a fixed number of queries. */
export async function readTimes(db: Db, date: BakeDate, wanted: string | null): Promise<TimesView> {
	const [book, entries] = await Promise.all([
		loadFormulaBook(db, date),
		loadEntries(db, date, ['oven', 'mixer'])
	]);
	const names = namesOf(book);
	const counts = await countTimes(
		db,
		names.map(({ id }) => id)
	);
	const recipes = names
		.map(({ id, name }) => ({ id, name, times: counts.get(id) ?? 0 }))
		.sort(
			(a, b) => b.times - a.times || a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1)
		);
	const chosen = recipes.find(({ id }) => id === wanted) ?? recipes[0];
	const ovens = plannedOvensOf(entries);
	const [times, water, looks, weighed, stones] = await Promise.all([
		loadTimes(db, chosen ? [chosen.id] : []),
		loadWaterOfMixes(db, chosen?.id ?? null),
		loadProofsLookedAt(db),
		loadWeighedBaked(db),
		loadStones(
			db,
			ovens.flatMap(({ decks }) => decks.map(({ id }) => id))
		)
	]);
	const product = book.products.find((one) => one.product.id === chosen?.id);
	const loss =
		product &&
		learnedLoss(
			product.bakeLossShare,
			weighed.filter(({ productId }) => productId === product.product.id)
		);
	const machines = new Map([
		...mixersOf(entries).map(({ id, name }) => [id, name] as const),
		...ovens.flatMap(({ name, decks }) => decks.map((deck) => [deck.id, name] as const))
	]);
	return {
		date,
		recipes,
		recipe: chosen ? { id: chosen.id, name: chosen.name } : null,
		activities: [...HANDS_ON_ACTIVITIES, 'bake' as const].flatMap((activity) => {
			const own = times.filter((one) => one.activity === activity);
			return own.length > 0 ? [activityOf(activity, own, machines)] : [];
		}),
		water: taught(learnedWater(water)),
		proof: taught(
			learnedProof(looks.filter(({ productId }) => productId === chosen?.id).map(proofLook))
		),
		loss: product && loss && loss.used > 0 ? { bookShare: product.bakeLossShare, ...loss } : null,
		stones: ovens.flatMap((oven) => stonesOf(oven, stones))
	};
}

function namesOf(book: FormulaBook): readonly { readonly id: string; readonly name: string }[] {
	return [
		...book.formulas.map(({ formula }) => formula),
		...[...book.preparations.values()].map(({ preparation }) => preparation),
		...book.products.map(({ product }) => product)
	].map(({ id, name }) => ({ id, name }));
}

/** Null where nothing was observed: what was not learned is not shown as if it was. */
function taught<L extends { readonly used: number }>(learned: L): L | null {
	return learned.used > 0 ? learned : null;
}

function activityOf(
	activity: TimedActivityView['activity'],
	times: readonly TimedRow[],
	machines: ReadonlyMap<string, string>
): TimedActivityView {
	const learned = learnedShare(times.filter(({ ignored }) => !ignored));
	const machineOf = ({ machineId }: TimedRow) =>
		(machineId === null ? undefined : machines.get(machineId)) ?? '';
	return {
		activity,
		...learned,
		byOven: activity === 'bake' ? apart(times, machineOf) : [],
		byPerson: activity === 'bake' ? [] : apart(times, ({ by }) => by),
		times: times.map((one) => ({
			id: one.id,
			date: one.date as BakeDate,
			taskId: one.taskId,
			by: one.by,
			machine: machineOf(one),
			bookMinutes: one.bookMinutes,
			realMinutes: one.realMinutes,
			occurredAtMs: one.occurredAtMs,
			ignored: one.ignored,
			leftOut: learned.leftOut.includes(one.id)
		}))
	};
}

/** What was learned of each apart; nothing where there is but one. */
function apart(
	times: readonly TimedRow[],
	nameOf: (time: TimedRow) => string
): TimedActivityView['byOven'] {
	const names = [...new Set(times.map(nameOf))].sort();
	return names.length < 2
		? []
		: names.flatMap((name) => {
				const { share, used } = learnedShare(
					times.filter((one) => !one.ignored && nameOf(one) === name)
				);
				return used > 0 ? [{ name, share, used }] : [];
			});
}

function stonesOf(
	oven: PlannedOven,
	stones: Awaited<ReturnType<typeof loadStones>>
): TimesView['stones'] {
	const own = stones.filter(({ deckId }) => oven.decks.some(({ id }) => id === deckId));
	const learned = learnedRecovery(own, oven.heatMinutesPerTenKelvin);
	return learned.used > 0 ? [{ name: oven.name, ...learned }] : [];
}
