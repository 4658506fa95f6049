import { ok, type Result } from '../result.ts';
import { holdersOf, type Fault, type Holder } from '../schedule/index.ts';
import { dropOf } from './deliveries.ts';
import { personOf } from './hands.ts';
import type { BakeDayInput } from './input.ts';
import type { Placement } from './placement.ts';
import { problemOf } from './plan.ts';
import { PLACE_POOL } from './room-of-places.ts';
import { toldIdOf } from './told-id.ts';
import { BENCH_POOL, DIVIDER_POOL, SHEETER_POOL } from './workplaces.ts';

/** What holds a task of a plan where it is. */
export type WhyHolder =
	/** The window to what comes before or after it in its chain, or to what takes it. */
	| { readonly kind: 'chain'; readonly task: string }
	/** It is picked, or goes, right after. */
	| { readonly kind: 'drop'; readonly dropId: string }
	/** Somebody who could do it is at something else. */
	| { readonly kind: 'person'; readonly personId: string; readonly task: string }
	| { readonly kind: 'vessel'; readonly vesselId: string; readonly task: string }
	| { readonly kind: 'mixer'; readonly mixerId: string; readonly task: string }
	/** There is no place at a bench, no sheeter, no divider, or no room where it would stand. */
	| {
			readonly kind: 'room';
			readonly of: 'bench' | 'sheeter' | 'divider' | 'place';
			readonly id: string;
			readonly task: string;
	  }
	| { readonly kind: 'deck'; readonly deckId: string; readonly task: string }
	/** The oven is at another heat for it. */
	| { readonly kind: 'heat'; readonly task: string }
	| { readonly kind: 'clean-down'; readonly mixerId: string; readonly task: string }
	/** Another date has the deck. */
	| { readonly kind: 'elsewhere'; readonly deckId: string }
	/** Nobody who could do it is there, or free of another date's work. */
	| { readonly kind: 'away' }
	| { readonly kind: 'pin' }
	| { readonly kind: 'earliest' };

export interface HeldTask {
	readonly task: string;
	/** What keeps it from five minutes sooner, and from five minutes later; where nothing does, what is wished keeps it. */
	readonly earlier: readonly WhyHolder[];
	readonly later: readonly WhyHolder[];
}

/**
 * Why each task of a plan stands where it does, by the tasks as they are told.
 * Range: a placement that `judgePlacement` finds no violation in. Source: `holdersOf`. Failures: a fault of the problem.
 */
export function whyHere(
	input: BakeDayInput,
	placement: Placement
): Result<readonly HeldTask[], Fault> {
	const { expanded, plan } = problemOf(input, placement);
	const held = holdersOf(expanded.problem, plan);
	if (!held.ok) return held;
	const mixers = new Set(input.bakery.mixers.map(({ id }) => id));
	const told = (holders: readonly Holder[]): readonly WhyHolder[] => {
		const found = holders.flatMap((holder) => whyOf(holder, mixers));
		return [...new Map(found.map((one) => [JSON.stringify(one), one])).values()];
	};
	return ok(
		held.value.map(({ task, earlier, later }) => ({
			task: toldIdOf(task),
			earlier: told(earlier),
			later: told(later)
		}))
	);
}

const ROOM_POOLS = [
	['bench', BENCH_POOL],
	['sheeter', SHEETER_POOL],
	['divider', DIVIDER_POOL],
	['place', PLACE_POOL]
] as const;

function whyOf(holder: Holder, mixers: ReadonlySet<string>): readonly WhyHolder[] {
	switch (holder.kind) {
		case 'lag': {
			const dropId = dropOf(holder.task);
			if (dropId !== null) return [{ kind: 'drop', dropId }];
			return [{ kind: 'chain', task: toldIdOf(holder.task) }];
		}
		case 'pool': {
			const task = toldIdOf(holder.task);
			const personId = personOf(holder.pool);
			if (personId !== null) return [{ kind: 'person', personId, task }];
			if (mixers.has(holder.pool)) return [{ kind: 'mixer', mixerId: holder.pool, task }];
			for (const [of, prefix] of ROOM_POOLS)
				if (holder.pool.startsWith(prefix))
					return [{ kind: 'room', of, id: holder.pool.slice(prefix.length), task }];
			return [{ kind: 'vessel', vesselId: holder.pool.replace(/^vessel:/, ''), task }];
		}
		case 'unit':
			return [{ kind: 'deck', deckId: holder.unit, task: toldIdOf(holder.task) }];
		case 'level':
			return [{ kind: 'heat', task: toldIdOf(holder.task) }];
		case 'changeover':
			return [{ kind: 'clean-down', mixerId: holder.machine, task: toldIdOf(holder.task) }];
		case 'taken':
			return [{ kind: 'elsewhere', deckId: holder.unit }];
		case 'away':
			return [{ kind: 'away' }];
		case 'pin':
			return [{ kind: 'pin' }];
		case 'bound':
			return [{ kind: 'earliest' }];
	}
}
