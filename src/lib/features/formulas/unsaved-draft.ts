import { z } from 'zod';
import { formulaContentSchema, type FormulaContent } from '../../contracts/formula-book.ts';

/** What is kept in the browser until it is saved or undone; it belongs to the revision it started from. */
const keptSchema = z.object({ revision: z.int(), content: formulaContentSchema });

function place(formulaId: string): string {
	return `jovet.formula.unsaved.${formulaId}`;
}

export function readDraft(formulaId: string, revision: number): FormulaContent | null {
	try {
		const text = localStorage.getItem(place(formulaId));
		const kept = keptSchema.safeParse(text === null ? null : JSON.parse(text));
		return kept.success && kept.data.revision === revision ? kept.data.content : null;
	} catch {
		// Something else wrote there, or storage is switched off.
		return null;
	}
}

export function keepDraft(formulaId: string, revision: number, content: FormulaContent): void {
	try {
		localStorage.setItem(place(formulaId), JSON.stringify({ revision, content }));
	} catch {
		// A full or switched-off storage must not stop the work.
	}
}

export function forgetDraft(formulaId: string): void {
	try {
		localStorage.removeItem(place(formulaId));
	} catch {
		// Nothing was kept then.
	}
}
