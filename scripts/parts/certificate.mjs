// The certificate that a bakery's network sees: made on the spot by an authority of this data folder alone, or brought along.
import { createPrivateKey, X509Certificate } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { generate } from 'selfsigned';
import { Plain } from './progress.mjs';

const DAY_MS = 86_400_000;
/** Browsers take no certificate that runs longer. */
const DAYS = 397;
/** One that ends within this is made anew. */
const RENEW_DAYS = 30;
/** A tablet that trusts the authority trusts each certificate it makes later. */
const AUTHORITY_DAYS = 3650;

/**
 * @typedef {{ key: string, cert: string, authority: string | null, fingerprint: string }} Certificate `authority`: what a
 *   tablet keeps to trust this bakery, null where the certificate was brought along; `fingerprint`: of the authority, or of
 *   the certificate itself
 */

/**
 * The certificate for some names and addresses, made where there is none for them, or where it ends soon.
 * @param {string} folder
 * @param {readonly string[]} names
 * @param {Date} now
 * @returns {Promise<Certificate>}
 */
export async function certificateFor(folder, names, now) {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const authority = await kept(folder, 'authority', isGood(now, []), () =>
		generate([{ name: 'commonName', value: 'Jovet of this bakery' }], {
			...usual(now, AUTHORITY_DAYS),
			extensions: [
				{ name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
				{ name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true }
			]
		})
	);
	const issued = (/** @type {X509Certificate} */ one) =>
		isGood(now, names)(one) && one.checkIssued(new X509Certificate(authority.cert));
	const own = await kept(folder, 'server', issued, () =>
		generate([{ name: 'commonName', value: names[0] ?? 'jovet' }], {
			...usual(now, DAYS),
			ca: authority,
			extensions: [
				{ name: 'basicConstraints', cA: false, critical: true },
				{ name: 'keyUsage', digitalSignature: true, critical: true },
				{ name: 'extKeyUsage', serverAuth: true },
				{
					name: 'subjectAltName',
					altNames: names.map((name) =>
						net.isIP(name) ? { type: 7, ip: name } : { type: 2, value: name }
					)
				}
			]
		})
	);
	return {
		key: own.key,
		cert: `${own.cert.trim()}\n${authority.cert}`,
		authority: authority.cert,
		fingerprint: new X509Certificate(authority.cert).fingerprint256
	};
}

/** @param {Date} now @param {number} days */
function usual(now, days) {
	return {
		keyType: /** @type {const} */ ('ec'),
		curve: /** @type {const} */ ('P-256'),
		algorithm: 'sha256',
		// A tablet's clock may be a little behind.
		notBeforeDate: new Date(now.getTime() - DAY_MS),
		notAfterDate: new Date(now.getTime() + days * DAY_MS)
	};
}

/**
 * Whether a certificate is for all of these names, and not about to end.
 * @param {Date} now @param {readonly string[]} names
 */
function isGood(now, names) {
	return (/** @type {X509Certificate} */ one) =>
		new Date(one.validTo).getTime() > now.getTime() + RENEW_DAYS * DAY_MS &&
		names.every((name) => covers(one, name));
}

/** @param {X509Certificate} one @param {string} name */
function covers(one, name) {
	return (net.isIP(name) ? one.checkIP(name) : one.checkHost(name)) !== undefined;
}

/**
 * What lies in the folder under a name where it is good, otherwise one that is made and laid there. Its key is read by its
 * owner alone.
 * @param {string} folder
 * @param {string} name
 * @param {(one: X509Certificate) => boolean} good
 * @param {() => Promise<{ private: string, cert: string }>} make
 */
async function kept(folder, name, good, make) {
	const [keyFile, certFile] = [path.join(folder, `${name}.key`), path.join(folder, `${name}.pem`)];
	if (existsSync(keyFile) && existsSync(certFile)) {
		const there = { key: readFileSync(keyFile, 'utf8'), cert: readFileSync(certFile, 'utf8') };
		if (good(new X509Certificate(there.cert))) return there;
	}
	const made = await make();
	writeFileSync(keyFile, made.private, { mode: 0o600 });
	chmodSync(keyFile, 0o600);
	writeFileSync(certFile, made.cert, { mode: 0o644 });
	return { key: made.private, cert: made.cert };
}

/**
 * A certificate that was brought along, once it is seen to be one for these names.
 * @param {string} certFile
 * @param {string} keyFile
 * @param {readonly string[]} names
 * @param {Date} now
 * @returns {Certificate}
 */
export function ownCertificate(certFile, keyFile, names, now) {
	const cert = readOr(certFile);
	const key = readOr(keyFile);
	let one;
	let secret;
	try {
		one = new X509Certificate(cert);
	} catch {
		throw new Plain(`${certFile} holds no certificate (PEM, with the server's own first).`);
	}
	try {
		secret = createPrivateKey(key);
	} catch {
		throw new Plain(`${keyFile} holds no key without a password (PEM).`);
	}
	if (!one.checkPrivateKey(secret))
		throw new Plain(`The key in ${keyFile} is not that of the certificate in ${certFile}.`);
	if (new Date(one.validTo).getTime() <= now.getTime())
		throw new Plain(`The certificate in ${certFile} ended on ${one.validTo}.`);
	const missing = names.filter((name) => !covers(one, name));
	if (missing.length > 0)
		throw new Plain(`The certificate in ${certFile} is not for ${missing.join(', ')}.`);
	return { key, cert, authority: null, fingerprint: one.fingerprint256 };
}

/** @param {string} file */
function readOr(file) {
	try {
		return readFileSync(file, 'utf8');
	} catch (error) {
		throw new Plain(
			`${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`
		);
	}
}
