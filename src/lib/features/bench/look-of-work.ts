import type { AcceptedPlanView } from '../../contracts/views.ts';
import type { WorkState } from '../../core/bench/index.ts';
import type { ClockStanding } from '../../core/fermentation/index.ts';
import { batchKey } from '../../core/planning/index.ts';
import {
	proofStanding,
	restStanding,
	type LookedAt,
	type PieceDecision,
	type PortionRef
} from '../../core/results/index.ts';
import type { HandsOnEntry } from '../../wording/list-entry.ts';

/** Pieces that are looked at before the work in hand is done to them. */
export interface LookOfWork {
	readonly portion: PortionRef;
	readonly name: string;
	readonly at: LookedAt;
	readonly clock: ClockStanding;
	/** How many times its book's minutes the plan gives it. */
	readonly bookFactor: number;
}

/** Pieces in proof are looked at before they are loaded, those that rest on the bench before they are shaped; null for any other work. */
export function lookOfWork(
	{ batch, kind, taskId }: HandsOnEntry,
	{ plan, input }: AcceptedPlanView['document'],
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): LookOfWork | null {
	if (batch?.kind !== 'load' && batch?.kind !== 'portion') return null;
	const { formulaId, ordinal, productId } = batch;
	const portion = { formulaId, ordinal, productId };
	const name = input.products.find(({ id }) => id === productId)?.name ?? '';
	if (kind === 'load') {
		const clock = proofStanding(portion, plan, batchKey(batch), states, nowMs);
		const learned = input.learned?.find(
			(one) => one.kind === 'proof' && one.recipeId === productId
		);
		const bookFactor = learned?.kind === 'proof' ? learned.share : 1;
		return clock && { portion, name, at: 'proof', clock, bookFactor };
	}
	const task = plan.tasks.find(({ id }) => id === taskId);
	if (task?.step.kind !== 'hands-on' || task.step.activity !== 'shape') return null;
	const clock = restStanding(portion, plan, task.id, states, nowMs);
	return clock && { portion, name, at: 'rest', clock, bookFactor: 1 };
}

/** How much later it is asked for again, where it was looked at and is to wait, in minutes (our default). */
export const WAITS_MINUTES: Readonly<Partial<Record<PieceDecision, number>>> = {
	wait: 10,
	'pre-shape-again': 15
};
