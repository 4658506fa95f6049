/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
/**
 * Keeps the application and the pages of a night in a browser that asked for it (`client/keep-night`): what the server does not
 * answer is answered from there, and says since when it was kept. Writing is none of its business: that is the outbox's.
 */
import {
	cleanupOutdatedCaches,
	createHandlerBoundToURL,
	precacheAndRoute
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { build, files, version } from '$service-worker';
import { isData, KEPT_AT, keptUnder, STORES } from '../lib/client/kept-data.ts';
import { keepingOf } from '../lib/client/keeping.ts';

const worker = self as unknown as ServiceWorkerGlobalScope;
const STORE = STORES + version;
/** A page that takes longer than this to answer is as good as away. */
const PATIENCE_MS = 8000;
/** What stands in front of an application that is away says so with these, and one without its database. */
const NOBODY_THERE = [502, 503, 504];

cleanupOutdatedCaches();
precacheAndRoute([
	...build.map((url) => ({ url, revision: null })),
	...files.map((url) => ({ url, revision: version })),
	// A page without anything in it: the application starts in it at whatever address was asked for.
	{ url: '/shell', revision: version }
]);

worker.addEventListener('activate', (event) => {
	// What an earlier version kept may look otherwise than this one reads it.
	event.waitUntil(
		(async () => {
			for (const name of await caches.keys())
				if (name.startsWith(STORES) && name !== STORE) await caches.delete(name);
			await worker.clients.claim();
		})()
	);
});
// A page that is ready for it says when a new version takes over.
worker.addEventListener('message', (event) => {
	if (event.data === 'take-over') void worker.skipWaiting();
});

const shell = createHandlerBoundToURL('/shell');
/** Files that are made by the server, and doors that only it can open. */
const NOT_PAGES = /\.\w+$|^\/(calendar|events|sign-in|pair|let-in|begin)\b/;
registerRoute(
	new NavigationRoute(async (options) => (await fromServer(options.request)) ?? shell(options), {
		denylist: [NOT_PAGES]
	})
);

registerRoute(
	({ url, sameOrigin }) => sameOrigin && isData(url),
	async ({ request, url, event }) => {
		const answer = await fromServer(request);
		const store = await caches.open(STORE);
		const key = keptUnder(url);
		if (answer) {
			if (answer.ok) event.waitUntil(keep(store, key, answer.clone()));
			return answer;
		}
		return (
			(await store.match(key)) ??
			Response.json(
				{
					message: 'Jovet does not answer, and this page is not kept in this browser.',
					next: { href: '/', label: 'Go to the bench' }
				},
				{ status: 503 }
			)
		);
	}
);

/** The server's answer; null where there is none within a while. */
async function fromServer(request: Request): Promise<Response | null> {
	try {
		const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
		return NOBODY_THERE.includes(answer.status) ? null : answer;
	} catch {
		return null;
	}
}

async function keep(store: Cache, key: string, answer: Response): Promise<void> {
	const before = await store.match(key);
	const keeping = keepingOf(await answer.text(), before ? await before.text() : null);
	if (keeping.do === 'forget-all') await caches.delete(STORE);
	if (keeping.do !== 'keep') return;
	const headers = { 'content-type': 'application/json', [KEPT_AT]: String(Date.now()) };
	await store.put(key, new Response(keeping.text, { headers }));
}
