import type { PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Preparation } from './formula.ts';
import { recorded, written, type EditedFormula } from './rewrite.ts';
import type { ResolvedFormula, ResolvedStage } from './resolve.ts';

/**
 * Makes a shared build this formula's own: the same recipe under a new identity and name. Builds that take
 * from it on the way to the dough change too, since they now take the copy.
 *
 * Range: a build of the formula at any depth. Source: domain arithmetic (editing). Failures:
 * `unknown-stage`.
 * Example: a levain that two doughs share, copied, leaves the other dough as it was.
 */
export function makeOwn(
	resolved: ResolvedFormula,
	preparationId: PreparationId,
	copy: { readonly id: PreparationId; readonly name: string }
): Result<EditedFormula, { readonly kind: 'unknown-stage' }> {
	const changed = new Map<PreparationId, Preparation>();
	const swap = (stage: ResolvedStage): ResolvedStage => {
		if (stage.preparation?.id === preparationId)
			return recorded(
				{ ...stage, name: copy.name, preparation: { ...stage.preparation, ...copy } },
				changed
			);
		const stages = stage.stages.map(swap);
		return stages.every((inner, at) => inner === stage.stages[at])
			? stage
			: recorded({ ...stage, stages }, changed);
	};
	const final = swap(resolved.final);
	if (!changed.has(copy.id)) return fail({ kind: 'unknown-stage' });
	return ok(written(resolved.formula, final, changed, 1));
}
