import { test } from 'node:test';
import assert from 'node:assert/strict';
import { gunzipSync } from 'node:zlib';
import { compressed } from './compress.ts';

const PAGE = '<p>rows that are much alike</p>'.repeat(400);
const ask = (accepted: string | null, method = 'GET') =>
	new Request('http://127.0.0.1/water', {
		method,
		headers: accepted === null ? {} : { 'accept-encoding': accepted }
	});
const page = (headers: Record<string, string> = {}, body: string | null = PAGE) =>
	new Response(body, {
		status: 201,
		headers: { 'content-type': 'text/html; charset=utf-8', etag: '"abc"', ...headers }
	});

test('a page goes out compressed to a browser that takes it, and reads the same', async () => {
	const sent = compressed(ask('br, gzip;q=0.8'), page({ 'content-length': String(PAGE.length) }));
	assert.equal(sent.status, 201);
	assert.equal(sent.headers.get('content-encoding'), 'gzip');
	assert.equal(sent.headers.get('vary'), 'accept-encoding');
	assert.equal(sent.headers.get('etag'), 'W/"abc"');
	assert.equal(sent.headers.get('content-length'), null);
	const bytes = Buffer.from(await sent.arrayBuffer());
	assert.ok(bytes.length * 10 < PAGE.length, `${bytes.length}`);
	assert.equal(gunzipSync(bytes).toString(), PAGE);
});

test('what gains nothing, or must not wait, goes out as it is', () => {
	for (const [request, response] of [
		[ask(null), page()],
		[ask('br'), page()],
		[ask('gzip;q=0'), page()],
		[ask('gzip', 'HEAD'), page()],
		[ask('gzip'), page({}, null)],
		[ask('gzip'), page({ 'content-length': '300' })],
		[ask('gzip'), page({ 'content-encoding': 'br' })],
		[ask('gzip'), page({ 'content-type': 'text/event-stream' })],
		[ask('gzip'), page({ 'content-type': 'image/png' })]
	] as const)
		assert.equal(compressed(request, response), response);
});
