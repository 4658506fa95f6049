import { asDoughs } from '../../core/production/index.ts';
import type {
	BookList,
	ComparisonView,
	FormulaDraftView,
	FormulaProductView,
	FormulaView,
	PreparationView,
	RevisionContent
} from '../../contracts/views.ts';
import type { Formula, Preparation } from '../../core/formula/index.ts';
import { id, type FormulaId, type PreparationId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { loadEntries } from '../db/entries.ts';
import { dividersOf, mostOfAnyMixer, weighedOn, type DividerSettings } from '../db/of-entries.ts';
import type { Db } from '../db/client.ts';
import { loadFormulaBook, type FormulaBook } from '../db/formula-book.ts';
import { loadOpenDrafts, type FormulaDraftRow } from '../db/formula-drafts.ts';
import {
	findFormulaRevision,
	loadPinnedFormulas,
	loadRevisionHeads,
	type FormulaRevision
} from '../db/formulas.ts';
import { loadDeliveries } from '../db/ingredients.ts';
import type { ProductRevision } from '../db/products.ts';
import { bookList, usersOfBuilds } from './book-list.ts';
import { BakeryNotSetUp } from './day-production.ts';
import { loadOrdersOfDate } from './orders-of-date.ts';

/** How many revisions the room offers to compare; older ones stay in the database. */
const REVISIONS_OFFERED = 200;

/** The book, with the formula to open the room with; null for a book without one. */
export async function readOpening(
	db: Db
): Promise<{ readonly book: BookList; readonly first: string | null }> {
	const book = bookList(await loadFormulaBook(db));
	const { formulas } = book;
	return { book, first: (formulas.find((entry) => !entry.retired) ?? formulas[0])?.id ?? null };
}

/** Which two revisions to read side by side; null for the newest two. */
export interface WantedComparison {
	readonly from: number;
	readonly to: number;
}

/** One formula with its builds, its products, its history and its drafts; null when unknown. */
export async function readFormula(
	db: Db,
	date: BakeDate,
	formulaId: string,
	wanted: WantedComparison | null = null
): Promise<FormulaView | null> {
	const [bakery, book, entries, orders, revisions, drafts] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db, date),
		loadEntries(db, date, ['mixer', 'scale', 'divider']),
		loadOrdersOfDate(db, date),
		loadRevisionHeads(db, formulaId, REVISIONS_OFFERED),
		loadOpenDrafts(db, formulaId)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const found = book.formulas.find((revision) => revision.formula.id === formulaId);
	if (!found) return null;
	const ordered = (productId: string) =>
		orders
			.filter((line) => line.productId === productId)
			.reduce((total, line) => total + line.pieces, 0);
	return {
		date,
		book: bookList(book),
		formula: found.formula,
		retired: found.retired,
		revision: found.number,
		targetCelsius: found.targetCelsius,
		mostDoughGrams: found.mostDoughGrams,
		steps: found.steps,
		madeBy: revisions[0]?.by ?? '',
		preparations: preparationsOf(found, book),
		ingredients: book.ingredients.map((ingredient) => ingredient.ingredient),
		deliveries: await loadDeliveries(
			db,
			found.formula.deliveries.map((delivery) => delivery.deliveryId)
		),
		products: book.products.flatMap((product) =>
			productOf(product, found.formula.id, book, dividersOf(entries), ordered(product.product.id))
		),
		mixerMostGrams: mostOfAnyMixer(entries),
		scales: weighedOn(entries),
		currency: bakery.currency,
		causticMost: book.pantry.causticMost,
		revisions,
		comparison: await comparisonOf(db, found, wanted),
		drafts: drafts.map((draft) => draftView(draft, found, book))
	};
}

function preparationsOf(found: FormulaRevision, book: FormulaBook): readonly PreparationView[] {
	const users = usersOfBuilds(book);
	// All of the book, so that a formula can be given another build.
	return [...book.preparations.values()].map(({ preparation, number, retired }) => ({
		preparation,
		revision: number,
		retired,
		sharedWith: (users.get(preparation.id) ?? [])
			.filter((user) => user.id !== found.formula.id)
			.map((user) => user.name)
	}));
}

function productOf(
	revision: ProductRevision,
	formulaId: FormulaId,
	book: FormulaBook,
	dividers: readonly DividerSettings[],
	ordered: number
): readonly FormulaProductView[] {
	const { product, bakedGrams, bakeLossShare, dividerId, retired } = revision;
	const own = asDoughs([product]).find((dough) => dough.formulaId === formulaId);
	if (!own || retired) return [];
	const others = asDoughs([product]).flatMap((dough) =>
		dough.formulaId === formulaId
			? []
			: (book.formulas.find(({ formula }) => formula.id === dough.formulaId)?.formula.name ?? [])
	);
	const extras = product.extras.flatMap(
		({ material }) =>
			(material.kind === 'ingredient'
				? book.pantry.ingredients.get(material.ingredientId)?.name
				: book.pantry.preparations.get(material.preparationId)?.name) ?? []
	);
	return [
		{
			id: product.id,
			name: product.name,
			scaledGrams: own.scaledWeight.grams,
			sheet: product.sheet,
			bakedGrams: others.length === 0 ? bakedGrams : null,
			bakeLossShare,
			ordered,
			divider: dividers.find((divider) => divider.id === dividerId) ?? null,
			alongside: [...others, ...extras]
		}
	];
}

async function comparisonOf(
	db: Db,
	found: FormulaRevision,
	wanted: WantedComparison | null
): Promise<ComparisonView | null> {
	const { from, to } = wanted ?? { from: found.number - 1, to: found.number };
	const read = async (number: number) => {
		const revisionId = await findFormulaRevision(db, found.formula.id, number);
		const pinned =
			revisionId === null
				? undefined
				: (await loadPinnedFormulas(db, [revisionId])).get(revisionId);
		if (!pinned) return null;
		const { formula, targetCelsius, mostDoughGrams, steps, preparations } = pinned;
		return { number, formula, targetCelsius, mostDoughGrams, steps, preparations };
	};
	const [before, after] = await Promise.all([read(from), read(to)]);
	return before && after ? { before, after } : null;
}

function draftView(
	draft: FormulaDraftRow,
	found: FormulaRevision,
	book: FormulaBook
): FormulaDraftView {
	const { content } = draft;
	const formula: Formula = {
		...found.formula,
		name: content.name,
		lines: content.lines,
		doughLoss: { share: content.doughLossShare },
		deliveries: content.deliveries
	};
	const preparations = new Map(book.pantry.preparations);
	for (const { preparationId, newName, copyOf, lines } of content.preparations) {
		const key = id<PreparationId>(preparationId);
		const begun = preparations.get(key) ?? (copyOf === null ? undefined : preparations.get(copyOf));
		const plain: Preparation = {
			id: key,
			name: newName ?? '',
			kind: 'build',
			lines: [],
			buildLoss: { share: 0 },
			takeBackGrams: 0
		};
		preparations.set(key, {
			...(begun ?? plain),
			id: key,
			name: newName ?? begun?.name ?? '',
			lines
		});
	}
	const revision: RevisionContent = {
		formula,
		targetCelsius: content.targetCelsius,
		mostDoughGrams: content.mostDoughGrams,
		steps: content.steps,
		preparations: [...preparations.values()]
	};
	return { ...draft, revision };
}
