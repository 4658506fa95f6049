import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { addDays, type BakeDate } from '../../src/lib/core/time/index.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readStanding } from '../../src/lib/server/services/read-standing.ts';
import { FERRY, LOAF, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const SHOP = demoId('drop', 'Shop and cafés');
const FROM = addDays(TOMORROW, 21);

async function stands() {
	const { stretches, versions } = await readStanding(t.db, TOMORROW);
	const own = stretches.filter((one) => one.productId === LOAF);
	return {
		stretches: own
			.map(({ dropId, weekday, fromDate, untilDate, pieces }) =>
				[dropId, weekday, fromDate, untilDate, pieces].join(' ')
			)
			.sort(),
		versionOf: (dropId: string) =>
			versions.find((one) => one.dropId === dropId && one.productId === LOAF)?.version ?? 0
	};
}

interface Said {
	readonly pieces: number;
	readonly weekdays: number[];
	readonly fromDate: BakeDate;
	readonly untilDate: BakeDate | null;
}
async function say({ pieces, weekdays, fromDate, untilDate }: Said, drops = [FERRY, SHOP]) {
	const { versionOf } = await stands();
	const id = randomUUID();
	const lines = drops.map((dropId) => ({
		dropId,
		productId: LOAF,
		weekdays,
		pieces,
		expectedVersion: versionOf(dropId)
	}));
	const outcome = await send(t.db, { kind: 'set-standing', fromDate, untilDate, lines }, { id });
	assert.equal(outcome.outcome, 'done', JSON.stringify(outcome));
	return id;
}
async function takeBack(commandId: string, drops = [FERRY, SHOP]) {
	const { versionOf } = await stands();
	return send(t.db, {
		kind: 'take-back-standing',
		commandId,
		lines: drops.map((dropId) => ({
			dropId,
			productId: LOAF,
			expectedVersion: versionOf(dropId)
		}))
	});
}

test('whatever was said of standing orders, taken back all stands as it did', async () => {
	const days = fc.nat(40).map((days) => addDays(FROM, days));
	await fc.assert(
		fc.asyncProperty(
			fc.array(
				fc.record({
					pieces: fc.nat(90),
					weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
					fromDate: days,
					weeks: fc.option(fc.nat(6))
				}),
				{ minLength: 1, maxLength: 3 }
			),
			async (all) => {
				const before = (await stands()).stretches;
				const said: string[] = [];
				for (const { weeks, ...one } of all)
					said.push(
						await say({
							...one,
							untilDate: weeks === null ? null : addDays(one.fromDate, 7 * weeks)
						})
					);
				for (const commandId of said.reverse())
					assert.equal((await takeBack(commandId)).outcome, 'done');
				assert.deepEqual((await stands()).stretches, before);
			}
		),
		{ numRuns: 12 }
	);
});

test('what somebody changed since, and what was never said, is not taken back', async () => {
	const said = await say({ pieces: 44, weekdays: [2], fromDate: FROM, untilDate: null });
	const { versionOf } = await stands();
	const lines = [FERRY, SHOP].map((dropId) => ({
		dropId,
		productId: LOAF,
		expectedVersion: versionOf(dropId)
	}));
	await say({ pieces: 45, weekdays: [2], fromDate: FROM, untilDate: null }, [SHOP]);
	const late = await send(t.db, { kind: 'take-back-standing', commandId: said, lines });
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'numbers-changed-meanwhile');
	assert.deepEqual(
		late.refusal.lines.map(({ dropId, value }) => [dropId, value]),
		[[SHOP, 45]]
	);
	const never = await takeBack(randomUUID());
	assert.ok(never.outcome === 'refused' && never.refusal.kind === 'unknown');
	const half = await takeBack(said, [FERRY]);
	assert.ok(half.outcome === 'refused' && half.refusal.kind === 'unknown', 'all of it or nothing');
});
