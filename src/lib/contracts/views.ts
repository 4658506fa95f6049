import type { Place } from '../core/formula/index.ts';
import type { BakeDayInput } from '../core/planning/index.ts';
import type {
	BowlReading,
	MomentTemperature,
	ScaldOfBowl,
	WaterOfMix
} from '../core/mixing/index.ts';
import type {
	Delivery,
	Formula,
	Ingredient,
	IngredientKind,
	Preparation,
	PreparationKind,
	Step,
	WaitStep
} from '../core/formula/index.ts';
import type { DropId, FormulaId, PreparationId, ProductId } from '../core/identity.ts';
import type { Favour } from '../core/fermentation/index.ts';
import type {
	DoughInstrument,
	IceForm,
	MixProgram,
	WaterOrder,
	WaterSchool
} from '../core/heat/index.ts';
import type { FrictionFigures } from '../core/learning/index.ts';
import type {
	BakeryProduct,
	DayProduction,
	Divider,
	UnmadeDough
} from '../core/production/index.ts';
import type { BakeDate, BakeryClock, WallTime } from '../core/time/index.ts';
import type { Share, UnitChoice, WeighingScale } from '../core/units/index.ts';
import type { BatchName } from './batch-name.ts';
import type { FormulaContent, ProductSettings } from './formula-book.ts';
import type { PlanDocument } from './plan-document.ts';

/** What every room knows of the bakery. */
export interface BakeryView {
	readonly name: string;
	readonly timeZone: string;
	readonly units: UnitChoice;
	readonly clock: BakeryClock;
	readonly actor: { readonly name: string; readonly role: 'head-baker' | 'baker' };
	/** Where things stand: the bakehouse and the flour bins first, the others by name. */
	readonly places: readonly Place[];
}

export interface DropView {
	readonly id: DropId;
	readonly name: string;
	readonly dueTime: WallTime;
	readonly dueMs: number;
}

export interface OrderProductView {
	readonly id: ProductId;
	readonly name: string;
	readonly scaledGrams: number;
	readonly doughName: string;
	/** Taken out of the book; shown only while it is ordered. */
	readonly retired: boolean;
}

export interface OrderCell {
	readonly dropId: DropId;
	readonly productId: ProductId;
	readonly pieces: number;
	readonly version: number;
}

