import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { loadBakeryDay } from '$lib/server/services/day-production.ts';
import { readCultureLimits } from '$lib/server/services/read-culture-limits.ts';
import { readOrders } from '$lib/server/services/read-orders.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const loaded = loadBakeryDay(database(), date);
		const [orders, cultures] = await Promise.all([
			readOrders(database(), date, loaded),
			readCultureLimits(database(), date, Date.now(), loaded)
		]);
		return { ...orders, limits: [...orders.limits, ...cultures] };
	});
};
