import { randomUUID } from 'node:crypto';
import type { CommandOf, Refusal } from '../../../contracts/commands.ts';
import {
	firstStepsOf,
	type Formula,
	type Preparation,
	type Step
} from '../../../core/formula/index.ts';
import { id, type FormulaId, type PreparationId } from '../../../core/identity.ts';
import { fail, ok } from '../../../core/result.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Tx } from '../../db/client.ts';
import { loadFormulaBook, type FormulaBook, type FormulaRevision } from '../../db/formula-book.ts';
import { loadRevisionHeads } from '../../db/formula-history.ts';
import { impossibleAfter, lockBook } from './book-guard.ts';
import { followersOf, insertFormulaRevision, reviseFollowers } from './formula-revisions.ts';
import type { CommandHandler } from './handler.ts';
import { insertPreparationLines, insertPreparationRevision } from './preparation-revisions.ts';

type SaveFormula = CommandOf<'save-formula'>;

/**
 * Saves a formula, and the builds that changed with it, as new revisions; other formulas that take from
 * those builds follow with revisions of their own. What was baked keeps the revision it was pinned to. When someone saved a newer revision first, this one is kept as a draft beside
 * it; refused only when this or any other formula that takes from a changed build could not be made.
 */
export const saveFormula: CommandHandler<'save-formula'> = async (tx, command, actor) => {
	await lockBook(tx);
	const book = await loadFormulaBook(tx);
	const before = book.formulas.find((one) => one.formula.id === command.formulaId);
	if (!before) return fail({ kind: 'unknown', what: 'formula' });
	const refusal = misfit(command, book);
	if (refusal) return fail(refusal);
	const stale = await staleness(tx, command, book, before);
	if (stale) {
		const draftId = await keepDraft(tx, command, actor);
		return ok({ kind: 'kept-as-draft', draftId, ...stale });
	}
	const { formula, pantry } = changeOf(command, book);
	const followers = followersOf(book, pantry, formula.id);
	if (!followers.ok) return followers;
	const formulas = [formula, ...followers.value.map((one) => one.formula)];
	const impossible = impossibleAfter(book, { pantry, formulas });
	if (impossible) return fail(impossible);
	const unknown = await unknownDelivery(tx, command);
	if (unknown) return fail(unknown);

	if (command.name !== before.formula.name)
		await tx
			.updateTable('formula')
			.set({ name: command.name })
			.where('id', '=', command.formulaId)
			.execute();
	// All builds before any line: a line can only name a build that is there.
	const revisions = new Map<string, string>();
	for (const one of command.preparations)
		revisions.set(one.preparationId, await revisePreparation(tx, one, book, actor));
	for (const { preparationId, lines } of command.preparations)
		await insertPreparationLines(tx, revisions.get(preparationId) as string, lines);
	const number = command.expectedRevision + 1;
	const { targetCelsius, mostDoughGrams, steps } = command;
	await insertFormulaRevision(
		tx,
		{ ...before, formula, number, targetCelsius, mostDoughGrams, steps },
		actor
	);
	await reviseFollowers(tx, followers.value, actor);
	return ok({ kind: 'saved', revision: number });
};

/** What no editor could have meant: a name that is taken, a build that is not there. */
function misfit(command: SaveFormula, book: FormulaBook): Refusal | null {
	const taken = book.formulas.some(
		({ formula }) => formula.name === command.name && formula.id !== command.formulaId
	);
	if (taken) return { kind: 'name-taken', name: command.name };
	const names = new Set([...book.preparations.values()].map((one) => one.preparation.name));
	for (const { preparationId, expectedRevision, newName } of command.preparations) {
		const there = book.preparations.get(id<PreparationId>(preparationId));
		if (newName !== null && expectedRevision === 0) {
			if (there || names.has(newName)) return { kind: 'name-taken', name: newName };
			names.add(newName);
		} else if (!there || newName !== null) return { kind: 'unknown', what: 'build' };
	}
	return null;
}

