import { sendCommand, type Draft } from '../../../client/send-command.ts';
import { refusalText } from '../../../wording/refusal-text.ts';

type BookCommand = 'save-preparation' | 'save-product' | 'save-ingredient' | 'add-delivery';

/** Saves something of the book; gives what went wrong in words, or null when it is saved. */
export async function saveBook<K extends BookCommand>(draft: Draft<K>): Promise<string | null> {
	const result = await sendCommand(draft);
	if (result.outcome === 'done') return null;
	return result.outcome === 'refused'
		? refusalText(result.refusal)
		: 'Not saved: Jovet does not answer. Your changes stay here; try again in a moment.';
}
