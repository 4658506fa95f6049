import { EditSteps } from '../../client/edit-steps.svelte.ts';
import { KeptHere } from '../../client/kept-here.ts';
import type { PlanDocument } from '../../contracts/plan-document.ts';
import type { FoundPlan, PlanLookedInto } from '../../contracts/plan-protocol.ts';
import type { PlanView } from '../../contracts/views.ts';
import {
	asIfOf,
	holds,
	planDifference,
	type BakeDayInput,
	type DoneTask,
	type Placement,
	type PlanDifference,
	type PlanWish,
	type WaysOut,
	type WhatIf
} from '../../core/planning/index.ts';
import { takenAsTapped, workStates, type WorkEntry } from '../../core/bench/index.ts';
import { FoundPlans } from './found-plans.ts';
import { PlanClient } from '../../workers/plan-client.ts';
import { planWorkers, startPlanWorker } from '../../workers/start-plan-worker.ts';

type Phase =
	| { readonly kind: 'waiting' }
	/** The first plan is being made. */
	| { readonly kind: 'planning' }
	/** There is a plan, and a better one is looked for. */
	| { readonly kind: 'improving' }
	| { readonly kind: 'planned' }
	| { readonly kind: 'failed'; readonly message: string };

/** How long a plan is looked for: a first one, and one that follows a change (our defaults). */
const FIRST_BUDGET_MS = 3500;
const CHANGE_BUDGET_MS = 1200;
/** While something is held and drawn, what follows is shown within a tenth of a second. */
const HELD_BUDGET_MS = 70;

/** Seeds make no difference that a baker could tell; one makes a plan that can be made again. */
const SEED = 1;

/** What the screen asks of the time: the bakery's clock. */
type Now = () => number;

