import { error } from '@sveltejs/kit';
import { uuidSchema } from '$lib/contracts/border-schemas.ts';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { readSour } from '$lib/server/services/read-sour.ts';
import type { PageServerLoad } from './$types';

/** A sour of a date, walked stage by stage. */
export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const id = uuidSchema.safeParse(params.preparation);
	if (!id.success)
		error(404, {
			message: 'There is no sour at this address.',
			next: { href: `/bake/${date}/fermentation/cultures`, label: 'Go to the cultures' }
		});
	return forPage(locals, async () => ({
		date,
		sour: await readSour(database(), date, id.data, Date.now())
	}));
};
