import type { Preparation } from '../../../core/formula/index.ts';
import { id, type PreparationId } from '../../../core/identity.ts';
import { fail, ok } from '../../../core/result.ts';
import { loadFormulaBook } from '../../db/formula-book.ts';
import { loadPreparationEditor } from '../../db/formula-history.ts';
import { impossibleAfter, lockBook } from './book-guard.ts';
import { followersOf, reviseFollowers } from './formula-revisions.ts';
import type { CommandHandler } from './handler.ts';
import { insertPreparationLines, insertPreparationRevision } from './preparation-revisions.ts';

/**
 * Saves a build, soaker, filling, wash or bath on its own as a new revision. Refused when someone saved a
 * newer one, or when something that takes from it could not be made any more. Every formula that takes from
 * it follows with a revision of its own.
 */
export const savePreparation: CommandHandler<'save-preparation'> = async (tx, command, actor) => {
	await lockBook(tx);
	const book = await loadFormulaBook(tx);
	const key = id<PreparationId>(command.preparationId);
	const there = book.preparations.get(key);
	const taken = [...book.preparations.values()].some(
		({ preparation }) => preparation.name === command.name && preparation.id !== key
	);
	if (taken) return fail({ kind: 'name-taken', name: command.name });
	if (!there && command.expectedRevision > 0) return fail({ kind: 'unknown', what: 'build' });
	if (there && there.number !== command.expectedRevision)
		return fail({
			kind: 'newer-revision',
			name: there.preparation.name,
			revision: there.number,
			by: await loadPreparationEditor(tx, there.revisionId)
		});
	const preparation: Preparation = {
		id: key,
		name: command.name,
		kind: command.preparationKind,
		lines: command.lines,
		buildLoss: { share: command.buildLossShare },
		takeBackGrams: command.takeBackGrams
	};
	const preparations = new Map(book.pantry.preparations).set(key, preparation);
	const pantry = { ...book.pantry, preparations };
	const followers = followersOf(book, pantry, null);
	if (!followers.ok) return followers;
	const impossible = impossibleAfter(book, {
		formulas: followers.value.map((one) => one.formula),
		pantry
	});
	if (impossible) return fail(impossible);
	if (!there) await tx.insertInto('preparation').values({ id: key, name: command.name }).execute();
	else if (there.preparation.name !== command.name)
		await tx.updateTable('preparation').set({ name: command.name }).where('id', '=', key).execute();
	const number = command.expectedRevision + 1;
	const revisionId = await insertPreparationRevision(
		tx,
		{
			preparationId: key,
			number,
			kind: command.preparationKind,
			buildLossShare: command.buildLossShare,
			takeBackGrams: command.takeBackGrams,
			steps: command.steps
		},
		actor
	);
	await insertPreparationLines(tx, revisionId, command.lines);
	await reviseFollowers(tx, followers.value, actor);
	return ok({ revision: number });
};
