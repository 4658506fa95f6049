import { test } from 'node:test';
import assert from 'node:assert/strict';
import { REFUSAL_STATUS } from './refusal-status.ts';

test('a refusal is answered as bad, not signed in, not permitted, in conflict with what is there, too large, impossible or for later', () => {
	const kinds = Object.entries(REFUSAL_STATUS);
	for (const [kind, status] of kinds)
		assert.ok([400, 401, 403, 409, 413, 422, 503].includes(status), kind);
	// What somebody else did meanwhile is a conflict: a client may read anew and try again.
	for (const [kind, status] of kinds)
		if (/meanwhile|newer|taken|before$/.test(kind)) assert.equal(status, 409, kind);
	assert.equal(REFUSAL_STATUS.malformed, 400);
	assert.equal(REFUSAL_STATUS['not-permitted'], 403);
	assert.equal(REFUSAL_STATUS['signed-out'], 401);
});
