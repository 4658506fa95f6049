import { test } from 'node:test';
import assert from 'node:assert/strict';
import { inOneGo } from '../../core/schedule/index.ts';
import { DAY, FERRY_MS, person, planned } from '../../core/planning/harbour-day.fixture.ts';
import { judgePlacement, waysOut, type BakeDayInput } from '../../core/planning/index.ts';
import { agreedText } from '../../wording/agreed-text.ts';
import { askedText, heldText, thenText } from './ways-out-text.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing'] as const;

/** What a baker is told of each way out of a night. */
function told(input: BakeDayInput, nowMs: number | null = null) {
	const conditions = { nowMs, wishes: [], done: [] };
	const ways = inOneGo(waysOut(input, conditions, null, { seed: 1, moves: 150 }));
	assert.ok(ways.kind === 'clash');
	return ways.ways.map(({ givenUp, found: placement }) => {
		const [held] = givenUp;
		assert.ok(held);
		const { plan } = judgePlacement(input, placement);
		return {
			held: heldText(held, null, input, 'UTC'),
			asked: askedText(givenUp, { placement, plan }, [], input, 'UTC'),
			then: thenText({ plan }),
			agreed: plan.drops.map((drop) => agreedText(drop, input, 'UTC')).filter((text) => text !== '')
		};
	});
}

test('a drop that has to wait is told with how long, until when, and what was ordered', () => {
	const [way] = told(DAY, FERRY_MS - 12 * 3_600_000);
	assert.equal(way?.held, 'Ferry packed by 05:10');
	const [, minutes, until] =
		/^Ferry waits (\d+) min, packed by (\d\d:\d\d)$/.exec(way?.asked ?? '') ?? [];
	assert.ok(minutes && until, way?.asked);
	assert.equal(until, `05:${10 + Number(minutes)}`, 'the ferry is due at ten past five');
	assert.deepEqual(way?.agreed, [`${minutes} min later than ordered (05:10), to be agreed.`]);
	assert.match(way?.then ?? '', /^Then every drop holds, (Ferry|Shop) with /);
});

test('hours that are too short are told with when somebody comes or goes instead', () => {
	const ways = told({
		...DAY,
		people: [person('Maud', ALL, 14, 26), person('Ilo', ['mixing', 'shaping'], 14, 31)]
	});
	const maud = ways.find(({ held }) => held.startsWith('Maud'));
	assert.equal(maud?.held, 'Maud from 14:00 to 02:00');
	assert.match(
		maud?.asked ?? '',
		/Maud (stays until 0\d:\d\d, .+ longer|comes at 1\d:\d\d, .+ sooner)/
	);
});

test('a wish that is in the way is offered to be let go', () => {
	const bake = planned(DAY).plan.tasks.find(({ step }) => step.kind === 'bake');
	assert.ok(bake?.placedAs);
	const { plan, placement } = planned(DAY);
	const wish = { kind: 'start' as const, task: bake.placedAs, atMs: FERRY_MS };
	const held = { kind: 'wish' as const, wish };
	assert.match(askedText([held], { placement, plan }, [wish], DAY, 'UTC'), /^Let go: .* at 05:10$/);
});
