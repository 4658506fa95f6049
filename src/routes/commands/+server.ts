import { json } from '@sveltejs/kit';
import { commandSchema, type CommandOutcome, type Refusal } from '$lib/contracts/commands.ts';
import { currentActor } from '$lib/server/auth/actor.ts';
import { isUnavailable } from '$lib/server/db/client.ts';
import { database } from '$lib/server/db/connection.ts';
import { carryOut } from '$lib/server/services/commands/door.ts';
import type { RequestHandler } from './$types';

/** A command is small, except an accepted plan with its placement. */
const MOST_BYTES = 400_000;

/** The one door for writing. */
export const POST: RequestHandler = async ({ request, url }) => {
	const origin = request.headers.get('origin');
	if (origin !== null && origin !== url.origin) return json(null, { status: 403 });
	const read = await readCommand(request);
	if (!read.ok) return refuse(read.refusal);
	try {
		const actor = await currentActor(database());
		if (!actor) return refuse({ kind: 'no-bakery' });
		const outcome = await carryOut(database(), read.command, actor);
		return outcome.outcome === 'done' ? json(outcome) : refuse(outcome.refusal);
	} catch (error) {
		if (isUnavailable(error)) return refuse({ kind: 'database-unavailable' });
		throw error;
	}
};

async function readCommand(request: Request) {
	const text = await request.text();
	const malformed = (where: string, what: string) =>
		({ ok: false, refusal: { kind: 'malformed', problems: [{ where, what }] } }) as const;
	if (text.length > MOST_BYTES) return malformed('body', 'too large');
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch {
		return malformed('body', 'not JSON');
	}
	const parsed = commandSchema.safeParse(body);
	if (parsed.success) return { ok: true, command: parsed.data } as const;
	return {
		ok: false,
		refusal: {
			kind: 'malformed',
			problems: parsed.error.issues.map((issue) => ({
				where: issue.path.join('.'),
				what: issue.message
			}))
		}
	} as const;
}

const STATUS: Record<Refusal['kind'], number> = {
	malformed: 400,
	'id-used-before': 409,
	unknown: 422,
	'changed-meanwhile': 409,
	'settings-changed-meanwhile': 409,
	'newer-revision': 409,
	'not-mixed-yet': 409,
	'before-the-mix': 422,
	'dough-has-no-clock': 422,
	'name-taken': 409,
	'formula-impossible': 422,
	'orders-there-already': 409,
	'nothing-to-copy': 422,
	'plan-out-of-date': 409,
	'plan-impossible': 422,
	'no-bakery': 503,
	'database-unavailable': 503
};

function refuse(refusal: Refusal): Response {
	const outcome: CommandOutcome = { outcome: 'refused', refusal };
	return json(outcome, { status: STATUS[refusal.kind] });
}
