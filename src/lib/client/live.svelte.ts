/** What a browser hears: that something was written, or that anything may have been. */
type Heard = { readonly topic: string } | 'anything';

const CHANNEL = 'jovet-live';
const LOCK = 'jovet-live-stream';
/** Several things written at once are looked at once. */
const SETTLE_MS = 250;
/** A stream that is away for a moment comes back by itself; after this it is told. */
const AWAY_MS = 8000;

/**
 * Keeps this page in step with what others write. One tab of a browser holds the event stream and tells
 * the others, for a browser opens only a few connections to one place.
 */
export class Live {
	/** Since when nothing was heard, on the real clock; null while all is well. */
	awaySinceMs: number | null = $state(null);
	#last = -1;
	#timer: ReturnType<typeof setTimeout> | null = null;

	constructor(private readonly onChange: () => void) {}

	/** Begins to listen; gives the way out. */
	start(): () => void {
		const channel = new BroadcastChannel(CHANNEL);
		channel.onmessage = ({ data }: MessageEvent<Heard | { readonly away: boolean }>) => {
			if (typeof data === 'object' && 'away' in data) this.#away(data.away);
			else this.#settle();
		};
		let stop = () => {};
		const over = new Promise<void>((resolve) => {
			stop = resolve;
		});
		const hold = () => {
			const close = this.#open((heard) => channel.postMessage(heard));
			return over.then(close);
		};
		// Without locks (an old browser) every tab has a stream of its own.
		if ('locks' in navigator) void navigator.locks.request(LOCK, hold).catch(() => undefined);
		else void hold();
		return () => {
			stop();
			channel.close();
			if (this.#timer) clearTimeout(this.#timer);
		};
	}

	#open(tell: (heard: Heard | { readonly away: boolean }) => void): () => void {
		const source = new EventSource('/events');
		let awayTimer: ReturnType<typeof setTimeout> | null = null;
		let lost = false;
		const hear = (heard: Heard) => {
			tell(heard);
			this.#settle();
		};
		source.addEventListener('written', ({ data }: MessageEvent<string>) => {
			const { sequence, topic } = JSON.parse(data) as { sequence: number; topic: string };
			// A gap means that something was missed; whatever it was, the page is read anew.
			const gap = this.#last >= 0 && sequence !== this.#last + 1;
			this.#last = sequence;
			hear(gap ? 'anything' : { topic });
		});
		source.addEventListener('look-again', () => hear('anything'));
		source.onopen = () => {
			if (awayTimer) clearTimeout(awayTimer);
			awayTimer = null;
			if (lost) hear('anything');
			lost = false;
			tell({ away: false });
			this.#away(false);
		};
		source.onerror = () => {
			lost = true;
			awayTimer ??= setTimeout(() => {
				tell({ away: true });
				this.#away(true);
			}, AWAY_MS);
		};
		return () => {
			if (awayTimer) clearTimeout(awayTimer);
			source.close();
		};
	}

	#away(away: boolean): void {
		if (!away) this.awaySinceMs = null;
		else this.awaySinceMs ??= Date.now();
	}

	#settle(): void {
		this.#timer ??= setTimeout(() => {
			this.#timer = null;
			this.onChange();
		}, SETTLE_MS);
	}
}
