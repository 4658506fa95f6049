import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { z } from 'zod';
import { mayRole, RIGHTS, rolesSpoken, type Right } from '../contracts/rights.ts';
import type { Actor } from './auth/actor.ts';
import type { OpenSession } from './db/doors.ts';
import { readBody } from './edge/read-body.ts';

/** No form at the doors is longer. */
const MOST_BYTES = 8000;

/** What is typed at a door; a secret is taken as it is, spaces and all. */
export const typed = z.string().max(400);

/** Reads a form of a few lines; what is none, or is too long, is told so. */
export async function readForm<S extends z.ZodType>(
	request: Request,
	schema: S
): Promise<z.output<S>> {
	const body = await readBody(request, MOST_BYTES);
	if (body.kind === 'too-large') error(413, { message: 'This form is longer than any here is.' });
	const read = schema.safeParse(Object.fromEntries(new URLSearchParams(body.text)));
	if (!read.success)
		error(400, {
			message: 'Something of this form did not arrive. Go back, reload the page and try again.'
		});
	return read.data;
}

/** Who is signed in, with a right; whoever is not is led to the door, or told whose it is. */
export async function signedInFor(
	{ locals }: RequestEvent,
	right: Right | 'signed-in'
): Promise<{ readonly actor: Actor; readonly session: OpenSession }> {
	const { actor, session } = await locals.visitor();
	if (!actor || !session) redirect(303, '/sign-in');
	if (right !== 'signed-in' && !mayRole(actor.role, right))
		error(403, { message: `This is for ${rolesSpoken(RIGHTS[right])} to do.` });
	return { actor, session };
}

/** Who is signed in at a desk; at a tablet nothing of one's own is changed, nor is it signed out by a slip of the hand. */
export async function signedInAtADesk(
	event: RequestEvent
): Promise<{ readonly actor: Actor; readonly session: OpenSession }> {
	const who = await signedInFor(event, 'signed-in');
	if (who.session.kind !== 'desk') redirect(303, '/');
	return who;
}
