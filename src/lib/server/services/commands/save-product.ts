import { randomUUID } from 'node:crypto';
import type { CommandOf, Refusal } from '../../../contracts/commands.ts';
import { resolveAlone } from '../../../core/formula/index.ts';
import { fail, ok } from '../../../core/result.ts';
import type { Tx } from '../../db/client.ts';
import { loadFormulaBook, type FormulaBook } from '../../db/formula-book.ts';
import { materialColumns } from '../../db/formula-history.ts';
import { loadDividers, loadVessels } from '../../db/equipment.ts';
import { lockBook } from './book-guard.ts';
import type { CommandHandler } from './handler.ts';

type SaveProduct = CommandOf<'save-product'>;

/** Saves a product as a new revision; what was baked keeps the revision it was pinned to. */
export const saveProduct: CommandHandler<'save-product'> = async (tx, command, actor) => {
	await lockBook(tx);
	const book = await loadFormulaBook(tx);
	const there = book.products.find(({ product }) => product.id === command.productId);
	const taken = book.products.some(
		({ product }) => product.name === command.name && product.id !== command.productId
	);
	if (taken) return fail({ kind: 'name-taken', name: command.name });
	if (!there && command.expectedRevision > 0) return fail({ kind: 'unknown', what: 'product' });
	if (there && there.number !== command.expectedRevision)
		return fail({
			kind: 'newer-revision',
			name: there.product.name,
			revision: there.number,
			by: await editorOf(tx, there.revisionId)
		});
	const refusal = (await unknownPart(tx, command, book)) ?? impossibleExtra(command, book);
	if (refusal) return fail(refusal);
	await nameProduct(tx, command, there === undefined);
	const number = command.expectedRevision + 1;
	await insertRevision(tx, command, number, actor.id);
	return ok({ revision: number });
};

async function editorOf(tx: Tx, revisionId: string): Promise<string> {
	const row = await tx
		.selectFrom('product_revision as revision')
		.innerJoin('person', 'person.id', 'revision.made_by')
		.select('person.name')
		.where('revision.id', '=', revisionId)
		.executeTakeFirst();
	return row?.name ?? '';
}

async function unknownPart(
	tx: Tx,
	command: SaveProduct,
	book: FormulaBook
): Promise<Refusal | null> {
	const formulas = new Set(book.formulas.map(({ formula }) => formula.id));
	if (!command.doughs.every((dough) => formulas.has(dough.formulaId)))
		return { kind: 'unknown', what: 'formula' };
	for (const { material } of command.extras) {
		if (material.kind === 'ingredient' && !book.pantry.ingredients.has(material.ingredientId))
			return { kind: 'unknown', what: 'ingredient' };
		if (material.kind === 'preparation' && !book.pantry.preparations.has(material.preparationId))
			return { kind: 'unknown', what: 'build' };
	}
	if (command.dividerId !== null) {
		const dividers = await loadDividers(tx);
		if (!dividers.some((one) => one.id === command.dividerId))
			return { kind: 'unknown', what: 'divider' };
	}
	if (command.vesselId !== null) {
		const vessels = await loadVessels(tx);
		if (!vessels.some((one) => one.id === command.vesselId))
			return { kind: 'unknown', what: 'vessel' };
	}
	return null;
}

/** A filling that could not be made would leave the product without it. */
function impossibleExtra(command: SaveProduct, book: FormulaBook): Refusal | null {
	for (const { material } of command.extras) {
		const preparation =
			material.kind === 'preparation'
				? book.pantry.preparations.get(material.preparationId)
				: undefined;
		const alone = preparation ? resolveAlone(preparation, book.pantry) : null;
		if (preparation && alone && !alone.ok)
			return { kind: 'formula-impossible', formula: preparation.name, reason: alone.error };
	}
	return null;
}

/** A new product stands at the end of the orders sheet. */
async function nameProduct(tx: Tx, { productId, name }: SaveProduct, isNew: boolean) {
	if (!isNew) {
		await tx.updateTable('product').set({ name }).where('id', '=', productId).execute();
		return;
	}
	const last = await tx
		.selectFrom('product')
		.select(({ fn }) => fn.max('ordinal').as('ordinal'))
		.executeTakeFirst();
	await tx
		.insertInto('product')
		.values({ id: productId, name, ordinal: (last?.ordinal ?? 0) + 1 })
		.execute();
}

async function insertRevision(tx: Tx, command: SaveProduct, number: number, made_by: string) {
	const revision_id = randomUUID();
	await tx
		.insertInto('product_revision')
		.values({
			id: revision_id,
			product_id: command.productId,
			number,
			pieces_per_deck: command.piecesPerDeck,
			baked_g: command.bakedGrams,
			bake_loss_share: command.bakeLossShare,
			shape: command.shape,
			vessel_id: command.vesselId,
			divider_id: command.dividerId,
			footprint_length_cm: command.footprint?.lengthCm ?? null,
			footprint_width_cm: command.footprint?.widthCm ?? null,
			steps: JSON.stringify(command.steps),
			made_by
		})
		.execute();
	await tx
		.insertInto('product_revision_dough')
		.values(
			command.doughs.map((dough, at) => ({
				revision_id,
				ordinal: at + 1,
				formula_id: dough.formulaId,
				scaled_g: dough.scaledGrams
			}))
		)
		.execute();
	if (command.extras.length > 0)
		await tx
			.insertInto('product_revision_extra')
			.values(
				command.extras.map((extra, at) => ({
					revision_id,
					ordinal: at + 1,
					use: extra.use,
					...materialColumns(extra.material),
					amount_g: extra.grams,
					for_pieces: extra.forPieces
				}))
			)
			.execute();
}
