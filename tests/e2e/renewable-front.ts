import assert from 'node:assert/strict';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { createProxyServer } from 'httpxy';

/** The built application behind a door that can serve it as if it had been built anew. */
export interface RenewableFront {
	readonly origin: string;
	/** From now on the service worker is that of a newer version. */
	readonly renew: () => void;
	readonly close: () => Promise<void>;
}

/** Opens a door before the application that is served at `origin`. */
export async function renewableFront(origin: string): Promise<RenewableFront> {
	let isNewer = false;
	const proxy = createProxyServer({ target: origin, changeOrigin: true });
	const server = http.createServer((request, response) => {
		if (request.headers.origin) request.headers.origin = origin;
		if (request.url !== '/service-worker.js')
			return void proxy.web(request, response).catch(() => response.destroy());
		void (async () => {
			const code = await (await fetch(`${origin}/service-worker.js`)).text();
			// SvelteKit's version is the moment it was built at.
			const version = /[`"'](\d{13})[`"']/.exec(code)?.[1];
			assert.ok(version, 'the service worker has a version');
			response.writeHead(200, { 'content-type': 'text/javascript' });
			response.end(isNewer ? code.replaceAll(version, String(Number(version) + 1)) : code);
		})();
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return {
		origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
		renew: () => {
			isNewer = true;
		},
		close: () =>
			new Promise((resolve) => {
				server.closeAllConnections();
				server.close(() => resolve());
			})
	};
}
