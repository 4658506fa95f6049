import { fail, ok, type Result } from '../result.ts';
import { circleOf, type Link } from './circle.ts';
import { checkPlan } from './check/check-plan.ts';
import { faultOf, type Fault } from './faults.ts';
import { inOneGo } from './in-one-go.ts';
import type { Problem } from './problem.ts';
import { smallestClash } from './smallest-clash.ts';
import { solve } from './solver.ts';

/** Something that could be otherwise: a shift, a machine, a due time, a window; and the problem with it relaxed. */
export interface Wish {
	readonly id: string;
	readonly relax: (problem: Problem) => Problem;
}

export type Conflict =
	/** A complete plan was found: there is no conflict. */
	| { readonly kind: 'none' }
	/** Lags and bounds that no times can keep: certain, and minimal. */
	| { readonly kind: 'circle'; readonly links: readonly Link[] }
	/**
	 * Wishes for which no plan was found together: giving up any one is enough. `cost` is that of the plan found
	 * without it, null where that one was only found together with others. As sure as the search, which may miss a plan.
	 */
	| {
			readonly kind: 'wishes';
			readonly clash: readonly { readonly id: string; readonly cost: number | null }[];
	  }
	/** No plan was found even with every wish given up; what found no place. */
	| { readonly kind: 'beyond'; readonly missing: readonly string[] };

/**
 * Explains why a problem has no complete plan.
 *
 * Model: first a circle of the temporal network, which is certain and takes a few milliseconds; then, when resources
 * clash, the smallest set of wishes for which the search finds no plan, by QuickXplain. The wishes that come first are
 * kept in preference: give the ones that are cheapest to give up last.
 * Range: a problem without faults and any number of wishes; the search is run some multiple of log(wishes) times.
 * Source: Junker (2004). Failures: a fault of the problem.
 * Example: two jobs for one person in one hour, with a wish for each: the two wishes.
 */
export function conflictOf(
	problem: Problem,
	wishes: readonly Wish[],
	budget: { readonly seed: number; readonly moves: number }
): Result<Conflict, Fault> {
	const fault = faultOf(problem);
	if (fault) return fail(fault);
	const links = circleOf(problem);
	if (links) return ok({ kind: 'circle', links });
	const attempt = (kept: readonly Wish[]) => attemptWith(problem, wishes, kept, budget);
	if (attempt(wishes).cost !== null) return ok({ kind: 'none' });
	const bare = attempt([]);
	if (bare.cost === null) return ok({ kind: 'beyond', missing: bare.missing });
	const clash = inOneGo(
		smallestClash<Wish>(function* (kept) {
			yield;
			return attempt(kept).cost !== null;
		}, wishes)
	);
	return ok({
		kind: 'wishes',
		clash: clash.map((wish) => ({
			id: wish.id,
			cost: attempt(wishes.filter((other) => other !== wish)).cost
		}))
	});
}

/** The problem with only some of its wishes kept: the cost of the plan found, or what found no place. */
function attemptWith(
	problem: Problem,
	wishes: readonly Wish[],
	kept: readonly Wish[],
	budget: { readonly seed: number; readonly moves: number }
): { readonly cost: number | null; readonly missing: readonly string[] } {
	let relaxed = problem;
	for (const wish of wishes) if (!kept.includes(wish)) relaxed = wish.relax(relaxed);
	const made = solve(relaxed, budget);
	if (!made.ok) throw new Error(`a relaxed problem has a fault: ${made.error.kind}`);
	const { violations, cost } = checkPlan(relaxed, made.value);
	return {
		cost: violations.length === 0 ? cost.total : null,
		missing: made.value.missing
	};
}
