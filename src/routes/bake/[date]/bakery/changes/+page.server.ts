import { CHANGE_AREAS } from '$lib/contracts/change-views.ts';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadEntries } from '$lib/server/db/entries.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readChanges } from '$lib/server/services/read-changes.ts';
import { countEntries } from '$lib/server/services/read-entries.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	// What was typed into the address and is nothing asks for nothing.
	const by = uuidSchema.safeParse(url.searchParams.get('by'));
	const area = CHANGE_AREAS.find((one) => one === url.searchParams.get('of')) ?? null;
	const before = Number(url.searchParams.get('before') ?? NaN);
	const asked = {
		byId: by.success ? by.data : null,
		area,
		before: Number.isSafeInteger(before) && before > 0 ? before : null
	};
	return forPage(locals, async () => {
		const [changes, entries] = await Promise.all([
			readChanges(database(), asked),
			loadEntries(database(), date)
		]);
		return { date, asked, changes, counts: countEntries(entries) };
	});
};
