import { readAnew, type ReadAnew } from '../../client/read-anew.ts';
import type { Command } from '../../contracts/commands.ts';
import type { SendResult } from '../../client/send-command.ts';
import { outcomeProblem } from '../../wording/outcome-text.ts';

/** What became of the last save of a part of this room. */
export class Saving {
	message = $state('');
	done = $state('');

	/** Takes the answer and has what it changed read anew; `said` is told when it was saved. */
	async take<K extends Command['kind']>(
		result: SendResult<K>,
		said: string,
		what: ReadAnew = 'jovet:moment'
	): Promise<boolean> {
		this.done = result.outcome === 'done' ? said : '';
		this.message = outcomeProblem(result);
		if (result.outcome === 'done') await readAnew(what);
		return result.outcome === 'done';
	}
}
