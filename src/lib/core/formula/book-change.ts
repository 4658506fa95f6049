import { fail, ok, type Result } from '../result.ts';
import type { PreparationId } from '../identity.ts';
import { followBuilds } from './follow-build.ts';
import type { Formula, Material, Preparation } from './formula.ts';
import { resolveAlone, resolveFormula, type FormulaFailure, type Pantry } from './resolve.ts';

/** Something of the book that could not be made as a change would have it. */
export interface Impossible {
	readonly name: string;
	readonly reason: FormulaFailure;
}

/**
 * Gives the formulas that change their weights because a build they share did.
 *
 * Model: `followBuilds`, formula by formula. What could not be made before is left as it is.
 * Range: any formulas. Source: domain arithmetic (editing). Failures: the first formula that could be made and
 * could not any more.
 * Example: a shared levain with less water gives every dough that takes from it more of its own.
 */
export function followersOf(
	formulas: readonly Formula[],
	before: Pantry,
	after: Pantry
): Result<readonly Formula[], Impossible> {
	const followers: Formula[] = [];
	for (const formula of formulas) {
		const followed = followBuilds(formula, before, after);
		if (followed.ok) {
			if (followed.value !== formula) followers.push(followed.value);
		} else if (followBuilds(formula, before, before).ok)
			return fail({ name: formula.name, reason: followed.error });
	}
	return ok(followers);
}

/**
 * Looks for something that could be made before a change and could not after it; what was impossible already is
 * not held against the change.
 *
 * Range: the formulas of a book, those that change among `changed`. Source: `resolveFormula`. Failures: none;
 * null where everything goes on.
 * Example: a flour that counts as flour no more leaves its formulas short of 100.
 */
export function impossibleAfter(
	formulas: readonly Formula[],
	changed: readonly Formula[],
	before: Pantry,
	after: Pantry
): Impossible | null {
	const newlyImpossible = (name: string, was: boolean, is: Result<unknown, FormulaFailure>) =>
		!is.ok && was ? { name, reason: is.error } : null;
	for (const formula of formulas) {
		const next = changed.find((other) => other.id === formula.id);
		const was = next !== undefined || resolveFormula(formula, before).ok;
		const found = newlyImpossible(formula.name, was, resolveFormula(next ?? formula, after));
		if (found) return found;
	}
	for (const preparation of after.preparations.values()) {
		const old = before.preparations.get(preparation.id);
		const was = !old || resolveAlone(old, before).ok;
		const found = newlyImpossible(preparation.name, was, resolveAlone(preparation, after));
		if (found) return found;
	}
	return null;
}

/**
 * Gives preparations in an order in which whatever one takes from comes before it.
 * Range: any preparations. Source: none. Failures: none; a circle keeps its order.
 * Example: a seed comes before the levain that is built from it.
 */
export function innerFirst(preparations: readonly Preparation[]): readonly Preparation[] {
	const byId = new Map(preparations.map((preparation) => [preparation.id, preparation]));
	const ordered = new Set<Preparation>();
	const onTheWay = new Set<PreparationId>();
	const add = (preparation: Preparation) => {
		if (ordered.has(preparation) || onTheWay.has(preparation.id)) return;
		onTheWay.add(preparation.id);
		for (const { material } of preparation.lines) {
			const inner = material.kind === 'preparation' ? byId.get(material.preparationId) : undefined;
			if (inner) add(inner);
		}
		ordered.add(preparation);
	};
	for (const preparation of preparations) add(preparation);
	return [...ordered];
}

/** Whether some lines take from something that changed. */
export function takesFrom(
	lines: readonly { readonly material: Material }[],
	changed: ReadonlySet<string>
): boolean {
	return lines.some(({ material }) =>
		changed.has(material.kind === 'ingredient' ? material.ingredientId : material.preparationId)
	);
}
