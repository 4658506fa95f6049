import { z } from 'zod';
import { preparationContent } from '../../contracts/formula-book.ts';
import type { Preparation } from '../../core/formula/index.ts';
import { fail, ok } from '../../core/result.ts';
import { loadFormulaBook, lockBook } from '../db/formula-book.ts';
import { changedBook, newerRevision, writeChange } from './book-change.ts';
import { defineCommand } from './define.ts';
import { nameProblem } from './name-problem.ts';

/**
 * Saves a build, soaker, filling, wash or bath on its own as a new revision. Refused when someone saved a
 * newer one, or when something that takes from it could not be made any more. Everything that takes from it
 * follows with a revision of its own.
 */
export const savePreparation = defineCommand({
	kind: 'save-preparation',
	lane: 'book',
	content: z.object(preparationContent),
	right: 'change-the-book',
	refusals: ['name-taken', 'name-alike', 'unknown', 'newer-revision', 'formula-impossible'],
	handle: async (tx, command, actor) => {
		await lockBook(tx);
		const book = await loadFormulaBook(tx);
		const key = command.preparationId;
		const there = book.preparations.get(key);
		const others = [...book.preparations.values()].filter(
			({ preparation }) => preparation.id !== key
		);
		const problem = nameProblem(
			command.name,
			others.map(({ preparation }) => preparation.name),
			{ before: there?.preparation.name ?? null, meant: command.nameMeant }
		);
		if (problem) return fail(problem);
		if (!there && command.expectedRevision > 0) return fail({ kind: 'unknown', what: 'build' });
		const newer = newerRevision(there, command.expectedRevision, there?.preparation.name ?? '');
		if (newer) return fail(newer);
		const preparation: Preparation = {
			id: key,
			name: command.name,
			kind: command.preparationKind,
			lines: command.lines,
			buildLoss: { share: command.buildLossShare },
			takeBackGrams: command.takeBackGrams,
			...(command.preparationKind === 'bath' && command.bath ? { bath: command.bath } : {})
		};
		const change = {
			ingredient: null,
			preparations: [{ preparation, steps: command.steps }],
			formula: null
		};
		const after = changedBook(book, change);
		if (!after.ok) return after;
		await writeChange(tx, book, change, after.value, {
			actor,
			occurredAtMs: command.occurredAtMs
		});
		return ok({ revision: (there?.number ?? 0) + 1 });
	}
});
