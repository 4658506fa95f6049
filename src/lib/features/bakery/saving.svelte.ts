import { readAnew, type ReadAnew } from '../../client/read-anew.ts';
import type { Retries } from '../../client/retries.ts';
import type { Draft } from '../../client/send-command.ts';
import { Sending } from '../../client/sending.svelte.ts';
import type { CommandKind } from '../../contracts/commands.ts';

interface Saved {
	/** What is told when it was saved. */
	readonly said: string;
	readonly readAnew?: ReadAnew;
	readonly then?: () => void;
}

/** What became of the last save of a part of this room. */
export class Saving {
	readonly #sending: Sending;
	done = $state('');

	constructor(retries: Retries) {
		this.#sending = new Sending(retries);
	}

	get message(): string {
		return this.#sending.message;
	}

	/** What is typed cannot be saved so. */
	refuse(message: string): void {
		this.done = '';
		this.#sending.giveUp();
		this.#sending.message = message;
	}

	/** Sends it and has what it changed read anew. */
	async save<K extends CommandKind>(draft: Draft<K>, saved: Saved): Promise<void> {
		this.done = '';
		await this.#sending.send(draft, async ({ outcome }) => {
			if (outcome !== 'done') return;
			this.done = saved.said;
			saved.then?.();
			await readAnew(saved.readAnew ?? 'jovet:moment');
		});
	}
}
