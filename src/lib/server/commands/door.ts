import { z } from 'zod';
import { MOST_AHEAD_MINUTES, MOST_LATE_DAYS } from '../../contracts/device-protocol.ts';
import type { CommandOutcome } from '../../contracts/commands.ts';
import type { Refusal, RefusalOf } from '../../contracts/refusals.ts';
import { mayRole, RIGHTS } from '../../contracts/rights.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Actor } from '../auth/actor.ts';
import { brokenRule, isConflict, type Db, type Tx } from '../db/client.ts';
import { bakeryNow } from '../services/bakery-now.ts';
import { findAnswer, insertCommand, lockCommand } from '../db/command-log.ts';
import { ENVELOPE, type CommandModule, type Envelope } from './define.ts';
import { COMMANDS } from './registry.ts';

/** A command whose content was read by its own module. */
export interface ReadCommand {
	readonly module: AnyModule;
	/** As it was sent: what a repeated command is compared with. */
	readonly request: object;
	readonly content: Envelope;
}

type AnyModule = CommandModule<string, z.ZodType, unknown, Refusal['kind']>;

/** Modules by their kind. Content and handler of one belong together: the door never mixes two. */
const MODULES = new Map<string, AnyModule>(
	COMMANDS.map((command) => [command.kind, command as unknown as AnyModule])
);

/** Reads a command from what a client sent; says what is wrong with it, and where. */
export function readCommand(body: unknown): Result<ReadCommand, Refusal> {
	const kind =
		typeof body === 'object' && body !== null ? (body as { kind?: unknown }).kind : undefined;
	const module = typeof kind === 'string' ? MODULES.get(kind) : undefined;
	if (!module)
		return fail({
			kind: 'malformed',
			problems: [{ where: 'kind', what: 'not a command that is known here' }]
		});
	const envelope = z.object(ENVELOPE).safeParse(body);
	const content = module.content.safeParse(body);
	const issues = [...(envelope.error?.issues ?? []), ...(content.error?.issues ?? [])];
	if (!envelope.success || !content.success)
		return fail({
			kind: 'malformed',
			problems: issues.map((issue) => ({ where: issue.path.join('.'), what: issue.message }))
		});
	const read = { ...(content.data as object), ...envelope.data };
	// What nobody said is no part of what a repeated command is compared with.
	const { nameMeant, ...said } = read;
	const request = { ...said, kind, ...(nameMeant ? { nameMeant } : {}) };
	return ok({ module, request, content: read });
}

/** Undoes the transaction of a command that was refused after it had begun to write. */
class Refused extends Error {
	constructor(readonly refusal: Refusal) {
		super('refused');
	}
}

/**
 * The one door for writing: each command runs once, in one transaction, and is kept with its actor, its
 * times and its answer. Repeating a command gives the answer it gave before; a refused one wrote nothing.
 * When it happened is held against the bakery's clock at the real moment given.
 */
export async function carryOut(
	db: Db,
	read: ReadCommand,
	actor: Actor,
	realNowMs: number
): Promise<CommandOutcome> {
	const { module } = read;
	if (!mayRole(actor.role, module.right))
		return { outcome: 'refused', refusal: { kind: 'not-permitted', roles: RIGHTS[module.right] } };
	for (let turn = 1; ; turn += 1) {
		try {
			return await once(db, read, actor, realNowMs);
		} catch (error) {
			if (!isConflict(error) || turn === MOST_TURNS) throw error;
		}
	}
}

/** A transaction that another stood in the way of is done again so often. */
const MOST_TURNS = 4;

async function once(
	db: Db,
	{ module, request, content }: ReadCommand,
	actor: Actor,
	realNowMs: number
): Promise<CommandOutcome> {
	try {
		const answer = await db.transaction().execute(async (tx) => {
			await lockCommand(tx, content.id);
			const before = await answeredBefore(tx, content.id, request);
			if (before) return before.answer;
			const clock = clockProblem(content.occurredAtMs, await bakeryNow(tx, realNowMs));
			if (clock) throw new Refused(clock);
			const result = await module.handle(tx, content, actor);
			if (!result.ok) throw new Refused(result.error);
			await insertCommand(tx, {
				id: content.id,
				kind: module.kind,
				actorId: actor.id,
				occurredAtMs: content.occurredAtMs,
				request,
				answer: result.value
			});
			return result.value;
		});
		// What the module's handler gave, now or before; both ends are built from its type.
		return { outcome: 'done', answer } as CommandOutcome;
	} catch (error) {
		if (error instanceof Refused) return { outcome: 'refused', refusal: error.refusal };
		const rule = brokenRule(error);
		if (rule === null) throw error;
		// The borders should have said it better; that the database had to is worth a line in the log.
		console.error(`${module.kind} broke a rule of the database: ${rule}`);
		return { outcome: 'refused', refusal: { kind: 'not-storable', rule } };
	}
}

/** How late something may be written down. */
const MOST_LATE_MS = MOST_LATE_DAYS * 24 * 3_600_000;

/** What a wrong clock says would hide or outlast what is right. */
function clockProblem(occurredAtMs: number, bakeryNowMs: number): RefusalOf<'clock-off'> | null {
	const late = bakeryNowMs - occurredAtMs;
	return late < -MOST_AHEAD_MINUTES * 60_000 || late > MOST_LATE_MS
		? { kind: 'clock-off', occurredAtMs, bakeryNowMs }
		: null;
}

async function answeredBefore(
	tx: Tx,
	id: string,
	request: object
): Promise<{ readonly answer: unknown } | null> {
	const found = await findAnswer(tx, id, request);
	if (found && !found.same) throw new Refused({ kind: 'id-used-before' });
	return found;
}
