import type {
	ChangeView,
	FormulaListEntry,
	FormulaView,
	PreparationView
} from '../../contracts/views.ts';
import {
	compareFormulas,
	comparePreparations,
	resolveFormula,
	stagesInOrder,
	type LineDifference,
	type Preparation
} from '../../core/formula/index.ts';
import type { PreparationId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadMixers, loadScales } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook, type FormulaBook, type FormulaRevision } from '../db/formula-book.ts';
import {
	loadFormulaLines,
	loadPreparationLines,
	loadRevisionHeads
} from '../db/formula-history.ts';
import { loadOrderLines } from '../db/orders.ts';

/** Every formula of the book by name. */
export function formulaList(book: FormulaBook): readonly FormulaListEntry[] {
	return book.formulas
		.map(({ formula, number }) => ({
			id: formula.id,
			name: formula.name,
			revision: number,
			products: book.products
				.filter((product) => product.formulaId === formula.id)
				.map((product) => product.name)
		}))
		.sort((a, b) => (a.name < b.name ? -1 : 1));
}

/** The first formula of the book, to open the room with; null for an empty book. */
export async function readFirstFormula(db: Db): Promise<string | null> {
	return formulaList(await loadFormulaBook(db))[0]?.id ?? null;
}

/** One formula with its builds, its products and what changed since the revision before; null when unknown. */
export async function readFormula(
	db: Db,
	date: BakeDate,
	formulaId: string
): Promise<FormulaView | null> {
	const [book, mixers, scales, orders] = await Promise.all([
		loadFormulaBook(db),
		loadMixers(db),
		loadScales(db),
		loadOrderLines(db, date)
	]);
	const found = book.formulas.find((one) => one.formula.id === formulaId);
	if (!found) return null;
	const [head, before] = await loadRevisionHeads(db, formulaId, 2);
	const preparations = preparationsOf(found, book);
	const ordered = (productId: string) =>
		orders
			.filter((line) => line.productId === productId)
			.reduce((total, line) => total + line.pieces, 0);
	return {
		date,
		formulas: formulaList(book),
		formula: found.formula,
		revision: found.number,
		targetCelsius: found.targetCelsius,
		madeBy: head?.by ?? '',
		preparations,
		ingredients: [...book.pantry.ingredients.values()].sort((a, b) => (a.name < b.name ? -1 : 1)),
		products: book.products
			.filter((product) => product.formulaId === formulaId)
			.map(({ id, name, scaledGrams }) => ({ name, scaledGrams, ordered: ordered(id) })),
		mixerMostGrams: Math.min(
			found.mostDoughGrams ?? Infinity,
			Math.max(0, ...mixers.map((mixer) => mixer.mostGrams))
		),
		scales,
		changes: await changesOf(db, found, before?.revisionId ?? null, preparations, book)
	};
}

function preparationsOf(found: FormulaRevision, book: FormulaBook): readonly PreparationView[] {
	const usedBy = new Map<PreparationId, string[]>();
	for (const { formula } of book.formulas) {
		const resolved = resolveFormula(formula, book.pantry);
		if (!resolved.ok || formula.id === found.formula.id) continue;
		for (const stage of stagesInOrder(resolved.value.final))
			if (stage.preparation)
				usedBy.set(stage.preparation.id, [
					...(usedBy.get(stage.preparation.id) ?? []),
					formula.name
				]);
	}
	// All of the book, so that a formula can be given another build.
	return [...book.preparations.values()].map(({ preparation, number }) => ({
		preparation,
		revision: number,
		sharedWith: usedBy.get(preparation.id) ?? []
	}));
}

async function changesOf(
	db: Db,
	found: FormulaRevision,
	beforeId: string | null,
	preparations: readonly PreparationView[],
	book: FormulaBook
): Promise<readonly ChangeView[]> {
	if (beforeId === null) return [];
	const changes: ChangeView[] = [];
	const add = (part: string, unit: ChangeView['unit'], lines: readonly LineDifference[]) => {
		if (lines.length > 0)
			changes.push({ part, unit, lines: lines.map((line) => named(line, book)) });
	};
	const before = { ...found.formula, lines: await loadFormulaLines(db, beforeId) };
	add('Final dough', '% of flour', compareFormulas(before, found.formula));
	const resolved = resolveFormula(found.formula, book.pantry);
	const own = new Set(
		resolved.ok ? stagesInOrder(resolved.value.final).map((stage) => stage.preparation?.id) : []
	);
	for (const { preparation, revision } of preparations) {
		if (!own.has(preparation.id) || revision < 2) continue;
		const lines = await loadPreparationLines(db, preparation.id, revision - 1);
		const old: Preparation = { ...preparation, lines };
		add(preparation.name, '% of it', comparePreparations(old, preparation));
	}
	return changes;
}

function named(line: LineDifference, book: FormulaBook): ChangeView['lines'][number] {
	const { material, addition, before, after } = line;
	const name =
		material.kind === 'ingredient'
			? book.pantry.ingredients.get(material.ingredientId)?.name
			: book.pantry.preparations.get(material.preparationId)?.name;
	return { name: name ?? '', addition, before, after };
}
