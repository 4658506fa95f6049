import { formulaContentSchema, type FormulaContent } from '../../contracts/formula-book.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** A save that came second and was kept beside the formula. */
export interface FormulaDraftRow {
	readonly id: string;
	readonly by: string;
	readonly baseRevision: number;
	/** When it was saved, by the bakery's clock. */
	readonly savedAtMs: number;
	readonly content: FormulaContent;
}

/** The drafts of a formula that nobody set aside, newest first. */
export async function loadOpenDrafts(
	db: Db | Tx,
	formulaId: string
): Promise<readonly FormulaDraftRow[]> {
	const rows = await db
		.selectFrom('formula_draft as draft')
		.innerJoin('bakery_entry as person', 'person.id', 'draft.made_by')
		.innerJoin('command', 'command.id', 'draft.command_id')
		.selectAll('draft')
		.select(['person.name', 'command.occurred_at'])
		.where('draft.formula_id', '=', formulaId)
		.where('draft.set_aside_at', 'is', null)
		.orderBy('draft.recorded_at', 'desc')
		.limit(20)
		.execute();
	return rows.map((row) => ({
		id: row.id,
		by: row.name,
		baseRevision: row.base_revision,
		savedAtMs: row.occurred_at.getTime(),
		content: formulaContentSchema.parse(row.content)
	}));
}

/** Keeps a save that came second beside the formula. */
export async function insertDraft(
	tx: Tx,
	draft: {
		readonly id: string;
		readonly commandId: string;
		readonly madeBy: string;
		readonly content: FormulaContent;
	}
): Promise<void> {
	const row: EveryColumn<'formula_draft'> = {
		id: draft.id,
		formula_id: draft.content.formulaId,
		base_revision: draft.content.expectedRevision,
		command_id: draft.commandId,
		made_by: draft.madeBy,
		content: JSON.stringify(draft.content),
		set_aside_at: null
	};
	await tx.insertInto('formula_draft').values(row).execute();
}

/** Sets a draft aside; false where there is none. */
export async function setDraftAside(tx: Tx, draftId: string, atMs: number): Promise<boolean> {
	const changed = await tx
		.updateTable('formula_draft')
		.set({ set_aside_at: new Date(atMs) })
		.where('id', '=', draftId)
		.returning('id')
		.executeTakeFirst();
	return changed !== undefined;
}
