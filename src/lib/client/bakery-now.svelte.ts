import { bakeryTime, type BakeryClock } from '../core/time/bakery-clock.ts';

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

	/** Lets it run; gives the stop. */
	start(): () => void {
		const tick = () => {
			this.#realMs = Date.now();
		};
		tick();
		const timer = setInterval(tick, 1000);
		return () => clearInterval(timer);
	}
}
