import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, person, planned } from '../planning/harbour-day.fixture.ts';
import {
	alsoKnown,
	boardOf,
	dropsExpected,
	expectedOf,
	isTakenAsTapped,
	nightLog,
	takenAsTapped,
	worksOf,
	workStates,
	type Work,
	type WorkEntry
} from './index.ts';
import { tap } from './taps.fixture.ts';

const MINUTE = 60_000;
const CREW = [person('Maud', ['mixing', 'shaping', 'oven', 'packing'], 12, 31)];
const day = { ...DAY, people: CREW };
const { plan } = planned(day);
const works = worksOf(plan);
const named = (part: string): Work => {
	const found = works.find(({ key }) => key.startsWith(part));
	assert.ok(found, `${part} in ${works.map(({ key }) => key).join(', ')}`);
	return found;
};
const mix = named('mix:loaf:1:0 do');
const out = named('mix:loaf:1:0 end');
const fold = named('mix:loaf:1:1 fold');
const divide = named('portion:loaf:1:round:0 do');
const at = (entries: readonly WorkEntry[], nowMs: number, of: readonly Work[] = works) =>
	expectedOf(of, workStates(entries), nowMs);
const one = (entries: readonly WorkEntry[], nowMs: number, { key }: Work) => {
	const found = at(entries, nowMs).find(({ work }) => work.key === key);
	assert.ok(found);
	return found;
};
const minutes = (ms: number) => Math.round(ms / MINUTE);

test('with nothing tapped before its first hour a night stands as planned', () => {
	const first = Math.min(...works.map(({ atMs }) => atMs));
	for (const { work, dueMs, fromMs, toMs, isPassed } of at([], first - MINUTE)) {
		assert.deepEqual([dueMs, fromMs, toMs], [work.atMs, work.atMs, work.endMs], work.key);
		assert.equal(isPassed, false);
	}
});

test('a dough out of the mixer 20 minutes late is folded, divided and packed 20 minutes later', () => {
	const taps = [
		tap(mix.key, 'begun', mix.atMs + 20 * MINUTE),
		tap(mix.key, 'ended', mix.endMs + 20 * MINUTE),
		tap(out.key, 'ended', out.endMs + 20 * MINUTE)
	];
	const nowMs = out.endMs + 20 * MINUTE;
	assert.equal(minutes(one(taps, nowMs, fold).dueMs - fold.atMs), 20);
	assert.equal(minutes(one(taps, nowMs, divide).dueMs - divide.atMs), 20);
	const other = named('mix:loaf:2:0 do');
	assert.equal(one(taps, nowMs, other).dueMs, other.atMs, 'another mix keeps its time');
	const before = dropsExpected(day, plan, at([], mix.atMs));
	const after = dropsExpected(day, plan, at(taps, nowMs));
	const ferry = (of: typeof before) => of.find(({ name }) => name === 'Ferry')?.readyMs ?? 0;
	assert.equal(ferry(before), plan.drops.find(({ name }) => name === 'Ferry')?.readyMs);
	assert.ok(ferry(after) >= ferry(before));
	assert.ok(minutes(ferry(after) - ferry(before)) <= 20);
});

test('what is due and not begun holds up what follows; a fold that nobody tapped holds up nothing', () => {
	const begun = tap(mix.key, 'ended', mix.endMs);
	const late = out.atMs + 12 * MINUTE;
	assert.equal(minutes(one([begun], late, divide).dueMs - divide.atMs), 12, 'still in the mixer');
	assert.equal(one([begun], late, fold).waitsFor, out.key);
	const ended = tap(out.key, 'ended', out.endMs);
	const afterFold = fold.atMs + 30 * MINUTE;
	assert.equal(one([begun, ended], afterFold, fold).dueMs, fold.atMs);
	assert.equal(one([begun, ended], afterFold, divide).dueMs, divide.atMs);
	const off = tap(divide.key, 'put-off', divide.atMs, { untilMs: divide.atMs + 25 * MINUTE });
	assert.equal(one([begun, ended, off], divide.atMs, divide).dueMs, divide.atMs + 25 * MINUTE);
});

