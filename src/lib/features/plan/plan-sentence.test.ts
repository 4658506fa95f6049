import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, planned, SHOP_MS } from '../../core/planning/harbour-day.fixture.ts';
import type { DayPlan } from '../../core/planning/index.ts';
import { planSentence, spareText, unplacedNames } from './plan-sentence.ts';

const { plan } = planned(DAY);
const MINUTE = 60_000;
const say = (change: Partial<DayPlan>, unmade = 0) =>
	planSentence({ ...plan, ...change }, DAY, 'UTC', unmade);
const [ferry, shop] = plan.drops;
assert.ok(ferry && shop);

test('a plan that holds says which drop has the least to spare, and when it starts', () => {
	const drops = [
		{ ...ferry, readyMs: ferry.readyByMs - 25 * MINUTE },
		{ ...shop, readyMs: SHOP_MS - 7 * MINUTE }
	];
	assert.match(
		say({ drops }),
		/^All 2 drops hold\. Shop has the least: 7 min to spare\. Starts Mon 23 Nov \d\d:\d\d\.$/
	);
	assert.match(say({ drops: drops.slice(0, 1) }), /^The one drop holds\. 25 min to spare\. /);
	const tight = [{ ...ferry, readyMs: ferry.readyByMs }];
	assert.match(say({ drops: tight }), /Nothing to spare/);
});

test('a plan that is late on many nights says so beside that it holds', () => {
	const drops = [
		{ ...ferry, readyMs: ferry.readyByMs - 5 * MINUTE },
		{ ...shop, readyMs: SHOP_MS - 15 * MINUTE }
	];
	const told = (ferryShare: number, shopShare: number) =>
		planSentence({ ...plan, drops }, DAY, 'UTC', 0, [
			{
				dropId: ferry.dropId,
				lateShare: ferryShare,
				lateInTenMinutes: 4,
				toHalveMinutes: 5,
				weakest: null
			},
			{
				dropId: shop.dropId,
				lateShare: shopShare,
				lateInTenMinutes: 4,
				toHalveMinutes: 5,
				weakest: null
			}
		]);
	assert.match(told(0.1, 0.1), /Ferry has the least: 5 min to spare\. Starts/);
	assert.match(
		told(0.47, 0.3),
		/Ferry has the least: 5 min to spare, late on 47 % of such nights\./
	);
	// The one that is late most often, whatever the plan leaves it.
	assert.match(
		told(0.1, 0.3),
		/Shop has the least: 15 min to spare, late on 30 % of such nights\./
	);
});

test('whatever is wrong with it is said first, each by its name', () => {
	const late = {
		...shop,
		readyMs: SHOP_MS + 12 * MINUTE,
		othersReadyMs: SHOP_MS - 20 * MINUTE,
		late: [
			{
				batch: {
					kind: 'portion' as const,
					formulaId: DAY.doughs[0]!.formulaId,
					ordinal: 2,
					productId: DAY.products[0]!.id
				},
				readyMs: SHOP_MS + 12 * MINUTE
			}
		]
	};
	assert.match(
		say({ drops: [ferry, late] }),
		/does not hold yet: Harbour round 12 min late for Shop\. Starts/
	);
	assert.equal(spareText(late), 'all but one in time, 20 min to spare');
	// Of several only how many, and the latest: the rest is beside.
	assert.match(
		say({ drops: [{ ...ferry, readyMs: ferry.readyByMs + 90 * MINUTE }, late] }),
		/does not hold yet: 2 of 2 drops late, Ferry by 1 h 30\. Starts/
	);
	const nobody = { kind: 'nobody' as const, task: 'x', fromMs: 0, toMs: 1 };
	assert.match(say({ cautions: [nobody] }), /nobody is free for one thing\./);
	const gap = { kind: 'gap-too-long' as const, before: 'a', after: 'b', gap: 30, most: 15 };
	assert.match(
		say({ cautions: [nobody, nobody, gap] }),
		/nobody is free for 2 things; one clash\./
	);
	assert.match(say({}, 2), /2 things that are ordered are not in it/);
});

test('what found no place is told once by its dough, and its drop is not said to hold', () => {
	const mix = { kind: 'mix' as const, formulaId: DAY.doughs[0]!.formulaId, ordinal: 1 };
	const unplaced = [mix, { ...mix, kind: 'portion' as const, productId: DAY.products[0]!.id }];
	assert.match(say({ unplaced }), /one thing that is ordered is not in it/);
	assert.deepEqual(unplacedNames({ ...plan, unplaced }, DAY), ['Harbour dough, mix 1 of 2']);
	assert.equal(spareText({ ...ferry, readyMs: null }), 'not all of it is planned');
});

test('without anything planned it says so', () => {
	assert.equal(say({ tasks: [] }), 'Nothing could be planned for this date.');
});
