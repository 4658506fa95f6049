/** More work was asked for than was allowed. */
export class TooMuchWork extends Error {
	constructor() {
		super('this asks for more work than one request may');
	}
}

/** How much may still be done, in units of some microseconds: a stage, a line, a step of an integration. */
export class WorkAllowance {
	#spent = 0;

	constructor(private readonly units: number) {}

	get spent(): number {
		return this.#spent;
	}

	/** Whether work was given up for want of it. */
	get isUsedUp(): boolean {
		return this.#spent > this.units;
	}

	/** Failures: throws `TooMuchWork` where the allowance is used up; the caller's work is given up whole. */
	spend(units: number): void {
		this.#spent += units;
		if (this.#spent > this.units) throw new TooMuchWork();
	}
}

let allowanceNow: () => WorkAllowance | null = () => null;

/**
 * Says by what the work of this process is held: gives the allowance of the request at hand, or null where
 * nothing holds it (a worker that can be cancelled, a test).
 */
export function holdWorkBy(allowance: () => WorkAllowance | null): void {
	allowanceNow = allowance;
}

/** Counts work that grows with what is asked, so that no request can hold everybody up. */
export function spendWork(units: number): void {
	allowanceNow()?.spend(units);
}
