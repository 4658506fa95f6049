import { SettledReading } from './settled-reading.ts';
import { tellSignedOut } from './signed-out.ts';

/** What a browser hears: that something was written, or that anything may have been. */
type Heard = { readonly topic: string } | 'anything';

/** How the server can be reached: lost for a moment, or away for longer. */
interface Reach {
	readonly reach: 'there' | 'lost' | 'away';
}

const CHANNEL = 'jovet-live';
const LOCK = 'jovet-live-stream';
/** A stream that is away for a moment comes back by itself; after this it is told. */
const AWAY_MS = 8000;

/**
 * Keeps this page in step with what others write. One tab of a browser holds the event stream and tells
 * the others, for a browser opens only a few connections to one place.
 */
export class Live {
	/** Since when nothing was heard, on the real clock; null while all is well. */
	awaySinceMs: number | null = $state(null);
	/** The stream broke off a moment ago or longer; it may only be on its way back. */
	lost = $state(false);
	#last = -1;

	constructor(
		private readonly onChange: () => Promise<void>,
		/** The server answers again after it was lost. */
		private readonly onBack: () => void
	) {}

	/** Begins to listen; gives the way out. */
	start(): () => void {
		const reading = new SettledReading(this.onChange, () => performance.now());
		const channel = new BroadcastChannel(CHANNEL);
		channel.onmessage = ({ data }: MessageEvent<Heard | Reach>) => {
			if (typeof data === 'object' && 'reach' in data) this.#reach(data.reach);
			else reading.hear();
		};
		let stop = () => {};
		const over = new Promise<void>((resolve) => {
			stop = resolve;
		});
		const hold = () => {
			const close = this.#open(
				(heard) => channel.postMessage(heard),
				() => reading.hear()
			);
			return over.then(close);
		};
		// Without locks (an old browser) every tab has a stream of its own.
		if ('locks' in navigator) void navigator.locks.request(LOCK, hold).catch(() => undefined);
		else void hold();
		return () => {
			stop();
			channel.close();
			reading.stop();
		};
	}

	#open(tell: (heard: Heard | Reach) => void, readHere: () => void): () => void {
		const source = new EventSource('/events');
		let awayTimer: ReturnType<typeof setTimeout> | null = null;
		const reach = (now: Reach['reach']) => {
			tell({ reach: now });
			this.#reach(now);
		};
		const hear = (heard: Heard) => {
			tell(heard);
			readHere();
		};
		source.addEventListener('written', ({ data }: MessageEvent<string>) => {
			const { sequence, topic } = JSON.parse(data) as { sequence: number; topic: string };
			// A gap means that something was missed; whatever it was, the page is read anew.
			const gap = this.#last >= 0 && sequence !== this.#last + 1;
			this.#last = sequence;
			hear(gap ? 'anything' : { topic });
		});
		source.addEventListener('signed-out', () => {
			hear('anything');
			tellSignedOut();
		});
		source.addEventListener('look-again', () => hear('anything'));
		source.onopen = () => {
			if (awayTimer) clearTimeout(awayTimer);
			awayTimer = null;
			if (this.lost) hear('anything');
			reach('there');
		};
		source.onerror = () => {
			// Refused, not lost: nobody is signed in here any more, or the server is busy. Reading the page tells which.
			if (source.readyState === EventSource.CLOSED) tellSignedOut();
			reach('lost');
			awayTimer ??= setTimeout(() => reach('away'), AWAY_MS);
		};
		return () => {
			if (awayTimer) clearTimeout(awayTimer);
			source.close();
		};
	}

	#reach(reach: Reach['reach']): void {
		const wasLost = this.lost;
		this.lost = reach !== 'there';
		if (reach === 'there') this.awaySinceMs = null;
		if (reach === 'away') this.awaySinceMs ??= Date.now();
		if (wasLost && !this.lost) this.onBack();
	}
}
