import { SvelteMap, SvelteSet } from 'svelte/reactivity';
import type { z } from 'zod';
import { DraftModel } from '../../client/draft-model.svelte.ts';
import { KeptHere } from '../../client/kept-here.ts';
import type { Retries } from '../../client/retries.ts';
import { Sending } from '../../client/sending.svelte.ts';
import type {
	FormulaDraftView,
	FormulaView,
	PreparationView,
	RevisionContent,
	RevisionHeadView
} from '../../contracts/views.ts';
import type { AnswerOf } from '../../contracts/commands.ts';
import type { Explained } from '../../core/explain/index.ts';
import {
	addPreparation,
	correctWater,
	editLine,
	figuresOf,
	makeOwn,
	moveAddition,
	rebalance,
	removePreparation,
	resolveFormula,
	splitOffBuild,
	stagesInOrder,
	waterCorrection,
	type Addition,
	type Formula,
	type LineEdit,
	type Material,
	type Pantry,
	type Preparation,
	type RebalanceMove,
	type ResolvedFormula
} from '../../core/formula/index.ts';
import { id, type DeliveryId, type IngredientId, type PreparationId } from '../../core/identity.ts';
import {
	editFailureText,
	formulaFailureText,
	placeFailureText,
	splitFailureText
} from '../../wording/failure-text.ts';
import {
	changedPreparations,
	contentOf,
	draftFrom,
	draftOf,
	draftOfRevision,
	isChanged,
	type Draft
} from './draft.ts';
import type { keptFormula } from './kept-schemas.ts';
import { freeName, isTakenName } from './preparation-names.ts';

/** One formula as it is being edited: every change is a new draft, so that undo is a step back. */
export class FormulaModel {
	readonly #edit: DraftModel<Draft>;
	readonly #kept: KeptHere<z.infer<typeof keptFormula>>;
	/** What is sent beside the sheet itself: drafts set aside. */
	readonly #beside: Sending;
	#said = $state('');
	/** What changing a delivery proposes for the water; null when there is nothing to decide. */
	proposal: { readonly flour: string; readonly water: Explained } | null = $state.raw(null);

