import type { Announcement } from '../db/listen.ts';

/** What an open screen is told: that something of a topic was written, or that anything may have been. */
export type LiveEvent =
	({ readonly kind: 'written' } & Announcement) | { readonly kind: 'look-again' };

type Subscriber = (event: LiveEvent) => void;

/** Hands announcements to every open event stream of this process. */
export class EventHub {
	readonly #subscribers = new Map<Subscriber, () => void>();

	/** `onClose` is called when the process ends; gives the way out. */
	subscribe(take: Subscriber, onClose: () => void): () => void {
		this.#subscribers.set(take, onClose);
		return () => void this.#subscribers.delete(take);
	}

	tell(event: LiveEvent): void {
		for (const take of this.#subscribers.keys()) take(event);
	}

	/** Ends all streams: an open one would hold up the end of the process. */
	closeAll(): void {
		for (const close of this.#subscribers.values()) close();
		this.#subscribers.clear();
	}
}
