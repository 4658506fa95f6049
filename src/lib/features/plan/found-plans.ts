import type { FoundPlan } from '../../contracts/plan-protocol.ts';

/** Plans that were found for what was wished, to go back to the very one; no part of what is drawn. */
export class FoundPlans {
	private readonly found = new Map<string, FoundPlan>();

	keep(wished: string, found: FoundPlan | null): void {
		if (found) this.found.set(wished, found);
	}

	for(wished: string): FoundPlan | null {
		return this.found.get(wished) ?? null;
	}
}
