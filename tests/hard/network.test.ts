import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID, X509Certificate } from 'node:crypto';
import http from 'node:http';
import https from 'node:https';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import puppeteer from 'puppeteer-core';
import { startApplication } from '../../scripts/parts/application.mjs';
import { browserOptions } from '../../scripts/parts/browser.mjs';
import { certificateFor, ownCertificate } from '../../scripts/parts/certificate.mjs';
import { openFrontDoor } from '../../scripts/parts/front-door.mjs';
import { readNetwork } from '../../scripts/parts/network.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';
import { makePairingCode } from '../../src/lib/server/auth/tablets.ts';
import { testDatabase, TOMORROW, type TestDatabase } from '../integration/test-database.ts';

const SECRET = 'of this front door alone, never told';
const NAMES = ['localhost', '127.0.0.1'];

let home = '';
let database: TestDatabase;
let application: Awaited<ReturnType<typeof startApplication>>;
let door: Awaited<ReturnType<typeof openFrontDoor>>;
let authority = '';
before(async () => {
	home = mkdtempSync(path.join(os.tmpdir(), 'jovet-network-'));
	database = await testDatabase();
	const certificate = await certificateFor(path.join(home, 'certificate'), NAMES, new Date());
	authority = certificate.authority ?? '';
	const port = await freePort(0);
	application = await startApplication({
		port: await freePort(0),
		databaseUrl: database.url,
		env: {
			JOVET_NAMES: NAMES.map((name) => `${name}:${port}`).join(','),
			JOVET_FRONT: SECRET,
			JOVET_SERVED_AT: `https://localhost:${port}`,
			JOVET_FINGERPRINT: certificate.fingerprint
		},
		quiet: true
	});
	door = await openFrontDoor({
		port,
		certificate,
		secret: SECRET,
		answering: () => [application.origin]
	});
});
after(async () => {
	await door.stop();
	await application.stop();
	await database.drop();
	rmSync(home, { recursive: true, force: true });
});

interface Answer {
	readonly status: number;
	readonly headers: http.IncomingHttpHeaders;
	readonly text: string;
}

/** Asks through the front door, trusting this bakery's authority and nobody else. */
function ask(
	at: string,
	{
		method = 'GET',
		headers = {},
		body = '',
		by = `https://localhost:${door.port}`
	}: { method?: string; headers?: Record<string, string>; body?: string; by?: string } = {}
): Promise<Answer> {
	return new Promise((resolve, reject) => {
		const client = by.startsWith('https:') ? https : http;
		const request = client.request(
			`${by}${at}`,
			// The certificate is held against the name that was dialled, whatever host is asked for.
			{ method, headers, ca: authority, agent: false, servername: new URL(by).hostname },
			(response) => {
				let text = '';
				const told = () =>
					resolve({ status: response.statusCode ?? 0, headers: response.headers, text });
				if (response.headers['content-type']?.includes('event-stream')) {
					told();
					return void request.destroy();
				}
				response.on('data', (chunk: Buffer) => (text += chunk.toString()));
				response.on('end', told);
			}
		);
		request.on('error', reject);
		request.end(body);
	});
}

async function signIn(by?: string, headers: Record<string, string> = {}): Promise<Answer> {
	const { password } = demoPeople();
	return ask('/sign-in', {
		method: 'POST',
		headers: {
			accept: 'text/html',
			'content-type': 'application/x-www-form-urlencoded',
			...headers
		},
		body: `name=Ilo+Venn&password=${encodeURIComponent(password)}`,
		...(by === undefined ? {} : { by })
	});
}

test('over HTTPS people sign in, pages, commands and streams go through, and the cookie is held to it', async () => {
	const signed = await signIn();
	assert.equal(signed.status, 303, signed.text);
	const [cookie = ''] = signed.headers['set-cookie'] ?? [];
	assert.match(cookie, /^__Host-jovet-session=[\w-]{43};.*Secure; SameSite=Lax$/);
	const session = cookie.split(';')[0] ?? '';
	const page = await ask(`/bake/${TOMORROW}/orders`, { headers: { cookie: session } });
	assert.equal(page.status, 200);
	assert.match(page.text, /Harbour loaf/);
	const stream = await ask('/events', { headers: { cookie: session } });
	assert.equal(stream.status, 200);
	const origin = `https://localhost:${door.port}`;
	const sent = await ask('/commands', {
		method: 'POST',
		headers: { cookie: session, 'content-type': 'application/json', origin },
		body: '{"kind":"nothing-known"}'
	});
	assert.equal(sent.status, 400, 'the door reads it');
	const crossed = await ask('/commands', {
		method: 'POST',
		headers: {
			cookie: session,
			'content-type': 'application/json',
			origin: 'https://elsewhere.example'
		},
		body: '{}'
	});
	assert.equal(crossed.status, 403);
});

