import { redirect } from '@sveltejs/kit';
import { dateOfPage } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params }) => {
	redirect(303, `/bake/${dateOfPage(params.date)}/orders`);
};
