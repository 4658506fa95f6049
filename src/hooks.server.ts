import { env } from '$env/dynamic/private';
import { json, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import type { BakeryView } from '$lib/contracts/views.ts';
import { REAL_TIME } from '$lib/core/time/index.ts';
import { announceKeyOfTheFirst } from '$lib/server/auth/first-key.ts';
import { judgeVisit, shutAnswer } from '$lib/server/auth/judge-visit.ts';
import { visitorOf, type Visitor } from '$lib/server/auth/visitor.ts';
import { tokenOf } from '$lib/server/auth/session-cookie.ts';
import { closeDatabase, database } from '$lib/server/db/connection.ts';
import { migrateToLatest, NewerData } from '$lib/server/db/migrate.ts';
import { demoClock } from '$lib/server/demo/demo-clock.ts';
import { letProbesIn } from '$lib/server/demo/demo-probes.ts';
import { loadSaltmarrow } from '$lib/server/demo/load-saltmarrow.ts';
import { planNextNight } from '$lib/server/demo/plan-next-night.ts';
import { compressed } from '$lib/server/edge/compress.ts';
import { drainAnsweredRequests } from '$lib/server/edge/drain.ts';
import { Busy, Gate } from '$lib/server/edge/gate.ts';
import { addHeaders } from '$lib/server/edge/headers.ts';
import { isFromElsewhere, isServed, servedNames } from '$lib/server/edge/hosts.ts';
import { allowWork } from '$lib/server/edge/work-of-request.ts';
import { startLiveEvents, stopLiveEvents } from '$lib/server/events/live-events.ts';
import { TOO_MUCH_FOR_A_PAGE } from '$lib/server/page.ts';
import { watchClock } from '$lib/server/machine-clock.ts';
import { readFrame } from '$lib/server/services/read-frame.ts';

export const init: ServerInit = async () => {
	const db = database();
	await migrateToLatest(db).catch((error: unknown) => {
		if (!(error instanceof NewerData)) throw error;
		// No fault of the program: said in a sentence, and it ends.
		console.error(error.message);
		process.exit(1);
	});
	if (env.JOVET_DEMO === 'saltmarrow') {
		const now = Date.now();
		const isNew = await loadSaltmarrow(
			db,
			env.JOVET_DEMO_AT
				? demoClock(env.JOVET_DEMO_AT, now, Number(env.JOVET_DEMO_SPEED || 1))
				: REAL_TIME,
			now
		);
		if (isNew && env.JOVET_DEMO_PLANNED) await planNextNight(db, now);
		if (env.JOVET_DEMO_DEVICE_KEY) await letProbesIn(db, env.JOVET_DEMO_DEVICE_KEY);
	}
	// Of several processes one tells it: each new key is the end of the one before.
	if (!env.JOVET_BESIDE) await announceKeyOfTheFirst(db, env.ORIGIN ?? '', Date.now());
	await watchClock(db);
	drainAnsweredRequests();
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

/** Pages are worked out two at a time: more would share one processor, and let commands between them wait long. */
const PAGES = new Gate({ atOnce: 2, waiting: 500, longestWaitMs: 60_000 });

export const handle: Handle = async ({ event, resolve }) => {
	const refused = refusalAtTheEdge(event.request);
	if (refused) return refused;
	const wanted = event.cookies.get('appearance');
	event.locals.appearance = APPEARANCES.find((appearance) => appearance === wanted) ?? 'system';
	// Once for the frame and the page in it: both stand, or neither does.
	let frame: Promise<BakeryView | null> | null = null;
	let visitor: Promise<Visitor> | null = null;
	event.locals.shut = null;
	event.locals.visitor = () =>
		(visitor ??= visitorOf(database(), tokenOf(event.cookies), Date.now()));
	event.locals.bakery = () =>
		(frame ??= event.locals.visitor().then((one) => readFrame(database(), one)));
	const answer = () =>
		allowWork(`${event.request.method} ${event.url.pathname}`, async (allowance) => {
			const elsewhere = await judgeVisit(event, database(), isPage);
			if (elsewhere) return elsewhere;
			const response = await resolve(event, {
				transformPageChunk: ({ html }) =>
					html.replace('%jovet.appearance%', event.locals.appearance)
			});
			// Whatever forgot to look at who asks: what may not be read does not go out.
			if (event.locals.shut && response.status < 300) return shutAnswer(event.locals.shut);
			// A page that was given up while it was drawn is no fault of the program.
			return allowance.isUsedUp && response.status === 500 ? tooMuchAnswer() : response;
		});
	const isPage = event.route.id !== null && !event.url.pathname.match(NO_PAGE);
	const response = await (isPage ? PAGES.run(answer) : answer()).catch(busyAnswer);
	addHeaders(response.headers);
	return compressed(event.request, response);
};

/** Doors of programs, and the stream that stays open. */
const NO_PAGE = /^\/(commands|events|health|devices)(\/|$)/;

function refusalAtTheEdge(request: Request): Response | null {
	const text = { 'content-type': 'text/plain; charset=utf-8', 'cache-control': 'no-store' };
	const names = servedNames(env.PORT, env.JOVET_NAMES);
	if (!isServed(request.headers.get('host'), names))
		return new Response(
			'Jovet is not served by this name. Open it by the address it was started with, or start it with JOVET_NAMES set to the names it is to serve.\n',
			{ status: 421, headers: text }
		);
	if (!isFromElsewhere(request.headers)) return null;
	return new URL(request.url).pathname === '/commands'
		? json({ outcome: 'refused', refusal: { kind: 'from-elsewhere' } }, { status: 403 })
		: new Response('A page of another site may not ask this of Jovet.\n', {
				status: 403,
				headers: text
			});
}

function tooMuchAnswer(): Response {
	return json({ message: TOO_MUCH_FOR_A_PAGE }, { status: 422 });
}

function busyAnswer(error: unknown): Response {
	if (!(error instanceof Busy)) throw error;
	return json(
		{
			message: 'There is much to do at the moment. Nothing you saved is lost; reload in a moment.'
		},
		{ status: 503, headers: { 'retry-after': '2' } }
	);
}

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status === 404)
		return {
			message: `There is no page at ${event.url.pathname}.`,
			next: { href: '/', label: 'Go to the next bake' }
		};
	// What was asked wrongly is no fault of the program, and no page of the log.
	if (status < 500) return { message };
	console.error(error);
	return {
		message: 'Something went wrong inside Jovet. What was saved is safe; reload the page to go on.'
	};
};