test('plain HTTP is no way in, a name that is not served neither, and what only the front door may say is not believed', async () => {
	await assert.rejects(ask('/sign-in', { by: `http://127.0.0.1:${door.port}` }));
	const other = await ask('/sign-in', { headers: { host: `elsewhere.example:${door.port}` } });
	assert.equal(other.status, 421);
	// Through loopback somebody says to come by the front door: without its secret that is nothing.
	for (const front of ['', 'guessed', SECRET.slice(1)]) {
		const signed = await signIn(application.origin, { 'x-jovet-front': front });
		assert.match(String(signed.headers['set-cookie']), /^jovet-session=/);
	}
	// Through the front door somebody says to come from elsewhere: the tries of this place are counted all the same.
	const statuses = [];
	for (let n = 0; n < 10; n += 1) {
		const tried = await ask('/sign-in', {
			method: 'POST',
			headers: {
				accept: 'text/html',
				'content-type': 'application/x-www-form-urlencoded',
				'x-jovet-from': `203.0.113.${n}`,
				'x-forwarded-for': `203.0.113.${n}`
			},
			body: 'name=Sela+Wick&password=guess'
		});
		statuses.push(tried.status);
	}
	assert.equal(statuses.at(-1), 429);
});

test('the certificate is this authority’s, for the names that were told, and is handed out to be kept', async () => {
	const handed = await ask('/certificate.crt');
	assert.equal(handed.status, 200);
	const one = new X509Certificate(handed.text);
	assert.ok(one.ca);
	assert.equal(handed.text, authority);
	await assert.rejects(
		ask('/sign-in', { by: `https://127.0.0.2:${door.port}` }),
		/altnames|ECONNREFUSED/
	);
});

test('it is made once, anew for other names and before it ends, always of the same authority; keys are read by their owner alone', async () => {
	const folder = path.join(home, 'renewed');
	const now = new Date('2026-11-28T12:00:00Z');
	const later = (days: number) => new Date(now.getTime() + days * 86_400_000);
	const first = await certificateFor(folder, ['jovet.lan', '192.168.1.20'], now);
	const leaf = (pem: string) => new X509Certificate(pem);
	assert.ok(leaf(first.cert).checkHost('jovet.lan'));
	assert.ok(leaf(first.cert).checkIP('192.168.1.20'));
	assert.equal(leaf(first.cert).checkHost('other.lan'), undefined);
	const again = await certificateFor(folder, ['jovet.lan', '192.168.1.20'], later(300));
	assert.equal(again.cert, first.cert);
	const other = await certificateFor(folder, ['jovet.lan', 'other.lan'], later(300));
	assert.notEqual(other.cert, first.cert);
	const renewed = await certificateFor(folder, ['jovet.lan', 'other.lan'], later(680));
	assert.notEqual(renewed.cert, other.cert);
	assert.deepEqual(
		[again, other, renewed].map(({ fingerprint }) => fingerprint),
		[first.fingerprint, first.fingerprint, first.fingerprint]
	);
	for (const name of ['authority.key', 'server.key'])
		assert.equal(statSync(path.join(folder, name)).mode & 0o077, 0, name);
});

