import { formulaContentSchema, type FormulaContent } from '../../contracts/formula-book.ts';
import type { Db, Tx } from './client.ts';

/** A save that came second and was kept beside the formula. */
export interface FormulaDraftRow {
	readonly id: string;
	readonly by: string;
	readonly baseRevision: number;
	readonly recordedAtMs: number;
	readonly content: FormulaContent;
}

/** The drafts of a formula that nobody set aside, newest first. */
export async function loadOpenDrafts(
	db: Db | Tx,
	formulaId: string
): Promise<readonly FormulaDraftRow[]> {
	const rows = await db
		.selectFrom('formula_draft as draft')
		.innerJoin('person', 'person.id', 'draft.made_by')
		.selectAll('draft')
		.select('person.name')
		.where('draft.formula_id', '=', formulaId)
		.where('draft.set_aside_at', 'is', null)
		.orderBy('draft.recorded_at', 'desc')
		.limit(20)
		.execute();
	return rows.map((row) => ({
		id: row.id,
		by: row.name,
		baseRevision: row.base_revision,
		recordedAtMs: row.recorded_at.getTime(),
		content: formulaContentSchema.parse(row.content)
	}));
}
