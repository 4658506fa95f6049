import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { askingOf } from '$lib/server/auth/asking-of.ts';
import { choosePassword } from '$lib/server/auth/doors.ts';
import { fingerprint } from '$lib/server/auth/secrets.ts';
import { setToken } from '$lib/server/auth/session-cookie.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadBakery } from '$lib/server/db/bakery.ts';
import { findKeyOwner } from '$lib/server/db/doors.ts';
import { loadEntries } from '$lib/server/db/entries.ts';
import { readForm, typed } from '$lib/server/door-form.ts';
import { forPage } from '$lib/server/page.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad } from './$types';

/** Who the key is of; '' where it opens nothing any more. */
async function ownerOf(key: string): Promise<string> {
	const personId = await findKeyOwner(database(), fingerprint(key), Date.now());
	if (personId === null) return '';
	const people = (await loadEntries(database(), 'newest', ['person'])).of('person');
	return people.find(({ id }) => id === personId)?.name ?? '';
}

export const load: PageServerLoad = ({ params, locals }) =>
	forPage(locals, async () => ({ owner: await ownerOf(params.key) }));

export const actions = storedActions({
	default: async (event) => {
		const { wanted } = await readForm(event.request, z.object({ wanted: typed }));
		const [owner, bakery] = await Promise.all([ownerOf(event.params.key), loadBakery(database())]);
		const token = await choosePassword(
			database(),
			{ key: event.params.key, wanted, known: [owner, bakery?.name ?? ''] },
			askingOf(event)
		);
		if (!token.ok) return fail(400, { problem: token.error });
		setToken(event, token.value);
		redirect(303, '/you');
	}
} satisfies Actions);
