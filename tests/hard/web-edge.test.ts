import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { mayRole } from '../../src/lib/contracts/rights.ts';
import { asksOfRoute } from '../../src/lib/server/auth/rights-of-routes.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { NOW_MS, TOMORROW } from '../integration/test-database.ts';
import { openHardBakery, type HardBakery } from './hard-bakery.ts';
import { newPlacement } from '../integration/placement.ts';
import { filled, routesOfApplication } from './routes.ts';

let bakery: HardBakery;
before(async () => {
	bakery = await openHardBakery();
});
after(() => bakery.close());

interface Answer {
	readonly status: number;
	readonly headers: http.IncomingHttpHeaders;
	readonly text: string;
}

/**
 * Asks with the very headers given, the name of the host among them; a stream is left at once. Each on a line of its own: one that
 * is kept may have been closed unheard while a plan was made here.
 */
function ask(
	address: string,
	{
		method = 'GET',
		headers = {},
		body = ''
	}: { method?: string; headers?: Record<string, string>; body?: string } = {}
): Promise<Answer> {
	return new Promise((resolve, reject) => {
		const request = http.request(
			`${bakery.origin}${address}`,
			{ method, headers: { cookie: bakery.cookie, ...headers }, agent: false },
			(response) => {
				const told = (text: string) =>
					resolve({ status: response.statusCode ?? 0, headers: response.headers, text });
				if (response.headers['content-type']?.includes('event-stream')) {
					told('');
					request.destroy();
					return;
				}
				let text = '';
				response.on('data', (chunk: Buffer) => (text += chunk.toString()));
				response.on('end', () => told(text));
			}
		);
		request.on('error', reject);
		request.end(body);
	});
}

const addresses = () =>
	routesOfApplication().map(({ address }) =>
		filled(address, (parameter) => (parameter === 'date' ? TOMORROW : randomUUID()))
	);
const port = () => new URL(bakery.origin).port;
const reading = (headers: Record<string, string>, id: string = randomUUID()) =>
	ask('/commands', {
		method: 'POST',
		headers: { 'content-type': 'application/json', ...headers },
		body: JSON.stringify({
			kind: 'take-reading',
			id,
			occurredAtMs: NOW_MS,
			quantity: 'room',
			preparationId: null,
			celsius: 22,
			instrument: 'typed',
			correctsId: null
		})
	});

test('no route answers to a name it was not told to serve, and says so', async () => {
	for (const address of addresses())
		for (const method of ['GET', 'POST', 'HEAD']) {
			const answer = await ask(address, { method, headers: { host: `rebound.example:${port()}` } });
			assert.equal(answer.status, 421, `${method} ${address}`);
			if (method === 'GET') assert.match(answer.text, /not served by this name/);
		}
});

test('no route answers to a page of another site', async () => {
	const elsewhere = [
		{ origin: 'http://elsewhere.example' },
		{ origin: 'null' },
		{ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'cors' }
	];
	for (const address of addresses())
		for (const headers of elsewhere) {
			const answer = await ask(address, { headers: headers });
			assert.equal(answer.status, 403, `${address} ${JSON.stringify(headers)}`);
			assert.notEqual(answer.text, '');
		}
	const refused = await reading({ origin: 'http://elsewhere.example' });
	assert.equal(refused.status, 403);
	assert.match(refused.text, /from-elsewhere/);
});

test('localhost, 127.0.0.1 and [::1] read and save alike', async () => {
	for (const name of ['localhost', '127.0.0.1', '[::1]']) {
		const host = `${name}:${port()}`;
		assert.equal((await ask(`/bake/${TOMORROW}/orders`, { headers: { host } })).status, 200, name);
		const saved = await reading({ host, origin: `http://${host}` });
		assert.equal(saved.status, 200, `${name}: ${saved.text}`);
		const crossed = await reading({ host, origin: `http://other.${host}` });
		assert.equal(crossed.status, 403, name);
	}
});

test('every answer says who may keep, embed and use it', async () => {
	for (const address of addresses()) {
		const { headers } = await ask(address);
		assert.match(String(headers['cache-control']), /no-store|private, no-cache/, address);
		assert.equal(headers['cross-origin-resource-policy'], 'same-origin', address);
		assert.match(String(headers['permissions-policy']), /camera=\(\)/, address);
		assert.equal(headers['x-content-type-options'], 'nosniff', address);
	}
});

/** What each route answers to one who asks for it, without following where it leads. */
async function answersTo(cookie: string): Promise<ReadonlyMap<string, Answer>> {
	const found = new Map<string, Answer>();
	for (const { address } of routesOfApplication()) {
		const at = filled(address, (parameter) => (parameter === 'date' ? TOMORROW : randomUUID()));
		found.set(address, await ask(at, { headers: { cookie } }));
	}
	return found;
}