test('what nobody tapped is gone by once what follows was begun, or long before a station tapped at all', () => {
	const taps = [tap(mix.key, 'ended', mix.endMs), tap(divide.key, 'begun', divide.atMs)];
	assert.equal(one(taps, divide.atMs, fold).isPassed, true);
	assert.equal(one([], mix.endMs + 30 * MINUTE, mix).isPassed, false, 'half an hour late is late');
	assert.equal(
		one([], mix.endMs + 61 * MINUTE, mix).isPassed,
		true,
		'the mixers do not tap tonight'
	);
	// The mixers tap since the other mix: what was due long before is gone by, what was due just before is late.
	const other = named('mix:loaf:2:0 do');
	const since = tap(other.key, 'begun', mix.endMs + 70 * MINUTE);
	assert.equal(one([since], mix.endMs + 80 * MINUTE, mix).isPassed, true);
	const soon = tap(other.key, 'begun', mix.endMs + 30 * MINUTE);
	assert.equal(one([soon], mix.endMs + 90 * MINUTE, mix).isPassed, false);
	const never = (entries: readonly WorkEntry[]) =>
		expectedOf(works, workStates(entries), out.endMs + 10 * MINUTE, false);
	assert.ok(
		never([]).every(({ isPassed, work }) => isPassed === work.endMs < out.endMs + 10 * MINUTE),
		'where nobody ever taps, what is over is over'
	);
	assert.equal(
		never([tap(out.key, 'begun', out.endMs)]).some(
			({ work, isPassed }) => work === out && isPassed
		),
		false,
		'until somebody does'
	);
	const stands = one([], mix.endMs + 61 * MINUTE, mix);
	assert.deepEqual([stands.fromMs, stands.toMs], [mix.atMs, mix.endMs], 'as its plan says');
});

test('a dough that was measured is out of the mixer, though nobody tapped it', () => {
	const measured = out.endMs + 7 * MINUTE;
	const known = alsoKnown(works, plan, [{ batch: 'mix:loaf:1', atMs: measured }]);
	assert.deepEqual(
		known.map(({ work, atMs }) => [work, atMs - measured]),
		[
			[mix.key, mix.endMs - out.endMs],
			[out.key, 0]
		]
	);
	assert.equal(
		known.some(({ work }) => work === fold.key),
		false
	);
	assert.equal(minutes(one(known, measured, divide).dueMs - divide.atMs), 7);
});

test('now is what is in hand, then what is due; a person sees their own and what is nobody’s', () => {
	const nowMs = divide.atMs + 6 * MINUTE;
	const other = named('mix:loaf:2:0 do');
	const taps = [
		tap(mix.key, 'ended', mix.endMs),
		...works
			.filter(({ atMs, key }) => atMs < divide.atMs && key !== mix.key && key !== other.key)
			.map(({ key, endMs }) => tap(key, 'ended', endMs)),
		tap(other.key, 'begun', divide.atMs)
	];
	const board = boardOf(at(taps, nowMs), { kind: 'all' }, nowMs);
	assert.equal(board.now[0]?.work.key, other.key);
	const due = board.now.find(({ work }) => work.key === divide.key);
	assert.equal(due?.lateMinutes, 6);
	assert.ok(board.next.every(({ dueMs }) => dueMs > nowMs));
	const [newest, older] = board.over;
	assert.ok(newest && older && newest.toMs >= older.toMs);
	const bench = boardOf(at(taps, nowMs), { kind: 'station', station: 'bench' }, nowMs);
	assert.ok([...bench.now, ...bench.next].every(({ work }) => work.station === 'bench'));
	const stranger = boardOf(at(taps, nowMs), { kind: 'person', personId: 'ilo' }, nowMs);
	assert.ok(stranger.now.every(({ work }) => work.personIds.length === 0));
	const maud = boardOf(at(taps, nowMs), { kind: 'person', personId: 'maud' }, nowMs);
	assert.equal(maud.now.length, board.now.length);
});

test('planned again from taps: what was done ends when it ended, what was begun early stands, what nobody did is to come', () => {
	const lateMs = 30 * MINUTE;
	const taps = [
		...works
			.filter(({ key, atMs }) => atMs <= mix.atMs && key !== mix.key)
			.map(({ key, endMs }) => tap(key, 'ended', endMs)),
		tap(mix.key, 'begun', mix.atMs + lateMs),
		tap(out.key, 'ended', out.endMs + lateMs)
	];
	const nowMs = out.endMs + lateMs + 5 * MINUTE;
	const done = takenAsTapped(day, plan, workStates(taps), nowMs);
	const ofMix = done.find(({ task }) => task === mix.taskId);
	assert.equal(ofMix?.startMs, mix.atMs + lateMs);
	const other = named('mix:loaf:2:0 do');
	if (other.atMs < nowMs)
		assert.equal(
			done.some(({ task }) => task === other.taskId),
			false,
			'the other mix waits still'
		);
	const again = planned(day, { nowMs, done });
	assert.deepEqual(again.violations, []);
	const moved = again.plan.tasks.find(({ id }) => id === mix.taskId);
	assert.equal(moved?.endMs, out.endMs + lateMs);
	const early = [...taps, tap(divide.key, 'begun', nowMs - MINUTE)];
	const withEarly = takenAsTapped(day, plan, workStates(early), nowMs);
	assert.equal(
		withEarly.find(({ task }) => task === divide.taskId)?.startMs,
		Math.max(nowMs - MINUTE, nowMs - (divide.endMs - divide.atMs))
	);
});

