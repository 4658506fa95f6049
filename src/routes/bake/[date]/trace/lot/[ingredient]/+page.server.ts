import { error, redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage, idOfPage } from '$lib/server/page.ts';
import { readLotTrace } from '$lib/server/services/read-trace.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, url, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	const lot = (url.searchParams.get('lot') ?? '').replaceAll('\0', '');
	const next = { href: `/bake/${date}/trace`, label: 'Trace another' };
	// An address that names no lot asks for one.
	if (lot === '') redirect(303, next.href);
	const ingredientId = idOfPage(params.ingredient, 'ingredient', next);
	return forPage(locals, async () => {
		const view = await readLotTrace(database(), ingredientId, lot);
		if (!view) error(404, { message: `Nobody told of a lot "${lot}" of this ingredient.`, next });
		return { view, date };
	});
};
