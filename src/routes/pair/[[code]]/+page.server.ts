import { env } from '$env/dynamic/private';
import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { askingOf } from '$lib/server/auth/asking-of.ts';
import { signOut } from '$lib/server/auth/doors.ts';
import { pairTablet } from '$lib/server/auth/tablets.ts';
import { setToken } from '$lib/server/auth/session-cookie.ts';
import { database } from '$lib/server/db/connection.ts';
import { cameByFront } from '$lib/server/edge/front.ts';
import { readForm, typed } from '$lib/server/door-form.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad } from './$types';

/** A code that was scanned stands there already; it is used only when somebody says so. */
export const load: PageServerLoad = (event) => ({
	code: event.params.code ?? '',
	isSecure: cameByFront(event) && Boolean(env.JOVET_FINGERPRINT)
});

export const actions = storedActions({
	default: async (event) => {
		const { code } = await readForm(event.request, z.object({ code: typed }));
		const before = await event.locals.visitor();
		const asking = askingOf(event);
		const token = await pairTablet(database(), code, asking);
		if (!token.ok) return fail(token.error.kind === 'wait' ? 429 : 400, { problem: token.error });
		if (before.session) await signOut(database(), before.session, asking.nowMs);
		setToken(event, token.value);
		redirect(303, '/');
	}
} satisfies Actions);
