import type { LearnedRoomView } from '../../contracts/learned-views.ts';
import { resolveFormula, WAIT_PLACES } from '../../core/formula/index.ts';
import {
	beliefOverTime,
	learnedClock,
	learnedFriction,
	learnedTub,
	schoolMisses,
	type BeliefThen,
	type LearnedClock,
	type LearnedTub,
	type SchoolMiss
} from '../../core/learning/index.ts';
import { frictionHistory, heatCapacityOfBowl, isByHand } from '../../core/mixing/index.ts';
import { ripeningStep } from '../../core/ripening/index.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadEntries } from '../db/entries.ts';
import { mixersOf } from '../db/of-entries.ts';
import { countMeasured } from '../db/batch-log.ts';
import type { Db } from '../db/client.ts';
import { loadTemperatureDays } from '../db/devices.ts';
import { loadFormulaBook, type FormulaBook } from '../db/formula-book.ts';
import { bakeryNow } from './bakery-now.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { loadObservationsOf, observationsOf } from './observations.ts';

/** The seasons are shown over this many days. */
const DAYS = 400;

/** What was learned of one formula, and the temperatures of the year. */
export async function readLearned(
	db: Db,
	date: BakeDate,
	wanted: { readonly formulaId: string | null; readonly mixerId: string | null },
	realNowMs: number
): Promise<LearnedRoomView> {
	const [bakery, book, entries, nowMs] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db, date),
		loadEntries(db, date, ['mixer']),
		bakeryNow(db, realNowMs)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const counts = await countMeasured(db, nowMs - DAYS * 86_400_000);
	const today = wallTimeOf({ epochMs: nowMs }, bakery.timeZone).date;
	const formulas = book.formulas
		.map(({ formula }) => ({
			id: formula.id,
			name: formula.name,
			measured: counts.get(formula.id) ?? 0
		}))
		.sort((a, b) => b.measured - a.measured || a.name.localeCompare(b.name, 'en'));
	const chosen = formulas.find((formula) => formula.id === wanted.formulaId) ?? formulas[0];
	const recipe = book.formulas.find(({ formula }) => formula.id === chosen?.id);
	const byHand = recipe !== undefined && isByHand(recipe.steps);
	const mixers = byHand ? [] : mixersOf(entries).map(({ id, name }) => ({ id, name }));
	const [days, observations] = await Promise.all([
		loadTemperatureDays(db, addDays(today, -DAYS), today),
		loadObservationsOf(
			db,
			book.formulas.map(({ formula }) => formula.id)
		)
	]);
	const mixerId =
		mixers.find((mixer) => mixer.id === wanted.mixerId)?.id ??
		mostUsed(chosen ? observationsOf(observations, chosen.id).measured : [], mixers);
	const of = chosen ? learnedOf(book, observations, chosen.id, mixerId) : null;
	return {
		date,
		formulas,
		formula: chosen && of ? { ...chosen, kilojoulesPerKilogramKelvin: of.heatCapacity } : null,
		mixers,
		mixerId,
		friction: of?.friction ?? null,
		mixes: of?.mixes ?? [],
		misses: of?.misses ?? [],
		timeConstants: of?.timeConstants ?? [],
		clock: of?.clock ?? null,
		days
	};
}

export interface LearnedOf {
	readonly heatCapacity: number;
	readonly friction: LearnedRoomView['friction'];
	readonly mixes: readonly BeliefThen[];
	readonly misses: readonly SchoolMiss[];
	readonly timeConstants: readonly LearnedTub[];
	readonly clock: LearnedClock | null;
}

/** The mixer on which a dough was measured most often; the first where it never was. */
function mostUsed(
	measured: readonly { readonly mixerId: string | null }[],
	mixers: readonly { readonly id: string }[]
): string | null {
	const times = (id: string) => measured.filter((one) => one.mixerId === id).length;
	return [...mixers].sort((a, b) => times(b.id) - times(a.id))[0]?.id ?? null;
}

/** What was learned of one formula on one mixer. */
export function learnedOf(
	book: FormulaBook,
	observations: Awaited<ReturnType<typeof loadObservationsOf>>,
	formulaId: string,
	mixerId: string | null
): LearnedOf | null {
	const revision = book.formulas.find(({ formula }) => formula.id === formulaId);
	if (!revision) return null;
	const resolved = resolveFormula(revision.formula, book.pantry);
	if (!resolved.ok) return null;
	const heatCapacity = heatCapacityOfBowl(resolved.value.final).kilojoulesPerKilogramKelvin;
	const step = ripeningStep(revision.steps);
	const history = observationsOf(observations, formulaId);
	const { own, others } = frictionHistory(
		revision,
		history.measured,
		book.formulas.flatMap((other) =>
			other === revision
				? []
				: [
						{
							recipe: other,
							readings: observationsOf(observations, other.formula.id).measured
						}
					]
		)
	);
	const full = { program: own.book.program, fill: 1 };
	const friction = learnedFriction(own, others, mixerId, full).figures;
	return {
		heatCapacity,
		friction,
		// What was measured wildly tells nothing of a school.
		misses: schoolMisses(friction.readings.filter(({ leftOut }) => !leftOut)),
		mixes: beliefOverTime(own, others, mixerId, full, heatCapacity),
		timeConstants: step
			? WAIT_PLACES.flatMap((place) => learnedTub(step, place, history) ?? [])
			: [],
		clock: step ? learnedClock(history.judged) : null
	};
}
