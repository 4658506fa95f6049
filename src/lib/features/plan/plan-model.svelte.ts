import type { PlanDocument } from '../../contracts/plan-document.ts';
import { describePlan } from '../../core/planning/index.ts';
import type { Placement } from '../../core/latest-start/index.ts';
import type { PlanView } from '../../contracts/views.ts';
import { PlanClient } from '../../workers/plan-client.ts';
import { startPlanWorker } from '../../workers/start-plan-worker.ts';

type Phase =
	| { readonly kind: 'waiting' }
	| { readonly kind: 'planning'; readonly done: number; readonly total: number }
	| { readonly kind: 'planned' }
	| { readonly kind: 'failed'; readonly message: string };

/** The plan of one date on the screen: the accepted one while it is current, otherwise a new one. */
export class PlanModel {
	phase: Phase = $state.raw({ kind: 'waiting' });
	placement: Placement | null = $state.raw(null);
	#view: PlanView = $state.raw() as PlanView;
	readonly #client = new PlanClient(startPlanWorker);

	constructor(view: PlanView) {
		this.#view = view;
		this.#takeAccepted(view);
	}

	get view(): PlanView {
		return this.#view;
	}

	/** What is on the screen: the accepted plan as it was told, or what was placed here. */
	readonly shown: PlanDocument | null = $derived.by(() => {
		const { accepted, input } = this.#view;
		if (accepted?.current) return accepted.document;
		return this.placement === null ? null : { input, plan: describePlan(input, this.placement) };
	});

	/** True when what is on the screen is what was accepted. */
	get accepted(): boolean {
		return this.#view.accepted?.current === true;
	}

	/** Takes what the server says now, and plans anew when that is not the accepted plan. */
	async show(view: PlanView): Promise<void> {
		const asBefore = view.fingerprint === this.#view.fingerprint && this.placement !== null;
		this.#view = view;
		if (this.#takeAccepted(view)) {
			this.#client.cancel();
			return;
		}
		// What is planned here holds while nothing that timing uses has changed.
		if (!asBefore || this.phase.kind === 'failed') await this.replan();
	}

	async replan(): Promise<void> {
		const { input } = this.#view;
		if (input.doughs.length === 0) {
			this.#client.cancel();
			this.placement = null;
			this.phase = { kind: 'planned' };
			return;
		}
		this.phase = { kind: 'planning', done: 0, total: 0 };
		const outcome = await this.#client.plan(input, (done, total) => {
			this.phase = { kind: 'planning', done, total };
		});
		switch (outcome.kind) {
			case 'planned':
				this.placement = outcome.placement;
				this.phase = { kind: 'planned' };
				return;
			case 'superseded':
				return;
			case 'impossible':
				this.phase = {
					kind: 'failed',
					message:
						outcome.failure.kind === 'circle'
							? 'Some preparations wait for each other in a circle. Look at their formulas.'
							: 'Some tasks lead to no drop. Look at the orders.'
				};
				return;
			case 'broken':
				this.phase = { kind: 'failed', message: `The planner stopped: ${outcome.message}.` };
				return;
		}
	}

	close(): void {
		this.#client.close();
	}

	#takeAccepted(view: PlanView): boolean {
		if (!view.accepted?.current) return false;
		this.placement = null;
		this.phase = { kind: 'planned' };
		return true;
	}
}
