import { createContext } from 'svelte';
import type { Explained } from '../core/explain/index.ts';
import type { BakeryView } from '../contracts/views.ts';
import type { Outbox } from './outbox.svelte.ts';
import type { Retries } from './retries.ts';
import type { BakeryNow } from './bakery-now.svelte.ts';
import type { HandsHere } from './hands-here.svelte.ts';
import type { NightKeeper } from './keep-night.svelte.ts';

/** What the frame lends to the rooms in it. */
export interface Room {
	readonly bakery: BakeryView;
	readonly now: BakeryNow;
	/** What could not be sent, tried again by itself. */
	readonly retries: Retries;
	/** Where the bench leaves what it did. */
	readonly outbox: Outbox;
	/** Whose hands a tablet is in while the server is away; null at a desk. */
	readonly hands: HandsHere | null;
	/** What keeps the night in this browser; null where nobody asked for that. */
	readonly keeper: NightKeeper | null;
	/** Says for a moment that something was done. */
	readonly tell: (text: string) => void;
	/** Opens the arithmetic behind a number, under a title. */
	readonly explain: (explained: Explained, title: string, notes?: readonly string[]) => void;
}

export const [useRoom, provideRoom] = createContext<Room>();