test('who is not signed in reads nothing of the bakery, by any route', async () => {
	for (const cookie of ['', 'jovet-session=made-up', 'jovet-session=']) {
		for (const [route, { status, headers, text }] of await answersTo(cookie)) {
			assert.doesNotMatch(text, /Harbour|Ilo Venn|Saltmarrow Bakehouse/, route);
			if (asksOfRoute(route) === 'nothing') continue;
			assert.ok(status === 401 || status === 303, `${route} answers ${status}`);
			if (status === 303) assert.match(String(headers.location), /^\/sign-in/, route);
		}
		const data = await ask(`/bake/${TOMORROW}/orders/__data.json`, { headers: { cookie } });
		assert.match(data.text, /"redirect".*sign-in/);
		const sent = await ask('/commands', {
			method: 'POST',
			headers: { 'content-type': 'application/json', cookie },
			body: '{'
		});
		assert.equal(sent.status, 401);
		assert.match(sent.text, /signed-out/);
	}
});

test('each role reads what is its own, and is told whose the rest is', async () => {
	const wenna = await cookieOf(bakery.database.db, demoId('person', 'Wenna Tull'));
	const perrin = await cookieOf(bakery.database.db, demoId('person', 'Perrin Oake'));
	for (const [cookie, role] of [
		[wenna, 'packer'],
		[perrin, 'baker']
	] as const)
		for (const [route, { status, text }] of await answersTo(cookie)) {
			const asks = asksOfRoute(route);
			if (asks === null || asks === 'nothing' || asks === 'signed-in') continue;
			if (mayRole(role, asks)) assert.notEqual(status, 403, `${route} of a ${role}`);
			else {
				// An address that leads nowhere may be told so first.
				assert.ok(status === 403 || status === 404, `${route} of a ${role}: ${status}`);
				if (status === 403) assert.match(text, /for a head baker/, route);
				assert.doesNotMatch(text, /Harbour dough|Lantern rye/, route);
			}
		}
	const form = await ask(`/bake/${TOMORROW}/bakery/doors?/key`, {
		method: 'POST',
		headers: { cookie: perrin, 'content-type': 'application/x-www-form-urlencoded' },
		body: `person=${demoId('person', 'Perrin Oake')}`
	});
	assert.equal(form.status, 403, 'a baker makes no key');
	assert.deepEqual(await bakery.database.db.selectFrom('door_key').selectAll().execute(), []);
});

test('forms of the doors take what is typed there, and tell what is too long, is none, or comes too often', async () => {
	const form = (at: string, body: string, cookie = '') =>
		ask(at, {
			method: 'POST',
			headers: {
				cookie,
				accept: 'text/html',
				'content-type': 'application/x-www-form-urlencoded'
			},
			body
		});
	assert.equal((await form('/sign-in', 'name=x')).status, 400);
	assert.equal((await form('/sign-in', `name=x&password=${'x'.repeat(9000)}`)).status, 413);
	assert.equal((await form('/sign-in', `name=${'%00'}&password=%FF&to=//elsewhere`)).status, 400);
	const statuses = [];
	for (let n = 0; n < 12; n += 1)
		statuses.push((await form('/sign-in', 'name=Ilo+Venn&password=guess')).status);
	assert.equal(statuses[0], 400);
	assert.equal(statuses.at(-1), 429);
	for (const at of [
		'/you?/out',
		'/you?/password',
		'/hands',
		`/bake/${TOMORROW}/bakery/doors?/pair`
	])
		assert.equal((await form(at, 'person=x')).status, 401, at);
	// Signing in by a form of another site is no way in either.
	const crossed = await ask('/sign-in', {
		method: 'POST',
		headers: {
			origin: 'http://elsewhere.example',
			'content-type': 'application/x-www-form-urlencoded'
		},
		body: 'name=Ilo+Venn&password=x'
	});
	assert.equal(crossed.status, 403);
});

test('a session’s cookie is read by no script and goes along with no other site’s request', async () => {
	const { password } = demoPeople();
	const answer = await ask('/sign-in', {
		method: 'POST',
		headers: {
			cookie: '',
			accept: 'text/html',
			'content-type': 'application/x-www-form-urlencoded'
		},
		body: `name=Sela+Wick&password=${encodeURIComponent(password)}&to=/you`
	});
	assert.equal(answer.status, 303, answer.text);
	assert.equal(answer.headers.location, '/you');
	const [cookie] = answer.headers['set-cookie'] ?? [];
	assert.match(cookie ?? '', /^jovet-session=[\w-]{43};.*Path=\/; HttpOnly; SameSite=Lax$/);
});

