// The door to the bakery's network: HTTPS for the names it was told, before the application that listens on loopback alone.
import https from 'node:https';
import { createProxyServer } from 'httpxy';
import { Plain } from './progress.mjs';

/** Only the front door says these: what a browser sends under such a name is thrown away. */
const OWN = 'x-jovet-';

/**
 * @typedef {{
 *   port: number,
 *   certificate: import('./certificate.mjs').Certificate,
 *   secret: string,
 *   target: () => string
 * }} FrontDoor `secret`: by which the application knows what came through here; `target`: where it answers now
 */

/**
 * Opens the door; gives what shuts it.
 * @param {FrontDoor} door
 * @returns {Promise<{ port: number, stop: () => Promise<void> }>}
 */
export async function openFrontDoor({ port, certificate, secret, target }) {
	const proxy = createProxyServer({ xfwd: false });
	proxy.on('error', (_, __, response) => {
		if (!response || !('writeHead' in response)) return;
		if (response.headersSent) return void response.destroy();
		response.writeHead(503, {
			'content-type': 'text/plain; charset=utf-8',
			'cache-control': 'no-store',
			'retry-after': '2'
		});
		response.end('Jovet does not answer at the moment. It is started again by itself.\n');
	});
	const server = https.createServer(
		{ key: certificate.key, cert: certificate.cert, minVersion: 'TLSv1.2' },
		(request, response) => {
			if (request.url === '/certificate.crt' && certificate.authority !== null) {
				response.writeHead(200, {
					'content-type': 'application/x-x509-ca-cert',
					'content-disposition': 'attachment; filename="jovet.crt"',
					'cache-control': 'no-store',
					'x-content-type-options': 'nosniff'
				});
				return void response.end(certificate.authority);
			}
			for (const name of Object.keys(request.headers))
				if (name.startsWith(OWN)) delete request.headers[name];
			request.headers[`${OWN}front`] = secret;
			request.headers[`${OWN}from`] = request.socket.remoteAddress ?? '';
			void proxy.web(request, response, { target: target() }).catch(() => undefined);
		}
	);
	await new Promise((resolve, reject) => {
		server.once('error', (error) =>
			reject(
				new Plain(
					`The network cannot be served at port ${port}: ${error.message}. Choose another with --network-port.`
				)
			)
		);
		server.listen(port, () => resolve(undefined));
	});
	const address = server.address();
	return {
		port: typeof address === 'object' && address ? address.port : port,
		stop: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
}
