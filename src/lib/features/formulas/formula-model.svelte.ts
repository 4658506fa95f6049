import { SvelteMap } from 'svelte/reactivity';
import { sendCommand } from '../../client/send-command.ts';
import type { FormulaView } from '../../contracts/views.ts';
import {
	compareFormulas,
	comparePreparations,
	editLine,
	figuresOf,
	rebalance,
	resolveFormula,
	splitOffBuild,
	stagesInOrder,
	type Formula,
	type LineEdit,
	type Pantry,
	type Preparation,
	type RebalanceMove,
	type ResolvedFormula
} from '../../core/formula/index.ts';
import { id, type PreparationId } from '../../core/identity.ts';
import {
	editFailureText,
	formulaFailureText,
	splitFailureText
} from '../../wording/failure-text.ts';
import { refusalText } from '../../wording/refusal-text.ts';
import type { Draft } from './draft.ts';
import { forgetDraft, keepDraft, readDraft } from './unsaved-draft.ts';

/** One formula as it is being edited: every change is a new draft, so that undo is a step back. */
export class FormulaModel {
	#past: readonly Draft[] = $state.raw([]);
	#future: readonly Draft[] = $state.raw([]);
	#draft: Draft = $state.raw() as Draft;
	message = $state('');
	saving = $state(false);

	constructor(readonly view: FormulaView) {
		this.#draft = { formula: view.formula, preparations: [] };
	}

	/** Brings back what was edited and not saved before the page was left. */
	restore(): void {
		const kept = readDraft(this.view.formula.id, this.view.revision);
		if (!kept) return;
		this.#past = [this.#draft];
		this.#draft = kept;
		this.message = 'These changes were made before and are not saved yet.';
	}

	readonly draft = $derived.by(() => this.#draft);

	readonly pantry = $derived.by((): Pantry => {
		const preparations = new SvelteMap(
			this.view.preparations.map(({ preparation }) => [preparation.id, preparation])
		);
		for (const one of this.#draft.preparations) preparations.set(one.id, one);
		return {
			ingredients: new SvelteMap(this.view.ingredients.map((one) => [one.id, one])),
			preparations
		};
	});

	/** The formula resolved; a text says why it cannot be. */
	readonly resolved = $derived.by((): ResolvedFormula | string => {
		const result = resolveFormula(this.#draft.formula, this.pantry);
		return result.ok ? result.value : formulaFailureText(result.error);
	});

	readonly figures = $derived.by(() =>
		typeof this.resolved === 'string' ? null : figuresOf(this.resolved)
	);

	/** Builds whose recipe differs from the saved one. */
	readonly changedPreparations = $derived.by(() =>
		this.#draft.preparations.filter((one) => {
			if (this.#isNew(one.id) && !this.#isTaken(one.id)) return false;
			const saved = this.view.preparations.find(({ preparation }) => preparation.id === one.id);
			return saved === undefined || comparePreparations(saved.preparation, one).length > 0;
		})
	);

	readonly changed = $derived.by(
		() =>
			this.changedPreparations.length > 0 ||
			compareFormulas(this.view.formula, this.#draft.formula).length > 0
	);

	get canUndo(): boolean {
		return this.#past.length > 0;
	}

	get canRedo(): boolean {
		return this.#future.length > 0;
	}

	edit(change: LineEdit): void {
		const { resolved } = this;
		if (typeof resolved === 'string') return;
		const result = editLine(resolved, change);
		if (!result.ok) {
			this.message = editFailureText(result.error);
			return;
		}
		this.#take(result.value.formula, result.value.preparations);
	}

	rebalance(preparationId: PreparationId, move: RebalanceMove): void {
		const result = rebalance(this.#draft.formula, this.pantry, preparationId, move);
		if (!result.ok) {
			this.message = editFailureText(result.error);
			return;
		}
		const { formula, preparation } = result.value;
		this.#take(formula, preparation ? [preparation] : []);
	}

	/** Makes flour and water of a stage a build of its own. */
	splitOff(into: PreparationId | null, name: string, flourPercent: number): boolean {
		const { resolved } = this;
		if (typeof resolved === 'string') return false;
		const tidy = name.trim();
		const names = [...this.pantry.preparations.values()].map((one) => one.name);
		if (tidy === '' || names.includes(tidy)) {
			this.message =
				tidy === '' ? 'The new build needs a name.' : `"${tidy}" is in the book already.`;
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
		this.#take(result.value.formula, result.value.preparations);
		return true;
	}

	#isTaken(preparationId: PreparationId): boolean {
		return (
			typeof this.resolved !== 'string' &&
			stagesInOrder(this.resolved.final).some((stage) => stage.preparation?.id === preparationId)
		);
	}

	#isNew(preparationId: PreparationId): boolean {
		return !this.view.preparations.some(({ preparation }) => preparation.id === preparationId);
	}

	undo(): void {
		const before = this.#past.at(-1);
		if (!before) return;
		this.#future = [this.#draft, ...this.#future];
		this.#past = this.#past.slice(0, -1);
		this.#show(before);
	}

	redo(): void {
		const [after, ...rest] = this.#future;
		if (!after) return;
		this.#past = [...this.#past, this.#draft];
		this.#future = rest;
		this.#show(after);
	}

	/** Saves the draft as the next revision; true when it is saved. */
	async save(nowMs: number): Promise<boolean> {
		const { formula } = this.#draft;
		this.saving = true;
		const result = await sendCommand({
			kind: 'save-formula',
			occurredAtMs: Math.round(nowMs),
			formulaId: formula.id,
			expectedRevision: this.view.revision,
			lines: formula.lines.map((line) => ({ ...line })),
			preparations: this.changedPreparations.map((one) => ({
				preparationId: one.id,
				newName: this.#isNew(one.id) ? one.name : null,
				expectedRevision:
					this.view.preparations.find(({ preparation }) => preparation.id === one.id)?.revision ??
					0,
				lines: one.lines.map((line) => ({ ...line }))
			}))
		});
		this.saving = false;
		if (result.outcome === 'done') {
			forgetDraft(formula.id);
			return true;
		}
		this.message =
			result.outcome === 'refused'
				? refusalText(result.refusal)
				: 'Not saved: Jovet does not answer. Your changes stay here; try again in a moment.';
		return false;
	}

	#take(formula: Formula, preparations: readonly Preparation[]): void {
		const others = this.#draft.preparations.filter(
			(one) => !preparations.some((changed) => changed.id === one.id)
		);
		this.#past = [...this.#past.slice(-199), this.#draft];
		this.#future = [];
		this.#show({ formula, preparations: [...others, ...preparations] });
	}

	#show(draft: Draft): void {
		this.#draft = draft;
		this.message = '';
		if (this.changed) keepDraft(this.view.revision, draft);
		else forgetDraft(draft.formula.id);
	}
}
