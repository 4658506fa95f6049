import { test } from 'node:test';
import assert from 'node:assert/strict';
import { stagedWalk, type WalkedStage } from './index.ts';

const HOUR_MS = 3_600_000;
const NOW = Date.UTC(2026, 10, 24, 6);
const at = (hours: number) => NOW + hours * HOUR_MS;
const stage = (plannedHours: number, change: Partial<WalkedStage> = {}): WalkedStage => ({
	plannedMs: at(plannedHours),
	minutes: 300,
	mixedAtMs: null,
	ripeMs: null,
	endedAtMs: null,
	...change
});

test('three stages as planned lead to the bread as planned', () => {
	const walk = stagedWalk([stage(1), stage(6.5), stage(12)], at(18), NOW);
	assert.deepEqual(
		walk.stages.map(({ state, startMs, readyMs }) => [state, startMs, readyMs]),
		[
			['next', at(1), at(6)],
			['waiting', at(6.5), at(11.5)],
			['waiting', at(12), at(17)]
		]
	);
	assert.deepEqual([walk.current, walk.breadMs, walk.lateMinutes], [0, at(18), 0]);
});

test('a stage that ripens late moves what comes after it by what is not slack', () => {
	const first = stage(-4, { mixedAtMs: at(-4), ripeMs: at(2.5) });
	const walk = stagedWalk([first, stage(1.5), stage(7)], at(13), NOW);
	assert.equal(walk.stages[0]?.state, 'ripening');
	assert.equal(walk.stages[1]?.startMs, at(2.5), 'not before the one before is ripe');
	assert.equal(walk.breadMs, at(13));
	assert.equal(walk.lateMinutes, 0, 'half an hour of slack and a half were there');
	const later = stagedWalk([{ ...first, ripeMs: at(5) }, stage(1.5), stage(7)], at(13), NOW);
	assert.equal(later.lateMinutes, 120);
	assert.equal(later.breadMs, at(15));
});

test('what was taken is behind, and what should have been begun begins now', () => {
	const done = stage(-9, { mixedAtMs: at(-9), ripeMs: at(-4), endedAtMs: at(-3) });
	const walk = stagedWalk([done, stage(-2)], at(4), NOW);
	assert.equal(walk.current, 1);
	assert.deepEqual(walk.stages[1], { state: 'next', startMs: NOW, readyMs: at(5) });
	assert.equal(walk.lateMinutes, 60);
	// Ripe since an hour and not taken: the next begins now, not then.
	const ripe = stage(-6, { mixedAtMs: at(-6), ripeMs: at(-1) });
	assert.equal(stagedWalk([ripe, stage(-1)], null, NOW).stages[1]?.startMs, NOW);
	const all = stagedWalk([done], null, NOW);
	assert.deepEqual([all.current, all.breadMs, all.lateMinutes], [null, at(-3), 0]);
});
