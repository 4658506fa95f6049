import { json } from '@sveltejs/kit';
import type { CommandOutcome } from '$lib/contracts/commands.ts';
import type { Refusal } from '$lib/contracts/refusals.ts';
import { fail, type Result } from '$lib/core/result.ts';
import { TooMuchWork } from '$lib/core/work.ts';
import type { Actor } from '$lib/server/auth/actor.ts';
import { welcomeFounder } from '$lib/server/auth/first-key.ts';
import { actorOfLetter } from '$lib/server/auth/visitor.ts';
import { setToken } from '$lib/server/auth/session-cookie.ts';
import { askingOf } from '$lib/server/auth/asking-of.ts';
import { loadBakery } from '$lib/server/db/bakery.ts';
import { carryOut, readCommand, type ReadCommand } from '$lib/server/commands/door.ts';
import { inLane } from '$lib/server/commands/lanes.ts';
import { REFUSAL_STATUS } from '$lib/server/commands/refusal-status.ts';
import { isOverloaded, isUnavailable, storageTrouble } from '$lib/server/db/client.ts';
import { database } from '$lib/server/db/connection.ts';
import { cameByFront } from '$lib/server/edge/front.ts';
import { Busy } from '$lib/server/edge/gate.ts';
import { readBody } from '$lib/server/edge/read-body.ts';
import type { RequestEvent, RequestHandler } from './$types';

/** A command is small, except an accepted plan with its placement, and a whole book that is brought in. */
const MOST_BYTES = 400_000;
const MOST_BYTES_OF_A_BOOK = 8_000_000;

/** The one door for writing. */
export const POST: RequestHandler = async (event) => {
	const { request } = event;
	try {
		const signedIn = await actorOf(event);
		// What nobody may send is not read either; before there is a bakery, one may be begun.
		if (!signedIn && (await loadBakery(database()))) return refuse({ kind: 'signed-out' });
		const read = await commandOf(request);
		if (!read.ok) return refuse(read.error);
		// A bakery is begun at the machine itself, not by whoever is first on the network.
		const actor = signedIn ?? (cameByFront(event) ? null : founderOf(read.value.content));
		if (!actor) return refuse({ kind: 'no-bakery' });
		const outcome = await inLane(read.value.module.lane, () =>
			carryOut(database(), read.value, actor, Date.now())
		);
		if (outcome.outcome === 'done' && actor.role === 'founder')
			setToken(event, await welcomeFounder(database(), actor.id, askingOf(event)));
		return outcome.outcome === 'done' ? answer(outcome, 200) : refuse(outcome.refusal);
	} catch (error) {
		if (isUnavailable(error)) return refuse({ kind: 'database-unavailable' });
		const trouble = storageTrouble(error);
		if (trouble) return refuse({ kind: 'storage', is: trouble });
		if (error instanceof Busy || isOverloaded(error)) return refuse({ kind: 'busy' });
		if (error instanceof TooMuchWork) return refuse({ kind: 'too-much' });
		throw error;
	}
};

/** Who gives it: who is signed in, or whose entry it is that waited in this browser. */
async function actorOf({ request, locals }: RequestEvent): Promise<Actor | null> {
	const visitor = await locals.visitor();
	const by = request.headers.get('jovet-by');
	return by === null ? visitor.actor : actorOfLetter(database(), visitor, by, Date.now());
}

/** Where there is nobody yet, whoever begins the bakery acts as the person it is begun with. */
function founderOf(content: object): Actor | null {
	return 'personId' in content && typeof content.personId === 'string'
		? { id: content.personId, name: '', role: 'founder' }
		: null;
}

async function commandOf(request: Request): Promise<Result<ReadCommand, Refusal>> {
	const body = await readBody(request, MOST_BYTES_OF_A_BOOK);
	const malformed = (what: string) =>
		fail({ kind: 'malformed', problems: [{ where: 'body', what }] } as const);
	const tooLarge = (mostBytes: number) => fail({ kind: 'too-large', mostBytes } as const);
	if (body.kind === 'too-large') return tooLarge(MOST_BYTES_OF_A_BOOK);
	if (body.text.length > MOST_BYTES && !isOfABook(body.text)) return tooLarge(MOST_BYTES);
	try {
		return readCommand(JSON.parse(body.text));
	} catch (error) {
		if (error instanceof SyntaxError) return malformed('not JSON');
		throw error;
	}
}

/** Its kind stands first in a command of ours; anything else that is so large is refused unread. */
function isOfABook(text: string): boolean {
	return text.slice(0, 200).includes('"kind":"bring-in"');
}

function refuse(refusal: Refusal): Response {
	return answer({ outcome: 'refused', refusal }, REFUSAL_STATUS[refusal.kind]);
}

function answer(outcome: CommandOutcome, status: number): Response {
	return json(outcome, {
		status,
		headers: { 'cache-control': 'no-store', ...(status === 503 ? { 'retry-after': '1' } : {}) }
	});
}
