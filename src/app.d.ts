import type { BakeryView } from '$lib/contracts/views.ts';
import type { Visitor } from '$lib/server/auth/visitor.ts';

declare global {
	namespace App {
		interface Error {
			message: string;
			/** What to do next, as a link. */
			next?: { href: string; label: string };
		}
		interface Locals {
			appearance: 'paper' | 'ember' | 'system';
			/** Who asks, looked up once for a request. */
			visitor: () => Promise<Visitor>;
			/** Why this visitor may not read this page; null where nothing is in the way. */
			shut: (App.Error & { status: 403 | 503 }) | null;
			/** What the frame shows, read once for a request; null where there is no bakery yet, or nobody is signed in. */
			bakery: () => Promise<BakeryView | null>;
		}
	}
}

export {};
