import type { Live } from './live.svelte.ts';

/** Hears what others write; what hears it is fetched once the page stands. */
export class Listening {
	#live = $state.raw<Live | null>(null);

	constructor(
		private readonly onChange: () => Promise<void>,
		/** The server answers again after it was lost. */
		private readonly onBack: () => void
	) {}

	/** Since when nothing was heard, on the real clock; null while all is well. */
	get awaySinceMs(): number | null {
		return this.#live?.awaySinceMs ?? null;
	}

	/** The stream broke off a moment ago or longer. */
	get lost(): boolean {
		return this.#live?.lost ?? false;
	}

	/** Begins to listen; gives the way out. */
	start(): () => void {
		let stop: (() => void) | null = () => {};
		void import('./live.svelte.ts').then(
			({ Live }) => {
				if (!stop) return;
				this.#live = new Live(this.onChange, this.onBack);
				stop = this.#live.start();
			},
			// The server went as the page came: the next page listens.
			() => undefined
		);
		return () => {
			stop?.();
			stop = null;
		};
	}
}
