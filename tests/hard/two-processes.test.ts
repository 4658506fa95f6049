import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import http from 'node:http';
import { inTurn } from '../../scripts/parts/pass-on.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { startProcesses } from '../../scripts/parts/processes.mjs';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { testDatabase, TOMORROW, type TestDatabase } from '../integration/test-database.ts';
import { askFrom } from './ask-from.ts';
import { Hand } from './hand.ts';

/** More by hand: JOVET_KILL_ROUNDS=200 npm test -- tests/hard/two-processes.test.ts */
const ROUNDS = Number(process.env.JOVET_KILL_ROUNDS ?? 20);
const PAUSES = { firstMs: 50, longestMs: 1000, steadyMs: 2000 };
const DROPS = ['Ferry', 'Shop and cafés', 'School'].map((name) => demoId('drop', name));

let database: TestDatabase;
let cookie = '';
let jovet: Awaited<ReturnType<typeof startProcesses>>;
before(async () => {
	database = await testDatabase();
	cookie = await cookieOf(database.db);
	jovet = await startProcesses({
		count: 2,
		port: await freePort(0),
		databaseUrl: () => database.url,
		env: {},
		quiet: true,
		pauses: PAUSES
	});
});
after(async () => {
	await jovet.stop();
	await database.drop();
});

/** An address whose requests go to the process of that place. */
function addressAt(place: number): string {
	for (let n = 2; n < 255; n += 1)
		if (inTurn(['0', '1'], `127.0.0.${n}`)[0] === String(place)) return `127.0.0.${n}`;
	throw new Error('no address goes there');
}

/** Waits until both processes run. */
async function bothRun(): Promise<void> {
	while (jovet.running().includes(null)) await new Promise((resolve) => setTimeout(resolve, 20));
}

async function kill(place: number): Promise<void> {
	const one = jovet.running()[place];
	assert.ok(one, `process ${place} runs`);
	process.kill(one.pid, 'SIGKILL');
	await one.ended;
}

test('what one process writes is told by the stream of the other', async () => {
	const { origin } = jovet;
	const stream = http.get(`${origin}/events`, {
		headers: { cookie },
		localAddress: addressAt(0),
		agent: false
	});
	try {
		const told = new Promise<string>((resolve, reject) => {
			stream.on('error', reject);
			stream.on('response', (response) => {
				let text = '';
				response.on('data', (chunk: Buffer) => {
					text += chunk.toString();
					if (text.includes('event: written')) resolve(text);
				});
			});
		});
		await new Promise((resolve) => stream.once('response', resolve));
		const hand = new Hand(
			origin,
			DROPS[0] ?? '',
			cookie,
			new AbortController().signal,
			addressAt(1)
		);
		await hand.begin(database.db);
		let turns = 0;
		await hand.type(() => (turns += 1) > 2);
		assert.match(await told, /"topic":/);
	} finally {
		stream.destroy();
	}
});

test(`${ROUNDS} kills of one process at a time: the other answers, and nothing acknowledged is lost`, async (t) => {
	const { origin } = jovet;
	const givingUp = new AbortController();
	// Hands at tablets of either process.
	const hands = DROPS.map(
		(dropId, at) => new Hand(origin, dropId, cookie, givingUp.signal, addressAt(at % 2))
	);
	for (const hand of hands) await hand.begin(database.db);
	let over = false;
	/** What a page asks for is never answered by anything but the page. */
	const reading = async (address: string) => {
		const wrong: string[] = [];
		let read = 0;
		for (; !over; read += 1) {
			const what = await askFrom(`${origin}/health`, { localAddress: address }).then(
				({ status, text }) => (status === 200 ? '200' : `${status} ${text}`),
				(error: unknown) => String(error)
			);
			if (what !== '200') wrong.push(what);
		}
		return { read, wrong };
	};
	try {
		const typing = Promise.all(hands.map((hand) => hand.type(() => over)));
		const readers = Promise.all([reading(addressAt(0)), reading(addressAt(1))]);
		for (let round = 1; round <= ROUNDS; round += 1) {
			await Promise.race([Promise.all(hands.map((hand) => hand.hears(3))), typing]);
			await bothRun();
			await kill(round % 2);
			// While one is away all of them go on.
			await Promise.race([Promise.all(hands.map((hand) => hand.hears(3))), typing]);
		}
		over = true;
		await typing;
		for (const hand of hands) {
			await hand.assertNothingLost(database.db);
			// Of each kill a hand notices no more than the one command that was under way.
			assert.ok(hand.unanswered <= ROUNDS, `${hand.unanswered} times without an answer`);
		}
		const read = await readers;
		for (const { wrong } of read) assert.deepEqual(wrong, [], 'a page was not answered');
		t.diagnostic(
			`${hands.reduce((sum, { acknowledged }) => sum + acknowledged.length, 0)} commands acknowledged, ` +
				`${hands.reduce((sum, { unanswered }) => sum + unanswered, 0)} sent again, ` +
				`${read.reduce((sum, one) => sum + one.read, 0)} pages read`
		);
	} finally {
		over = true;
		givingUp.abort();
	}
});

test('with both gone it is said, and they come back by themselves', async () => {
	await bothRun();
	await Promise.all([kill(0), kill(1)]);
	const answer = await askFrom(`${jovet.origin}/bake/${TOMORROW}/orders`, { headers: { cookie } });
	assert.equal(answer.status, 503);
	assert.equal(answer.headers['retry-after'], '2');
	assert.match(answer.text, /started again by itself/);
	await bothRun();
	const again = await askFrom(`${jovet.origin}/bake/${TOMORROW}/orders`, { headers: { cookie } });
	assert.equal(again.status, 200);
});