export interface OrdersView {
	readonly date: BakeDate;
	readonly drops: readonly DropView[];
	readonly products: readonly OrderProductView[];
	readonly cells: readonly OrderCell[];
	/** The latest other date that has orders, to copy from when this one has none. */
	readonly copyFrom: BakeDate | null;
	/** What was made and is not ordered any more. */
	readonly over: readonly OverView[];
	/** What is ordered and cannot be made, with the reason. */
	readonly unmade: DayProduction['unmade'];
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

export interface DoughsView {
	readonly date: BakeDate;
	readonly production: DayProduction;
	readonly over: readonly OverView[];
}

export interface ReadingView {
	readonly id: string;
	readonly celsius: number;
	readonly instrument: string;
	readonly occurredAtMs: number;
}

export interface WaterInputView extends MomentTemperature {
	/** null while nothing was measured and the assumed figure stands in. */
	readonly reading: ReadingView | null;
	/** A dough of the date feels it in its bowl; a place in which only pre-ferments and doughs wait is not felt there. */
	readonly isFelt: boolean;
	/** What its probe says, whether it counts or something typed stands against it; null without one. */
	readonly probe: ProbeView | null;
}

/** A probe with its newest reading. */
export interface ProbeView {
	readonly name: string;
	readonly celsius: number;
	readonly measuredAtMs: number;
	readonly reportEverySeconds: number;
	/** It has said this very figure since then; null where it moves as probes do. */
	readonly unmovedSinceMs: number | null;
}

export interface MixWaterView {
	/** How a command names it. */
	readonly batch: BatchName;
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	/** When the accepted plan begins it; null without one. */
	readonly startMs: number | null;
	readonly doughGrams: number;
	readonly targetCelsius: number;
	/** null for a dough that takes no water or other liquid at the mixer. */
	readonly water: WaterOfMix | null;
	/** The base its baker typed; null for one that follows from its doughs. */
	readonly typedBaseCelsius: number | null;
	/** Its baker picked which liquids are warmed or cooled. */
	readonly picksLiquids: boolean;
	readonly iceMostShare: number;
	/** Its first fermenting wait; null for a dough without one. */
	readonly bulk: {
		readonly step: WaitStep;
		readonly targetCelsius: number;
		/** All its leavening, in percent of the flour as fresh; null where more than yeast lifts it. */
		readonly freshYeastPercent: number | null;
	} | null;
	/** So many times the book's minutes it takes to be ripe; 1 until it is measured. */
	readonly clockFactor: number;
	/** When its bowl may be measured before more water goes in, and what it was measured at. */
	readonly bowlReading: BowlReading | null;
	readonly autolysed: { readonly celsius: number; readonly atMs: number } | null;
	readonly friction: FrictionFigures;
	/** null for a dough that is mixed by hand. */
	readonly mixer: { readonly id: string; readonly name: string } | null;
	/** How long the mixer turns, where the formula tells it. */
	readonly program: MixProgram | null;
	readonly doughKilojoulesPerKilogramKelvin: number;
	/** What this very mix came out of the mixer with; null until it is measured. */
	readonly measured: MeasuredView | null;
}

/** What came out of the mixer, or was stirred, as it was measured. */
export interface MeasuredView {
	readonly entryId: string;
	readonly celsius: number;
	readonly instrument: DoughInstrument;
	readonly occurredAtMs: number;
	/** As warm as its water went in; null for what was stirred by hand. */
	readonly waterCelsius: number | null;
}

/** The water of a build that is mixed by hand in its tub, or the liquid of a scald. */
export interface BuildWaterView {
	/** How a command names it. */
	readonly batch: BatchName;
	readonly preparationId: PreparationId;
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly startMs: number | null;
	readonly grams: number;
	readonly targetCelsius: number;
	readonly water: WaterOfMix | null;
	readonly iceMostShare: number;
	/** What the hot liquid of a scald does; null for what is no scald. */
	readonly scald: ScaldOfBowl | null;
	/** Fresh milk or egg is in it. */
	readonly isPerishable: boolean;
	/** What it ripens in, with its yeast as `MixWaterView` has it; null for one that does not. */
	readonly ferments: {
		readonly step: WaitStep;
		readonly freshYeastPercent: number | null;
	} | null;
	/** Whether its stage favours lift or souring; null for a build without bacteria of its own. */
	readonly favour: Favour | null;
	/** What it was when it was stirred; null until it is measured. */
	readonly measured: MeasuredView | null;
}

export interface WaterView {
	readonly date: BakeDate;
	readonly inputs: readonly WaterInputView[];
	/** In the order of the accepted plan. */
	readonly mixes: readonly MixWaterView[];
	readonly builds: readonly BuildWaterView[];
	readonly school: WaterSchool;
	/** By the factor rule the soaker counts as a part of its own. */
	readonly countsSoakers: boolean;
	readonly iceForm: IceForm;
	readonly mixers: readonly { readonly id: string; readonly name: string }[];
	/** What stands in, or is held over, a dough. */
	readonly doughProbes: {
		readonly core: ProbeView | null;
		readonly surface: ProbeView | null;
	};
	readonly unmade: readonly UnmadeDough[];
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
	/** What was made and is not wanted any more. */
	readonly over: readonly OverView[];
	readonly accepted: AcceptedPlanView | null;
	readonly unmade: readonly UnmadeDough[];
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
	readonly builds: readonly (BookEntry & { readonly kind: PreparationKind })[];
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
}

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
	readonly scales: readonly WeighingScale[];
	readonly mixerMostGrams: number;
	readonly currency: string;
	readonly causticMost: Share;
}

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
