import type {
	FoundPlan,
	PlanLookedInto,
	PlanReply,
	PlanRequest,
	PlanWanted
} from '../contracts/plan-protocol.ts';
import type { BakeDayInput, Placement, WaysOut } from '../core/planning/index.ts';
import { BestOfTeam, type TeamWorker, type Word } from './best-of-team.ts';
import { isBetter } from './better-plan.ts';

export type WorkerLike = TeamWorker<PlanRequest, PlanReply>;

type Trouble =
	{ readonly kind: 'superseded' } | { readonly kind: 'broken'; readonly message: string };

export type PlanOutcome = { readonly kind: 'planned'; readonly found: FoundPlan } | Trouble;

/** Asks a team of plan workers for a night's plan: a night that barely fits is found by one and not by another. */
export class PlanClient {
	private readonly team: BestOfTeam<PlanRequest, PlanReply, FoundPlan, Trouble>;
	private readonly looking = new OneAtATime<PlanLookedInto>();
	private readonly seeking = new OneAtATime<WaysOut<FoundPlan>>();

	constructor(
		makeWorker: () => WorkerLike,
		private readonly size = 1
	) {
		this.team = new BestOfTeam(
			{
				makeWorker,
				size,
				isBetter,
				read: wordOf,
				cancelOf: (id) => ({ kind: 'cancel', id }),
				broken: (message = 'the plan worker did not start') => ({ kind: 'broken', message })
			},
			(reply) => this.hearLook(reply)
		);
	}

	async plan(
		{ seed, ...wanted }: PlanWanted,
		onBetter: (found: FoundPlan) => void = () => undefined
	): Promise<PlanOutcome> {
		const answer = await this.team.ask(
			(id, at) => ({ kind: 'plan', id, wanted: { ...wanted, seed: seed * this.size + at } }),
			onBetter
		);
		switch (answer.kind) {
			case 'found':
				return { kind: 'planned', found: answer.found };
			case 'trouble':
				return answer.trouble;
			case 'superseded':
				return answer;
		}
	}

	/** Looks into a plan; null where a later one was asked about, or nothing can be told. */
	lookInto(input: BakeDayInput, placement: Placement): Promise<PlanLookedInto | null> {
		return this.looking.ask(() =>
			this.team.tellOne((id) => ({ kind: 'look-into', id, input, placement }))
		);
	}

	/** Looks for what would free a night; null where something else was asked meanwhile, or nothing can be told. */
	waysOut(
		input: BakeDayInput,
		conditions: PlanWanted['conditions'],
		standing: Placement
	): Promise<WaysOut<FoundPlan> | null> {
		return this.seeking.ask(() =>
			this.team.tellOne((id) => ({ kind: 'ways-out', id, input, conditions, standing }))
		);
	}

	cancel(): void {
		this.team.cancel();
	}

	close(): void {
		this.team.close();
		this.hearLook(null);
	}

	/** Where a worker broke, it may have been the one that was looking. */
	private hearLook(reply: PlanReply | null): void {
		this.looking.hear(reply?.id ?? null, reply?.kind === 'looked-into' ? reply.found : null);
		this.seeking.hear(reply?.id ?? null, reply?.kind === 'ways-out' ? reply.found : null);
	}
}

/** One question that is open at a time: a later one ends it without an answer. */
class OneAtATime<Found> {
	private open: { readonly id: number; readonly settle: (found: Found | null) => void } | null =
		null;

	ask(tell: () => number): Promise<Found | null> {
		this.hear(null, null);
		return new Promise((settle) => {
			this.open = { id: tell(), settle };
		});
	}

	/** What came for a question; for whichever is open where no id is told. */
	hear(id: number | null, found: Found | null): void {
		const { open } = this;
		if (!open || (id !== null && id !== open.id)) return;
		this.open = null;
		open.settle(found);
	}
}

function wordOf(reply: PlanReply): Word<FoundPlan, Trouble> | null {
	switch (reply.kind) {
		case 'better':
			return { kind: 'better', found: reply.found };
		case 'planned':
			return { kind: 'found', found: reply.found };
		case 'looked-into':
		case 'ways-out':
			return null;
		case 'broken':
			return { kind: 'trouble', trouble: { kind: 'broken', message: reply.message } };
		case 'cancelled':
			return { kind: 'trouble', trouble: { kind: 'superseded' } };
	}
}