/** Which newer revision stands in the way, and whose. */
async function staleness(
	tx: Tx,
	command: SaveFormula,
	book: FormulaBook,
	before: FormulaRevision
): Promise<{ readonly revision: number; readonly by: string } | null> {
	const olderBuild = command.preparations.some(
		({ preparationId, expectedRevision }) =>
			expectedRevision !== (book.preparations.get(id<PreparationId>(preparationId))?.number ?? 0)
	);
	if (before.number === command.expectedRevision && !olderBuild) return null;
	const [head] = await loadRevisionHeads(tx, command.formulaId, 1);
	return { revision: before.number, by: head?.by ?? '' };
}

async function keepDraft(tx: Tx, command: SaveFormula, actor: Actor): Promise<string> {
	const draftId = randomUUID();
	await tx
		.insertInto('formula_draft')
		.values({
			id: draftId,
			formula_id: command.formulaId,
			base_revision: command.expectedRevision,
			command_id: command.id,
			made_by: actor.id,
			content: JSON.stringify(command)
		})
		.execute();
	return draftId;
}

/** The book with the formula and its builds as they would be. */
function changeOf(command: SaveFormula, book: FormulaBook) {
	const preparations = new Map(book.pantry.preparations);
	for (const { preparationId, lines, newName, copyOf } of command.preparations) {
		const key = id<PreparationId>(preparationId);
		const before = preparations.get(key) ?? newPreparation(key, newName ?? '', copyOf, book);
		preparations.set(key, { ...before, lines });
	}
	const formula: Formula = {
		id: id<FormulaId>(command.formulaId),
		name: command.name,
		lines: command.lines,
		doughLoss: { share: command.doughLossShare },
		deliveries: command.deliveries
	};
	return { formula, pantry: { ...book.pantry, preparations } };
}

async function unknownDelivery(tx: Tx, command: SaveFormula): Promise<Refusal | null> {
	for (const { ingredientId, deliveryId } of command.deliveries) {
		const there = await tx
			.selectFrom('flour_delivery')
			.select('id')
			.where('id', '=', deliveryId)
			.where('ingredient_id', '=', ingredientId)
			.executeTakeFirst();
		if (!there) return { kind: 'unknown', what: 'delivery' };
	}
	return null;
}

/** What stays in the tub of a build that is made with its formula (our default). */
const NEW_BUILD_LOSS = 0.02;

/** A build that is made with its formula: a copy of another, or a plain beginning. */
function newPreparation(
	preparationId: PreparationId,
	name: string,
	copyOf: PreparationId | null,
	book: FormulaBook
): Preparation {
	const copied = copyOf === null ? undefined : book.preparations.get(copyOf)?.preparation;
	return {
		id: preparationId,
		name,
		kind: copied?.kind ?? 'build',
		lines: [],
		buildLoss: copied?.buildLoss ?? { share: NEW_BUILD_LOSS },
		takeBackGrams: copied?.takeBackGrams ?? 0
	};
}

/** Makes the next revision of a build, or the build itself when it is new; gives the revision's id. */
async function revisePreparation(
	tx: Tx,
	{ preparationId, expectedRevision, newName, copyOf }: SaveFormula['preparations'][number],
	book: FormulaBook,
	actor: Actor
): Promise<string> {
	const key = id<PreparationId>(preparationId);
	const there = book.preparations.get(key);
	const preparation = there?.preparation ?? newPreparation(key, newName ?? '', copyOf, book);
	const steps: readonly Step[] =
		there?.steps ??
		(copyOf === null ? undefined : book.preparations.get(copyOf)?.steps) ??
		firstStepsOf(preparation.kind);
	if (!there)
		await tx
			.insertInto('preparation')
			.values({ id: preparationId, name: preparation.name })
			.execute();
	return insertPreparationRevision(
		tx,
		{
			preparationId,
			number: expectedRevision + 1,
			kind: preparation.kind,
			buildLossShare: preparation.buildLoss.share,
			takeBackGrams: preparation.takeBackGrams,
			steps
		},
		actor
	);
}
