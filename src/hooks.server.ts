import { env } from '$env/dynamic/private';
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import { closeDatabase, database } from '$lib/server/db/connection.ts';
import { migrateToLatest } from '$lib/server/db/migrate.ts';
import { REAL_TIME } from '$lib/core/time/index.ts';
import { demoClock } from '$lib/server/demo/demo-clock.ts';
import { letProbesIn } from '$lib/server/demo/demo-probes.ts';
import { loadSaltmarrow } from '$lib/server/demo/load-saltmarrow.ts';
import { startLiveEvents, stopLiveEvents } from '$lib/server/events/live-events.ts';

export const init: ServerInit = async () => {
	const db = database();
	await migrateToLatest(db);
	if (env.JOVET_DEMO === 'saltmarrow') {
		const now = Date.now();
		await loadSaltmarrow(
			db,
			env.JOVET_DEMO_AT ? demoClock(env.JOVET_DEMO_AT, now) : REAL_TIME,
			now
		);
		if (env.JOVET_DEMO_DEVICE_KEY) await letProbesIn(db, env.JOVET_DEMO_DEVICE_KEY);
	}
	startLiveEvents();
	// An open event stream would hold up the end of the server.
	for (const signal of ['SIGTERM', 'SIGINT'] as const)
		process.once(signal, () => void stopLiveEvents());
	process.once('sveltekit:shutdown', () => {
		void stopLiveEvents();
		void closeDatabase();
	});
};

const APPEARANCES = ['paper', 'ember', 'system'] as const;

export const handle: Handle = async ({ event, resolve }) => {
	const wanted = event.cookies.get('appearance');
	event.locals.appearance = APPEARANCES.find((appearance) => appearance === wanted) ?? 'system';
	const response = await resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%jovet.appearance%', event.locals.appearance)
	});
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('cross-origin-opener-policy', 'same-origin');
	return response;
};

export const handleError: HandleServerError = ({ error, event, status }) => {
	if (status === 404)
		return {
			message: `There is no page at ${event.url.pathname}.`,
			next: { href: '/', label: 'Go to the next bake' }
		};
	console.error(error);
	return {
		message: 'Something went wrong inside Jovet. What was saved is safe; reload the page to go on.'
	};
};