test('what a plan takes as done is held against the taps: told some minutes before it is as told, told otherwise it is not', () => {
	const taps = [
		...works
			.filter(({ key, atMs }) => atMs <= mix.atMs && key !== mix.key)
			.map(({ key, endMs }) => tap(key, 'ended', endMs)),
		tap(mix.key, 'begun', mix.atMs)
	];
	const states = workStates(taps);
	// In hand longer than planned: it is taken to end when the plan is looked at.
	const nowMs = out.endMs + 10 * MINUTE;
	const done = takenAsTapped(day, plan, states, nowMs);
	const inHand = done.find(({ task }) => task === mix.taskId);
	assert.equal(inHand?.startMs, nowMs - (out.endMs - mix.atMs));
	const isTold = (of: typeof done, atMs: number) => isTakenAsTapped(of, day, plan, states, atMs);
	assert.equal(isTold(done, nowMs), true);
	assert.equal(isTold(done, nowMs + 7 * MINUTE), true, 'accepted some minutes later');
	assert.equal(isTold(done, nowMs + 120 * MINUTE), false);
	const [first] = done;
	assert.ok(first);
	for (const other of [
		{ ...first, startMs: first.startMs + MINUTE },
		{ ...first, startMs: first.startMs - 61 * MINUTE },
		{ ...first, task: 'mix:none:1:0' },
		{ ...first, personIds: ['nobody'] },
		{ ...first, machineId: 'another' }
	])
		assert.equal(isTold([other], nowMs), false, JSON.stringify(other));
});

test('steam that nobody told is due with its load, comes before all else, and is too late once the crust has set', () => {
	const load = named('load:loaf:1:round:1:');
	const steam: Work = {
		...load,
		key: `${load.taskId} steam`,
		kind: 'steam',
		atMs: load.endMs,
		endMs: load.endMs
	};
	const night = [...works, steam];
	const before = works
		.filter(({ atMs }) => atMs < load.atMs)
		.map(({ key, endMs }) => tap(key, 'ended', endMs));
	const loadedMs = load.endMs + 4 * MINUTE;
	const taps = [...before, tap(load.key, 'ended', loadedMs)];
	const boardAt = (nowMs: number, entries = taps) =>
		boardOf(at(entries, nowMs, night), { kind: 'all' }, nowMs);
	const soon = boardAt(loadedMs + 2 * MINUTE);
	assert.equal(soon.now[0]?.work.key, steam.key);
	assert.equal(soon.now[0]?.dueMs, loadedMs, 'it follows the real load');
	assert.equal(soon.now[0]?.lateMinutes, 2);
	assert.equal(boardAt(loadedMs).now[0]?.lateMinutes, 0);
	const late = boardAt(loadedMs + 7 * MINUTE);
	assert.equal(
		late.now.some(({ work }) => work.key === steam.key),
		false
	);
	assert.ok(late.passed.some(({ work }) => work.key === steam.key));
	const given = boardAt(loadedMs + 7 * MINUTE, [
		...taps,
		tap(steam.key, 'ended', loadedMs + MINUTE)
	]);
	assert.ok(given.over.some(({ work }) => work.key === steam.key));
	// Before its load is in there is nothing to steam.
	const open = boardAt(load.endMs + 20 * MINUTE, before);
	assert.equal(
		open.now.some(({ work }) => work.key === steam.key),
		false
	);
});

test('a night as it went: each work beside its plan, what was late first, why, and what nobody told of', () => {
	const taps = [
		tap(mix.key, 'put-off', mix.atMs, {
			untilMs: mix.atMs + 20 * MINUTE,
			because: 'no hands free'
		}),
		tap(mix.key, 'begun', mix.atMs + 20 * MINUTE),
		tap(mix.key, 'ended', mix.endMs + 25 * MINUTE),
		tap(out.key, 'ended', out.endMs + 12 * MINUTE, { by: 'Maud' }),
		tap(fold.key, 'left-out', fold.atMs, { because: 'the dough is not ready' })
	];
	const log = nightLog(works, taps, divide.endMs + 90 * MINUTE);
	assert.equal(log.of, works.length);
	assert.equal(log.done, 2);
	assert.equal(log.leftOut, 1);
	assert.deepEqual(
		log.late.map(({ work, laterMinutes }) => [work.key, laterMinutes]),
		[
			[mix.key, 25],
			[out.key, 12]
		]
	);
	const ofMix = log.batches.find(({ batch }) => batch?.kind === 'mix' && batch.ordinal === 1);
	const logged = ofMix?.works.find(({ work }) => work.key === mix.key);
	assert.equal(logged?.fromMs, mix.atMs + 20 * MINUTE);
	assert.deepEqual(logged?.because, ['no hands free']);
	assert.deepEqual(ofMix?.works.find(({ work }) => work.key === fold.key)?.because, [
		'the dough is not ready'
	]);
	assert.ok(log.untold > 0, 'what was due long before and nobody told of');
	const total = log.batches.reduce((sum, { works: all }) => sum + all.length, 0);
	assert.equal(total, works.length, 'each work stands once');
	const nothing = nightLog(works, [], mix.atMs - 600 * MINUTE);
	assert.deepEqual([nothing.done, nothing.untold, nothing.late.length], [0, 0, 0]);
});
