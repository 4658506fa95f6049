import type { BenchMomentView, BenchView, NightLogView } from '../../contracts/bench-views.ts';
import { batchKey } from '../../core/planning/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadMixedOn } from '../db/batch-log-standing.ts';
import type { Db } from '../db/client.ts';
import { loadDecksNow } from '../db/devices.ts';
import { newestPlanNumber } from '../db/plans.ts';
import { loadResults, loadStruckResults } from '../db/results.ts';
import { loadWorkEntries, loadWorkLog, tappedBefore } from '../db/work.ts';
import { loadBakeryDay } from './day-production.ts';
import { readMixFacts } from './mix-facts.ts';
import { readPlan } from './read-plan.ts';
import { readRunSheet } from './read-run-sheet.ts';

/** What is to be done in a night, by its accepted plan, with the waters of the moment. */
export async function readBench(db: Db, date: BakeDate, realNowMs: number): Promise<BenchView> {
	const { accepted, waters, mixes } = await readRunSheet(db, date, realNowMs);
	return { date, accepted, waters, mixes };
}

/** A night as it went: its newest accepted plan, and everything that was tapped, what was taken back too. */
export async function readNightLog(
	db: Db,
	date: BakeDate,
	loaded = loadBakeryDay(db, date)
): Promise<NightLogView> {
	const [{ accepted }, entries, { mixed, results }, struckResults, facts] = await Promise.all([
		readPlan(db, date, loaded),
		loadWorkLog(db, date),
		readBenchMoment(db, date),
		loadStruckResults(db, date),
		readMixFacts(db, date)
	]);
	return { date, accepted, entries, mixed, results, struckResults, facts };
}

/** What was tapped so far, and what else tells that something is done. A fixed few queries, however long the night. */
export async function readBenchMoment(db: Db, date: BakeDate): Promise<BenchMomentView> {
	const [planNumber, entries, tapped, mixed, results, decks] = await Promise.all([
		newestPlanNumber(db, date),
		loadWorkEntries(db, date),
		tappedBefore(db, date),
		loadMixedOn(db, date),
		loadResults(db, date),
		loadDecksNow(db)
	]);
	return {
		planNumber,
		entries,
		tappedBefore: tapped,
		mixed: mixed.map(({ formulaId, preparationId, ordinal, atMs }) => ({
			batch:
				formulaId === null
					? batchKey({ kind: 'preparation', preparationId, ordinal })
					: batchKey({ kind: 'mix', formulaId, ordinal }),
			atMs
		})),
		results,
		decks
	};
}
