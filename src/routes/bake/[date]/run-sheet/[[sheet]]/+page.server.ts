import { env } from '$env/dynamic/private';
import { error } from '@sveltejs/kit';
import { mayRole } from '$lib/contracts/rights.ts';
import { EVERYBODY, sheetAt } from '$lib/contracts/sheet-paths.ts';
import { calendarKey } from '$lib/server/auth/secrets.ts';
import { database } from '$lib/server/db/connection.ts';
import { originOf } from '$lib/server/edge/front.ts';
import { loadCalendarSecret } from '$lib/server/db/doors.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readRunSheet } from '$lib/server/services/read-run-sheet.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
	const { params, depends, locals } = event;
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const sheet = sheetAt(params.sheet);
	if (sheet === null)
		error(404, {
			message: `The run sheet has no page called "${params.sheet}".`,
			next: { href: `/bake/${date}/run-sheet`, label: 'Go to the run sheet' }
		});
	return forPage(locals, async () => {
		const [view, { actor }, secret] = await Promise.all([
			readRunSheet(database(), date, Date.now()),
			locals.visitor(),
			loadCalendarSecret(database())
		]);
		// Who may not see the days to come is handed no address of them.
		const whose =
			actor && mayRole(actor.role, 'see-the-day')
				? [EVERYBODY, ...(view.accepted?.document.input.people ?? []).map(({ id }) => id)]
				: [];
		return {
			sheet,
			view,
			origin: env.JOVET_SERVED_AT || originOf(event),
			calendarKeys: Object.fromEntries(whose.map((who) => [who, calendarKey(secret, who)]))
		};
	});
};
