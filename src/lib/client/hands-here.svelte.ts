import type { BakeryView } from '../contracts/views.ts';
import type { Retries } from './retries.ts';

type Actor = BakeryView['actor'];

/** Somebody whose hands a tablet is in; in nobody's it shows only. */
export interface Hand {
	/** Empty for nobody. */
	readonly id: string;
	readonly name: string;
	readonly role: Actor['role'];
}

const PLACE = 'jovet.hands';

/**
 * Whose hands this tablet is in while the server is away. Who was known at it by a code takes it up by a tap also then; the
 * server is told when it answers, and what was tapped meanwhile goes as theirs anyway.
 */
export class HandsHere {
	/** Taken up here, and not told yet. */
	#untold: Hand | null = $state.raw(null);
	/** Whose hands it was in when that was last known: a page that is kept may be older. */
	#last: Hand | null = $state.raw(null);

	constructor(
		private readonly retries: Retries,
		/** What came of telling the server; `refused` where it does not know these hands any more. */
		private readonly onTold: (hand: Hand, refused: boolean) => void
	) {}

	/** Takes up what an earlier page left. */
	start(): void {
		try {
			const kept = JSON.parse(localStorage.getItem(PLACE) ?? 'null') as {
				readonly hand: Hand;
				readonly isTold: boolean;
			} | null;
			if (!kept) return;
			this.#last = kept.hand;
			if (kept.isTold) return;
			this.#untold = kept.hand;
			this.retries.add(this.#tell);
		} catch {
			// Something else wrote there, or storage is switched off.
		}
	}

	/** The server does not know yet whose hands these are. */
	get isUntold(): boolean {
		return this.#untold !== null && this.#untold.id !== '';
	}

	/** Who is at this screen: as the page says, unless it is old or something newer happened here. */
	over(told: Actor, isOld: boolean): Actor {
		if (told.at !== 'tablet') return told;
		const hand = this.#untold ?? (isOld ? this.#last : null);
		return hand
			? { ...told, id: hand.id === '' ? told.id : hand.id, name: hand.name, role: hand.role }
			: told;
	}

	/** The server said just now whose hands this tablet is in. */
	note({ id, name, role, at }: Actor): void {
		if (at !== 'tablet' || this.#untold) return;
		const hand = { id: role === 'screen' ? '' : id, name, role };
		this.#last = hand;
		keep(hand, true);
	}

	/** Puts the tablet into these hands while the server is away. */
	take(hand: Hand): void {
		this.#untold = hand;
		this.#last = hand;
		keep(hand, false);
		this.retries.add(this.#tell);
	}

	readonly #tell = async (): Promise<boolean> => {
		const hand = this.#untold;
		if (!hand) return true;
		try {
			const answer = await fetch('/hands', {
				method: 'POST',
				headers: {
					accept: 'application/json',
					'content-type': 'application/x-www-form-urlencoded',
					'x-sveltekit-action': 'true'
				},
				body: `person=${encodeURIComponent(hand.id)}&to=%2F`
			});
			if (answer.status >= 500) return false;
			const { type } = (await answer.json()) as { readonly type: string };
			// Somebody else took it up while this was on its way.
			if (this.#untold !== hand) return false;
			this.#untold = null;
			keep(hand, true);
			this.onTold(hand, type !== 'redirect');
			return true;
		} catch {
			return false;
		}
	};
}

function keep(hand: Hand, isTold: boolean): void {
	try {
		localStorage.setItem(PLACE, JSON.stringify({ hand, isTold }));
	} catch {
		// It is known on this page alone then.
	}
}
