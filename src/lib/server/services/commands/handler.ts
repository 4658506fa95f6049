import type { Command, CommandAnswers, CommandOf, Refusal } from '../../../contracts/commands.ts';
import type { Result } from '../../../core/result.ts';
import type { Actor } from '../../auth/actor.ts';
import type { Tx } from '../../db/client.ts';

/** Carries out one kind of command inside the transaction of the door; a refusal undoes all of it. */
export type CommandHandler<K extends Command['kind']> = (
	tx: Tx,
	command: CommandOf<K>,
	actor: Actor
) => Promise<Result<CommandAnswers[K], Refusal>>;
