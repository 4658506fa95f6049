import type {
	BakeryEntry,
	EntryKind,
	FirstStep,
	OvenPiece,
	StandingEntry
} from '../core/bakery/index.ts';
import type { Place } from '../core/formula/index.ts';
import type { IceForm } from '../core/heat/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { SensorKind } from './device-protocol.ts';
import type { ProbeView } from './water-views.ts';

export interface SupplyView {
	readonly iceForm: IceForm;
	readonly iceMostShare: number;
	readonly iceCelsius: number;
	/** null where there is no chiller. */
	readonly chilledCelsius: number | null;
	readonly hotTapCelsius: number;
	readonly hottestWaterCelsius: number;
	readonly version: number;
}

export interface DeviceView {
	readonly id: string;
	readonly name: string;
	readonly revokedAtMs: number | null;
	readonly sensors: readonly {
		readonly id: string;
		readonly name: string;
		readonly kind: SensorKind;
		readonly placeId: string | null;
		readonly reportEverySeconds: number;
		/** null while it never spoke. */
		readonly now: ProbeView | null;
		/** How far a dough has risen by a tub sensor; null for what is none, or was never heard. */
		readonly rise: { readonly percent: number; readonly measuredAtMs: number } | null;
		/** What a scale shows; null for what is none, or was never heard. */
		readonly shown: {
			readonly grams: number;
			readonly stable: boolean;
			readonly measuredAtMs: number;
		} | null;
	}[];
}

/** What the bakery is, how far it is entered, and what reads it. */
export interface BakeryRoomView {
	readonly date: BakeDate;
	readonly settings: {
		readonly name: string;
		readonly timeZone: string;
		readonly currency: string;
		readonly altitudeMetres: number;
		readonly weighMinutes: number;
		readonly version: number;
	};
	readonly steps: readonly FirstStep[];
	/** How many of each kind are in use. */
	readonly counts: Readonly<Record<EntryKind, number>>;
	readonly places: readonly Place[];
	/** The decks of its ovens. */
	readonly decks: readonly { readonly id: string; readonly name: string }[];
	readonly supply: SupplyView;
	readonly devices: readonly DeviceView[];
}

/** One revision of an entry, with who made it and when. */
export interface EntryRevisionView<K extends EntryKind = EntryKind> extends BakeryEntry<K> {
	/** Empty for what stood before entries had revisions. */
	readonly by: string;
	readonly occurredAtMs: number;
}

/** The entries of one kind on a date, with all that was saved of them, newest first. */
export interface EntriesView<K extends EntryKind = EntryKind> {
	readonly date: BakeDate;
	readonly kind: K;
	readonly entries: readonly StandingEntry<K>[];
	readonly history: readonly EntryRevisionView<K>[];
	/** The drops that a customer can belong to. */
	readonly drops: readonly { readonly id: string; readonly name: string }[];
	/** The ovens that a prover can be. */
	readonly ovens: readonly { readonly id: string; readonly name: string }[];
	/** What can be laid out on a deck to see how many fit. */
	readonly pieces: readonly (OvenPiece & { readonly id: string; readonly name: string })[];
	readonly counts: Readonly<Record<EntryKind, number>>;
}

/** What is known of the backups that are taken by themselves. */
export interface BackupSeen {
	/** When the newest was written, by the real clock; null where there is none. */
	readonly lastMs: number | null;
	readonly kept: number;
	/** What is left on their disk; null where that cannot be told. */
	readonly freeBytes: number | null;
	readonly nowMs: number;
}
