import type { ClockDoubt } from '../contracts/views.ts';

/** Less than this the machine's clock is set by itself, as others' clocks are. */
const WORTH_TELLING_MS = 60_000;
/** So long a jump is told. */
const TOLD_FOR_MS = 12 * 3_600_000;

/** Watches the machine's clock: it may be set, or the machine may sleep, and all times that are written then follow it. */
export class ClockWatch {
	#anchor: { readonly realMs: number; readonly steadyMs: number };
	#doubt: ClockDoubt | null = null;

	/** `realMs` is the machine's clock, `steadyMs` one that only counts on while it is awake. */
	constructor(
		private readonly clock: { readonly realMs: () => number; readonly steadyMs: () => number }
	) {
		this.#anchor = this.#now();
	}

	/** What there is to doubt; null while the clock went on as it should. */
	doubt(): ClockDoubt | null {
		const told = this.#doubt;
		if (told && this.clock.realMs() - told.atMs > TOLD_FOR_MS) this.#doubt = null;
		return this.#doubt;
	}

	/** Looks whether the clock jumped since it was last looked at; gives what is new. */
	look(): ClockDoubt | null {
		const now = this.#now();
		const byMs = now.realMs - this.#anchor.realMs - (now.steadyMs - this.#anchor.steadyMs);
		this.#anchor = now;
		if (Math.abs(byMs) < WORTH_TELLING_MS) return null;
		return (this.#doubt = { kind: 'jumped', byMs, atMs: now.realMs });
	}

	/** Holds the clock against the newest entry there is; gives what is new. */
	holdAgainst(newestMs: number | null): ClockDoubt | null {
		const nowMs = this.clock.realMs();
		if (newestMs === null || newestMs - nowMs < WORTH_TELLING_MS) return null;
		return (this.#doubt = { kind: 'behind-the-log', byMs: newestMs - nowMs, atMs: nowMs });
	}

	#now() {
		return { realMs: this.clock.realMs(), steadyMs: this.clock.steadyMs() };
	}
}
