import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { formulaContent, type FormulaContent } from '../../contracts/formula-book.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import {
	firstStepsOf,
	USUAL_BUILD_LOSS_SHARE,
	type Formula,
	type Preparation
} from '../../core/formula/index.ts';
import type { PreparationId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook, type FormulaBook } from '../db/formula-book.ts';
import { insertDraft } from '../db/formula-drafts.ts';
import { loadRevisionHeads } from '../db/formulas.ts';
import { areDeliveriesKnown } from '../db/ingredients.ts';
import { changedBook, newerRevision, writeChange, type BookChange } from './book-change.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/** What saving a formula answers: its revision, or that it stands beside the one that was saved first. */
export type SavedFormula =
	| { readonly kind: 'saved'; readonly revision: number }
	| {
			readonly kind: 'kept-as-draft';
			readonly draftId: string;
			readonly revision: number;
			readonly by: string;
	  };

/**
 * Saves a formula, and the builds that changed with it, as new revisions; everything else that takes from
 * those builds follows with revisions of its own. What was baked keeps the revision it was pinned to. When
 * someone edited it first, this save is kept as a draft beside that; refused only when this or any other formula
 * that takes from a changed build could not be made.
 */
export const saveFormula = defineCommand({
	kind: 'save-formula',
	lane: 'book',
	content: z.object(formulaContent),
	right: 'change-the-book',
	refusals: ['unknown', 'name-taken', 'name-alike', 'formula-impossible'],
	handle: async (tx, command, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		const before = book.formulas.find((revision) => revision.formula.id === command.formulaId);
		if (!before) return fail({ kind: 'unknown', what: 'formula' });
		const refusal = misfit(command, before.formula.name, book);
		if (refusal) return fail(refusal);
		if (isStale(command, book)) {
			const [head] = await loadRevisionHeads(tx, command.formulaId, 1);
			const draftId = randomUUID();
			const { id: commandId, occurredAtMs: _, nameMeant: __, ...content } = command;
			await insertDraft(tx, { id: draftId, commandId, madeBy: actor.id, content });
			return ok<SavedFormula>({
				kind: 'kept-as-draft',
				draftId,
				revision: before.number,
				by: head?.by ?? ''
			});
		}
		if (!(await areDeliveriesKnown(tx, command.deliveries)))
			return fail({ kind: 'unknown', what: 'delivery' });
		const formula: Formula = {
			id: before.formula.id,
			name: command.name,
			lines: command.lines,
			doughLoss: { share: command.doughLossShare },
			deliveries: command.deliveries
		};
		const { targetCelsius, mostDoughGrams, steps } = command;
		const change: BookChange = {
			ingredient: null,
			preparations: command.preparations.map((preparation) => revised(preparation, book)),
			formula: { ...before, formula, targetCelsius, mostDoughGrams, steps }
		};
		const after = changedBook(book, change);
		if (!after.ok) return after;
		const revision = await writeChange(tx, book, change, after.value, {
			actor,
			occurredAtMs: command.occurredAtMs
		});
		return ok<SavedFormula>({ kind: 'saved', revision });
	}
});

/** What no editor could have meant: a name that is taken, a build that is not there. */
function misfit(
	content: FormulaContent & { readonly nameMeant: boolean },
	nameBefore: string,
	book: FormulaBook
): RefusalOf<'name-taken' | 'name-alike' | 'unknown'> | null {
	const meant = content.nameMeant;
	const others = book.formulas.filter(({ formula }) => formula.id !== content.formulaId);
	const problem = nameProblem(
		content.name,
		others.map(({ formula }) => formula.name),
		{ before: nameBefore, meant }
	);
	if (problem) return problem;
	const names = [...book.preparations.values()].map(({ preparation }) => preparation.name);
	for (const { preparationId, expectedRevision, newName } of content.preparations) {
		const there = book.preparations.get(preparationId);
		if (newName !== null && expectedRevision === 0) {
			if (there) return { kind: 'name-taken', name: newName };
			const problem = nameProblem(newName, names, { before: null, meant });
			if (problem) return problem;
			names.push(newName);
		} else if (!there || newName !== null) return { kind: 'unknown', what: 'build' };
	}
	return null;
}

/** Whether somebody edited the formula, or one of the builds that are saved with it, since this was begun. */
function isStale(content: FormulaContent, book: FormulaBook): boolean {
	const formula = book.formulas.find((revision) => revision.formula.id === content.formulaId);
	const builds = content.preparations.map(({ preparationId, expectedRevision }) =>
		newerRevision(book.preparations.get(preparationId), expectedRevision, '')
	);
	const own = formula && newerRevision({ ...formula, by: '' }, content.expectedRevision, '');
	return [own, ...builds].some((build) => build !== null && build !== undefined);
}

/** A build as its next revision has it, with its own steps or those of what it was copied from. */
function revised(
	{ preparationId, newName, copyOf, lines }: FormulaContent['preparations'][number],
	book: FormulaBook
): BookChange['preparations'][number] {
	const there = book.preparations.get(preparationId);
	const copied = copyOf === null ? undefined : book.preparations.get(copyOf);
	const preparation =
		there?.preparation ?? newPreparation(preparationId, newName ?? '', copied?.preparation);
	return {
		preparation: { ...preparation, lines },
		steps: there?.steps ?? copied?.steps ?? firstStepsOf(preparation.kind)
	};
}

/** A build that is made with its formula: a copy of another, or a plain beginning. */
function newPreparation(
	id: PreparationId,
	name: string,
	copied: Preparation | undefined
): Preparation {
	return {
		id,
		name,
		kind: copied?.kind ?? 'build',
		lines: [],
		buildLoss: copied?.buildLoss ?? { share: USUAL_BUILD_LOSS_SHARE },
		takeBackGrams: copied?.takeBackGrams ?? 0
	};
}
