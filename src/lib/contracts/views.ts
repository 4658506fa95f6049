import type { Deck, OnShift, OvenPiece } from '../core/bakery/index.ts';
import type { Place } from '../core/formula/index.ts';
import type { BakeDayInput, OrdersLimit, OrdersMoved } from '../core/planning/index.ts';
import type {
	Delivery,
	Formula,
	Ingredient,
	IngredientKind,
	Preparation,
	PreparationKind,
	Step
} from '../core/formula/index.ts';
import type { DropId, FormulaId, ProductId } from '../core/identity.ts';
import type { WaterOrder } from '../core/heat/index.ts';
import type {
	DayProduction,
	Divider,
	MixAsked,
	MixChoices,
	StandingStretch,
	UnmadeDough
} from '../core/production/index.ts';
import type { SheetAsked, SheetOfProduct } from '../core/sheeting/index.ts';
import type { BakeDate, BakeryClock, WallTime } from '../core/time/index.ts';
import type { Share, UnitChoice, WeighingScale } from '../core/units/index.ts';
import type { BatchName } from './batch-name.ts';
import type { SessionKind } from './door-views.ts';
import type { FormulaContent } from './formula-book.ts';
import type { PlanDocument } from './plan-document.ts';
import type { ActingRole } from './rights.ts';

/** What every room knows of the bakery. */
/** What there is to doubt of the clock of Jovet's machine. */
export interface ClockDoubt {
	/** It went on or back at once, or stands before the newest entry. */
	readonly kind: 'jumped' | 'behind-the-log';
	/** By how much; back, where less than nothing. */
	readonly byMs: number;
	readonly atMs: number;
}

export interface BakeryView {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly clock: BakeryClock;
	/** Who is signed in, and at what. */
	readonly actor: {
		readonly id: string;
		readonly name: string;
		readonly role: ActingRole;
		readonly at: SessionKind;
		/** There is no password yet to come in by again. */
		readonly isKeyless: boolean;
	};
	/** Where things stand: the bakehouse and the flour bins first, the others by name. */
	readonly places: readonly Place[];
}

export interface DropView {
	readonly id: DropId;
	readonly name: string;
	readonly dueTime: WallTime;
	readonly dueMs: number;
	/** When its bread has to be packed, where that is before it is due; null where it is not. */
	readonly readyByMs: number | null;
	/** Whose bread goes with it. */
	readonly customers: readonly string[];
	/** Until when its orders are taken; null where that was not agreed. */
	readonly cutOffMs: number | null;
}

export interface OrderProductView {
	readonly id: ProductId;
	readonly name: string;
	readonly scaledGrams: number;
	readonly doughName: string;
	/** How it is rolled out and cut; null for what is divided by weight. */
	readonly sheet: SheetOfProduct | null;
	/** What a piece takes of each dough. */
	readonly doughs: readonly { readonly formulaId: FormulaId; readonly grams: number }[];
	/** So many pieces more are made than are ordered, as a share of them. */
	readonly spares: Share;
	/** Taken out of the book; shown only while it is ordered. */
	readonly retired: boolean;
}

export interface OrderCell {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number;
	/** What the standing order asks for; 0 where there is none. */
	readonly standing: number;
	/** It was typed for this date, and does not follow the standing order. */
	readonly typed: boolean;
	readonly version: number;
}

/** A dough that can be ordered: in how many mixes it is made, and what more would follow from. */
export interface OrderDoughView extends Omit<MixAsked, 'products'> {
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly mixes: number;
	/** In all its mixes. */
	readonly grams: number;
	/** One of its mixes is less than any mixer takes; null where none is. */
	readonly tooSmall: { readonly grams: number; readonly leastGrams: number } | null;
}

/** Who changed a number of a date, and when. */
export interface OrderChangeView {
	readonly id: string;
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly before: number;
	readonly after: number;
	/** It follows the standing order again. */
	readonly leftToStanding: boolean;
	readonly by: string;
	readonly atMs: number;
	/** It came when the orders of its drop were closed. */
	readonly afterCutOff: boolean;
}

