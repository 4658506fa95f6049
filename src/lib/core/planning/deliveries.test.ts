import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, FERRY_MS, person, planned } from './harbour-day.fixture.ts';
import { holds, takenAsDone, takenBy, type BakeDayInput, type PlanWish } from './index.ts';

const BAKERS = ['mixing', 'shaping', 'oven'] as const;
const MINUTE = 60_000;
/** The ferry is picked, loaded and driven to in five minutes each; the shop's bread is only picked. */
const HANDED_OVER: BakeDayInput['drops'] = DAY.drops.map((drop, index) => {
	const pickingMinutes = index === 0 ? 5 : 10;
	const loadingMinutes = index === 0 ? 5 : 0;
	const before = pickingMinutes + 2 * loadingMinutes;
	return {
		...drop,
		readyByMs: drop.dueMs - before * MINUTE,
		pickingMinutes,
		loadingMinutes,
		roadMinutes: loadingMinutes
	};
});
const dayOf = (people: BakeDayInput['people']): BakeDayInput => ({
	...DAY,
	drops: HANDED_OVER,
	people
});
const crew = (...packers: readonly NonNullable<BakeDayInput['people']>[number][]) => [
	person('Maud', [...BAKERS, 'packing'], 12, 31),
	person('Ilo', BAKERS, 12, 31),
	...packers
];

test('each drop is picked when its bread is packed, loaded after, and left for in time, by who has the skill', () => {
	const day = dayOf(crew(person('Wenna', ['packing', 'driving'], 24, 36)));
	const { plan, violations } = planned(day, {}, 300);
	assert.deepEqual(violations, []);
	assert.ok(holds(plan), JSON.stringify(plan.cautions));
	const [ferry, shop] = day.drops;
	const of = (dropId: string) => plan.deliveries.filter((one) => one.dropId === dropId);
	assert.deepEqual(
		of(ferry!.id).map(({ what }) => what),
		['pick', 'load', 'drive']
	);
	assert.deepEqual(
		of(shop!.id).map(({ what }) => what),
		['pick']
	);
	const [pick, load, drive] = of(ferry!.id);
	const ready = plan.drops.find(({ dropId }) => dropId === ferry!.id)?.readyMs ?? Infinity;
	assert.ok(pick!.fromMs >= ready, 'not before all of it is packed');
	assert.ok(load!.fromMs >= pick!.toMs);
	assert.equal(drive!.fromMs, load!.toMs);
	assert.ok(drive!.fromMs <= FERRY_MS - 5 * MINUTE, 'there at the time it is due');
	assert.equal(drive!.toMs - drive!.fromMs, 10 * MINUTE, 'the way there and back');
	assert.deepEqual(load!.personIds, ['wenna']);
	assert.deepEqual(drive!.personIds, ['wenna']);
});

test('who drives is nowhere else until back, in this plan and for other dates', () => {
	const day = dayOf([person('Maud', [...BAKERS, 'packing', 'driving'], 12, 36)]);
	const { plan, violations } = planned(day, {}, 300);
	assert.deepEqual(violations, []);
	const drive = plan.deliveries.find(({ what }) => what === 'drive');
	assert.deepEqual(drive?.personIds, ['maud']);
	for (const { attended } of plan.tasks)
		for (const { fromMs, toMs, personIds } of attended)
			if (personIds.includes('maud'))
				assert.ok(toMs <= drive.fromMs || fromMs >= drive.toMs, 'the van is away');
	assert.ok(
		takenBy(plan, day).some(
			({ of, id, fromMs, toMs }) =>
				of === 'person' && id === 'maud' && fromMs === drive.fromMs && toMs === drive.toMs
		)
	);
});

test('what nobody of those entered can do is somebody else’s, and takes no hands', () => {
	const { plan } = planned(dayOf(crew()), {}, 300);
	assert.ok(holds(plan), JSON.stringify(plan.cautions));
	const drive = plan.deliveries.find(({ what }) => what === 'drive');
	assert.deepEqual(drive?.personIds, []);
});

test('a driver who is not there when the ferry leaves is told, and the plan does not hold', () => {
	const late = crew(person('Wenna', ['driving'], 34, 40));
	const { plan, violations } = planned(dayOf(late), {}, 300);
	assert.deepEqual(violations, []);
	assert.ok(!holds(plan));
	assert.deepEqual(
		plan.cautions.map(({ kind }) => kind),
		['nobody-for-drop']
	);
});

test('what was told for before is taken as done at its time, by who was told to do it', () => {
	const day = dayOf(crew(person('Wenna', ['packing', 'driving'], 24, 36)));
	const { plan } = planned(day, {}, 300);
	const done = takenAsDone(day, plan, FERRY_MS + 60 * MINUTE);
	const load = plan.deliveries.find(({ what }) => what === 'load');
	assert.deepEqual(
		done.find(({ task }) => task === `drop:${load!.dropId}:go`),
		{
			task: `drop:${load!.dropId}:go`,
			group: `drop:${load!.dropId}:go`,
			startMs: load!.fromMs,
			machineId: null,
			personIds: ['wenna']
		}
	);
	const again = planned(day, { nowMs: FERRY_MS + 60 * MINUTE, done }, 60);
	assert.deepEqual(again.violations, []);
	assert.deepEqual(
		again.plan.deliveries.find(({ what, dropId }) => what === 'load' && dropId === load!.dropId),
		load
	);
});

test('an oven without a timer is hot only when somebody was there to switch it on', () => {
	const [oven] = DAY.bakery.ovens;
	const comes = 12;
	const day = (switchOnTimer: boolean): BakeDayInput => ({
		...DAY,
		bakery: { ...DAY.bakery, ovens: [{ ...oven!, switchOnTimer, preheatMinutes: 16 * 60 }] },
		people: [
			person('Maud', [...BAKERS, 'packing'], comes, 40),
			person('Ilo', [...BAKERS, 'packing'], comes + 2, 40)
		]
	});
	const firstLoad = (switchOnTimer: boolean, wishes: readonly PlanWish[] = []) => {
		const { plan, violations } = planned(day(switchOnTimer), { wishes }, 300);
		assert.deepEqual(violations, []);
		const on = plan.ovens.find(({ kind }) => kind === 'switch-on');
		assert.equal(on?.byTimer, switchOnTimer);
		return on?.atMs ?? 0;
	};
	const comesMs = Date.UTC(2026, 10, 23, comes);
	assert.ok(firstLoad(true) < comesMs, 'by its timer it heats before anybody is there');
	assert.ok(firstLoad(false) >= comesMs);
	// Who is away switches nothing on: the other comes two hours later.
	const later = comesMs + 2 * 60 * MINUTE;
	assert.ok(firstLoad(false, [{ kind: 'away', personId: 'maud', fromMs: 0 }]) >= later);
});

test('an oven that takes longer to load has its bakes begin and end later', () => {
	const [oven] = DAY.bakery.ovens;
	const day = (loadingMinutes: number): BakeDayInput => ({
		...DAY,
		bakery: { ...DAY.bakery, ovens: [{ ...oven!, loadingMinutes }] }
	});
	for (const minutes of [2, 5, 12]) {
		const { plan, violations } = planned(day(minutes));
		assert.deepEqual(violations, []);
		for (const { step, startMs, endMs } of plan.tasks)
			if (step.kind === 'bake')
				assert.equal((endMs - startMs) / MINUTE, minutes + step.bakeMinutes);
	}
});
