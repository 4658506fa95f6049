import { afterEach, beforeEach, mock, test } from 'node:test';
import assert from 'node:assert/strict';
import { allowWork } from './work-of-request.ts';

let told: string[] = [];
beforeEach(() => {
	told = [];
	mock.method(console, 'warn', (text: string) => told.push(text));
});
afterEach(() => mock.restoreAll());

/** Less than any work takes. */
const ALWAYS = -1;

test('who was alone and long at it is told, with what it spent', async () => {
	const answer = await allowWork(
		'GET /long',
		(allowance) => {
			allowance.spend(7);
			return Promise.resolve('done');
		},
		ALWAYS
	);
	assert.equal(answer, 'done');
	assert.equal(told.length, 1);
	assert.match(told[0] ?? '', /^GET \/long took \d+ ms of processor time \(7 units of work\)$/);
});

test('who was quick is not', async () => {
	await allowWork('GET /quick', () => Promise.resolve());
	assert.deepEqual(told, []);
});

test('nobody is told for what two spent together', async () => {
	let second: Promise<void> = Promise.resolve();
	await allowWork(
		'GET /first',
		async () => {
			second = allowWork('GET /second', () => Promise.resolve(), ALWAYS);
			await second;
		},
		ALWAYS
	);
	assert.deepEqual(told, []);
	// And whoever comes after them is alone again.
	await allowWork('GET /third', () => Promise.resolve(), ALWAYS);
	assert.equal(told.length, 1);
});

test('what fails is told as well, and its place is given back', async () => {
	await assert.rejects(
		allowWork('GET /broken', () => Promise.reject(new Error('no')), ALWAYS),
		/no/
	);
	await allowWork('GET /next', () => Promise.resolve(), ALWAYS);
	assert.equal(told.length, 2);
});
