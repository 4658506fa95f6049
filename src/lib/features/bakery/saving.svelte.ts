import { invalidate } from '$app/navigation';
import type { Command } from '../../contracts/commands.ts';
import type { SendResult } from '../../client/send-command.ts';
import { refusalText } from '../../wording/refusal-text.ts';

/** What became of the last save of a part of this room. */
export class Saving {
	message = $state('');
	done = $state('');

	/** Takes the answer; `said` is told when it was saved. */
	async take<K extends Command['kind']>(result: SendResult<K>, said: string): Promise<boolean> {
		this.done = result.outcome === 'done' ? said : '';
		this.message =
			result.outcome === 'refused'
				? refusalText(result.refusal)
				: result.outcome === 'not-reached'
					? 'Not saved: Jovet does not answer. What you typed stays here; try again in a moment.'
					: '';
		if (result.outcome === 'done') await invalidate('jovet:moment');
		return result.outcome === 'done';
	}
}
