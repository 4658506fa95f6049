import type { IngredientKind } from '../core/formula/index.ts';
import type { IngredientId } from '../core/identity.ts';
import type { StockAhead } from '../core/stock/index.ts';
import type { BakeDate } from '../core/time/index.ts';

/** Who brings ingredients. */
export interface SupplierView {
	readonly id: string;
	readonly name: string;
	readonly weekdays: readonly number[];
	readonly daysAhead: number;
	readonly note: string;
}

/** An ingredient with what there is of it, and what the dates to come take. */
export interface StockRowView {
	readonly ingredientId: IngredientId;
	readonly name: string;
	readonly kind: IngredientKind;
	/** Null where it was never counted. */
	readonly onHandGrams: number | null;
	readonly countedAtMs: number | null;
	/** What went into batches since it was counted. */
	readonly usedGrams: number;
	/** The newest that was told, by a delivery or at the scale; empty where none was. */
	readonly lot: string;
	readonly supplierId: string | null;
	readonly packGrams: number | null;
	readonly leastGrams: number;
	readonly keepingVersion: number;
	/** What each of the dates takes. */
	readonly needs: readonly number[];
	/** How long it lasts; null where nobody knows what is there. */
	readonly ahead: StockAhead | null;
}

/** What there is of everything, and how long it lasts. */
export interface StockView {
	readonly date: BakeDate;
	/** The dates that are looked at, the page's own first. */
	readonly dates: readonly BakeDate[];
	readonly suppliers: readonly SupplierView[];
	readonly rows: readonly StockRowView[];
}