/** The plan of one date on the screen: the accepted one while it is current, otherwise one that is proposed. */
export class PlanModel {
	phase: Phase = $state.raw({ kind: 'waiting' });
	/** What is proposed; null while the accepted plan stands. */
	found: FoundPlan | null = $state.raw(null);
	wishes: readonly PlanWish[] = $state.raw([]);
	/** What the night is taken to be; a plan under it is looked at, never accepted. */
	whatIf: readonly WhatIf[] = $state.raw([]);
	lookedInto: PlanLookedInto | null = $state.raw(null);
	/** What would free the night; null while its plan holds, or nothing can be told. */
	waysOut: WaysOut<FoundPlan> | 'looked for' | null = $state.raw(null);
	#dayAsIf: BakeDayInput | null = $state.raw(null);
	#view: PlanView = $state.raw() as PlanView;
	#client: PlanClient | null = null;
	readonly #steps = new EditSteps<{
		readonly before: readonly PlanWish[];
		readonly after: readonly PlanWish[];
	}>();
	readonly #kept: KeptHere<readonly PlanWish[]>;
	/** What stood before a hand took hold of something. */
	#held: { readonly wishes: readonly PlanWish[]; readonly found: FoundPlan | null } | null = null;
	readonly #foundBefore = new FoundPlans();
	/** What is proposed follows from what was tapped: the accepted plan stands beside it until one is accepted. */
	#fromTaps = false;
	/** The taps that what is proposed follows from. */
	#plannedFrom = '';

	constructor(
		view: PlanView,
		private readonly now: Now,
		/** What was tapped at the bench so far. */
		private readonly tapped: () => readonly WorkEntry[]
	) {
		this.#view = view;
		this.wishes = inForceOf(view)?.wishes ?? [];
		this.#kept = new KeptHere(
			`plan ${view.date}`,
			async () => (await import('../../contracts/plan-placement.ts')).planWishesSchema
		);
		if (this.#acceptedStands(view)) this.phase = { kind: 'planned' };
	}

	get view(): PlanView {
		return this.#view;
	}

	/** What is planned for: the day, or as it would be. */
	get input(): BakeDayInput {
		return asIfOf(this.#dayAsIf ?? this.#view.input, this.whatIf);
	}

	/** What is on the screen: the accepted plan as it was told, or what is proposed. */
	readonly shown: PlanDocument | null = $derived.by(() => {
		const { accepted } = this.#view;
		const { found } = this;
		if (found) return { input: this.input, plan: found.plan, placement: found.placement };
		return accepted?.current ? accepted.document : null;
	});

	/** True when what is on the screen is what was accepted. */
	get accepted(): boolean {
		return this.found === null && this.#view.accepted?.current === true;
	}

	/** What is proposed against the plan in force; null where there is none, or nothing else is proposed. */
	readonly difference: PlanDifference | null = $derived.by(() => {
		const { accepted } = this.#view;
		return accepted && this.found ? planDifference(accepted.document.plan, this.found.plan) : null;
	});

	get canUndo(): boolean {
		return this.#steps.last !== null;
	}

	get canRedo(): boolean {
		return this.#steps.next !== null;
	}

	/**
	 * Takes up what was wished here before, and plans where there is no accepted plan that stands, or where it is to be planned
	 * again from what was tapped.
	 */
	async begin(fromTaps: boolean): Promise<void> {
		const kept = await this.#kept.read();
		if (kept && kept.length > 0) this.wishes = kept;
		const asAccepted = same(this.wishes, inForceOf(this.#view)?.wishes ?? []);
		this.#fromTaps = fromTaps;
		if (this.#acceptedStands(this.#view) && asAccepted && !fromTaps) void this.#lookInto();
		else await this.replan();
	}

	/** Takes what the server says now, and plans anew when that is not the accepted plan. */
	async show(view: PlanView): Promise<void> {
		const asBefore = view.fingerprint === this.#view.fingerprint && this.found !== null;
		const newlyAccepted = view.accepted?.number !== this.#view.accepted?.number;
		// What was supposed of the orders was worked out from a day that is another now.
		if (this.#dayAsIf && view.fingerprint !== this.#view.fingerprint) this.#supposeNothing();
		this.#view = view;
		if (newlyAccepted && view.accepted?.current === true) {
			this.#client?.cancel();
			this.#standAsAccepted(view);
			return;
		}
		if (this.#fromTaps && asBefore && this.#plannedFrom === tapsOf(this.tapped())) return;
		// What is planned here holds while nothing that timing uses has changed.
		if (view.accepted?.current === true ? this.found === null : asBefore) {
			if (this.phase.kind === 'planned' && this.waysOut === 'looked for') void this.#lookInto();
			return;
		}
		if (this.#fromTaps) {
			await this.replan();
			return;
		}
		if (view.accepted?.current === true && same(this.wishes, inForceOf(view)?.wishes ?? []))
			this.#standAsAccepted(view);
		else await this.replan();
	}

	/** Wants something so; the plan follows. */
	async wish(wishes: readonly PlanWish[]): Promise<void> {
		if (same(this.wishes, wishes)) return;
		this.#foundBefore.keep(this.#keyOf(this.wishes), this.found);
		this.#steps.push({ before: this.wishes, after: wishes });
		await this.#take(wishes);
	}

	/** What was wished before a hand took hold of something. */
	get wishesHeld(): readonly PlanWish[] {
		return this.#held?.wishes ?? this.wishes;
	}

	/** Something is drawn and not let go yet: what follows is shown, and nothing is kept. */
	async hold(wishes: readonly PlanWish[]): Promise<void> {
		this.#held ??= { wishes: this.wishes, found: this.found };
		if (same(this.wishes, wishes)) return;
		this.wishes = wishes;
		await this.replan(HELD_BUDGET_MS, this.#held.found);
	}

	/** It is let go: that is how it is wanted. */
	async letGo(wishes: readonly PlanWish[]): Promise<void> {
		const { wishes: before, found } = this.#held ?? { wishes: this.wishes, found: this.found };
		this.#held = null;
		this.#foundBefore.keep(this.#keyOf(before), found);
		this.#steps.push({ before, after: wishes });
		await this.#take(wishes, found);
	}

	/** Takes a plan that was found for other wishes, with what it wants so. */
	take(found: FoundPlan): void {
		const { wishes } = found.placement;
		this.#foundBefore.keep(this.#keyOf(this.wishes), this.found);
		this.#steps.push({ before: this.wishes, after: wishes });
		this.#client?.cancel();
		this.wishes = wishes;
		this.#keep(wishes);
		this.#tell(found, 'planned');
		void this.#lookInto();
	}

	async undo(): Promise<void> {
		const step = this.#steps.back();
		if (step) await this.#goTo(step.before);
	}

	async redo(): Promise<void> {
		const step = this.#steps.forth();
		if (step) await this.#goTo(step.after);
	}

	/** Takes the night to be so, to look at; `day` is its work where more or less is ordered. */
	async suppose(
		whatIf: readonly WhatIf[],
		day: BakeDayInput | null = this.#dayAsIf
	): Promise<void> {
		this.#dayAsIf = whatIf.some(({ kind }) => kind === 'orders') ? day : null;
		this.whatIf = whatIf;
		await this.replan();
	}

	/** Leaves what is proposed, and goes back to the plan in force. */
	async backToAccepted(): Promise<void> {
		this.#supposeNothing();
		const wishes = inForceOf(this.#view)?.wishes ?? [];
		if (!same(this.wishes, wishes)) this.#steps.push({ before: this.wishes, after: wishes });
		await this.#take(wishes);
	}

	/** Plans anew, from what is on the screen unless it is said from what. */
	async replan(
		changeBudgetMs = CHANGE_BUDGET_MS,
		from: FoundPlan | null = this.found
	): Promise<void> {
		if (this.#view.input.doughs.length === 0) {
			this.#client?.cancel();
			this.found = null;
			this.phase = { kind: 'planned' };
			return;
		}
		const { accepted } = this.#view;
		const inForce = from?.placement ?? inForceOf(this.#view);
		this.phase = { kind: this.shown ? 'improving' : 'planning' };
		const nowMs = this.#nowMs();
		this.#plannedFrom = tapsOf(this.tapped());
		const outcome = await this.#workers().plan(
			{
				input: this.input,
				conditions: { nowMs, wishes: this.wishes, done: this.#done(nowMs) },
				inForce,
				keepsInForce: accepted !== null,
				seed: SEED,
				budgetMs: inForce ? changeBudgetMs : FIRST_BUDGET_MS,
				isPatient: this.#held === null
			},
			(better) => this.#tell(better, 'improving')
		);
		switch (outcome.kind) {
			case 'planned':
				this.#tell(outcome.found, 'planned');
				void this.#lookInto();
				return;
			case 'superseded':
				return;
			case 'broken':
				this.phase = { kind: 'failed', message: `The planner stopped: ${outcome.message}.` };
				return;
		}
	}

	close(): void {
		this.#client?.close();
	}

	/** Nothing is begun in the past; a night that is over is looked at as it was. */
	#nowMs(): number | null {
		const last = Math.max(...this.#view.input.drops.map(({ readyByMs }) => readyByMs));
		const nowMs = this.now();
		return nowMs < last ? nowMs : null;
	}

	/** How much of what is proposed is taken as done, since the accepted plan told so. */
	get takenAsDone(): number {
		return this.found?.placement.done.length ?? 0;
	}

	#done(nowMs: number | null): readonly DoneTask[] {
		const { accepted, input } = this.#view;
		if (!accepted || nowMs === null) return [];
		return takenAsTapped(input, accepted.document.plan, workStates(this.tapped()), nowMs);
	}

	#tell(found: FoundPlan, kind: 'improving' | 'planned'): void {
		this.found = found;
		this.lookedInto = null;
		this.waysOut = null;
		this.phase = { kind };
	}

	async #lookInto(): Promise<void> {
		const { shown } = this;
		if (!shown?.placement) return;
		const found = await this.#workers().lookInto(shown.input, shown.placement);
		if (this.shown !== shown) return;
		this.lookedInto = found;
		if (!holds(shown.plan)) await this.#lookForWaysOut(shown, shown.placement);
	}

	/** A night whose plan does not hold is asked what would free it, for as long as nothing else is wanted. */
	async #lookForWaysOut(shown: PlanDocument, standing: Placement): Promise<void> {
		this.waysOut = 'looked for';
		const nowMs = this.#nowMs();
		const conditions = { nowMs, wishes: this.wishes, done: this.#done(nowMs) };
		const found = await this.#workers().waysOut(this.input, conditions, standing);
		if (this.shown !== shown) return;
		if (found?.kind === 'holds') {
			this.#tell(found.found, 'planned');
			void this.#lookInto();
		} else this.waysOut = found;
	}

	/** Goes back or forth to wishes that were there before, and to the plan that was found under them. */
	async #goTo(wishes: readonly PlanWish[]): Promise<void> {
		this.#foundBefore.keep(this.#keyOf(this.wishes), this.found);
		const found = this.#foundBefore.for(this.#keyOf(wishes));
		if (!found) return this.#take(wishes);
		this.#client?.cancel();
		this.wishes = wishes;
		this.#keep(wishes);
		this.#tell(found, 'planned');
		void this.#lookInto();
	}

	/** A plan can be gone back to while the day is the same, and what it is taken to be. */
	#keyOf(wishes: readonly PlanWish[]): string {
		return JSON.stringify([
			this.#view.fingerprint,
			this.#view.accepted?.number,
			this.whatIf,
			wishes
		]);
	}

	/** Keeps what is wished in this browser while it is not what was accepted. */
	#keep(wishes: readonly PlanWish[]): void {
		if (same(wishes, inForceOf(this.#view)?.wishes ?? [])) this.#kept.forget();
		else this.#kept.keep(wishes);
	}

	async #take(wishes: readonly PlanWish[], from: FoundPlan | null = this.found): Promise<void> {
		this.wishes = wishes;
		const asAccepted = same(wishes, inForceOf(this.#view)?.wishes ?? []);
		this.#keep(wishes);
		if (asAccepted && this.whatIf.length === 0 && this.#view.accepted?.current === true) {
			this.#client?.cancel();
			this.#standAsAccepted(this.#view);
		} else await this.replan(CHANGE_BUDGET_MS, from);
	}

	/** Only a browser has workers: they are started with the first question. */
	#workers(): PlanClient {
		return (this.#client ??= new PlanClient(startPlanWorker, planWorkers()));
	}

	#supposeNothing(): void {
		this.whatIf = [];
		this.#dayAsIf = null;
	}

	#acceptedStands(view: PlanView): boolean {
		return view.accepted?.current === true;
	}

	#standAsAccepted(view: PlanView): void {
		this.#fromTaps = false;
		this.found = null;
		this.waysOut = null;
		this.#supposeNothing();
		this.wishes = inForceOf(view)?.wishes ?? [];
		this.#kept.forget();
		this.phase = { kind: 'planned' };
		void this.#lookInto();
	}
}

function inForceOf({ accepted }: PlanView): Placement | null {
	return accepted?.document.placement ?? null;
}

function same(a: readonly PlanWish[], b: readonly PlanWish[]): boolean {
	return JSON.stringify(a) === JSON.stringify(b);
}

function tapsOf(entries: readonly WorkEntry[]): string {
	return entries.map(({ id }) => id).join(' ');
}
