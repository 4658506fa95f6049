import { after, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { id, type FormulaId } from '../../src/lib/core/identity.ts';
import { HOT_ROOM_CELSIUS, meanMiss } from '../../src/lib/core/learning/index.ts';
import { readLearned } from '../../src/lib/server/services/read-learned.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { HARBOUR_DOUGH, NOW_MS, send, testDatabase, TOMORROW } from './test-database.ts';

const t = await testDatabase();
after(t.drop);

async function harbour() {
	const { mixes } = await readWater(t.db, TOMORROW, NOW_MS);
	const mix = mixes.find((mix) => mix.formulaId === HARBOUR_DOUGH);
	assert.ok(mix?.water, 'the mix adds water');
	return { ...mix, water: mix.water };
}

test('a base that a baker typed is the dough’s until it is cleared, and a dough nobody knows has none', async () => {
	const formulaId = id<FormulaId>(HARBOUR_DOUGH);
	const set = (celsius: number | null, of = formulaId) =>
		send(t.db, { kind: 'set-base', formulaId: of, celsius });
	const learned = (await harbour()).water.base.value;
	assert.equal((await set(58.5)).outcome, 'done');
	assert.equal((await harbour()).typedBaseCelsius, 58.5);
	assert.equal((await harbour()).water.base.value, 58.5);
	assert.equal((await set(null)).outcome, 'done');
	assert.equal((await harbour()).water.base.value, learned);
	const nobody = await set(60, id<FormulaId>(randomUUID()));
	assert.ok(nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown');
});

test('three hot nights of the past show how far each school would have missed', async () => {
	const { misses } = await readLearned(
		t.db,
		TOMORROW,
		{ formulaId: HARBOUR_DOUGH, mixerId: null },
		NOW_MS
	);
	const hot = misses.filter(({ roomCelsius }) => roomCelsius >= HOT_ROOM_CELSIUS);
	assert.equal(hot.length, 3);
	const [there, elsewhere] = [
		meanMiss(hot),
		meanMiss(misses.filter((miss) => !hot.includes(miss)))
	];
	assert.ok(there && elsewhere);
	// The rules learned the usual night; what the heat does to each part they cannot weigh.
	assert.ok(there.kelvins['heat-balance'] < 0.8, `${there.kelvins['heat-balance']}`);
	assert.ok(there.kelvins['factor-rule'] > there.kelvins['heat-balance'] + 0.3);
	assert.ok(elsewhere.kelvins['factor-rule'] < there.kelvins['factor-rule']);
});
