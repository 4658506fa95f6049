/** What can go a step back and forth. */
export interface History {
	readonly canUndo: boolean;
	readonly canRedo: boolean;
	undo: () => void;
	redo: () => void;
}

/**
 * Ctrl+Z takes back the last entry, Ctrl+Shift+Z or Ctrl+Y does it again, wherever the focus is. Only while a
 * field holds typing that it has not given on yet, the keys are the field's own. Gives the way out.
 */
export function followUndoKeys(history: () => History): () => void {
	const typing = new WeakSet<EventTarget>();
	const began = ({ target }: Event) => {
		if (target) typing.add(target);
	};
	const ended = ({ target }: Event) => {
		if (target) typing.delete(target);
	};
	const keys = (event: KeyboardEvent) => {
		if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
		const key = event.key.toLowerCase();
		if (key !== 'z' && key !== 'y') return;
		if (event.target && typing.has(event.target)) return;
		event.preventDefault();
		if (key === 'y' || event.shiftKey) history().redo();
		else history().undo();
	};
	window.addEventListener('input', began, true);
	window.addEventListener('change', ended, true);
	window.addEventListener('focusout', ended, true);
	window.addEventListener('keydown', keys);
	return () => {
		window.removeEventListener('input', began, true);
		window.removeEventListener('change', ended, true);
		window.removeEventListener('focusout', ended, true);
		window.removeEventListener('keydown', keys);
	};
}
