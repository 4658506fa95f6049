import { env } from '$env/dynamic/private';
import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { askingOf } from '$lib/server/auth/asking-of.ts';
import { signIn, signOut } from '$lib/server/auth/doors.ts';
import { setToken } from '$lib/server/auth/session-cookie.ts';
import { wayOn } from '$lib/server/auth/way-on.ts';
import { database } from '$lib/server/db/connection.ts';
import { demoPeople } from '$lib/server/demo/demo-people.ts';
import { loadBakery } from '$lib/server/db/bakery.ts';
import { readForm, typed } from '$lib/server/door-form.ts';
import { forPage } from '$lib/server/page.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	forPage(locals, async () => {
		const to = wayOn(url.searchParams.get('to'));
		const [{ actor }, bakery] = await Promise.all([locals.visitor(), loadBakery(database())]);
		if (actor) redirect(303, to);
		if (!bakery) redirect(303, '/begin');
		return { to, demo: env.JOVET_DEMO === 'saltmarrow' ? demoPeople() : null };
	});

export const actions = storedActions({
	default: async (event) => {
		const form = await readForm(
			event.request,
			z.object({ name: typed, password: typed, to: typed.default('/') })
		);
		const before = await event.locals.visitor();
		const asking = askingOf(event);
		const token = await signIn(database(), form, asking);
		if (!token.ok)
			return fail(token.error.kind === 'wait' ? 429 : 400, {
				problem: token.error,
				name: form.name
			});
		// One browser is one person's at a time.
		if (before.session) await signOut(database(), before.session, asking.nowMs);
		setToken(event, token.value);
		redirect(303, wayOn(form.to));
	}
} satisfies Actions);
