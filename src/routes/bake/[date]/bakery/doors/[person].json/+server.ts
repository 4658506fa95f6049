import { error } from '@sveltejs/kit';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { database } from '$lib/server/db/connection.ts';
import { signedInFor } from '$lib/server/door-form.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { personAnswer } from '$lib/server/person-answer.ts';
import type { RequestHandler } from './$types';

/** All that is kept of somebody who works or worked here, to be handed to them. */
export const GET: RequestHandler = async (event) => {
	dateOfPage(event.params.date);
	const person = uuidSchema.safeParse(event.params.person);
	if (!person.success) error(404, { message: 'There is nobody like that here.' });
	return forPage(event.locals, async () => {
		const { actor } = await signedInFor(event, 'keep-the-house');
		return personAnswer(database(), person.data, actor.id);
	});
};
