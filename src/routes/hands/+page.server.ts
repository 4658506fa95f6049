import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { takeIntoHands } from '$lib/server/auth/tablets.ts';
import { wayOn } from '$lib/server/auth/way-on.ts';
import { database } from '$lib/server/db/connection.ts';
import { readForm, signedInFor, typed } from '$lib/server/door-form.ts';
import { forPage } from '$lib/server/page.ts';
import { readHands } from '$lib/server/services/read-doors.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	forPage(locals, async () => {
		const { session } = await locals.visitor();
		if (session?.kind !== 'tablet') redirect(303, '/you');
		return {
			to: wayOn(url.searchParams.get('to')),
			hands: await readHands(database(), session, Date.now())
		};
	});

export const actions = storedActions({
	default: async (event) => {
		const { session } = await signedInFor(event, 'signed-in');
		const form = await readForm(
			event.request,
			z.object({
				person: uuidSchema.or(z.literal('')),
				code: typed.optional(),
				to: typed.default('/')
			})
		);
		const wanted = form.person === '' ? null : { personId: form.person, code: form.code ?? null };
		const taken = await takeIntoHands(database(), session, wanted, Date.now());
		if (!taken.ok)
			return fail(taken.error.kind === 'wait' ? 429 : 400, {
				problem: taken.error,
				person: form.person
			});
		redirect(303, wayOn(form.to));
	}
} satisfies Actions);
