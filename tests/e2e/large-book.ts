import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Db } from '../../src/lib/server/db/client.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';

const LONG =
	'with a name as long as the label of the oldest tin on the highest shelf of the storeroom';

/** Grows the demo's book by generated formulas: each of some builds and lines, the first of sixty lines. */
export async function growBook(db: Db, formulas: number): Promise<void> {
	const flour = demoId('ingredient', 'Bread flour');
	const person = demoId('person', 'Maud Tarrow');
	const ingredients = Array.from({ length: 58 }, (_, at) => ({
		id: randomUUID(),
		name: at === 0 ? `Ingredient 0 ${LONG}` : `Ingredient ${at}`,
		kind: 'other' as const,
		flour_share: 0,
		water_share: 0.1,
		allergens: [],
		heat_capacity_kj_per_kg_k: 1.5
	}));
	await db.insertInto('ingredient').values(ingredients).execute();
	const made = Array.from({ length: formulas }, (_, at) => ({
		id: randomUUID(),
		revision: randomUUID(),
		name: at === 0 ? `Zenith dough of sixty lines ${LONG}` : `Generated dough ${at}`,
		lines: at === 0 ? 58 : 3 + (at % 9)
	}));
	await db
		.insertInto('formula')
		.values(made.map(({ id, name }) => ({ id, name })))
		.execute();
	for (const one of made)
		await sql`insert into formula_revision (id, formula_id, number, dough_loss_share, target_dough_celsius,
				friction_kj_per_kg, steps, made_by)
			values (${one.revision}, ${one.id}, 1, 0.02, 25, 9.6, '[]', ${person})`.execute(db);
	await db
		.insertInto('formula_revision_line')
		.values(
			made.flatMap(({ revision, lines }) => [
				{
					revision_id: revision,
					ordinal: 1,
					ingredient_id: flour,
					preparation_id: null,
					percent_of_flour: 100,
					addition: 'start' as const
				},
				{
					revision_id: revision,
					ordinal: 2,
					ingredient_id: demoId('ingredient', 'Water'),
					preparation_id: null,
					percent_of_flour: 60,
					addition: 'start' as const
				},
				...ingredients.slice(0, lines).map((ingredient, at) => ({
					revision_id: revision,
					ordinal: at + 3,
					ingredient_id: ingredient.id,
					preparation_id: null,
					percent_of_flour: 1.5,
					addition: 'start' as const
				}))
			])
		)
		.execute();
}
