import type { JudgedPlan, ScheduleReply, ScheduleRequest } from '../contracts/schedule-protocol.ts';
import type { Fault, Problem } from '../core/schedule/index.ts';
import { BestOfTeam, type TeamWorker, type Word } from './best-of-team.ts';
import type { Asked } from './solve-in-slices.ts';

export type ScheduleWorker = TeamWorker<ScheduleRequest, ScheduleReply>;

type Trouble =
	| { readonly kind: 'faulty'; readonly fault: Fault }
	| { readonly kind: 'superseded' }
	| { readonly kind: 'broken'; readonly message: string };

export type ScheduleOutcome = { readonly kind: 'solved'; readonly found: JudgedPlan } | Trouble;

/** Asks a team of schedule workers for the best plan of a bare problem. */
export class ScheduleTeam {
	private readonly team: BestOfTeam<ScheduleRequest, ScheduleReply, JudgedPlan, Trouble>;
	/** What all of them tried for the open question. */
	private moves = 0;

	constructor(
		makeWorker: () => ScheduleWorker,
		private readonly size: number
	) {
		this.team = new BestOfTeam({
			makeWorker,
			size,
			isBetter,
			read: (reply) => this.read(reply),
			cancelOf: (id) => ({ kind: 'cancel', id }),
			broken: (message = 'a schedule worker ended') => ({ kind: 'broken', message })
		});
	}

	/** Lets every worker run the engine for a while, so that what is asked next finds it compiled. */
	warm(problem: Problem, budgetMs: number): void {
		this.team.tell({ kind: 'warm', problem, budgetMs });
	}

	async solve(
		{ seed, ...wish }: Asked,
		onBetter: (found: JudgedPlan) => void = () => undefined
	): Promise<ScheduleOutcome> {
		this.moves = 0;
		const answer = await this.team.ask(
			(id, at) => ({ kind: 'solve', id, ...wish, seed: seed * this.size + at }),
			onBetter
		);
		switch (answer.kind) {
			case 'found':
				return { kind: 'solved', found: { ...answer.found, moves: this.moves } };
			case 'trouble':
				return answer.trouble;
			case 'superseded':
				return answer;
		}
	}

	cancel(): void {
		this.team.cancel();
	}

	close(): void {
		this.team.close();
	}

	private read(reply: ScheduleReply): Word<JudgedPlan, Trouble> {
		switch (reply.kind) {
			case 'better':
				return { kind: 'better', found: reply.found };
			case 'solved':
				this.moves += reply.found.moves;
				return { kind: 'found', found: reply.found };
			case 'faulty':
				return { kind: 'trouble', trouble: { kind: 'faulty', fault: reply.fault } };
			case 'broken':
				return { kind: 'trouble', trouble: { kind: 'broken', message: reply.message } };
			case 'cancelled':
				return { kind: 'trouble', trouble: { kind: 'superseded' } };
		}
	}
}

/** Fewer tasks missing come first, then the cost. */
function isBetter(one: JudgedPlan, other: JudgedPlan): boolean {
	const missing = one.plan.missing.length - other.plan.missing.length;
	if (missing !== 0) return missing < 0;
	return (one.cost?.total ?? 0) < (other.cost?.total ?? 0);
}