/** A culture that there is too little of for the orders of a date. */
export interface CultureLimit {
	readonly kind: 'culture';
	readonly name: string;
	/** What it is too little for. */
	readonly by: string;
	readonly missingGrams: number;
	/** In so many feeds in a row from now there would be enough, and when; null where nothing is there to feed. */
	readonly met: { readonly feeds: number; readonly atMs: number } | null;
}

export interface OrdersView {
	readonly date: BakeDate;
	readonly drops: readonly DropView[];
	readonly products: readonly OrderProductView[];
	readonly cells: readonly OrderCell[];
	/** The latest other date that has orders, to copy from when this one has none. */
	readonly copyFrom: BakeDate | null;
	/** What the closed day is called; null where the bakery bakes. */
	readonly closed: string | null;
	/** Drops that do not go on this weekday. */
	readonly notToday: readonly string[];
	/** What was made and is not ordered any more. */
	readonly over: readonly OverView[];
	/** What is ordered and cannot be made, with the reason. */
	readonly unmade: DayProduction['unmade'];
	readonly doughs: readonly OrderDoughView[];
	readonly limits: readonly (OrdersLimit | CultureLimit)[];
	/** What moved since the plan of the date was accepted; null while there is none. */
	readonly sincePlan:
		| (OrdersMoved & {
				readonly number: number;
				readonly acceptedBy: string;
				readonly acceptedAtMs: number;
		  })
		| null;
	/** The newest first. */
	readonly changes: readonly OrderChangeView[];
}

/** What stands ordered by weekday from a date on. */
export interface StandingView {
	readonly date: BakeDate;
	readonly drops: readonly (Pick<DropView, 'id' | 'name' | 'dueTime' | 'customers'> & {
		readonly weekdays: readonly number[];
	})[];
	readonly products: readonly OrderProductView[];
	readonly stretches: readonly (StandingStretch & {
		readonly dropId: DropId;
		readonly productId: ProductId;
		readonly weekday: number;
	})[];
	readonly versions: readonly {
		readonly dropId: DropId;
		readonly productId: ProductId;
		readonly version: number;
	}[];
}

/** Something that was made, of which more stands than any order asks for. */
export interface OverView {
	readonly kind: 'mix' | 'pre-ferment' | 'preparation';
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly grams: number;
	/** So many whole pieces of its first product; null where it becomes none. */
	readonly pieces: { readonly name: string; readonly count: number } | null;
}

/** The accepted plan on paper, with what each mix and build is to be poured. */
export interface RunSheetView extends PlanView {
	readonly waters: readonly {
		/** The formula, or the recipe of the preparation. */
		readonly recipeId: string;
		readonly ordinal: number;
		readonly liquid: string;
		readonly order: WaterOrder;
	}[];
	/** Whose bread goes with which drop, and what is noted of them. */
	readonly customers: readonly {
		readonly dropId: string;
		readonly name: string;
		readonly note: string;
	}[];
	/** What is rolled out and cut from sheets, by what is ordered and its spares. */
	readonly rolledOut: readonly SheetAsked[];
}

/** The ovens of a date: the accepted plan, and what lies where in them. */
export interface OvensView {
	readonly date: BakeDate;
	readonly accepted: AcceptedPlanView | null;
	readonly decks: readonly Deck[];
	/** The ground of each product's pieces after proof. */
	readonly pieces: readonly (OvenPiece & { readonly productId: string })[];
}

/** Accepted plans, to be written as files. */
export interface PlanWork {
	readonly bakery: { readonly name: string; readonly timeZone: string };
	readonly nights: readonly {
		readonly date: BakeDate;
		readonly number: number;
		readonly acceptedAtMs: number;
		readonly document: PlanDocument;
	}[];
}

export interface AcceptedPlanView {
	readonly number: number;
	readonly acceptedBy: string;
	readonly acceptedAtMs: number;
	/** As it was told when it was accepted. */
	readonly document: PlanDocument;
	/** False when anything that times follow from has changed since. */
	readonly current: boolean;
}

