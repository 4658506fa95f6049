import { json } from '@sveltejs/kit';
import type { CommandOutcome } from '$lib/contracts/commands.ts';
import type { Refusal } from '$lib/contracts/refusals.ts';
import { fail, type Result } from '$lib/core/result.ts';
import { currentActor } from '$lib/server/auth/actor.ts';
import { carryOut, readCommand, type ReadCommand } from '$lib/server/commands/door.ts';
import { REFUSAL_STATUS } from '$lib/server/commands/refusal-status.ts';
import { isUnavailable } from '$lib/server/db/client.ts';
import { database } from '$lib/server/db/connection.ts';
import type { RequestHandler } from './$types';

/** A command is small, except an accepted plan with its placement. */
const MOST_BYTES = 400_000;

/** The one door for writing. */
export const POST: RequestHandler = async ({ request, url }) => {
	const origin = request.headers.get('origin');
	if (origin !== null && origin !== url.origin) return json(null, { status: 403 });
	const read = await readBody(request);
	if (!read.ok) return refuse(read.error);
	try {
		const actor = await currentActor(database());
		if (!actor) return refuse({ kind: 'no-bakery' });
		const outcome = await carryOut(database(), read.value, actor);
		return outcome.outcome === 'done' ? json(outcome) : refuse(outcome.refusal);
	} catch (error) {
		if (isUnavailable(error)) return refuse({ kind: 'database-unavailable' });
		throw error;
	}
};

async function readBody(request: Request): Promise<Result<ReadCommand, Refusal>> {
	const text = await request.text();
	const malformed = (what: string) =>
		fail({ kind: 'malformed', problems: [{ where: 'body', what }] } as const);
	if (text.length > MOST_BYTES) return malformed('too large');
	try {
		return readCommand(JSON.parse(text));
	} catch (error) {
		if (error instanceof SyntaxError) return malformed('not JSON');
		throw error;
	}
}

function refuse(refusal: Refusal): Response {
	const outcome: CommandOutcome = { outcome: 'refused', refusal };
	return json(outcome, { status: REFUSAL_STATUS[refusal.kind] });
}
