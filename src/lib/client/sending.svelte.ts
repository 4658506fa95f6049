import { onDestroy } from 'svelte';
import type { CommandKind, CommandOutcome } from '../contracts/commands.ts';
import { outcomeProblem } from '../wording/outcome-text.ts';
import type { Retries } from './retries.ts';
import { sendCommand, type Draft } from './send-command.ts';

interface Asked {
	readonly content: string;
	readonly attempt: () => Promise<boolean>;
	readonly forget: () => void;
}

/**
 * What is sent from one place of the interface, and what became of it, read in one way everywhere. What does
 * not arrive is sent again by itself, under the same id, until it is answered or something else is asked.
 * Made while a component is set up; it ends with it.
 */
export class Sending {
	/** What went wrong, in words; empty while nothing did. */
	message = $state('');
	busy = $state(false);
	#asked: Asked | null = null;
	/** What was asked about because its name reads like another; sent once more, it is meant. */
	#doubted: string | null = null;
	/** Counts what was asked for or given up, so that a late answer knows whether it is still wanted. */
	#turn = 0;

	constructor(private readonly retries: Retries) {
		onDestroy(() => this.giveUp());
	}

	/** Sends a command; `answered` is told whenever its answer comes. */
	async send<K extends CommandKind>(
		draft: Draft<K>,
		answered: (result: CommandOutcome<K>) => unknown
	): Promise<void> {
		const content = JSON.stringify({ ...draft, occurredAtMs: 0 });
		// The same asked once more is the same command: it may have arrived after all.
		if (this.#asked?.content === content) {
			await this.#asked.attempt();
			return;
		}
		this.giveUp();
		const turn = this.#turn;
		const id = crypto.randomUUID();
		const meant = this.#doubted === content ? { ...draft, nameMeant: true } : draft;
		const attempt = async () => {
			this.busy = true;
			const result = await sendCommand(meant, id);
			this.busy = false;
			this.message = outcomeProblem(result);
			const alike = result.outcome === 'refused' && result.refusal.kind === 'name-alike';
			this.#doubted = alike ? content : null;
			if (result.outcome === 'not-reached') return false;
			this.#forget();
			await answered(result);
			return true;
		};
		if (await attempt()) return;
		if (turn === this.#turn) this.#asked = { content, attempt, forget: this.retries.add(attempt) };
		else this.message = '';
	}

	/** What waits to be sent is not asked for any more. */
	giveUp(): void {
		this.message = '';
		this.#turn += 1;
		this.#forget();
	}

	#forget(): void {
		this.#asked?.forget();
		this.#asked = null;
	}
}
