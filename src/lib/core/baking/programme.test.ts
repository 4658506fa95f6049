import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	bakeMarks,
	bakeOver,
	changeAt,
	endCelsiusOf,
	phasesOf,
	PLAIN_PROGRAMME,
	programmeProblems,
	type BakeChange
} from './index.ts';

const BAKE = {
	loadCelsius: 250,
	bakeMinutes: 42,
	steamSeconds: 8,
	coreCelsius: 97,
	programme: PLAIN_PROGRAMME
};
const withChanges = (...changes: readonly BakeChange[]) => ({
	...BAKE,
	programme: { ...PLAIN_PROGRAMME, changes }
});
const FALLING = withChanges(
	{ ...changeAt(15), celsius: 220 },
	{ ...changeAt(32), ventOpen: true, celsius: 210 }
);

test('worked figure: a falling bake has a phase for each setting, and ends at the last', () => {
	assert.deepEqual(
		phasesOf(FALLING).map(({ fromMinutes, toMinutes, celsius, ventOpen, steamSeconds }) => [
			fromMinutes,
			toMinutes,
			celsius,
			ventOpen,
			steamSeconds
		]),
		[
			[0, 15, 250, false, 8],
			[15, 32, 220, false, 0],
			[32, 42, 210, true, 0]
		]
	);
	assert.equal(endCelsiusOf(FALLING), 210);
	assert.equal(endCelsiusOf(BAKE), 250);
});

test('what is done to a load comes in order, the drawing last', () => {
	const bake = {
		...FALLING,
		programme: { ...FALLING.programme, turnAtMinutes: 25, checkAtMinutes: 38 }
	};
	assert.deepEqual(
		bakeMarks(bake).map(({ kind, atMinutes }) => [kind, atMinutes]),
		[
			['change', 15],
			['turn', 25],
			['change', 32],
			['check', 38],
			['out', 42]
		]
	);
});

test('another weight stretches every minute of a bake and no setting', () => {
	const longer = bakeOver(FALLING, { minutes: 48.7 });
	assert.equal(longer.bakeMinutes, 48.7);
	assert.deepEqual(
		phasesOf(longer).map(({ celsius, toMinutes }) => [celsius, Math.round(toMinutes * 10) / 10]),
		[
			[250, 17.4],
			[220, 37.1],
			[210, 48.7]
		]
	);
});

test('what cannot be meant is told by its minute', () => {
	const cases: readonly [ReturnType<typeof withChanges>, string, number][] = [
		[withChanges({ ...changeAt(42), celsius: 200 }), 'change-outside-the-bake', 42],
		[withChanges({ ...changeAt(0), celsius: 200 }), 'change-outside-the-bake', 0],
		[
			withChanges({ ...changeAt(9), celsius: 200 }, { ...changeAt(9), lid: false }),
			'changes-at-one-minute',
			9
		],
		[withChanges(changeAt(9)), 'nothing-changes', 9],
		[
			withChanges({ ...changeAt(9), ventOpen: true }, { ...changeAt(20), steamSeconds: 5 }),
			'steam-under-an-open-vent',
			20
		],
		[
			{ ...BAKE, programme: { ...PLAIN_PROGRAMME, turnAtMinutes: 50 } },
			'mark-outside-the-bake',
			50
		],
		[
			{
				...BAKE,
				programme: {
					...PLAIN_PROGRAMME,
					atLoading: { ...PLAIN_PROGRAMME.atLoading, ventOpen: true }
				}
			},
			'steam-under-an-open-vent',
			0
		]
	];
	for (const [bake, kind, atMinutes] of cases)
		assert.deepEqual(programmeProblems(bake), [{ kind, atMinutes }]);
	assert.deepEqual(programmeProblems(FALLING), []);
	assert.deepEqual(programmeProblems(BAKE), []);
});

test('phases follow one another from loading to drawing, whatever the changes', () => {
	const change = fc.record({
		atMinutes: fc.integer({ min: -5, max: 60 }),
		celsius: fc.option(fc.integer({ min: 60, max: 400 })),
		topPercent: fc.option(fc.integer({ min: 0, max: 100 })),
		bottomPercent: fc.option(fc.integer({ min: 0, max: 100 })),
		fan: fc.option(fc.boolean()),
		ventOpen: fc.option(fc.boolean()),
		lid: fc.option(fc.boolean()),
		steamSeconds: fc.integer({ min: 0, max: 20 })
	});
	fc.assert(
		fc.property(fc.array(change, { maxLength: 6 }), (changes) => {
			const bake = withChanges(...changes);
			if (programmeProblems(bake).some(({ kind }) => kind === 'change-outside-the-bake')) return;
			const phases = phasesOf(bake);
			assert.equal(phases[0]?.fromMinutes, 0);
			assert.equal(phases.at(-1)?.toMinutes, BAKE.bakeMinutes);
			phases.forEach((phase, at) => {
				assert.ok(phase.toMinutes > phase.fromMinutes);
				if (at > 0) assert.equal(phase.fromMinutes, phases[at - 1]?.toMinutes);
			});
			const minutes = phases.reduce((sum, one) => sum + one.toMinutes - one.fromMinutes, 0);
			assert.ok(Math.abs(minutes - BAKE.bakeMinutes) < 1e-9);
		})
	);
});
