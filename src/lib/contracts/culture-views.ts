import type {
	Announcement,
	Beginning,
	CultureReturn,
	CultureUse,
	SeenCulture
} from '../core/culture/index.ts';
import type { Sighting } from '../core/fermentation/index.ts';
import type { IngredientId, PlaceId } from '../core/identity.ts';
import type { DoughEvent, PlaceStretch, RipeningStep } from '../core/ripening/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { CultureKeeping } from './culture-keeping.ts';

/** What happened to a culture, as its page tells it. */
export interface CultureEntryView {
	/** null for what a batch took: that is taken back at the batch. */
	readonly id: string | null;
	readonly kind:
		| 'begun'
		| 'fed'
		| 'stirred'
		| 'trusted'
		| 'counted'
		| 'kept-back'
		| 'taken-out'
		| 'moved'
		| 'measured'
		| 'seen'
		| 'used';
	readonly atMs: number;
	readonly by: string;
	readonly beginning: Beginning | null;
	readonly seedGrams: number;
	readonly flourGrams: number;
	readonly waterGrams: number;
	/** Counted, kept back, taken out or used. */
	readonly grams: number;
	readonly celsius: number | null;
	/** Where it went; empty for what did not move. */
	readonly place: string;
	readonly sightings: readonly Sighting[];
	/** What there was of it afterwards; null while nobody weighed it. */
	readonly afterGrams: number | null;
}

/** Something that is to take from a culture, with the date whose bread it is for. */
export interface CultureUseView extends CultureUse {
	readonly date: BakeDate;
	/** An accepted plan says when; otherwise it is the latest that its drops allow. */
	readonly isPlanned: boolean;
}

/** Ripe culture that is kept back from what it seeded. */
export interface CultureReturnView extends CultureReturn {
	readonly date: BakeDate;
	/** The batch it is kept back from, once that was begun; it is written down when it was. */
	readonly batchId: string | null;
}

/** A culture as it ferments since its last feed, or since it was kept back ripe. */
export interface CultureFollowView {
	readonly step: RipeningStep;
	readonly fedAtMs: number;
	readonly fedCelsius: number;
	/** Nobody measured it: its temperature is taken to be so. */
	readonly isAssumed: boolean;
	/** When it was kept back ripe; null for one that was fed by itself. */
	readonly keptBackAtMs: number | null;
	readonly events: readonly DoughEvent[];
	readonly seen: readonly SeenCulture[];
	readonly placeId: string | null;
	readonly place: string;
}

/** A culture that is being started. */
export interface CultureStartView {
	readonly beginning: Beginning;
	readonly begunAtMs: number;
	readonly done: readonly { readonly atMs: number; readonly isFeed: boolean }[];
}

export interface CultureView {
	readonly ingredientId: IngredientId;
	readonly name: string;
	/** Water for its flour, as its ingredient says; null for one without flour. */
	readonly hydrationPercent: number | null;
	/** null where nobody set it up. */
	readonly keeping: CultureKeeping | null;
	readonly version: number;
	readonly grams: number | null;
	/** The newest first. */
	readonly entries: readonly CultureEntryView[];
	readonly uses: readonly CultureUseView[];
	readonly returns: readonly CultureReturnView[];
	/** Its own feed times over the dates that are looked at. */
	readonly scheduledMs: readonly number[];
	/** The last feed time that is past. */
	readonly lastScheduledMs: number | null;
	readonly follow: CultureFollowView | null;
	/** Since when it stands in the cold; null where it does not. */
	readonly coldSinceMs: number | null;
	readonly start: CultureStartView | null;
}

/** Something of a culture to know or to do, wherever it is told. */
export interface CultureNoticeView {
	readonly name: string;
	readonly told: Announcement;
}

export interface CulturePlaceView {
	readonly id: PlaceId;
	readonly name: string;
	readonly isCold: boolean;
	readonly celsius: number;
}

/** The stages of a sour up to the dough that takes it. */
export interface SourView {
	/** The recipe of its last stage. */
	readonly preparationId: string;
	readonly name: string;
	readonly stages: number;
	readonly bread: string;
}

export interface CulturesView {
	readonly date: BakeDate;
	readonly cultures: readonly CultureView[];
	readonly flours: readonly { readonly id: string; readonly name: string }[];
	readonly places: readonly CulturePlaceView[];
	/** The room and the places as they were read. */
	readonly room: readonly PlaceStretch[];
	readonly roomCelsius: number;
	readonly named: ReadonlyMap<PlaceId, readonly PlaceStretch[]>;
	/** The staged sours of the page's date. */
	readonly sours: readonly SourView[];
}
