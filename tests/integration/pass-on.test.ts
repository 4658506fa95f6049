import { test } from 'node:test';
import assert from 'node:assert/strict';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { openOwnDoor } from '../../scripts/parts/front-door.mjs';
import { inTurn } from '../../scripts/parts/pass-on.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';

/** Something that answers in the place of a process of the application. */
async function standIn(answer: http.RequestListener) {
	let asked = 0;
	const server = http.createServer((request, response) => {
		asked += 1;
		answer(request, response);
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return {
		origin: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
		asked: () => asked,
		close: () =>
			new Promise<void>((resolve) => {
				server.close(() => resolve());
				server.closeAllConnections();
			})
	};
}

/** Says back what it was sent. */
const echo: http.RequestListener = (request, response) => {
	const pieces: Buffer[] = [];
	request.on('data', (piece: Buffer) => pieces.push(piece));
	request.on('end', () =>
		response.end(
			JSON.stringify({
				method: request.method,
				length: Buffer.concat(pieces).length,
				told: request.headers['x-jovet-front'] ?? null
			})
		)
	);
};
/** Reads all of it and goes without a word. */
const dies: http.RequestListener = (request, response) => {
	request.resume();
	request.on('end', () => response.destroy());
};

test('what was to be read is asked of the next; what may have been done is not done twice', async () => {
	const dying = await standIn(dies);
	const living = await standIn(echo);
	// The one that goes is asked first, wherever this client belongs.
	const [first = '', second = ''] = inTurn(['0', '1'], '127.0.0.1');
	const places = [
		[first, dying.origin],
		[second, living.origin]
	] as const;
	const order = [...places].sort().map(([, origin]) => origin);
	const door = await openOwnDoor({ port: 0, answering: () => order });
	try {
		const at = `http://127.0.0.1:${door.port}/somewhere`;
		const read = await fetch(at);
		assert.equal(read.status, 200);
		assert.equal(dying.asked(), 1);
		const written = await fetch(at, { method: 'POST', body: 'an entry' });
		assert.equal(written.status, 503);
		assert.match(await written.text(), /does not answer at the moment/);
		assert.deepEqual([dying.asked(), living.asked()], [2, 1], 'nobody else was asked to do it');
	} finally {
		await door.stop();
		await Promise.all([dying.close(), living.close()]);
	}
});

test('a process that is not there at all can have done nothing: the next does it, with the whole body', async () => {
	const living = await standIn(echo);
	const nowhere = `http://127.0.0.1:${await freePort(0)}`;
	const door = await openOwnDoor({ port: 0, answering: () => [nowhere, null, living.origin] });
	try {
		const at = `http://127.0.0.1:${door.port}/somewhere`;
		for (const length of [0, 5, 64 * 1024]) {
			const answer = await fetch(at, {
				method: 'POST',
				body: 'x'.repeat(length),
				headers: { 'x-jovet-front': 'guessed' }
			});
			assert.deepEqual(await answer.json(), { method: 'POST', length, told: null });
		}
	} finally {
		await door.stop();
		await living.close();
	}
});

test('what is large goes straight through, and is given up with its process', async () => {
	const living = await standIn(echo);
	const nowhere = `http://127.0.0.1:${await freePort(0)}`;
	let order: readonly string[] = [living.origin];
	const door = await openOwnDoor({ port: 0, answering: () => order });
	const at = `http://127.0.0.1:${door.port}/somewhere`;
	const send = () => fetch(at, { method: 'POST', body: 'x'.repeat(2_000_000) });
	try {
		const answer = await send();
		assert.deepEqual(await answer.json(), { method: 'POST', length: 2_000_000, told: null });
		order = [nowhere];
		// Told to come again, or cut off while it was still saying it: never taken for done.
		const refused = await send().then(
			({ status }) => status,
			() => 503
		);
		assert.equal(refused, 503);
		order = [];
		assert.equal((await fetch(at)).status, 503);
	} finally {
		await door.stop();
		await living.close();
	}
});

test('a client meets the same process while that runs, and the clients spread over all of them', () => {
	const all = ['a', 'b', 'c'];
	const firsts = Array.from({ length: 60 }, (_, n) => inTurn(all, `192.168.1.${n}`)[0]);
	assert.deepEqual(new Set(firsts), new Set(all));
	for (let n = 0; n < 60; n += 1) {
		const [first, second] = inTurn(all, `192.168.1.${n}`);
		const without = all.map((one) => (one === first ? null : one));
		assert.equal(inTurn(without, `192.168.1.${n}`)[0], second);
		const other = all.map((one) => (one === second ? null : one));
		assert.equal(inTurn(other, `192.168.1.${n}`)[0], first, 'another that goes moves nobody');
	}
	assert.deepEqual(inTurn([], '192.168.1.1'), []);
	assert.deepEqual(inTurn([null, null], '192.168.1.1'), []);
});
