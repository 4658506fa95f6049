import type { Draft } from './draft.ts';

/** A draft belongs to the revision it started from; kept in the browser until it is saved or undone. */
interface KeptDraft {
	readonly revision: number;
	readonly draft: Draft;
}

function place(formulaId: string): string {
	return `jovet.formula.unsaved.${formulaId}`;
}

export function readDraft(formulaId: string, revision: number): Draft | null {
	try {
		const kept = JSON.parse(localStorage.getItem(place(formulaId)) ?? 'null') as KeptDraft | null;
		return kept?.revision === revision && Array.isArray(kept.draft.formula.lines)
			? kept.draft
			: null;
	} catch {
		// Something else wrote there, or storage is switched off.
		return null;
	}
}

export function keepDraft(revision: number, draft: Draft): void {
	const kept: KeptDraft = { revision, draft };
	try {
		localStorage.setItem(place(draft.formula.id), JSON.stringify(kept));
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
