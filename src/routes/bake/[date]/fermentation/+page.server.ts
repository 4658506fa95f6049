import { database } from '$lib/server/db/connection.ts';
import { dateOfPage, forPage } from '$lib/server/page.ts';
import { loadBakeryDay } from '$lib/server/services/day-production.ts';
import { readCultureNotices } from '$lib/server/services/read-culture-notices.ts';
import { readRipening } from '$lib/server/services/read-ripening.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ params, depends, locals }) => {
	depends('jovet:day', 'jovet:moment');
	const date = dateOfPage(params.date);
	return forPage(locals, async () => {
		const loaded = loadBakeryDay(database(), date);
		const [ripening, cultures] = await Promise.all([
			readRipening(database(), date, Date.now(), loaded),
			loaded.then((day) => readCultureNotices(database(), Date.now(), [day]))
		]);
		return { ripening, cultures };
	});
};
