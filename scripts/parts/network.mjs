// Serving the bakery's network: asked for by names or addresses, and never by default.
import { randomBytes } from 'node:crypto';
import net from 'node:net';
import path from 'node:path';
import { certificateFor, ownCertificate } from './certificate.mjs';
import { DATA } from './places.mjs';
import { Plain } from './progress.mjs';

const NAME =
	/^(?=.{1,253}$)[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?(?:\.[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?)*$/;

/**
 * @typedef {{
 *   port: number,
 *   names: readonly string[],
 *   certificate: import('./certificate.mjs').Certificate,
 *   secret: string,
 *   env: Record<string, string>
 * }} Network `env`: what the application has to know of it
 */

/**
 * Reads what was asked for; null where nothing was.
 * @param {{ network?: string | undefined, 'network-port'?: string | undefined, certificate?: string | undefined, key?: string | undefined }} asked
 * @returns {Promise<Network | null>}
 */
export async function readNetwork(asked) {
	if (asked.network === undefined) {
		const alone = /** @type {const} */ (['network-port', 'certificate', 'key']).find(
			(one) => asked[one] !== undefined
		);
		if (alone)
			throw new Plain(`--${alone} wants --network too: the names or addresses to be served.`);
		return null;
	}
	const names = asked.network.split(',').map((name) => name.trim().toLowerCase());
	const wrong = names.find((name) => !(net.isIPv4(name) || NAME.test(name)));
	if (wrong !== undefined)
		throw new Plain(
			`--network wants names or addresses with commas between, such as jovet.lan,192.168.1.20; "${wrong}" is neither.`
		);
	const port = Number(asked['network-port'] ?? 4321);
	if (!Number.isInteger(port) || port < 1 || port > 65_535)
		throw new Plain(
			`--network-port wants a number from 1 to 65535, not "${asked['network-port']}".`
		);
	if ((asked.certificate === undefined) !== (asked.key === undefined))
		throw new Plain('--certificate and --key want one another.');
	const now = new Date();
	const certificate =
		asked.certificate !== undefined && asked.key !== undefined
			? ownCertificate(asked.certificate, asked.key, names, now)
			: await certificateFor(path.join(DATA, 'certificate'), names, now);
	const secret = randomBytes(32).toString('base64url');
	const hosts = names.map((name) => (port === 443 ? name : `${name}:${port}`));
	return {
		port,
		names,
		certificate,
		secret,
		env: {
			JOVET_NAMES: [process.env.JOVET_NAMES ?? '', ...hosts].filter((one) => one !== '').join(','),
			JOVET_FRONT: secret,
			JOVET_SERVED_AT: `https://${hosts[0]}`,
			JOVET_FINGERPRINT: certificate.authority === null ? '' : certificate.fingerprint
		}
	};
}
