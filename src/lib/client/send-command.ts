import type { CommandContent, CommandKind, CommandOutcome } from '../contracts/commands.ts';
import { isPassing } from '../contracts/refusals.ts';
import { tellSignedOut } from './signed-out.ts';

/** The longest command that is sent though its page goes, in characters: what a hand taps is a tenth of it. */
const OUTLIVES_ITS_PAGE = 4000;

/** A command without what the sender adds. */
export type Draft<K extends CommandKind> = {
	readonly kind: K;
	readonly occurredAtMs: number;
	/** The name in it reads like another, and is meant so. */
	readonly nameMeant?: boolean;
} & CommandContent<K>;

export type SendResult<K extends CommandKind> =
	CommandOutcome<K> | { readonly outcome: 'not-reached' };

/**
 * Sends a command through the one door. A lost answer is asked for again with the same id, so that
 * nothing is done twice; when the server cannot be reached the caller keeps what was typed.
 */
export function sendCommand<K extends CommandKind>(
	draft: Draft<K>,
	id: string = crypto.randomUUID()
): Promise<SendResult<K>> {
	return postCommand<K>({ ...draft, id });
}

/** Sends what is a command already, such as one that waited. The server reads it as it reads any other. */
export async function postCommand<K extends CommandKind>(
	command: { readonly id: string },
	{
		byId = null,
		patienceMs
	}: {
		/** Who did it, where it waited since; null where that is who is signed in. */
		readonly byId?: string | null;
		/** How long an answer is waited for, where the caller can keep what it sends. */
		readonly patienceMs?: number;
	} = {}
): Promise<SendResult<K>> {
	const body = JSON.stringify(command);
	for (let attempt = 1; attempt <= 2; attempt += 1) {
		try {
			const answer = await fetch('/commands', {
				method: 'POST',
				headers: {
					'content-type': 'application/json',
					...(byId === null ? {} : { 'jovet-by': byId })
				},
				body,
				// Goes on when its page goes. A browser lets only so much go on for all pages together: what is refused for
				// that is asked once more without.
				keepalive: attempt === 1 && body.length <= OUTLIVES_ITS_PAGE,
				...(patienceMs === undefined ? {} : { signal: AbortSignal.timeout(patienceMs) })
			});
			if (answer.headers.get('content-type')?.includes('application/json')) {
				// The server's own contract; both ends are built together.
				const outcome = (await answer.json()) as CommandOutcome<K> | null;
				if (outcome && 'outcome' in outcome && !isInTheWay(outcome)) return outcome;
				if (answer.status === 401 && byId === null) {
					tellSignedOut();
					break;
				}
			}
		} catch (error) {
			// Not reached; asked once more, unless it was waited for long enough.
			if (error instanceof DOMException && error.name === 'TimeoutError') break;
		}
	}
	return { outcome: 'not-reached' };
}

/** A server that is busy, or without its database, answers, but what it was sent is nowhere. */
function isInTheWay(outcome: CommandOutcome<CommandKind>): boolean {
	return outcome.outcome === 'refused' && isPassing(outcome.refusal);
}
