import { bakeryTime, type BakeryClock } from '../core/time/bakery-clock.ts';

/** However fast the clock runs, a page is drawn anew no more often than this. */
const LEAST_TICK_MS = 250;

/** The bakery's clock in the browser: the one place in the interface that knows the time. */
export class BakeryNow {
	#clock: BakeryClock = $state.raw({ anchorRealMs: 0, anchorBakeryMs: 0, rate: 1 });
	#realMs = $state(0);

	constructor(clock: BakeryClock, realMs: number) {
		this.set(clock, realMs);
	}

	/** Takes the clock as the server told it. */
	set(clock: BakeryClock, realMs: number): void {
		this.#clock = clock;
		this.#realMs = realMs;
	}

	/** What the bakery's clock shows, moving on with `start`. */
	get epochMs(): number {
		return bakeryTime(this.#clock, { epochMs: this.#realMs }).epochMs;
	}

	/** What the bakery's clock showed at a moment of the real one. */
	at(realMs: number): number {
		return bakeryTime(this.#clock, { epochMs: realMs }).epochMs;
	}

	/** Lets it run; gives the stop. A clock that runs fast is read more often, so that no second of it is missed by far. */
	start(): () => void {
		let timer: ReturnType<typeof setTimeout> | undefined;
		const tick = () => {
			this.#realMs = Date.now();
			timer = setTimeout(tick, Math.max(LEAST_TICK_MS, 1000 / Math.max(1, this.#clock.rate)));
		};
		tick();
		return () => clearTimeout(timer);
	}
}
