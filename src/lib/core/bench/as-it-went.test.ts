import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { DAY, person, planned } from '../planning/harbour-day.fixture.ts';
import type { DayTask } from '../planning/index.ts';
import { asItWent, worksOf, workStates, type Work, type WorkEntry } from './index.ts';
import { tap } from './taps.fixture.ts';

const MINUTE = 60_000;
const CREW = [person('Maud', ['mixing', 'shaping', 'oven', 'packing'], 12, 31)];
const { plan } = planned({ ...DAY, people: CREW });
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
const first = Math.min(...works.map(({ atMs }) => atMs));
const MIX = 'mix:loaf:1';
const COLD = new Map<string, number>();
const went = (entries: readonly WorkEntry[], nowMs: number, off = COLD) =>
	asItWent(plan, workStates(entries), nowMs, off);
const taskOf = (tasks: readonly DayTask[], { taskId }: Pick<Work, 'taskId'>): DayTask => {
	const found = tasks.find(({ id }) => id === taskId);
	assert.ok(found, `${taskId} is drawn`);
	return found;
};
const bulk = taskOf(plan.tasks, fold);
const minutes = (ms: number) => Math.round(ms / MINUTE);

/** The dough is out of the mixer and divided so much later than planned. */
const later = (outBy: number, dividedBy: number) => [
	tap(mix.key, 'begun', mix.atMs + outBy * MINUTE),
	tap(out.key, 'ended', out.endMs + outBy * MINUTE),
	tap(divide.key, 'begun', divide.atMs + dividedBy * MINUTE)
];

test('with nothing told a night is drawn as planned, and all of it as a forecast', () => {
	const { plan: drawn, told } = went([], first - MINUTE);
	assert.deepEqual(drawn, plan);
	assert.equal(told.size, 0);
});

test('a dough divided 20 minutes late has its bulk drawn 20 minutes longer, and its fold in proportion', () => {
	const taps = later(0, 20);
	const { plan: drawn, told } = went(taps, divide.atMs + 21 * MINUTE);
	const own = taskOf(drawn.tasks, fold);
	assert.equal(own.startMs, bulk.startMs);
	assert.equal(minutes(own.endMs - bulk.endMs), 20);
	const fromFold = (own.foldsMs[0] ?? 0) - (bulk.foldsMs[0] ?? 0);
	assert.ok(fromFold >= 0 && fromFold < 20 * MINUTE, `the fold moves by ${minutes(fromFold)}`);
	assert.ok(told.has(bulk.id), 'the bulk between two told works is known');
	assert.ok(told.has(taskOf(drawn.tasks, mix).id));
});

test('a dough late from the mixer on is late all the way, as a forecast from there', () => {
	const { plan: drawn, told } = went(later(30, 30).slice(0, 2), out.endMs + 30 * MINUTE);
	for (const { id, batch, startMs } of plan.tasks) {
		const own = drawn.tasks.find((task) => task.id === id);
		assert.ok(own);
		const isOfIt =
			batch.kind !== 'preparation' && batch.formulaId === 'loaf' && batch.ordinal === 1;
		if (isOfIt && startMs >= out.endMs) {
			assert.equal(minutes(own.startMs - startMs), 30, id);
			assert.equal(told.has(id), id === bulk.id, id);
		}
	}
});

test('a dough 5 degrees warm is drawn as warm, comes back to its plan where it stands, and loses its marks', () => {
	const nowMs = divide.atMs + MINUTE;
	const { plan: drawn } = went(later(0, 0), nowMs, new Map([[MIX, 5]]));
	const off = (task: DayTask, at: 'start' | 'end') => {
		const own = drawn.tasks.find(({ id }) => id === task.id);
		const of = (celsius: readonly number[]) =>
			(at === 'start' ? celsius[0] : celsius.at(-1)) ?? NaN;
		return of(own?.celsius ?? []) - of(task.celsius);
	};
	assert.equal(off(taskOf(plan.tasks, mix), 'end'), 5);
	assert.equal(off(bulk, 'start'), 5);
	// By Newton's law over the planned legs.
	const { step } = bulk;
	assert.ok(step.kind === 'wait' && step.legs.length === 1);
	const tau = step.legs[0]?.timeConstantMinutes ?? NaN;
	const expected = 5 * Math.exp(-(bulk.endMs - bulk.startMs) / MINUTE / tau);
	assert.ok(Math.abs(off(bulk, 'end') - expected) < 1e-9, `${off(bulk, 'end')} for ${expected}`);
	assert.equal(drawn.tasks.find(({ id }) => id === bulk.id)?.marks, null);
	for (const task of plan.tasks)
		if (task.step.kind === 'bake') assert.equal(off(task, 'end'), 0, 'an oven does not know');
});

test('whatever is tapped, what follows in a batch is not drawn before what it follows', () => {
	const shifts = fc.array(
		fc.record({ at: fc.nat(works.length - 1), by: fc.integer({ min: -90, max: 240 }) }),
		{ maxLength: 12 }
	);
	fc.assert(
		fc.property(shifts, fc.integer({ min: 0, max: 16 }), (moved, hours) => {
			const taps = moved.flatMap(({ at, by }) => {
				const work = works[at];
				return work ? [tap(work.key, 'ended', work.endMs + by * MINUTE)] : [];
			});
			const { plan: drawn } = went(taps, first + hours * 60 * MINUTE, new Map([[MIX, 3]]));
			for (const [index, task] of drawn.tasks.entries()) {
				assert.ok(task.endMs >= task.startMs, task.id);
				assert.ok(task.celsius.every(Number.isFinite), task.id);
				assert.equal(task.id, plan.tasks[index]?.id);
			}
		})
	);
});
