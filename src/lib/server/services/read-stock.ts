import type { StockRowView, StockView } from '../../contracts/stock-views.ts';
import { ingredientsOfDay, type DayIngredient } from '../../core/production/index.ts';
import { onHand, stockAhead, type StockNeed } from '../../core/stock/index.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { loadFormulaBook } from '../db/formula-book.ts';
import { loadStock } from '../db/stock.ts';
import { loadBakeryDay } from './day-production.ts';

/** Stock is looked at so many dates ahead: a week, which standing orders make known (our default). */
const DATES_AHEAD = 7;

/** What comes from the tap is not kept, and a culture is fed, not bought. */
const NOT_KEPT = new Set(['water', 'culture']);

/** What there is of every ingredient, and how long it lasts from a date on. */
export async function readStock(db: Db, date: BakeDate): Promise<StockView> {
	const dates = Array.from({ length: DATES_AHEAD }, (_, at) => addDays(date, at));
	const [book, stock, entries] = await Promise.all([
		loadFormulaBook(db),
		loadStock(db),
		loadEntries(db, date, ['supplier'])
	]);
	const nights: (readonly DayIngredient[])[] = [];
	// One after the other: a page takes no more connections than it needs.
	for (const one of dates)
		nights.push(ingredientsOfDay((await loadBakeryDay(db, one, undefined, book)).production));
	const of = new Map(stock.map((row) => [row.ingredientId, row]));
	return {
		date,
		dates,
		suppliers: entries.of('supplier').map(({ id, name, content }) => ({ id, name, ...content })),
		rows: book.ingredients
			.filter(({ ingredient }) => !ingredient.retired && !NOT_KEPT.has(ingredient.kind))
			.flatMap(({ ingredient }): StockRowView[] => {
				const row = of.get(ingredient.id);
				if (!row) return [];
				const needs = nights.map((night, at): StockNeed => {
					const need = night.find(({ ingredientId }) => ingredientId === ingredient.id);
					return {
						date: dates[at] ?? date,
						grams: need?.amount.grams ?? 0,
						takers: need?.uses.map((use) => use.in) ?? []
					};
				});
				const there = onHand(row);
				return [
					{
						ingredientId: ingredient.id,
						name: ingredient.name,
						kind: ingredient.kind,
						onHandGrams: there,
						countedAtMs: row.countedAtMs,
						usedGrams: row.usedGrams,
						lot: row.lot,
						supplierId: row.supplierId,
						packGrams: row.packGrams,
						leastGrams: row.leastGrams,
						keepingVersion: row.keepingVersion,
						needs: needs.map(({ grams }) => grams),
						ahead: there === null ? null : stockAhead(there, needs)
					}
				];
			})
	};
}
