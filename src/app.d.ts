import type { BakeryView } from '$lib/contracts/views.ts';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** What to do next, as a link. */
			next?: { href: string; label: string };
		}
		interface Locals {
			appearance: 'paper' | 'ember' | 'system';
			/** What the frame shows, read once for a request; null where there is no bakery yet. */
			bakery: () => Promise<BakeryView | null>;
		}
	}
}

export {};