export interface PlanView {
	readonly date: BakeDate;
	readonly input: BakeDayInput;
	readonly fingerprint: string;
	/** How a command names each mix, with the version of its lead. */
	readonly mixes: readonly {
		readonly formulaId: FormulaId;
		readonly ordinal: number;
		readonly batch: BatchName;
		readonly leadVersion: number;
	}[];
	/** In how many mixes each dough could be made, with the version of what was decided. */
	readonly doughs: readonly (MixChoices & {
		readonly formulaId: FormulaId;
		readonly version: number;
	})[];
	/** What was made and is not wanted any more. */
	readonly over: readonly OverView[];
	readonly accepted: AcceptedPlanView | null;
	readonly unmade: readonly UnmadeDough[];
	/** Who works around the date; null where nobody's shifts are entered. */
	readonly roster: readonly OnShift[] | null;
}

/** Something of the book as the list beside a room shows it. */
export interface BookEntry {
	readonly id: string;
	readonly name: string;
	/** What tells it from its neighbours: its products, its kind. */
	readonly note: string;
	readonly retired: boolean;
}

/** Everything in the book by name. */
export interface BookList {
	readonly formulas: readonly BookEntry[];
	readonly preparations: readonly (BookEntry & { readonly kind: PreparationKind })[];
	readonly products: readonly BookEntry[];
	readonly ingredients: readonly (BookEntry & { readonly kind: IngredientKind })[];
}

/** A build or soaker as the sheet needs it. */
export interface PreparationView {
	readonly preparation: Preparation;
	readonly revision: number;
	readonly retired: boolean;
	/** Other formulas that take from it. */
	readonly sharedWith: readonly string[];
}

/** A product as the formula it is made from needs it. */
export interface FormulaProductView {
	readonly id: ProductId;
	readonly name: string;
	/** Of this dough alone. */
	readonly scaledGrams: number;
	/** How it is rolled out and cut; null for what is divided by weight. */
	readonly sheet: SheetOfProduct | null;
	readonly bakedGrams: number | null;
	readonly bakeLossShare: number;
	readonly ordered: number;
	readonly divider: Divider | null;
	/** Its other doughs and what goes on it, by name. */
	readonly alongside: readonly string[];
}

/** Who saved which revision when. */
export interface RevisionHeadView {
	readonly number: number;
	readonly by: string;
	/** Nobody edited it: it follows what it takes from. */
	readonly cause: 'edited' | 'followed';
	/** On the bakery's clock. */
	readonly occurredAtMs: number;
}

/** All that a revision of a formula says, with the recipes it took from at the time. */
export interface RevisionContent {
	readonly formula: Formula;
	readonly targetCelsius: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
	readonly preparations: readonly Preparation[];
}

/** Two revisions to be read side by side. */
export interface ComparisonView {
	readonly before: RevisionContent & { readonly number: number };
	readonly after: RevisionContent & { readonly number: number };
}

/** A save that came second: it stands beside the formula until it is taken up or set aside. */
export interface FormulaDraftView {
	readonly id: string;
	readonly by: string;
	readonly baseRevision: number;
	readonly savedAtMs: number;
	readonly content: FormulaContent;
	readonly revision: RevisionContent;
}

export interface FormulaView {
	readonly date: BakeDate;
	readonly book: BookList;
	readonly formula: Formula;
	readonly retired: boolean;
	readonly revision: number;
	readonly targetCelsius: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
	readonly madeBy: string;
	readonly preparations: readonly PreparationView[];
	readonly ingredients: readonly Ingredient[];
	readonly deliveries: readonly Delivery[];
	readonly products: readonly FormulaProductView[];
	readonly mixerMostGrams: number;
	readonly scales: readonly WeighingScale[];
	readonly currency: string;
	readonly causticMost: Share;
	readonly revisions: readonly RevisionHeadView[];
	/** null while there is one revision only. */
	readonly comparison: ComparisonView | null;
	readonly drafts: readonly FormulaDraftView[];
}
