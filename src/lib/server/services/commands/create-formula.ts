import { randomUUID } from 'node:crypto';
import { fail, ok } from '../../../core/result.ts';
import { FIRST_DOUGH_STEPS } from '../../../core/formula/index.ts';
import { lockBook } from './book-guard.ts';
import type { CommandHandler } from './handler.ts';

/** What a new formula begins with, in percent of flour: a plain dough to be written over (our default). */
const FIRST_LINES = [
	{ kind: 'flour', percent: 100 },
	{ kind: 'water', percent: 65 },
	{ kind: 'salt', percent: 2 }
] as const;

/** Begins a formula: a name, and a plain dough from the first flour, water and salt of the book. */
export const createFormula: CommandHandler<'create-formula'> = async (tx, command, actor) => {
	const { formulaId, name } = command;
	await lockBook(tx);
	const taken = await tx
		.selectFrom('formula')
		.select('id')
		.where((where) => where.or([where('name', '=', name), where('id', '=', formulaId)]))
		.executeTakeFirst();
	if (taken) return fail({ kind: 'name-taken', name });
	const lines = [];
	for (const { kind, percent } of FIRST_LINES) {
		const ingredient = await tx
			.selectFrom('ingredient')
			.select('id')
			.where('kind', '=', kind)
			.where('retired_at', 'is', null)
			.orderBy('name')
			.limit(1)
			.executeTakeFirst();
		if (!ingredient) return fail({ kind: 'unknown', what: 'ingredient' });
		lines.push({ ingredient_id: ingredient.id, preparation_id: null, percent_of_flour: percent });
	}
	const revision_id = randomUUID();
	await tx.insertInto('formula').values({ id: formulaId, name }).execute();
	await tx
		.insertInto('formula_revision')
		.values({
			id: revision_id,
			formula_id: formulaId,
			number: 1,
			dough_loss_share: 0.02,
			target_dough_celsius: 25,
			friction_kj_per_kg: 9.6,
			steps: JSON.stringify(FIRST_DOUGH_STEPS),
			made_by: actor.id
		})
		.execute();
	await tx
		.insertInto('formula_revision_line')
		.values(
			lines.map((line, index) => ({
				...line,
				revision_id,
				ordinal: index + 1,
				addition: 'start' as const
			}))
		)
		.execute();
	return ok({ formulaId });
};
