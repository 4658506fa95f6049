import type {
	ClockView,
	LearnedRoomView,
	MeasuredMixView,
	TimeConstantView
} from '../../contracts/learned-views.ts';
import { heatCapacityOf } from '../../core/bake-day/index.ts';
import { resolveFormula, WAIT_PLACES } from '../../core/formula/index.ts';
import { addDays, wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadTemperatureDays } from '../db/devices.ts';
import { countDoughTemperatures, loadDoughTemperatures } from '../db/dough-temperatures.ts';
import { loadChecksOf, loadIgnored, loadJudgementsOf } from '../db/dough-watch.ts';
import { bakeryNow } from './bakery-now.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';
import { learnedClock } from './learned-clock.ts';
import { learnedFriction, type MeasuredDough } from './learned-friction.ts';
import { learnedTub } from './learned-tub.ts';
import { bookOf } from './mix-of-day.ts';
import { bulkStep, movesOf } from './ripening-of-day.ts';

/** The seasons are shown over this many days. */
const DAYS = 400;

/** What was learned of one formula, and the temperatures of the year. */
export async function readLearned(
	db: Db,
	date: BakeDate,
	wanted: { readonly formulaId: string | null; readonly mixerId: string | null },
	realNowMs: number
): Promise<LearnedRoomView> {
	const [day, nowMs] = await Promise.all([loadBakeryDay(db, date), bakeryNow(db, realNowMs)]);
	const counts = await countDoughTemperatures(db, nowMs - DAYS * 86_400_000);
	const today = wallTimeOf({ epochMs: nowMs }, day.bakery.timeZone).date;
	const formulas = day.book.formulas
		.map(({ formula }) => ({
			id: formula.id,
			name: formula.name,
			measured: counts.get(formula.id) ?? 0
		}))
		.sort((a, b) => b.measured - a.measured || a.name.localeCompare(b.name, 'en'));
	const chosen = formulas.find((one) => one.id === wanted.formulaId) ?? formulas[0];
	const mixers = day.mixers.map(({ id, name }) => ({ id, name }));
	const mixerId = mixers.find((one) => one.id === wanted.mixerId)?.id ?? mixers[0]?.id ?? null;
	const [days, of] = await Promise.all([
		loadTemperatureDays(db, addDays(today, -DAYS), today),
		chosen ? learnedOf(db, day, chosen.id, mixerId) : null
	]);
	return {
		date,
		formulas,
		formula: chosen && of ? { ...chosen, kilojoulesPerKilogramKelvin: of.heatCapacity } : null,
		mixers,
		mixerId,
		friction: of?.friction ?? null,
		mixes: of?.mixes ?? [],
		timeConstants: of?.timeConstants ?? [],
		clock: of?.clock ?? null,
		days
	};
}

interface LearnedOf {
	readonly heatCapacity: number;
	readonly friction: LearnedRoomView['friction'];
	readonly mixes: readonly MeasuredMixView[];
	readonly timeConstants: readonly TimeConstantView[];
	readonly clock: ClockView | null;
}

async function learnedOf(
	db: Db,
	day: BakeryDay,
	formulaId: string,
	mixerId: string | null
): Promise<LearnedOf | null> {
	const revision = day.book.formulas.find((one) => one.formula.id === formulaId);
	if (!revision) return null;
	const resolved = resolveFormula(revision.formula, day.book.pantry);
	if (!resolved.ok) return null;
	const heatCapacity = heatCapacityOf(resolved.value.final).kilojoulesPerKilogramKelvin;
	const step = bulkStep(revision.steps);
	const [readings, checks, judgements] = await Promise.all([
		loadDoughTemperatures(
			db,
			day.book.formulas.map((one) => one.formula.id)
		),
		loadChecksOf(db, formulaId),
		loadJudgementsOf(db, formulaId)
	]);
	const [ignored, moves] = await Promise.all([
		loadIgnored(
			db,
			[...checks, ...judgements].map((one) => one.id)
		),
		movesOf(db, checks)
	]);
	const own: MeasuredDough = { book: bookOf(revision), readings: readings.get(formulaId) ?? [] };
	const others = day.book.formulas.flatMap((one) => {
		const rows = readings.get(one.formula.id) ?? [];
		return one === revision || rows.length === 0 ? [] : [{ book: bookOf(one), readings: rows }];
	});
	const full = { program: own.book.program, fill: 1 };
	const friction = learnedFriction(own, others, mixerId, full).view;
	return {
		heatCapacity,
		friction,
		mixes: beliefOverTime(own, others, mixerId, heatCapacity),
		timeConstants: step
			? WAIT_PLACES.flatMap((place) => {
					const mixed = own.readings;
					return learnedTub(step, place, { checks, mixed, moves, ignored }) ?? [];
				})
			: [],
		clock: step ? learnedClock(judgements, ignored) : null
	};
}

/** What was believed after each measured mix, as it would have been told then. */
function beliefOverTime(
	own: MeasuredDough,
	others: readonly MeasuredDough[],
	mixerId: string | null,
	heatCapacity: number
): readonly MeasuredMixView[] {
	const full = { program: own.book.program, fill: 1 };
	const { readings } = learnedFriction(own, others, mixerId, full).view;
	const oldestFirst = [...readings].reverse();
	const asDough = (kilojoules: number) => kilojoules / heatCapacity;
	return oldestFirst.map((one, index) => {
		const sofar = new Set(oldestFirst.slice(0, index + 1).map((each) => each.id));
		const then = {
			...own,
			readings: own.readings.filter((each) => sofar.has(each.id))
		};
		const before = others.map((other) => ({
			...other,
			readings: other.readings.filter((each) => each.occurredAtMs <= one.occurredAtMs)
		}));
		const { view } = learnedFriction(then, before, mixerId, full);
		const row = own.readings.find((each) => each.id === one.id);
		return {
			id: one.id,
			occurredAtMs: one.occurredAtMs,
			mixerId: row?.mixerId ?? null,
			doughCelsius: one.doughCelsius,
			targetCelsius: one.targetCelsius,
			instrument: one.instrument,
			counted: !one.ignored && !one.leftOut,
			frictionKelvins: asDough(one.frictionKilojoulesPerKilogram),
			believed: {
				kelvins: asDough(view.kilojoulesPerKilogram),
				low: asDough(view.bandKilojoulesPerKilogram.low),
				high: asDough(view.bandKilojoulesPerKilogram.high)
			}
		};
	});
}
