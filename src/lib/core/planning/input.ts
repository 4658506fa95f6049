import type { HandsOnStep, PreparationKind, Step, WaitStep } from '../formula/index.ts';
import type { Skill } from '../bakery/index.ts';
import type { DropId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import type { BakeDate } from '../time/index.ts';
import type { LearnedInPlan } from './as-learned.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

export type { HandsOnStep, Step, WaitStep };

/** All that a plan of one date needs, as plain data: it crosses to the worker and is kept with the plan. */
export interface BakeDayInput {
	readonly date: BakeDate;
	readonly builds: readonly PlannedBuild[];
	readonly doughs: readonly PlannedDough[];
	readonly products: readonly PlannedProduct[];
	readonly drops: readonly PlannedDrop[];
	/** What each drop gets. */
	readonly orders: readonly PlannedOrder[];
	readonly bakery: BakeryMachines;
	/** How long weighing up one mix or pre-ferment takes; 0 where it is no task of its own. */
	readonly weighMinutes: number;
	/** Who is at work around the date; null where no shifts are entered, and hands are not planned. */
	readonly people: readonly PlannedPerson[] | null;
	/** What accepted plans of other dates have of the same people, mixers and decks. */
	readonly elsewhere: readonly TakenElsewhere[];
	/** What the log taught, and is in the minutes above. */
	readonly learned: readonly LearnedInPlan[];
}

export interface BakeryMachines {
	readonly mixers: readonly PlannedMixer[];
	readonly ovens: readonly PlannedOven[];
	readonly benches: readonly PlannedBench[];
	readonly sheeters: readonly PlannedSheeter[];
	readonly dividers: readonly Machine[];
	/** Those that can run out of room. */
	readonly places: readonly PlannedPlace[];
	/** Those whose humidity is set. */
	readonly provers: readonly HumidPlace[];
	/** Where dough can be sent to wait. */
	readonly coldPlaces: readonly ColdPlace[];
}

export interface PlannedBench extends Machine {
	/** How many can work at it at once. */
	readonly hands: number;
}

export interface HumidPlace extends Machine {
	readonly humidityPercent: number;
}

export interface PlannedSheeter extends Machine {
	/** What one sheet of it weighs, rolled out; null where that was not kept. */
	readonly sheetGrams: number | null;
}

export interface ColdPlace extends Machine {
	readonly celsius: number;
}

export interface PlannedPlace extends Machine {
	/** How many trays it has room for. */
	readonly trays: number;
	/** The oven that it is, while that is cool; null for a room or a cabinet. */
	readonly ovenId: string | null;
	readonly celsius: number;
}

export interface PlannedPerson {
	readonly id: string;
	readonly name: string;
	readonly skills: readonly Skill[];
	/** How long hands-on work takes this person, as a share of the usual time; 100 is usual. */
	readonly pacePercent: number;
	/** The stretches at work, breaks left out. */
	readonly there: readonly { readonly fromMs: number; readonly toMs: number }[];
}

export interface PlannedMixer extends Machine {
	/** With one, a dough that rests in it keeps the mixer. */
	readonly bowls: number;
	readonly speeds: number;
	readonly cleanDownMinutes: number;
	/** What a dough leaves in it that the next has not asks for a clean-down. */
	readonly cleansAfter: readonly MixTrace['kind'][];
}

/** What a dough leaves in a bowl. */
export interface MixTrace {
	readonly kind: 'allergen' | 'dark';
	readonly name: string;
}

export interface PlannedDeck extends Machine {
	/** Where it bakes hotter, in words; empty where nobody found out. */
	readonly hotSpots: string;
	/** How long it is heated empty between two loads, as lidded pots are; 0 for none. */
	readonly reheatMinutes: number;
}

export interface PlannedOven extends Machine {
	readonly decks: readonly PlannedDeck[];
	/** Its decks share one chamber's heat. */
	readonly sharesHeat: boolean;
	readonly preheatMinutes: number;
	/** How long loading a deck takes. */
	readonly loadingMinutes: number;
	/** It switches itself on; somebody has to be there for it otherwise. */
	readonly switchOnTimer: boolean;
	/** What a deck needs between two loads. */
	readonly recoveryMinutes: number;
	readonly heatMinutesPerTenKelvin: number;
	readonly coolMinutesPerTenKelvin: number;
}

export interface Machine {
	readonly id: string;
	readonly name: string;
}

export interface PlannedDrop {
	readonly id: DropId;
	readonly name: string;
	/** When it has to be with those who ordered. */
	readonly dueMs: number;
	/** When its bread has to be ready to pick: picking, loading and the road come after. */
	readonly readyByMs: number;
	readonly pickingMinutes: number;
	readonly loadingMinutes: number;
	/** One way. */
	readonly roadMinutes: number;
}

/** Pieces of one product for one drop. */
export interface PlannedOrder {
	readonly dropId: DropId;
	readonly productId: ProductId;
	/** As it was called: of what is ordered and not made nothing else is told. */
	readonly name: string;
	readonly pieces: number;
}

/** What already happened to a batch: it stands where it is, and the plan goes around it. */
export interface Begun {
	/** When it came out of the mixer or was stirred. */
	readonly mixedAtMs: number;
	/** When its wait was ended; null while it goes on. */
	readonly endedAtMs: number | null;
}

export interface PlannedBuild {
	readonly preparationId: PreparationId;
	/** Which of several of the same recipe: what falls short of one that was made is made by a further one. */
	readonly ordinal: number;
	readonly revisionId: string;
	readonly begun: Begun | null;
	readonly name: string;
	readonly kind: PreparationKind;
	readonly grams: number;
	readonly steps: readonly Step[];
	/** The mixers it fits, where it is mixed on one; none where any of them will do. */
	readonly mixerIds: readonly string[];
	/** Builds that take from this one. */
	readonly takenByBuilds: readonly PreparationId[];
	/** Doughs that take from this one. */
	readonly takenByDoughs: readonly FormulaId[];
	/** Of these doughs only so many mixes, where its recipe is made in several batches; all of them where it is left out. */
	readonly takenByMixes?:
		readonly { readonly formulaId: FormulaId; readonly ordinal: number }[] | undefined;
	/** Products that take from this one at the piece: a filling, a wash, a bath. */
	readonly takenByProducts: readonly ProductId[];
}

export interface PlannedDough {
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly mixes: readonly PlannedMix[];
}

export interface PlannedMix {
	readonly ordinal: number;
	/** The revision it is made by: a mix that was begun keeps its own. */
	readonly revisionId: string;
	/** Mixing and bulk; dividing and what follows belongs to the product. */
	readonly steps: readonly Step[];
	readonly begun: Begun | null;
	readonly count: number;
	readonly grams: number;
	/** The mixers it fits; none for one by hand. */
	readonly mixerIds: readonly string[];
	readonly leaves: readonly MixTrace[];
	/** How much earlier than its drops ask the baker wants it to be ready. */
	readonly leadMinutes: number;
	readonly portions: readonly PlannedPortion[];
}

export interface PlannedPortion {
	readonly productId: ProductId;
	/** A piece of two doughs goes through its chain with the one; the other joins it on the way. */
	readonly role: 'carries' | 'joins';
	readonly pieces: number;
	readonly dropIds: readonly DropId[];
	/** How many loads it is baked in, where that was decided; as few as there can be otherwise. */
	readonly loads?: number;
	/** Its steps where they were decided to be others than its product's. */
	readonly steps?: readonly Step[];
}

export interface PlannedProduct {
	readonly id: ProductId;
	readonly revisionId: string;
	readonly name: string;
	readonly scaledGrams: number;
	readonly steps: readonly Step[];
	/** What one load is. */
	readonly piecesPerDeck: number;
	/** The decks that take such a load. */
	readonly deckIds: readonly string[];
	/** What its pieces proof or bake in; null for none that is counted. */
	readonly vessel: PlannedVessel | null;
	/** How many pieces stand on a tray of a place that can run out of room. */
	readonly piecesPerTray: number;
	/** The divider that divides it; null where hands do. */
	readonly dividerId: string | null;
	/** How it is shaped, in words; empty where nobody wrote it down. */
	readonly shape: string;
	/** How it is cut before it is baked, in words; and how deep, in millimetres. */
	readonly score: string;
	readonly scoreMm: number | null;
}

export interface PlannedVessel {
	readonly id: string;
	readonly name: string;
	readonly owned: number;
	/** How many pieces stand in one. */
	readonly holds: number;
	/** Whether pieces leave it when they are loaded, as a basket, or bake in it, as a tin. */
	readonly until: 'loaded' | 'baked';
}

/** Whether a mix takes from a build. */
export function isTakenBy(
	{ takenByDoughs, takenByMixes }: Pick<PlannedBuild, 'takenByDoughs' | 'takenByMixes'>,
	formulaId: FormulaId,
	ordinal: number
): boolean {
	if (!takenByMixes) return takenByDoughs.includes(formulaId);
	return takenByMixes.some((mix) => mix.formulaId === formulaId && mix.ordinal === ordinal);
}
