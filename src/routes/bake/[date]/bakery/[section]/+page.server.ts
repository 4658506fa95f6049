import { error } from '@sveltejs/kit';
import { ENTRY_KINDS } from '$lib/core/bakery/index.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readBakeryRoom } from '$lib/server/services/read-bakery-room.ts';
import { readEntries } from '$lib/server/services/read-entries.ts';
import { ENTRY_PATHS } from '$lib/contracts/entry-paths.ts';
import type { PageServerLoad } from './$types';

/** One page of the bakery: the entries of a kind, its water, or its devices. */
export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day');
	const date = dateOfPage(params.date);
	const { section } = params;
	const kind = ENTRY_KINDS.find((each) => ENTRY_PATHS[each] === section);
	if (kind)
		return forPage(locals, async () => ({
			section,
			entries: await readEntries(database(), date, kind),
			room: null
		}));
	if (section !== 'water' && section !== 'devices')
		error(404, {
			message: `The bakery has no page called "${section}".`,
			next: { href: `/bake/${date}/bakery`, label: 'Go to the bakery' }
		});
	depends('jovet:moment');
	return forPage(locals, async () => ({
		section,
		entries: null,
		room: await readBakeryRoom(database(), date)
	}));
};
