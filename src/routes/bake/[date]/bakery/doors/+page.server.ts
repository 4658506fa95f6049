import { env } from '$env/dynamic/private';
import { fail } from '@sveltejs/kit';
import { toDataURL } from 'qrcode';
import { z } from 'zod';
import { whoseAt } from '$lib/contracts/bench-paths.ts';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { line } from '$lib/contracts/text.ts';
import { endSession, makePasswordKey } from '$lib/server/auth/doors.ts';
import { makePairingCode } from '$lib/server/auth/tablets.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadSessions, renewCalendarSecret } from '$lib/server/db/doors.ts';
import { originOf } from '$lib/server/edge/front.ts';
import { loadEntries } from '$lib/server/db/entries.ts';
import { readForm, signedInFor } from '$lib/server/door-form.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readDoors } from '$lib/server/services/read-doors.ts';
import { countEntries } from '$lib/server/services/read-entries.ts';
import { storedActions } from '$lib/server/stored-actions.ts';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

/** What is handed out is opened elsewhere: at the network's address, where there is one. */
function servedAt(event: RequestEvent): string {
	return env.JOVET_SERVED_AT || originOf(event);
}

export const load: PageServerLoad = ({ params, locals }) => {
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const visitor = await locals.visitor();
		const [doors, entries] = await Promise.all([
			readDoors(database(), visitor, Date.now()),
			loadEntries(database(), date)
		]);
		return {
			fingerprint: env.JOVET_FINGERPRINT || null,
			date,
			doors,
			counts: countEntries(entries)
		};
	});
};

export const actions = storedActions({
	key: async (event) => {
		const { actor } = await signedInFor(event, 'keep-the-house');
		const { person } = await readForm(event.request, z.object({ person: uuidSchema }));
		const people = (await loadEntries(database(), 'newest', ['person'])).of('person');
		const found = people.find(({ id }) => id === person);
		if (!found) return fail(400, { made: null });
		const key = await makePasswordKey(database(), found.id, actor.id, Date.now());
		return {
			made: { kind: 'key' as const, name: found.name, address: `${servedAt(event)}/let-in/${key}` }
		};
	},
	pair: async (event) => {
		const { actor } = await signedInFor(event, 'keep-the-house');
		const form = await readForm(
			event.request,
			z.object({
				name: line(60, { least: 1 }),
				kind: z.enum(['tablet', 'wall']),
				opens: z
					.string()
					.max(60)
					.refine((at) => whoseAt(at === '' ? undefined : at) !== null)
			})
		);
		const code = await makePairingCode(
			database(),
			{ name: form.name, kind: form.kind, opensAt: form.opens },
			actor.id,
			Date.now()
		);
		const address = `${servedAt(event)}/pair/${code}`;
		return {
			made: {
				kind: 'code' as const,
				name: form.name,
				code,
				address,
				picture: await toDataURL(address, { margin: 2, width: 280 })
			}
		};
	},
	end: async (event) => {
		const { actor } = await signedInFor(event, 'keep-the-house');
		const { session } = await readForm(event.request, z.object({ session: uuidSchema }));
		const open = await loadSessions(database(), Date.now());
		const found = open.find(({ id }) => id === session);
		if (found) await endSession(database(), found, actor, Date.now());
		return { made: null };
	},
	calendars: async (event) => {
		await signedInFor(event, 'keep-the-house');
		await readForm(event.request, z.object({}));
		await database()
			.transaction()
			.execute((tx) => renewCalendarSecret(tx));
		return { made: { kind: 'calendars' as const } };
	}
} satisfies Actions);
