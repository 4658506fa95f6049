import type { Explained } from '../explain/index.ts';
import { ok, type Result } from '../result.ts';
import type { Mass } from '../units/index.ts';
import type { Material } from './formula.ts';
import type { ResolvedFormula } from './resolve.ts';
import { totalFlourFrom, type ScaleFailure, type ScaleStart } from './scale-from.ts';

/** There is no more of a material than this. */
export interface MaterialLimit {
	readonly material: Material;
	readonly most: Mass;
}

/** A formula scaled to what was asked for, or to what there is. */
export interface ScaledWithin<Limit extends MaterialLimit> {
	readonly flour: Explained;
	/** The limit that gives; null where all of what was asked for fits. */
	readonly gives: Limit | null;
	/** How much of what was asked for fits, above 0 and at most 1. */
	readonly fits: number;
}

/**
 * Gives the total flour that a starting point asks for, as far as every limit allows it.
 *
 * Model: each limit allows the flour that it would scale the formula to if it were what is on hand; the least of all
 * stands. Range: any limits, of materials of the formula. Source: domain arithmetic (scaling). Failures: as
 * `totalFlourFrom`, of the start or of a limit.
 * Example: 14 kg of flour with at most 5 kg of a poolish at 40 % is 12.5 kg: the poolish gives.
 */
export function scaledWithin<Limit extends MaterialLimit>(
	start: ScaleStart,
	limits: readonly Limit[],
	resolved: ResolvedFormula
): Result<ScaledWithin<Limit>, ScaleFailure> {
	const asked = totalFlourFrom(start, resolved);
	if (!asked.ok) return asked;
	let least: { readonly flour: Explained; readonly gives: Limit | null } = {
		flour: asked.value,
		gives: null
	};
	for (const limit of limits) {
		const allowed = totalFlourFrom(
			{ kind: 'on-hand', material: limit.material, onHand: limit.most },
			resolved
		);
		if (!allowed.ok) return allowed;
		if (allowed.value.value < least.flour.value) least = { flour: allowed.value, gives: limit };
	}
	return ok({ ...least, fits: least.flour.value / asked.value.value });
}
