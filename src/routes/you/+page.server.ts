import { fail, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import type { DoorProblem } from '$lib/contracts/door-views.ts';
import { changeCode, changePassword, endSession, signOut } from '$lib/server/auth/doors.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadBakery } from '$lib/server/db/bakery.ts';
import { loadSessions } from '$lib/server/db/doors.ts';
import { readForm, signedInAtADesk, typed } from '$lib/server/door-form.ts';
import { forPage } from '$lib/server/page.ts';
import { readOwnDoor } from '$lib/server/services/read-doors.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	forPage(locals, async () => {
		const { actor, session } = await locals.visitor();
		if (!actor) redirect(303, '/sign-in');
		// A tablet goes from hand to hand: what is one's own is changed at a desk, by the password.
		if (session?.kind !== 'desk') redirect(303, session?.kind === 'tablet' ? '/hands' : '/');
		return { own: await readOwnDoor(database(), { session, actor }, Date.now()) };
	});

type Form = 'password' | 'code';
const told = (at: Form, problem: DoorProblem) =>
	fail(problem.kind === 'wait' ? 429 : 400, { at, problem, done: null });

export const actions = storedActions({
	password: async (event) => {
		const who = await signedInAtADesk(event);
		const form = await readForm(event.request, z.object({ old: typed.default(''), wanted: typed }));
		const bakery = await loadBakery(database());
		const changed = await changePassword(
			database(),
			who,
			{ ...form, known: [bakery?.name ?? ''] },
			Date.now()
		);
		return changed.ok
			? { at: 'password' as Form, problem: null, done: 'password' }
			: told('password', changed.error);
	},
	code: async (event) => {
		const { actor } = await signedInAtADesk(event);
		const { code } = await readForm(event.request, z.object({ code: typed }));
		const changed = await changeCode(database(), actor, code);
		return changed.ok
			? { at: 'code' as Form, problem: null, done: 'code' }
			: told('code', changed.error);
	},
	end: async (event) => {
		const { actor } = await signedInAtADesk(event);
		const { session } = await readForm(event.request, z.object({ session: uuidSchema }));
		const own = await loadSessions(database(), Date.now(), actor.id);
		const found = own.find(({ id }) => id === session);
		if (found) await endSession(database(), found, actor, Date.now());
		return { at: null, problem: null, done: 'session' };
	},
	out: async (event) => {
		const { session } = await signedInAtADesk(event);
		await signOut(database(), session, Date.now());
		redirect(303, '/sign-in');
	}
} satisfies Actions);
