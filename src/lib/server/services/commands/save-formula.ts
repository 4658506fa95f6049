import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { CommandOf, Refusal } from '../../../contracts/commands.ts';
import { resolveFormula, type Formula, type Preparation } from '../../../core/formula/index.ts';
import { id, type FormulaId, type PreparationId } from '../../../core/identity.ts';
import { fail, ok } from '../../../core/result.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Tx } from '../../db/client.ts';
import { loadFormulaBook, type FormulaBook } from '../../db/formula-book.ts';
import { loadRevisionHeads, materialColumns } from '../../db/formula-history.ts';
import { FIRST_BUILD_STEPS } from './first-steps.ts';
import type { CommandHandler } from './handler.ts';

type SaveFormula = CommandOf<'save-formula'>;

/**
 * Saves a formula, and the builds that changed with it, as new revisions. What was baked keeps the
 * revision it was pinned to. Refused when someone saved a newer revision, or when this or any other
 * formula that takes from a changed build could not be made any more.
 */
export const saveFormula: CommandHandler<'save-formula'> = async (tx, command, actor) => {
	// Revisions of the book are numbered one after another; two bakers queue here.
	await sql`select pg_advisory_xact_lock(hashtext('formula book'))`.execute(tx);
	const book = await loadFormulaBook(tx);
	const refusal = (await staleness(tx, command, book)) ?? impossibility(command, book);
	if (refusal) return fail(refusal);
	// All builds before any line: a line can only name a build that is there.
	const revisions = new Map<string, string>();
	for (const one of command.preparations)
		revisions.set(one.preparationId, await revisePreparation(tx, one, actor));
	for (const { preparationId, lines } of command.preparations)
		await savePreparationLines(tx, revisions.get(preparationId) as string, lines);
	const number = command.expectedRevision + 1;
	const revisionId = randomUUID();
	await sql`insert into formula_revision (id, formula_id, number, dough_loss_share, target_dough_celsius,
			friction_kj_per_kg, most_dough_g, steps, made_by)
		select ${revisionId}, formula_id, ${number}, dough_loss_share, target_dough_celsius,
			friction_kj_per_kg, most_dough_g, steps, ${actor.id}
		from formula_revision where formula_id = ${command.formulaId} and number = ${command.expectedRevision}`.execute(
		tx
	);
	await tx
		.insertInto('formula_revision_line')
		.values(
			command.lines.map((line, index) => ({
				revision_id: revisionId,
				ordinal: index + 1,
				...materialColumns(line.material),
				percent_of_flour: line.percentOfFlour,
				addition: line.addition
			}))
		)
		.execute();
	return ok({ revision: number });
};

async function staleness(tx: Tx, command: SaveFormula, book: FormulaBook): Promise<Refusal | null> {
	const formula = book.formulas.find((one) => one.formula.id === command.formulaId);
	if (!formula) return { kind: 'unknown', what: 'formula' };
	if (formula.number !== command.expectedRevision) {
		const [head] = await loadRevisionHeads(tx, command.formulaId, 1);
		const { name } = formula.formula;
		return { kind: 'newer-revision', name, revision: formula.number, by: head?.by ?? '' };
	}
	for (const { preparationId, expectedRevision, newName } of command.preparations) {
		const there = book.preparations.get(id<PreparationId>(preparationId));
		if (newName !== null && expectedRevision === 0) {
			const names = [...book.preparations.values()].map((one) => one.preparation.name);
			if (there || names.includes(newName)) return { kind: 'name-taken', name: newName };
			continue;
		}
		if (!there || newName !== null) return { kind: 'unknown', what: 'build' };
		if (there.number !== expectedRevision)
			return {
				kind: 'newer-revision',
				name: there.preparation.name,
				revision: there.number,
				by: 'someone else'
			};
	}
	return null;
}

/** Resolves every formula that the change touches; the first that cannot be made refuses it. */
function impossibility(command: SaveFormula, book: FormulaBook): Refusal | null {
	const preparations = new Map(book.pantry.preparations);
	for (const { preparationId, lines, newName } of command.preparations) {
		const key = id<PreparationId>(preparationId);
		const before = preparations.get(key) ?? newPreparation(key, newName ?? '');
		preparations.set(key, { ...before, lines });
	}
	const pantry = { ...book.pantry, preparations };
	for (const { formula } of book.formulas) {
		const isIt = formula.id === id<FormulaId>(command.formulaId);
		const changed: Formula = isIt ? { ...formula, lines: command.lines } : formula;
		const before = resolveFormula(formula, book.pantry);
		const after = resolveFormula(changed, pantry);
		// A formula that could not be made before is not held against this change.
		if (!after.ok && (isIt || before.ok))
			return { kind: 'formula-impossible', formula: formula.name, reason: after.error };
	}
	return null;
}

/** What a build that is made with its formula begins with (our defaults). */
function newPreparation(preparationId: PreparationId, name: string): Preparation {
	const buildLoss = { share: 0.02 };
	return { id: preparationId, name, kind: 'build', lines: [], buildLoss, takeBackGrams: 0 };
}

/** Makes the next revision of a build, or the build itself when it is new; gives the revision's id. */
async function revisePreparation(
	tx: Tx,
	{ preparationId, expectedRevision, newName }: SaveFormula['preparations'][number],
	actor: Actor
): Promise<string> {
	const revisionId = randomUUID();
	if (newName === null)
		await sql`insert into preparation_revision (id, preparation_id, number, kind, build_loss_share,
				take_back_g, steps, made_by)
			select ${revisionId}, preparation_id, ${expectedRevision + 1}, kind, build_loss_share,
				take_back_g, steps, ${actor.id}
			from preparation_revision
			where preparation_id = ${preparationId} and number = ${expectedRevision}`.execute(tx);
	else {
		const begun = newPreparation(id<PreparationId>(preparationId), newName);
		await tx.insertInto('preparation').values({ id: preparationId, name: newName }).execute();
		await tx
			.insertInto('preparation_revision')
			.values({
				id: revisionId,
				preparation_id: preparationId,
				number: 1,
				kind: begun.kind,
				build_loss_share: begun.buildLoss.share,
				take_back_g: begun.takeBackGrams,
				steps: JSON.stringify(FIRST_BUILD_STEPS),
				made_by: actor.id
			})
			.execute();
	}
	return revisionId;
}

async function savePreparationLines(
	tx: Tx,
	revision_id: string,
	lines: SaveFormula['preparations'][number]['lines']
): Promise<void> {
	await tx
		.insertInto('preparation_revision_line')
		.values(
			lines.map((line, index) => ({
				revision_id,
				ordinal: index + 1,
				...materialColumns(line.material),
				parts: line.parts
			}))
		)
		.execute();
}
