import type {
	AnswerOf,
	Command,
	CommandContent,
	CommandKind
} from '../server/commands/registry.ts';
import type { Refusal } from './refusals.ts';

/**
 * The commands as their modules tell them: a command is added there, and every border follows. Only their types
 * come this way; nothing of the server does.
 */
export type { AnswerOf, Command, CommandContent, CommandKind };

/** A command of one kind, as a client writes it. */
export type CommandOf<K extends CommandKind> = Command<K>;

export type CommandOutcome<K extends CommandKind = CommandKind> =
	| { readonly outcome: 'done'; readonly answer: AnswerOf<K> }
	| { readonly outcome: 'refused'; readonly refusal: Refusal };
