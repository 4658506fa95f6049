import {
	learnedRipening,
	type CheckedDough,
	type JudgedDough,
	type LearnedRipening,
	type MeasuredMix,
	type MovedDough
} from '../../core/learning/index.ts';
import { ripeningStep } from '../../core/ripening/index.ts';
import type { Step } from '../../core/formula/index.ts';
import {
	loadObservations,
	type BatchEntry,
	type LearnedUntil,
	type ObservedKind
} from '../db/batch-log.ts';
import type { Db, Tx } from '../db/client.ts';

/** What was observed of one formula's doughs, newest first, as its figures are learned from it. */
export interface Observations {
	/** The measured mixes that count for friction. */
	readonly measured: readonly MeasuredMix[];
	readonly checks: readonly CheckedDough[];
	readonly judged: readonly JudgedDough[];
	/** What the checks were measured against: the mixes before, and the moves between. */
	readonly mixed: readonly Pick<MeasuredMix, 'batchId' | 'doughCelsius' | 'occurredAtMs'>[];
	readonly moves: readonly MovedDough[];
}

const NOTHING: Observations = { measured: [], checks: [], judged: [], mixed: [], moves: [] };

/** What was observed of some formulas; two queries, whatever the number of formulas and the history. */
export async function loadObservationsOf(
	db: Db | Tx,
	formulaIds: readonly string[],
	{
		kinds,
		until = null
	}: { readonly kinds?: readonly ObservedKind[]; readonly until?: LearnedUntil | null } = {}
): Promise<ReadonlyMap<string, Observations>> {
	const { newest, around } = await loadObservations(db, formulaIds, kinds, until);
	const of = (entries: readonly BatchEntry[], formulaId: string) =>
		entries.filter((entry) => entry.recipeId === formulaId).reverse();
	return new Map(
		[...new Set(formulaIds)].map((formulaId) => {
			const own = of(newest, formulaId);
			const beside = of(around, formulaId);
			return [
				formulaId,
				{
					measured: own.flatMap(measuredMix),
					checks: own.flatMap((entry) =>
						entry.kind === 'checked' && entry.stage === 'dough' ? [entry] : []
					),
					judged: own.flatMap((entry) => (entry.kind === 'judged' ? [entry] : [])),
					mixed: beside.flatMap((entry) =>
						entry.kind === 'measured' ? [{ ...entry, doughCelsius: entry.celsius }] : []
					),
					moves: beside.filter((entry) => entry.kind === 'moved' || entry.kind === 'ended')
				}
			];
		})
	);
}

/** A measured entry as a mixer's friction is learned from it; none where it was stirred by hand. */
export function measuredMix(entry: BatchEntry): readonly MeasuredMix[] {
	if (entry.kind !== 'measured' || !entry.mixing) return [];
	return [
		{
			id: entry.id,
			batchId: entry.batchId,
			date: entry.date,
			doughCelsius: entry.celsius,
			targetCelsius: entry.targetCelsius ?? entry.celsius,
			instrument: entry.instrument,
			occurredAtMs: entry.occurredAtMs,
			ignored: entry.ignored,
			...entry.mixing
		}
	];
}

/** What was observed of one formula out of many. */
export function observationsOf(
	all: ReadonlyMap<string, Observations>,
	formulaId: string
): Observations {
	return all.get(formulaId) ?? NOTHING;
}

/** The wait that some steps ripen in, with what was learned of it. */
export function learnedWait(steps: readonly Step[], observations: Observations): LearnedRipening {
	return learnedRipening(ripeningStep(steps), observations);
}
