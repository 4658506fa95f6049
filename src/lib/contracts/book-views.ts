import type { OvenDeck } from '../core/bakery/index.ts';
import type { Delivery, Formula, Ingredient, Preparation, Step } from '../core/formula/index.ts';
import type { BakeryProduct, Divider } from '../core/production/index.ts';
import type { TurnAsked } from '../core/sheeting/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { Share, WeighingScale } from '../core/units/index.ts';
import type { ProductSettings } from './formula-book.ts';
import type { BookList } from './views.ts';

/** A preparation on its page. */
export interface PreparationDetailView {
	readonly date: BakeDate;
	readonly book: BookList;
	/** null for one that is new. */
	readonly preparation: Preparation | null;
	readonly revision: number;
	readonly retired: boolean;
	readonly steps: readonly Step[];
	readonly usedBy: readonly string[];
	readonly preparations: readonly Preparation[];
	readonly ingredients: readonly Ingredient[];
	readonly causticMost: Share;
	/** What is dipped into it, where it is a bath: so much of it for so many pieces, and how many are ordered. */
	readonly dips: readonly {
		readonly product: string;
		readonly grams: number;
		readonly forPieces: number;
		readonly ordered: number;
	}[];
}

/** What is rolled out on: a sheeter, or a bench where there is none. */
export interface RollsOut {
	readonly on: string;
	readonly widthCm: number;
	readonly lengthCm: number;
	/** How far the rollers open and close; null for a bench. */
	readonly rollersMm: { readonly thinnest: number; readonly thickest: number } | null;
}

/** A product on its page. */
export interface ProductDetailView extends Readonly<ProductSettings> {
	readonly date: BakeDate;
	readonly book: BookList;
	readonly product: BakeryProduct | null;
	readonly revision: number;
	readonly retired: boolean;
	readonly steps: readonly Step[];
	readonly ordered: number;
	readonly formulas: readonly Formula[];
	readonly preparations: readonly Preparation[];
	readonly ingredients: readonly Ingredient[];
	readonly dividers: readonly (Divider & { readonly id: string })[];
	readonly vessels: readonly {
		readonly id: string;
		readonly name: string;
		readonly owned: number;
		readonly millilitres: number | null;
	}[];
	/** What it can be baked on. */
	readonly decks: readonly OvenDeck[];
	readonly scales: readonly WeighingScale[];
	readonly mixerMostGrams: number;
	readonly currency: string;
	readonly causticMost: Share;
	/** The turns of each dough that is laminated, by its formula. */
	readonly turns: Readonly<Record<string, readonly TurnAsked[]>>;
	/** The most that is rolled out in one sheet here; null where nobody said. */
	readonly rollsOut: RollsOut | null;
}

/** An ingredient on its page. */
export interface IngredientDetailView {
	readonly date: BakeDate;
	readonly book: BookList;
	readonly ingredient: Ingredient | null;
	readonly version: number;
	readonly usedBy: readonly string[];
	readonly deliveries: readonly Delivery[];
	readonly scales: readonly WeighingScale[];
	readonly currency: string;
}
