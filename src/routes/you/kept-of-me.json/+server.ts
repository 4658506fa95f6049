import { database } from '$lib/server/db/connection.ts';
import { signedInAtADesk } from '$lib/server/door-form.ts';
import { forPage } from '$lib/server/page.ts';
import { personAnswer } from '$lib/server/person-answer.ts';
import type { RequestHandler } from './$types';

/** All that is kept of who asks. */
export const GET: RequestHandler = (event) =>
	forPage(event.locals, async () => {
		const { actor } = await signedInAtADesk(event);
		return personAnswer(database(), actor.id, actor.id);
	});
