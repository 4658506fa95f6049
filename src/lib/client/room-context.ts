import { createContext } from 'svelte';
import type { Explained } from '../core/explain/index.ts';
import type { BakeryView } from '../contracts/views.ts';
import type { BakeryNow } from './bakery-now.svelte.ts';

/** What the frame lends to the rooms in it. */
export interface Room {
	readonly bakery: BakeryView;
	readonly now: BakeryNow;
	/** Opens the arithmetic behind a number, under a title. */
	readonly explain: (explained: Explained, title: string, notes?: readonly string[]) => void;
}

export const [useRoom, provideRoom] = createContext<Room>();
