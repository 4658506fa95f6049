import { id, type DropId, type ProductId } from '../../core/identity.ts';
import {
	productionOf,
	type DayProduction,
	type ProductionInput
} from '../../core/production/index.ts';
import { instantOf, type BakeDate } from '../../core/time/index.ts';
import type { WeighingScale } from '../../core/units/index.ts';
import {
	loadBakery,
	loadDecks,
	loadDrops,
	loadMixers,
	loadScales,
	type BakerySettings,
	type DropSettings,
	type MixerSettings
} from '../db/bakery.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadFormulaBook, type FormulaBook } from '../db/formula-book.ts';
import { loadOrderLines, type OrderLineRow } from '../db/orders.ts';

/** A date of the bakery with all that its production follows from. */
export interface BakeryDay {
	readonly date: BakeDate;
	readonly bakery: BakerySettings;
	readonly book: FormulaBook;
	readonly drops: readonly (DropSettings & { readonly dueMs: number })[];
	readonly orders: readonly OrderLineRow[];
	readonly mixers: readonly MixerSettings[];
	readonly decks: readonly { readonly id: string; readonly name: string }[];
	readonly input: ProductionInput;
	readonly production: DayProduction;
}

export class BakeryNotSetUp extends Error {
	constructor() {
		super('the bakery has no settings yet');
	}
}

/** Loads a date and works out its production. */
export async function loadBakeryDay(db: Db | Tx, date: BakeDate): Promise<BakeryDay> {
	const [bakery, book, dropRows, orders, mixers, decks, scales] = await Promise.all([
		loadBakery(db),
		loadFormulaBook(db),
		loadDrops(db),
		loadOrderLines(db, date),
		loadMixers(db),
		loadDecks(db),
		loadScales(db)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const drops = dropRows.map((drop) => ({
		...drop,
		dueMs: instantOf(date, drop.dueTime, bakery.timeZone).epochMs
	}));
	const input = productionInput(book, drops, orders, mixers, scales);
	const production = productionOf(input);
	if (!production.ok) throw new BakeryNotSetUp();
	return { date, bakery, book, drops, orders, mixers, decks, input, production: production.value };
}

function productionInput(
	book: FormulaBook,
	drops: BakeryDay['drops'],
	orders: readonly OrderLineRow[],
	mixers: readonly MixerSettings[],
	scales: readonly WeighingScale[]
): ProductionInput {
	const dueMs = new Map(drops.map((drop) => [drop.id, drop.dueMs]));
	const least = Math.min(...mixers.map((mixer) => mixer.leastGrams));
	const most = Math.max(...mixers.map((mixer) => mixer.mostGrams));
	return {
		demands: orders.flatMap((line) => {
			const due = dueMs.get(line.dropId);
			if (due === undefined) return [];
			return [
				{
					dropId: id<DropId>(line.dropId),
					productId: id<ProductId>(line.productId),
					pieces: line.pieces,
					dueMs: due
				}
			];
		}),
		products: book.products.map(({ product }) => product),
		formulas: book.formulas.map((one) => ({
			formula: one.formula,
			limits: {
				least: { grams: Number.isFinite(least) ? least : 0 },
				most: { grams: Math.min(one.mostDoughGrams ?? Infinity, Math.max(most, 0)) }
			}
		})),
		pantry: book.pantry,
		scales
	};
}
