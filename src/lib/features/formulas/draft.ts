import type { FormulaContent } from '../../contracts/formula-book.ts';
import type { FormulaView, RevisionContent } from '../../contracts/views.ts';
import {
	compareFormulas,
	comparePreparations,
	USUAL_BUILD_LOSS_SHARE,
	type Formula,
	type Preparation,
	type Step
} from '../../core/formula/index.ts';
import { id, type PreparationId } from '../../core/identity.ts';

/** A state of the sheet: the formula, and the builds that were changed on the way to it. */
export interface Draft {
	readonly formula: Formula;
	readonly targetCelsius: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
	readonly preparations: readonly Preparation[];
	/** New builds that began as a copy of one that is there. */
	readonly copies: readonly { readonly id: PreparationId; readonly of: PreparationId }[];
	/** Shared builds that the baker said to change for all. */
	readonly forAll: readonly PreparationId[];
	/** The draft of the server that is on the sheet; saving sets it aside, and undoing leaves it. */
	readonly takenUp: string | null;
}

export function draftOf(view: FormulaView): Draft {
	const { formula, targetCelsius, mostDoughGrams, steps } = view;
	return {
		formula,
		targetCelsius,
		mostDoughGrams,
		steps,
		preparations: [],
		copies: [],
		forAll: [],
		takenUp: null
	};
}

/** Builds of a draft whose recipe differs from the saved one; new ones that nothing takes from do not count. */
export function changedPreparations(
	draft: Draft,
	view: FormulaView,
	taken: ReadonlySet<PreparationId>
): readonly Preparation[] {
	return draft.preparations.filter((other) => {
		const saved = view.preparations.find(({ preparation }) => preparation.id === other.id);
		return saved ? comparePreparations(saved.preparation, other).length > 0 : taken.has(other.id);
	});
}

/** Whether anything of a draft differs from what is saved, its builds aside. */
export function isChanged(draft: Draft, view: FormulaView): boolean {
	const { formula } = draft;
	return (
		formula.name !== view.formula.name ||
		formula.doughLoss.share !== view.formula.doughLoss.share ||
		draft.targetCelsius !== view.targetCelsius ||
		draft.mostDoughGrams !== view.mostDoughGrams ||
		JSON.stringify(draft.steps) !== JSON.stringify(view.steps) ||
		JSON.stringify(formula.deliveries) !== JSON.stringify(view.formula.deliveries) ||
		compareFormulas(view.formula, formula).length > 0
	);
}

/** A draft as it is saved, here or on the server. */
export function contentOf(
	draft: Draft,
	view: FormulaView,
	changed: readonly Preparation[]
): FormulaContent {
	const { formula } = draft;
	return {
		formulaId: formula.id,
		expectedRevision: view.revision,
		name: formula.name,
		doughLossShare: formula.doughLoss.share,
		targetCelsius: draft.targetCelsius,
		mostDoughGrams: draft.mostDoughGrams,
		steps: [...draft.steps],
		deliveries: formula.deliveries.map((delivery) => ({ ...delivery })),
		lines: formula.lines.map((line) => ({ ...line })),
		preparations: changed.map((other) => {
			const saved = view.preparations.find(({ preparation }) => preparation.id === other.id);
			return {
				preparationId: other.id,
				newName: saved ? null : other.name,
				expectedRevision: saved?.revision ?? 0,
				copyOf: draft.copies.find((copy) => copy.id === other.id)?.of ?? null,
				lines: other.lines.map((line) => ({ ...line }))
			};
		})
	};
}

/** What was kept, as a draft over the formula as it is now. */
export function draftFrom(
	content: FormulaContent,
	view: FormulaView,
	takenUp: string | null = null
): Draft {
	return {
		formula: {
			...view.formula,
			name: content.name,
			lines: content.lines,
			doughLoss: { share: content.doughLossShare },
			deliveries: content.deliveries
		},
		targetCelsius: content.targetCelsius,
		mostDoughGrams: content.mostDoughGrams,
		steps: content.steps,
		preparations: content.preparations.map((other) => {
			const there = (wanted: string | null) =>
				view.preparations.find(({ preparation }) => preparation.id === wanted)?.preparation;
			const begun = there(other.preparationId) ?? there(other.copyOf);
			return {
				kind: begun?.kind ?? 'build',
				buildLoss: begun?.buildLoss ?? { share: USUAL_BUILD_LOSS_SHARE },
				takeBackGrams: begun?.takeBackGrams ?? 0,
				id: id<PreparationId>(other.preparationId),
				name: other.newName ?? begun?.name ?? '',
				lines: other.lines
			};
		}),
		copies: content.preparations.flatMap((preparation) =>
			preparation.copyOf === null
				? []
				: [{ id: id<PreparationId>(preparation.preparationId), of: preparation.copyOf }]
		),
		forAll: [],
		takenUp
	};
}

/** A draft as something two revisions are compared with. */
export function revisionOf(draft: Draft, view: FormulaView): RevisionContent {
	const preparations = new Map(
		view.preparations.map(({ preparation }) => [preparation.id, preparation])
	);
	for (const preparation of draft.preparations) preparations.set(preparation.id, preparation);
	const { formula, targetCelsius, mostDoughGrams, steps } = draft;
	return {
		formula,
		targetCelsius,
		mostDoughGrams,
		steps,
		preparations: [...preparations.values()]
	};
}

/** An earlier revision as a draft over the formula as it is now: what it said, with its builds as they were then. */
export function draftOfRevision(content: RevisionContent, view: FormulaView): Draft {
	return {
		...draftOf(view),
		formula: { ...view.formula, ...content.formula },
		targetCelsius: content.targetCelsius,
		mostDoughGrams: content.mostDoughGrams,
		steps: content.steps,
		preparations: content.preparations
	};
}