test('a certificate that was brought along is looked at before it is served', async () => {
	const folder = path.join(home, 'own');
	const now = new Date();
	await certificateFor(folder, ['jovet.lan'], now);
	const at = (name: string) => path.join(folder, name);
	const own = (cert: string, key: string, names = ['jovet.lan'], when = now) =>
		ownCertificate(at(cert), at(key), names, when);
	assert.equal(own('server.pem', 'server.key').authority, null);
	writeFileSync(at('text.pem'), 'no certificate');
	assert.throws(() => own('text.pem', 'server.key'), /holds no certificate/);
	assert.throws(() => own('server.pem', 'text.pem'), /holds no key/);
	assert.throws(() => own('server.pem', 'authority.key'), /is not that of the certificate/);
	assert.throws(() => own('server.pem', 'server.key', ['other.lan']), /is not for other\.lan/);
	assert.throws(
		() => own('server.pem', 'server.key', ['jovet.lan'], new Date('2040-01-01')),
		/ended on/
	);
	assert.throws(() => own('nowhere.pem', 'server.key'), /cannot be read/);
	assert.equal(await readNetwork({}), null, 'never by default');
	await assert.rejects(readNetwork({ 'network-port': '1' }), /wants --network too/);
	await assert.rejects(readNetwork({ network: 'a b' }), /names or addresses/);
	await assert.rejects(readNetwork({ network: 'http://x' }), /names or addresses/);
	await assert.rejects(readNetwork({ network: 'x.lan', 'network-port': '0' }), /1 to 65535/);
	await assert.rejects(readNetwork({ network: 'x.lan', key: 'x' }), /want one another/);
	assert.ok(readFileSync(at('server.pem'), 'utf8').includes('BEGIN CERTIFICATE'));
});

test('a tablet is paired over the network by what it scanned, and goes on to the bench', async () => {
	const code = await makePairingCode(
		database.db,
		{ name: 'Shelf tablet', kind: 'tablet', opensAt: 'oven' },
		null,
		Date.now()
	);
	const profile = mkdtempSync(path.join(os.tmpdir(), 'jovet-browser-'));
	const browser = await puppeteer.launch({
		...browserOptions(process.env.JOVET_CHROMIUM ?? '', profile),
		// What a baker does once, having compared the fingerprint.
		acceptInsecureCerts: true
	});
	try {
		const page = await browser.newPage();
		page.setDefaultTimeout(60_000);
		await page.goto(`https://localhost:${door.port}/pair/${code}`);
		await page.waitForSelector('html[data-ready=yes]');
		assert.ok(await page.$('a[href="/certificate.crt"]'), 'the certificate can be kept');
		await page.click('[data-pair] button');
		await page.waitForFunction(() => location.pathname.endsWith('/bench/oven'));
		await page.waitForSelector('[data-signed-in]');
		const cookies = await page.browserContext().cookies();
		const session = cookies.find(({ name }) => name === '__Host-jovet-session');
		assert.deepEqual([session?.secure, session?.httpOnly], [true, true]);
	} finally {
		await browser.close();
		rmSync(profile, { recursive: true, force: true });
	}
});

test('a bakery is begun at the machine, not by whoever is first on the network', async () => {
	const empty = await testDatabase('empty');
	const other = await startApplication({
		port: await freePort(0),
		databaseUrl: empty.url,
		env: { JOVET_FRONT: SECRET },
		quiet: true
	});
	const found = (headers: Record<string, string>) =>
		ask('/commands', {
			by: other.origin,
			method: 'POST',
			headers: { 'content-type': 'application/json', ...headers },
			body: JSON.stringify({
				kind: 'found-bakery',
				id: randomUUID(),
				occurredAtMs: Date.now(),
				personId: randomUUID(),
				person: 'Wren Ashby',
				name: 'Quay Oven',
				timeZone: 'UTC',
				currency: '€',
				mass: 'metric',
				temperature: 'celsius'
			})
		});
	try {
		const front = { 'x-jovet-front': SECRET };
		for (const at of ['/', '/begin', '/begin/archive', '/sign-in']) {
			const answer = await ask(at, { by: other.origin, headers: front });
			assert.ok(answer.status === 403 || answer.status === 303, `${at}: ${answer.status}`);
		}
		const refused = await found(front);
		assert.match(refused.text, /no-bakery/);
		const begun = await found({});
		assert.equal(begun.status, 200, begun.text);
		assert.match(
			String(begun.headers['set-cookie']),
			/^jovet-session=/,
			'and is signed in by that'
		);
	} finally {
		await other.stop();
		await empty.drop();
	}
});

test('while the application is away the door says so, and goes on when it is back', async () => {
	await application.stop();
	const away = await ask('/sign-in');
	assert.equal(away.status, 503);
	assert.match(away.text, /does not answer at the moment/);
	application = await startApplication({
		port: Number(new URL(application.origin).port),
		databaseUrl: database.url,
		env: {
			JOVET_NAMES: NAMES.map((name) => `${name}:${door.port}`).join(','),
			JOVET_FRONT: SECRET
		},
		quiet: true
	});
	assert.equal((await ask('/sign-in')).status, 200);
});
