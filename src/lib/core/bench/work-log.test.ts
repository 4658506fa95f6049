import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { changesAnything, workStates, WORK_ACTS, type WorkEntry } from './index.ts';
import { tap } from './taps.fixture.ts';

const MINUTE = 60_000;
const MIX = 'mix:loaf:1:0 do 0';

const taps = fc.array(
	fc.record({
		id: fc.uuid(),
		work: fc.constantFrom(MIX, 'other'),
		act: fc.constantFrom(...WORK_ACTS),
		atMs: fc.integer({ min: 0, max: 40 }).map((minute) => minute * MINUTE),
		by: fc.constantFrom('Ilo', 'Maud'),
		untilMs: fc.integer({ min: 41, max: 60 }).map((minute) => minute * MINUTE),
		because: fc.constant(''),
		celsius: fc.constant(null)
	}),
	{ maxLength: 12 }
);
const inTime = (entries: readonly WorkEntry[]) =>
	new Set(entries.map(({ atMs }) => atMs)).size === entries.length;

test('begun and ended, in whatever order they are told: done between the two', () => {
	const begun = tap(MIX, 'begun', 5 * MINUTE);
	const ended = tap(MIX, 'ended', 20 * MINUTE);
	for (const entries of [
		[begun, ended],
		[ended, begun]
	]) {
		const state = workStates(entries).get(MIX);
		assert.deepEqual(state, {
			kind: 'done',
			fromMs: 5 * MINUTE,
			toMs: 20 * MINUTE,
			entry: ended
		});
	}
	assert.deepEqual(workStates([ended]).get(MIX), {
		kind: 'done',
		fromMs: null,
		toMs: 20 * MINUTE,
		entry: ended
	});
	assert.equal(workStates([]).get(MIX), undefined);
});

test('what is put off is open again until then, with its reason; what is in hand cannot be put off', () => {
	const off = tap(MIX, 'put-off', 0, { untilMs: 10 * MINUTE, because: 'no hands free' });
	assert.deepEqual(workStates([off]).get(MIX), {
		kind: 'put-off',
		untilMs: 10 * MINUTE,
		because: 'no hands free',
		entry: off
	});
	assert.equal(workStates([off, tap(MIX, 'begun', MINUTE)]).get(MIX)?.kind, 'begun');
	assert.equal(workStates([tap(MIX, 'begun', 0), { ...off, atMs: 1 }]).get(MIX)?.kind, 'begun');
	assert.equal(
		workStates([tap(MIX, 'left-out', 0), { ...off, atMs: 1 }]).get(MIX)?.kind,
		'left-out'
	);
});

test('a second tap on what is done, by whomever, changes nothing; a beginning told later does', () => {
	const ended = tap(MIX, 'ended', 20 * MINUTE);
	assert.equal(changesAnything([ended], tap(MIX, 'ended', 21 * MINUTE, { by: 'Maud' })), false);
	assert.equal(changesAnything([ended], tap(MIX, 'begun', 21 * MINUTE)), false);
	assert.equal(changesAnything([ended], tap(MIX, 'begun', 8 * MINUTE)), true);
	assert.equal(changesAnything([], tap(MIX, 'begun', 8 * MINUTE)), true);
	const begun = tap(MIX, 'begun', 8 * MINUTE);
	assert.equal(changesAnything([begun], tap(MIX, 'begun', 9 * MINUTE)), false);
	assert.equal(changesAnything([ended], tap('other', 'ended', 21 * MINUTE)), true);
});

test('property: where works stand does not depend on the order in which taps arrive', () => {
	fc.assert(
		fc.property(taps.filter(inTime), fc.integer(), (entries, seed) => {
			const shuffled = [...entries].sort(
				(a, b) => ((a.atMs * 7919 + seed) % 101) - ((b.atMs * 7919 + seed) % 101)
			);
			assert.deepEqual(workStates(shuffled), workStates(entries));
		})
	);
});

test('property: a tap that changes nothing can be left out, and one that is over stays over', () => {
	fc.assert(
		fc.property(taps.filter(inTime), (entries) => {
			const kept = entries.reduce<readonly WorkEntry[]>(
				(all, entry) => (changesAnything(all, entry) ? [...all, entry] : all),
				[]
			);
			const [whole, less] = [workStates(entries), workStates(kept)];
			for (const [work, state] of whole)
				assert.deepEqual(less.get(work) ?? { kind: 'open' }, state);
			for (const [work, state] of whole) {
				if (state.kind !== 'done') continue;
				const later = workStates([...entries, tap(work, 'begun', 99 * MINUTE)]).get(work);
				assert.deepEqual(later, state);
			}
		})
	);
});
