import { randomUUID } from 'node:crypto';
import type { Refusal } from '../../../contracts/commands.ts';
import { followBuilds, type Formula, type Pantry, type Step } from '../../../core/formula/index.ts';
import { fail, ok, type Result } from '../../../core/result.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Tx } from '../../db/client.ts';
import type { FormulaBook, FormulaRevision } from '../../db/formula-book.ts';
import { materialColumns } from '../../db/formula-history.ts';

/** A formula as its next revision is written. */
export interface NextRevision {
	readonly formula: Formula;
	readonly number: number;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
}

export async function insertFormulaRevision(
	tx: Tx,
	next: NextRevision,
	actor: Actor
): Promise<void> {
	const { formula } = next;
	const revision_id = randomUUID();
	await tx
		.insertInto('formula_revision')
		.values({
			id: revision_id,
			formula_id: formula.id,
			number: next.number,
			dough_loss_share: formula.doughLoss.share,
			target_dough_celsius: next.targetCelsius,
			friction_kj_per_kg: next.frictionKilojoulesPerKilogram,
			most_dough_g: next.mostDoughGrams,
			steps: JSON.stringify(next.steps),
			made_by: actor.id
		})
		.execute();
	await tx
		.insertInto('formula_revision_line')
		.values(
			formula.lines.map((line, index) => ({
				revision_id,
				ordinal: index + 1,
				...materialColumns(line.material),
				percent_of_flour: line.percentOfFlour,
				addition: line.addition
			}))
		)
		.execute();
	if (formula.deliveries.length > 0)
		await tx
			.insertInto('formula_revision_delivery')
			.values(
				formula.deliveries.map(({ ingredientId, deliveryId }) => ({
					revision_id,
					ingredient_id: ingredientId,
					delivery_id: deliveryId
				}))
			)
			.execute();
}

/** A formula that follows a build it shares, beside the revision it had. */
export interface Follower {
	readonly revision: FormulaRevision;
	readonly formula: Formula;
}

/**
 * The formulas that change because a build they share did, one of them aside. What could not be made
 * before is left as it is; what could not be made any more refuses the change.
 */
export function followersOf(
	book: FormulaBook,
	after: Pantry,
	exceptId: string | null
): Result<readonly Follower[], Refusal> {
	const followers: Follower[] = [];
	for (const revision of book.formulas) {
		const { formula } = revision;
		if (formula.id === exceptId) continue;
		const followed = followBuilds(formula, book.pantry, after);
		if (followed.ok) {
			if (followed.value !== formula) followers.push({ revision, formula: followed.value });
			continue;
		}
		const before = followBuilds(formula, book.pantry, book.pantry);
		if (before.ok)
			return fail({ kind: 'formula-impossible', formula: formula.name, reason: followed.error });
	}
	return ok(followers);
}

/** Writes the next revision of each that follows. */
export async function reviseFollowers(
	tx: Tx,
	followers: readonly Follower[],
	actor: Actor
): Promise<void> {
	for (const { revision, formula } of followers)
		await insertFormulaRevision(tx, { ...revision, formula, number: revision.number + 1 }, actor);
}
