import type {
	FoundPlan,
	PlanLookedInto,
	PlanReply,
	PlanRequest,
	PlanWanted
} from '../contracts/plan-protocol.ts';
import type { BakeDayInput, Placement } from '../core/planning/index.ts';
import { BestOfTeam, type TeamWorker, type Word } from './best-of-team.ts';
import { isBetter } from './better-plan.ts';

export type WorkerLike = TeamWorker<PlanRequest, PlanReply>;

type Trouble =
	{ readonly kind: 'superseded' } | { readonly kind: 'broken'; readonly message: string };

export type PlanOutcome = { readonly kind: 'planned'; readonly found: FoundPlan } | Trouble;

/** Asks a team of plan workers for a night's plan: a night that barely fits is found by one and not by another. */
export class PlanClient {
	private readonly team: BestOfTeam<PlanRequest, PlanReply, FoundPlan, Trouble>;
	private looking: {
		readonly id: number;
		readonly settle: (found: PlanLookedInto | null) => void;
	} | null = null;

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
		this.looked(null);
		return new Promise((settle) => {
			const id = this.team.tellOne((id) => ({ kind: 'look-into', id, input, placement }));
			this.looking = { id, settle };
		});
	}

	cancel(): void {
		this.team.cancel();
	}

	close(): void {
		this.team.close();
		this.looked(null);
	}

	/** Where a worker broke, it may have been the one that was looking. */
	private hearLook(reply: PlanReply | null): void {
		if (reply && reply.id !== this.looking?.id) return;
		this.looked(reply?.kind === 'looked-into' ? reply.found : null);
	}

	private looked(found: PlanLookedInto | null): void {
		const { looking } = this;
		this.looking = null;
		looking?.settle(found);
	}
}

function wordOf(reply: PlanReply): Word<FoundPlan, Trouble> | null {
	switch (reply.kind) {
		case 'better':
			return { kind: 'better', found: reply.found };
		case 'planned':
			return { kind: 'found', found: reply.found };
		case 'looked-into':
			return null;
		case 'broken':
			return { kind: 'trouble', trouble: { kind: 'broken', message: reply.message } };
		case 'cancelled':
			return { kind: 'trouble', trouble: { kind: 'superseded' } };
	}
}
