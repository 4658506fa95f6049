/** How many steps back are kept. */
const MOST_STEPS = 200;

/** The steps of an edit, each of which can be taken back and done again. */
export class EditSteps<Step> {
	#past: readonly Step[] = $state.raw([]);
	#future: readonly Step[] = $state.raw([]);

	/** The step that would be taken back. */
	get last(): Step | null {
		return this.#past.at(-1) ?? null;
	}

	/** The step that would be done again. */
	get next(): Step | null {
		return this.#future[0] ?? null;
	}

	/** A new step; what was taken back before it cannot be done again. */
	push(step: Step): void {
		this.#past = [...this.#past.slice(1 - MOST_STEPS), step];
		this.#future = [];
	}

	/** Goes one step back and gives it. */
	back(): Step | null {
		const { last } = this;
		if (last === null) return null;
		this.#past = this.#past.slice(0, -1);
		this.#future = [last, ...this.#future];
		return last;
	}

	/** Goes one step forth and gives it. */
	forth(): Step | null {
		const { next } = this;
		if (next === null) return null;
		this.#past = [...this.#past, next];
		this.#future = this.#future.slice(1);
		return next;
	}

	/** Drops the last step: it cannot be taken back any more. */
	drop(): void {
		this.#past = this.#past.slice(0, -1);
	}
}
