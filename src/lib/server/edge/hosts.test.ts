import { test } from 'node:test';
import assert from 'node:assert/strict';
import { isFromElsewhere, isServed, servedNames } from './hosts.ts';

const NAMES = servedNames('4310', 'oven.saltmarrow.example, Bench:8443 ,');

test('loopback by any of its names, at the port it listens on, and the names it was told', () => {
	for (const host of [
		'127.0.0.1:4310',
		'localhost:4310',
		'LOCALHOST:4310',
		'[::1]:4310',
		'oven.saltmarrow.example',
		'bench:8443'
	])
		assert.ok(isServed(host, NAMES), host);
	for (const host of [
		null,
		'',
		'localhost',
		'localhost:4311',
		'rebound.example:4310',
		'127.0.0.1.rebound.example:4310',
		'localhost:4310@rebound.example',
		'localhost:4310/',
		'oven.saltmarrow.example:4310',
		'bench'
	])
		assert.equal(isServed(host, NAMES), false, String(host));
	assert.ok(isServed('localhost', servedNames('80')));
	assert.ok(isServed('localhost:5173', servedNames()), 'while it is being developed');
});

test('a page at the address it asks is of this site, any other is not', () => {
	const from = (headers: Record<string, string>) =>
		isFromElsewhere(new Headers({ host: 'localhost:4310', ...headers }));
	assert.equal(from({}), false, 'what is no browser says nothing');
	assert.equal(from({ origin: 'http://localhost:4310' }), false);
	assert.equal(from({ origin: 'https://localhost:4310' }), false);
	assert.equal(from({ 'sec-fetch-site': 'same-origin' }), false);
	assert.equal(from({ 'sec-fetch-site': 'none' }), false);
	assert.equal(from({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }), false);
	assert.ok(from({ origin: 'http://127.0.0.1:4310' }));
	assert.ok(from({ origin: 'http://elsewhere.example' }));
	assert.ok(from({ origin: 'null' }));
	assert.ok(from({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'cors' }));
	assert.ok(from({ 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' }));
});
