import { json } from '@sveltejs/kit';
import type { ScaleNowView } from '$lib/contracts/weighing-views.ts';
import { database } from '$lib/server/db/connection.ts';
import { loadScalesNow } from '$lib/server/db/scales.ts';
import { forPage } from '$lib/server/page.ts';
import type { RequestHandler } from './$types';

/** What the scales at the bench show at this moment; asked for a few times a second while something is weighed. */
export const GET: RequestHandler = async ({ locals }) => {
	const scales = await forPage(locals, () => loadScalesNow(database()));
	const nowMs = Date.now();
	const shown = scales.map(({ sensorId, name, shown: now, heardAtMs }): ScaleNowView => ({
		sensorId,
		name,
		shown: now,
		ageMs: heardAtMs === null ? null : Math.max(0, nowMs - heardAtMs)
	}));
	return json(shown, { headers: { 'cache-control': 'no-store' } });
};