	constructor(
		readonly view: FormulaView,
		retries: Retries
	) {
		this.#kept = new KeptHere(
			`jovet.formula.unsaved.${view.formula.id}`,
			async () => (await import('./kept-schemas.ts')).keptFormula
		);
		this.#beside = new Sending(retries);
		this.#edit = new DraftModel<Draft>(
			draftOf(view),
			{
				isChanged: () => this.changed,
				keep: (draft) =>
					this.#kept.keep({
						revision: view.revision,
						content: contentOf(draft, view, this.changedPreparations),
						takenUp: draft.takenUp
					}),
				forget: () => this.#kept.forget()
			},
			retries
		);
	}

	/** Brings back what was edited and not saved before the page was left. */
	async restore(): Promise<void> {
		const stored = await this.#kept.read();
		if (stored?.revision !== this.view.revision || this.changed) return;
		this.#edit.restore(draftFrom(stored.content, this.view, stored.takenUp));
		this.#said = 'These changes were made before and are not saved yet.';
	}

	readonly draft = $derived.by(() => this.#edit.value);

	/** What there is to say: of what was sent, otherwise of what was done here. */
	get message(): string {
		return this.#edit.sending.message || this.#beside.message || this.#said;
	}
	set message(said: string) {
		this.#said = said;
	}

	get saving(): boolean {
		return this.#edit.sending.busy;
	}

	readonly pantry = $derived.by((): Pantry => {
		const preparations = new SvelteMap(
			this.view.preparations.map(({ preparation }) => [preparation.id, preparation])
		);
		for (const preparation of this.draft.preparations)
			preparations.set(preparation.id, preparation);
		return {
			causticMost: this.view.causticMost,
			ingredients: new SvelteMap(
				this.view.ingredients.map((ingredient) => [ingredient.id, ingredient])
			),
			preparations
		};
	});

	/** The formula resolved; a text says why it cannot be. */
	readonly resolved = $derived.by((): ResolvedFormula | string => {
		const result = resolveFormula(this.draft.formula, this.pantry);
		return result.ok ? result.value : formulaFailureText(result.error);
	});

	readonly figures = $derived.by(() =>
		typeof this.resolved === 'string' ? null : figuresOf(this.resolved)
	);

	readonly changedPreparations = $derived.by(() => {
		const taken = new SvelteSet<PreparationId>();
		if (typeof this.resolved !== 'string')
			for (const { preparation } of stagesInOrder(this.resolved.final))
				if (preparation) taken.add(preparation.id);
		return changedPreparations(this.draft, this.view, taken);
	});

	/** Changed builds that others take from too, and nobody said yet for whom they change. */
	readonly undecided = $derived.by((): readonly PreparationView[] =>
		this.changedPreparations.flatMap(({ id: changed }) => {
			if (this.draft.forAll.includes(changed)) return [];
			const saved = this.view.preparations.find(({ preparation }) => preparation.id === changed);
			return saved && saved.sharedWith.length > 0 ? [saved] : [];
		})
	);

	readonly changed = $derived.by(
		() => this.changedPreparations.length > 0 || isChanged(this.draft, this.view)
	);

	get canUndo(): boolean {
		return this.#edit.canUndo;
	}

	get canRedo(): boolean {
		return this.#edit.canRedo;
	}

	/** Sets a line; gives why it is refused, or nothing where it was taken. */
	edit(change: LineEdit): string {
		const { resolved } = this;
		return typeof resolved === 'string' ? resolved : this.#taken(editLine(resolved, change));
	}

	/** Moves flour or water between the stages; gives why it is refused, or nothing where it was taken. */
	rebalance(preparationId: PreparationId, move: RebalanceMove): string {
		return this.#taken(rebalance(this.draft.formula, this.pantry, preparationId, move));
	}

	#taken(result: ReturnType<typeof editLine> | ReturnType<typeof rebalance>): string {
		if (!result.ok) return editFailureText(result.error);
		this.#rewrite(result.value.formula, result.value.preparations);
		return '';
	}

	/** Lets a line of the final dough go in at another time. */
	moveAddition(material: Material, from: Addition, to: Addition): void {
		this.#rewrite(moveAddition(this.draft.formula, material, from, to));
	}

	/** Sets how much of the one thing that is rolled in there is. */
	setRolledIn(percentOfFlour: number): void {
		const { formula } = this.draft;
		const lines = formula.lines.map((line) =>
			line.addition === 'roll-in' ? { ...line, percentOfFlour } : line
		);
		this.#rewrite({ ...formula, lines });
	}

	/** Takes a recipe of the book into the final dough. */
	addPreparation(preparationId: PreparationId, percentOfFlour: number): boolean {
		const { resolved } = this;
		const preparation = this.pantry.preparations.get(preparationId);
		if (typeof resolved === 'string' || !preparation) return false;
		const result = addPreparation(resolved, this.pantry, preparation, percentOfFlour);
		if (!result.ok) this.message = placeFailureText(result.error);
		else this.#rewrite(result.value);
		return result.ok;
	}

	removePreparation(preparation: Preparation): void {
		const { resolved } = this;
		if (typeof resolved === 'string') return;
		const result = removePreparation(resolved, this.pantry, preparation);
		if (!result.ok) this.message = placeFailureText(result.error);
		else this.#rewrite(result.value);
	}

	/** Makes flour and water of a stage a build of its own. */
	splitOff(into: PreparationId | null, name: string, flourPercent: number): boolean {
		const { resolved } = this;
		if (typeof resolved === 'string') return false;
		const tidy = name.trim();
		if (tidy === '' || isTakenName(this.pantry, tidy)) {
			this.message =
				tidy === '' ? 'The new pre-ferment needs a name.' : `"${tidy}" is in the book already.`;
			return false;
		}
		const result = splitOffBuild(resolved, {
			into,
			id: id<PreparationId>(crypto.randomUUID()),
			name: tidy,
			flourPercent
		});
		if (!result.ok) {
			this.message = splitFailureText(result.error);
			return false;
		}
		this.#rewrite(result.value.formula, result.value.preparations);
		return true;
	}

	/** A shared build that was changed stays shared: the change is for all. */
	changeForAll(preparationId: PreparationId): void {
		this.#take({ ...this.draft, forAll: [...this.draft.forAll, preparationId] });
	}

	/** A shared build that was changed becomes this formula's own; the others keep what they had. */
	makeOwn({ preparation }: PreparationView): void {
		const { resolved } = this;
		if (typeof resolved === 'string') return;
		const copy = {
			id: id<PreparationId>(crypto.randomUUID()),
			name: freeName(this.pantry, `${preparation.name}, ${this.draft.formula.name}`)
		};
		const result = makeOwn(resolved, preparation.id, copy);
		if (!result.ok) return;
		const draft = this.#merged(result.value.formula, result.value.preparations);
		this.#take({
			...draft,
			preparations: draft.preparations.filter((other) => other.id !== preparation.id),
			copies: [...draft.copies, { id: copy.id, of: preparation.id }]
		});
	}

	/** Lets a flour stand for a delivery (or the house flour), and proposes what the water does. */
	useDelivery(ingredientId: IngredientId, deliveryId: DeliveryId | null): void {
		const { resolved } = this;
		if (typeof resolved === 'string') return;
		const { formula } = this.draft;
		const find = (wanted: DeliveryId | null | undefined) =>
			this.view.deliveries.find((delivery) => delivery.id === wanted) ?? null;
		const before = formula.deliveries.find((delivery) => delivery.ingredientId === ingredientId);
		const water = waterCorrection(
			resolved,
			ingredientId,
			find(before?.deliveryId),
			find(deliveryId)
		);
		const others = formula.deliveries.filter((delivery) => delivery.ingredientId !== ingredientId);
		this.#rewrite({
			...formula,
			deliveries: deliveryId === null ? others : [...others, { ingredientId, deliveryId }]
		});
		const flour = this.pantry.ingredients.get(ingredientId)?.name ?? '';
		this.proposal = Math.abs(water.value) < 0.005 ? null : { flour, water };
	}

	/** The proposed water goes into the dough, or the baker leaves it as it is. */
	answerProposal(accepted: boolean): void {
		const { resolved, proposal } = this;
		this.proposal = null;
		if (!accepted || !proposal || typeof resolved === 'string') return;
		const result = correctWater(resolved, proposal.water.value);
		if (!result.ok) this.message = placeFailureText(result.error);
		else this.#rewrite(result.value);
	}

	/** Sets what is not a line: the name, the loss, the temperature, the mixer's most, the chain. */
	set(
		change: Partial<Pick<Draft, 'targetCelsius' | 'mostDoughGrams' | 'steps'>> & {
			readonly name?: string;
			readonly doughLossShare?: number;
		}
	): void {
		const { name, doughLossShare, ...rest } = change;
		const { formula } = this.draft;
		this.#take({
			...this.draft,
			...rest,
			formula: {
				...formula,
				name: name ?? formula.name,
				doughLoss: { share: doughLossShare ?? formula.doughLoss.share }
			}
		});
	}

	/** Puts a draft of the server on the sheet, over the formula as it is now. */
	takeUp(draft: FormulaDraftView): void {
		this.#take(draftFrom(draft.content, this.view, draft.id));
		this.message = `The draft of ${draft.by} is on the sheet. Save it, or undo.`;
	}

	/** Puts what an earlier revision said on the sheet; saved, it is the newest again. */
	takeRevision({ number }: RevisionHeadView, content: RevisionContent): void {
		this.#take(draftOfRevision(content, this.view));
		this.message = this.changed
			? `Revision ${number} is on the sheet. Save it, or undo.`
			: `Revision ${number} says what the sheet says already.`;
	}

	async setAside(draftId: string, nowMs: number, answered: () => Promise<unknown>): Promise<void> {
		await this.#beside.send(
			{ kind: 'set-aside-draft', occurredAtMs: Math.round(nowMs), draftId },
			async ({ outcome }) => {
				if (outcome === 'done') await answered();
			}
		);
	}

	undo(): void {
		this.#edit.undo();
		this.#silence();
	}

	redo(): void {
		this.#edit.redo();
		this.#silence();
	}

	/** Saves the draft as the next revision, or beside a newer one; `saved` is told when it is. */
	async save(
		nowMs: number,
		saved: (answer: AnswerOf<'save-formula'>) => Promise<unknown>
	): Promise<void> {
		const { draft } = this;
		const content = contentOf(draft, this.view, this.changedPreparations);
		await this.#edit.sending.send(
			{ kind: 'save-formula', occurredAtMs: Math.round(nowMs), ...content },
			async (result) => {
				if (result.outcome !== 'done') return;
				const told = () => saved(result.answer);
				this.#edit.forget();
				// What was taken up is in the formula now, or in the draft beside it.
				if (draft.takenUp === null) await told();
				else await this.setAside(draft.takenUp, nowMs, told);
			}
		);
	}

	/** Whether a build is not in the book yet. */
	isNew(preparationId: PreparationId): boolean {
		return !this.view.preparations.some(({ preparation }) => preparation.id === preparationId);
	}

	#merged(formula: Formula, preparations: readonly Preparation[]): Draft {
		const others = this.draft.preparations.filter(
			(preparation) => !preparations.some((changed) => changed.id === preparation.id)
		);
		return { ...this.draft, formula, preparations: [...others, ...preparations] };
	}

	#rewrite(formula: Formula, preparations: readonly Preparation[] = []): void {
		this.#take(this.#merged(formula, preparations));
	}

	#take(draft: Draft): void {
		this.#edit.take(draft);
		this.#silence();
	}

	/** What was said was about the sheet as it stood. */
	#silence(): void {
		this.message = '';
		this.proposal = null;
	}
}
