import { z } from 'zod';
import { epochMsSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import type { Refusal, RefusalOf } from '../../contracts/refusals.ts';
import type { Right } from '../../contracts/rights.ts';
import type { Result } from '../../core/result.ts';
import type { Actor } from '../auth/actor.ts';
import type { Tx } from '../db/client.ts';
import type { Lane } from './lanes.ts';

/** What every command carries beside its content. */
export const ENVELOPE = {
	/** Made by the client; repeating a command with the same id gives the same answer. */
	id: uuidSchema,
	/** The bakery's clock when it happened. */
	occurredAtMs: epochMsSchema,
	/** The name in it reads like another, and is meant so. */
	nameMeant: z.boolean().default(false)
};

export interface Envelope {
	readonly id: string;
	readonly occurredAtMs: number;
	readonly nameMeant: boolean;
}

/**
 * One command, whole: what it carries, the right that giving it asks for, why it can be refused, what it answers, and what it
 * does inside the transaction of the door. A refusal undoes all of it.
 */
export interface CommandModule<
	Kind extends string,
	Content extends z.ZodType,
	Answer,
	Refusals extends Refusal['kind']
> {
	readonly kind: Kind;
	/** With which others it queues. */
	readonly lane: Lane;
	readonly content: Content;
	/** What giving it asks for. */
	readonly right: Right;
	readonly refusals: readonly Refusals[];
	readonly handle: (
		tx: Tx,
		command: Envelope & z.output<Content>,
		actor: Actor
	) => Promise<Result<Answer, RefusalOf<Refusals>>>;
}

/** Defines a command; what it answers is what its handler gives. */
export function defineCommand<
	const Kind extends string,
	Content extends z.ZodType,
	Answer,
	const Refusals extends Refusal['kind'] = never
>(
	module: CommandModule<Kind, Content, Answer, Refusals>
): CommandModule<Kind, Content, Answer, Refusals> {
	return module;
}
