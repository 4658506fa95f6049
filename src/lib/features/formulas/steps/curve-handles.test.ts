import { test } from 'node:test';
import assert from 'node:assert/strict';
import { changeAt, PLAIN_PROGRAMME } from '../../../core/baking/index.ts';
import type { BakeStep } from '../../../core/formula/index.ts';
import { curveHandles, minuteOf, moved, settingOf } from './curve-handles.ts';

const BAKE: BakeStep = {
	kind: 'bake',
	loadCelsius: 250,
	bakeMinutes: 40,
	steamSeconds: 15,
	coreCelsius: 98,
	programme: {
		...PLAIN_PROGRAMME,
		turnAtMinutes: 25,
		changes: [
			{ ...changeAt(10), celsius: 230 },
			{ ...changeAt(30), ventOpen: true }
		]
	}
};
const fives = (celsius: number) => 5 * Math.round(celsius / 5);
const to = (minutes: number, celsius: number) => ({ minutes, celsius });

test('everything that has its minute is on the curve, and what changes the setting has its degrees too', () => {
	const handles = curveHandles(BAKE);
	assert.deepEqual(
		handles.map((handle) => [handle.kind, minuteOf(BAKE, handle), settingOf(BAKE, handle)]),
		[
			['load', 0, 250],
			['change', 10, 230],
			['change', 30, null],
			['turn', 25, null],
			['out', 40, null]
		]
	);
});

test('a change is drawn to whole minutes and degrees, and stays between its neighbours', () => {
	const first = { kind: 'change', at: 0 } as const;
	const drawn = moved(BAKE, first, to(14.4, 212.7), fives);
	assert.deepEqual(
		drawn.programme.changes.map(({ atMinutes, celsius }) => [atMinutes, celsius]),
		[
			[14, 215],
			[30, null]
		]
	);
	assert.deepEqual({ ...drawn, programme: BAKE.programme }, BAKE, 'nothing else is touched');
	assert.equal(moved(BAKE, first, to(38, 230), fives).programme.changes[0]?.atMinutes, 29);
	assert.equal(moved(BAKE, first, to(-3, 999), fives).programme.changes[0]?.atMinutes, 1);
	assert.equal(moved(BAKE, first, to(5, 999), fives).programme.changes[0]?.celsius, 400);
	// What changes no setting has none by being drawn up or down.
	const vent = moved(BAKE, { kind: 'change', at: 1 }, to(33, 180), fives);
	assert.deepEqual(vent.programme.changes[1], { ...changeAt(33), ventOpen: true });
});

test('loading has only its heat, the end only its minute, and nothing is done after it', () => {
	assert.equal(moved(BAKE, { kind: 'load' }, to(9, 262), fives).loadCelsius, 260);
	assert.equal(moved(BAKE, { kind: 'out' }, to(44.6, 100), fives).bakeMinutes, 45);
	assert.equal(moved(BAKE, { kind: 'out' }, to(5, 100), fives).bakeMinutes, 31);
	assert.equal(moved(BAKE, { kind: 'turn' }, to(90, 0), fives).programme.turnAtMinutes, 39);
});