test('a wrong method, a body too large and a device without end are told, without a stack', async () => {
	assert.equal((await ask('/commands')).status, 405);
	assert.equal((await ask('/health', { method: 'DELETE' })).status, 405);
	const json = { 'content-type': 'application/json' };
	for (const size of [400_001, 600_000, 3_000_000]) {
		const command = await ask('/commands', {
			method: 'POST',
			headers: json,
			body: ' '.repeat(size)
		});
		assert.equal(command.status, 413);
		assert.match(command.text, /too-large/);
		const device = await ask('/devices/readings', {
			method: 'POST',
			headers: { ...json, authorization: `Bearer ${bakery.deviceKey}` },
			body: ' '.repeat(size)
		});
		assert.equal(device.status, 413);
		assert.match(device.text, /too-large/);
	}
	assert.doesNotMatch(bakery.said(), /\n\s+at .*\(/);
});

test('an address opens so many streams and no more, and those that close make room', async () => {
	const open: http.ClientRequest[] = [];
	const stream = () =>
		new Promise<number>((resolve, reject) => {
			const request = http.get(
				`${bakery.origin}/events`,
				{ agent: false, headers: { cookie: bakery.cookie } },
				(response) => {
					response.on('error', () => undefined);
					resolve(response.statusCode ?? 0);
				}
			);
			request.on('error', reject);
			open.push(request);
		});
	for (let n = 0; n < 100; n += 1) assert.equal(await stream(), 200, `stream ${n}`);
	assert.equal(await stream(), 429);
	for (const request of open) {
		request.on('error', () => undefined);
		request.destroy();
	}
	let status = 429;
	for (let tries = 0; status === 429 && tries < 500; tries += 1) status = await stream();
	assert.equal(status, 200);
	open.at(-1)?.destroy();
});

test('fifty who accept one plan at once are told the same version', async () => {
	const { input, fingerprint } = await readPlan(bakery.database.db, TOMORROW);
	const placement = newPlacement(input);
	const answers = await Promise.all(
		Array.from({ length: 50 }, () => {
			const body = JSON.stringify({
				kind: 'accept-plan',
				id: randomUUID(),
				occurredAtMs: NOW_MS,
				date: TOMORROW,
				fingerprint,
				placement
			});
			return untilItsTurn(() =>
				ask('/commands', { method: 'POST', headers: { 'content-type': 'application/json' }, body })
			);
		})
	);
	assert.deepEqual(
		[...new Set(answers.map(({ status, text }) => `${status} ${text}`))].length,
		1,
		answers.map(({ text }) => text.slice(0, 80)).join('\n')
	);
	assert.equal(answers[0]?.status, 200);
	const plans = await bakery.database.db.selectFrom('plan_version').select('number').execute();
	assert.deepEqual(plans, [{ number: 1 }]);
});

test('two hundred pages at once are all answered, and so are commands beside them', async () => {
	const pages = [
		'orders',
		'doughs',
		'plan',
		'bench',
		'water',
		'fermentation',
		'log',
		'trace',
		'morning',
		'learned'
	];
	const [answers, commands] = await Promise.all([
		Promise.all(
			Array.from({ length: 200 }, (_, n) =>
				untilItsTurn(() => ask(`/bake/${TOMORROW}/${pages[n % pages.length]}`))
			)
		),
		Promise.all(Array.from({ length: 40 }, () => sentAsABrowserDoes()))
	]);
	assert.deepEqual([...new Set(answers.map(({ status }) => status))], [200]);
	assert.deepEqual([...new Set(commands.map(({ status }) => status))], [200]);
	const stored = await bakery.database.db.selectFrom('reading').select('id').execute();
	const kept = new Set(stored.map(({ id }) => id));
	for (const { text } of commands) {
		const { answer } = JSON.parse(text) as { answer: { readingId: string } };
		assert.ok(kept.has(answer.readingId), text);
	}
});

/** How many of a kind are let in before the others is the machine's to say: what is told to come again does, until its turn comes. */
async function untilItsTurn(asks: () => Promise<Answer>): Promise<Answer> {
	for (;;) {
		const answer = await asks();
		if (answer.status !== 503) return answer;
		assert.match(answer.text, /"busy"|There is much to do/);
	}
}

/** What is told that all are busy is sent again under the same id. */
function sentAsABrowserDoes(): Promise<Answer> {
	const id = randomUUID();
	return untilItsTurn(() => reading({}, id));
}
