import type { RipeningDoughView } from '../../contracts/ripening-views.ts';
import {
	batchKey,
	courseThrough,
	type DoughEvent,
	type RipeningStep
} from '../../core/bake-day/index.ts';
import type { Step, WaitStep } from '../../core/formula/index.ts';
import type { Dough, Mix } from '../../core/production/index.ts';
import type { Db, Tx } from '../db/client.ts';
import {
	loadDoughTemperaturesOn,
	loadDoughTemperatures,
	type DoughTemperatureRow
} from '../db/dough-temperatures.ts';
import {
	loadChecksOf,
	loadDoughWatch,
	loadIgnored,
	loadJudgementsOf,
	type DoughWatch
} from '../db/dough-watch.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import type { BakeryDay } from './day-production.ts';
import { learnedClock } from './learned-clock.ts';
import { learnedTub } from './learned-tub.ts';
import { revisionOf } from './mix-of-day.ts';

/** The doughs of a date with what happened to each since it was mixed. */
export async function loadRipeningDoughs(
	db: Db | Tx,
	day: BakeryDay
): Promise<readonly RipeningDoughView[]> {
	const { date } = day;
	const [measured, watch, starts, learned] = await Promise.all([
		loadDoughTemperaturesOn(db, date),
		loadDoughWatch(db, date),
		loadPlannedMixStarts(db, date),
		Promise.all(day.production.doughs.map((dough) => loadLearned(db, dough, day)))
	]);
	return day.production.doughs.flatMap((dough, index) => {
		const known = learned[index];
		const revision = revisionOf(day, dough.resolved.formula.id);
		if (!known || !revision) return [];
		return dough.mixes.map((mix) => ({
			...viewOf(dough, mix, measured, watch),
			targetCelsius: revision.targetCelsius,
			plannedMs:
				starts.get(
					batchKey({
						kind: 'mix',
						formulaId: dough.resolved.formula.id,
						ordinal: mix.ordinal
					})
				) ?? null,
			...known,
			proof: proofOf(dough, mix, day)
		}));
	});
}

/** The clock and the tub of a dough as the log corrected them. */
export async function loadLearned(
	db: Db | Tx,
	dough: Dough,
	day: BakeryDay
): Promise<Pick<RipeningDoughView, 'step' | 'clockFactor' | 'clockUsed'>> {
	const formulaId = dough.resolved.formula.id;
	const step = bulkStep(revisionOf(day, formulaId)?.steps ?? []);
	if (!step) return { step: null, clockFactor: 1, clockUsed: 0 };
	const [checks, mixed, judgements] = await Promise.all([
		loadChecksOf(db, formulaId),
		loadDoughTemperatures(db, [formulaId]),
		loadJudgementsOf(db, formulaId)
	]);
	const ignored = await loadIgnored(db, [
		...checks.map((one) => one.id),
		...judgements.map((one) => one.id)
	]);
	const history = {
		checks,
		mixed: mixed.get(formulaId) ?? [],
		moves: await movesOf(db, checks),
		ignored
	};
	const clock = learnedClock(judgements, ignored);
	return {
		step: {
			...step,
			legs: step.legs.map((leg) => ({
				...leg,
				timeConstantMinutes: learnedTub(step, leg.place, history)?.mean ?? leg.timeConstantMinutes
			}))
		},
		clockFactor: clock.mean,
		clockUsed: clock.used
	};
}

/** The moves of the dates on which doughs were checked. */
export async function movesOf(
	db: Db | Tx,
	checks: readonly { readonly date: string }[]
): Promise<DoughWatch['moves']> {
	const dates = [...new Set(checks.map((one) => one.date))];
	const watches = await Promise.all(dates.map((date) => loadDoughWatch(db, date)));
	return watches.flatMap((watch) => watch.moves);
}

/** The wait a dough ripens in as a whole, before it is divided. */
export function bulkStep(steps: readonly Step[]): RipeningStep | null {
	const found = steps.find((step): step is WaitStep => step.kind === 'wait' && step.clock !== null);
	return found?.clock ? { ...found, clock: found.clock } : null;
}

function viewOf(
	dough: Dough,
	mix: Mix,
	measured: readonly DoughTemperatureRow[],
	watch: DoughWatch
): Omit<
	RipeningDoughView,
	'step' | 'clockFactor' | 'clockUsed' | 'proof' | 'plannedMs' | 'targetCelsius'
> {
	const { formula } = dough.resolved;
	const ours = (one: { readonly formulaId: string; readonly ordinal: number }) =>
		one.formulaId === formula.id && one.ordinal === mix.ordinal;
	const mixed = measured.find(ours);
	const since = (one: { readonly occurredAtMs: number }) =>
		mixed !== undefined && one.occurredAtMs >= mixed.occurredAtMs;
	const moves = watch.moves.filter((one) => ours(one) && since(one));
	const checks = watch.checks.filter((one) => ours(one) && since(one) && one.stage === 'dough');
	const events: DoughEvent[] = [
		...moves
			.filter((one) => !one.ended)
			.map((one) => ({
				kind: 'moved' as const,
				atMs: one.occurredAtMs,
				leg: {
					place: one.place,
					ambientCelsius: one.ambientCelsius,
					timeConstantMinutes: one.timeConstantMinutes,
					minutes: null
				}
			})),
		...checks.map((one) => ({
			kind: 'checked' as const,
			atMs: one.occurredAtMs,
			celsius: one.celsius
		}))
	].sort((a, b) => a.atMs - b.atMs);
	const last = moves.at(-1);
	return {
		formulaId: formula.id,
		name: formula.name,
		ordinal: mix.ordinal,
		count: mix.count,
		grams: mix.dough.value,
		mixed: mixed
			? {
					atMs: mixed.occurredAtMs,
					celsius: mixed.doughCelsius,
					instrument: mixed.instrument
				}
			: null,
		events,
		retarderId: last && !last.ended ? last.retarderId : null,
		endedAtMs: last?.ended ? last.occurredAtMs : null,
		judgements: watch.judgements
			.filter((one) => ours(one) && since(one))
			.map(({ id, by, occurredAtMs, sightings, verdict, decision }) => ({
				id,
				by,
				occurredAtMs,
				sightings,
				verdict,
				decision
			}))
	};
}

/** The proof of the first product that a mix becomes, and how long it takes to get there. */
function proofOf(dough: Dough, mix: Mix, day: BakeryDay): RipeningDoughView['proof'] {
	const [lot] = mix.lots;
	const product = day.book.products.find((one) => one.product.id === lot?.productId);
	if (!lot || !product) return null;
	const at = product.steps.findIndex(
		(step) => step.kind === 'wait' && step.activity === 'proof' && step.clock !== null
	);
	const step = product.steps[at];
	if (step?.kind !== 'wait' || !step.clock) return null;
	const before = courseThrough(product.steps.slice(0, at), lot.pieces, 25);
	if (!before.ok) return null;
	return {
		product: product.product.name,
		step: { ...step, clock: step.clock },
		minutesBefore: before.value.steps.reduce((total, one) => total + one.minutes, 0)
	};
}
