import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
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

/** Asks with the very headers given, the name of the host among them; a stream is left at once. */
function ask(
	address: string,
	{
		method = 'GET',
		headers = {},
		body = ''
	}: { method?: string; headers?: Record<string, string>; body?: string } = {}
): Promise<Answer> {
	return new Promise((resolve, reject) => {
		const request = http.request(`${bakery.origin}${address}`, { method, headers }, (response) => {
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
		});
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
			const request = http.get(`${bakery.origin}/events`, { agent: false }, (response) => {
				response.on('error', () => undefined);
				resolve(response.statusCode ?? 0);
			});
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
		Array.from({ length: 50 }, () =>
			ask('/commands', {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: JSON.stringify({
					kind: 'accept-plan',
					id: randomUUID(),
					occurredAtMs: NOW_MS,
					date: TOMORROW,
					fingerprint,
					placement
				})
			})
		)
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
			Array.from({ length: 200 }, (_, n) => ask(`/bake/${TOMORROW}/${pages[n % pages.length]}`))
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

/** What is told that all are busy is sent again under the same id, until its turn comes. */
async function sentAsABrowserDoes(): Promise<Answer> {
	const id = randomUUID();
	for (;;) {
		const answer = await reading({}, id);
		if (answer.status !== 503) return answer;
		assert.match(answer.text, /"busy"/);
	}
}
