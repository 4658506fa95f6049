// The doors before the processes of the application, which listen on loopback alone: one for the bakery's network, over HTTPS and
// for the names it was told, and one for the machine itself.
import http from 'node:http';
import https from 'node:https';
import { OWN, passOn } from './pass-on.mjs';
import { Plain } from './progress.mjs';

/**
 * @typedef {{
 *   port: number,
 *   certificate: import('./certificate.mjs').Certificate,
 *   secret: string,
 *   answering: import('./pass-on.mjs').Answering
 * }} FrontDoor `secret`: by which the application knows what came through here
 *
 * @typedef {{ port: number, stop: () => Promise<void> }} Open
 */

/**
 * Opens the door to the network; gives what shuts it.
 * @param {FrontDoor} door
 * @returns {Promise<Open>}
 */
export async function openFrontDoor({ port, certificate, secret, answering }) {
	const pass = passOn(answering);
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
			withoutOwn(request);
			request.headers[`${OWN}front`] = secret;
			request.headers[`${OWN}from`] = request.socket.remoteAddress ?? '';
			void pass(request, response);
		}
	);
	return open(server, { port }, 'The network cannot be served', '--network-port');
}

/**
 * Opens the door of the machine itself, where several processes stand behind it; gives what shuts it.
 * @param {{ port: number, answering: import('./pass-on.mjs').Answering }} door
 * @returns {Promise<Open>}
 */
export async function openOwnDoor({ port, answering }) {
	const pass = passOn(answering);
	const server = http.createServer((request, response) => {
		withoutOwn(request);
		void pass(request, response);
	});
	return open(server, { port, host: '127.0.0.1' }, 'Jovet cannot be served', '--port');
}

/** @param {import('node:http').IncomingMessage} request */
function withoutOwn(request) {
	for (const name of Object.keys(request.headers))
		if (name.startsWith(OWN)) delete request.headers[name];
}

/**
 * @param {http.Server | https.Server} server
 * @param {{ port: number, host?: string }} at
 * @param {string} trouble
 * @param {string} option by which another port is chosen
 * @returns {Promise<Open>}
 */
async function open(server, at, trouble, option) {
	await new Promise((resolve, reject) => {
		server.once('error', (error) =>
			reject(
				new Plain(`${trouble} at port ${at.port}: ${error.message}. Choose another with ${option}.`)
			)
		);
		server.listen(at, () => resolve(undefined));
	});
	const address = server.address();
	return {
		port: typeof address === 'object' && address ? address.port : at.port,
		stop: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
}
