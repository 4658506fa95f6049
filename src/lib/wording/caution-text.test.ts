import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DAY, person, planned } from '../core/planning/harbour-day.fixture.ts';
import { cautionText } from './caution-text.ts';
import { toDoList } from './task-text.ts';

test('a list says of what has no hands that nobody does it yet', () => {
	const alone = { ...DAY, people: [person('Maud', ['mixing'], 14, 19)] };
	const entries = toDoList(planned(alone).plan, alone);
	const whoLoads = entries.filter(({ what }) => what.startsWith('Load ')).map(({ who }) => who);
	assert.notDeepEqual(whoLoads, []);
	assert.deepEqual([...new Set(whoLoads)], ['nobody yet']);
	// Each thing that is lacking hands is told once in the list, and nothing else is.
	const lacking = entries.filter(({ who }) => who === 'nobody yet');
	for (const { what, personIds } of lacking) assert.deepEqual(personIds, [], what);
	const named = entries.filter(({ handsOn, who }) => handsOn && who === 'Maud');
	assert.notDeepEqual(named, []);
	// A bakery that enters no shifts is told of no one.
	const all = toDoList(planned(DAY).plan, DAY).map(({ who }) => who);
	assert.deepEqual([...new Set(all)], ['']);
});

const told = (input: typeof DAY) => {
	const { plan } = planned(input);
	return plan.cautions.map((caution) => cautionText(caution, plan.tasks, input, 'UTC'));
};

test('where nobody is there the very thing is told that has no hands, a fold as a fold and a load as a load', () => {
	// Nobody after seven in the evening: folds, shaping and the oven are left.
	const alone = { ...DAY, people: [person('Maud', ['mixing'], 14, 19)] };
	const texts = told(alone);
	assert.ok(
		texts.some((text) =>
			/^Nobody is free who could fold Harbour dough, mix \d of 2 at \d\d:\d\d, for 5 min\.$/.test(
				text
			)
		),
		texts.join('\n')
	);
	for (const act of ['load', 'draw'])
		assert.ok(
			texts.some((text) => text.startsWith(`Nobody is free who could ${act} Harbour round`)),
			texts.join('\n')
		);
	for (const text of texts) assert.doesNotMatch(text, /could (bulk|proof|ferment|bake)/);
});

test('what waits too long is told with what it waits in', () => {
	// A levain that was stirred at noon has to wait for whoever comes at eight.
	const late = {
		...DAY,
		people: [person('Maud', ['mixing', 'shaping', 'oven', 'packing'], 20, 31)],
		builds: DAY.builds.map((build) => ({
			...build,
			begun: { mixedAtMs: Date.UTC(2026, 10, 23, 12), endedAtMs: null }
		}))
	};
	const texts = told(late).filter((text) => text.includes('past its late mark'));
	assert.notDeepEqual(texts, []);
	for (const text of texts)
		assert.match(text, /past its late mark \((bulk|ferment|proof)\), until /);
});
