import { sql } from 'kysely';
import type { Refusal } from '../../../contracts/commands.ts';
import {
	resolveAlone,
	resolveFormula,
	type Formula,
	type FormulaFailure,
	type Pantry
} from '../../../core/formula/index.ts';
import type { Result } from '../../../core/result.ts';
import type { Tx } from '../../db/client.ts';
import type { FormulaBook } from '../../db/formula-book.ts';

/** Revisions of the book are numbered one after another; two bakers queue here. */
export async function lockBook(tx: Tx): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext('formula book'))`.execute(tx);
}

/** What a save would change of the book. */
export interface BookChange {
	readonly pantry: Pantry;
	/** The formulas as they would be; the others stay as they are. */
	readonly formulas: readonly Formula[];
}

/**
 * Resolves everything that takes from the book as it would be; the first that could be made before and
 * could not any more refuses the change. What was impossible already is not held against it.
 */
export function impossibleAfter(book: FormulaBook, change: BookChange): Refusal | null {
	const refused = (name: string, before: boolean, after: Result<unknown, FormulaFailure>) =>
		!after.ok && before
			? ({ kind: 'formula-impossible', formula: name, reason: after.error } as const)
			: null;
	for (const { formula } of book.formulas) {
		const changed = change.formulas.find((one) => one.id === formula.id);
		const after = resolveFormula(changed ?? formula, change.pantry);
		const before = changed !== undefined || resolveFormula(formula, book.pantry).ok;
		const refusal = refused(formula.name, before, after);
		if (refusal) return refusal;
	}
	for (const preparation of change.pantry.preparations.values()) {
		const old = book.pantry.preparations.get(preparation.id);
		const before = !old || resolveAlone(old, book.pantry).ok;
		const refusal = refused(preparation.name, before, resolveAlone(preparation, change.pantry));
		if (refusal) return refusal;
	}
	return null;
}
