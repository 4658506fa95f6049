import { test } from 'node:test';
import assert from 'node:assert/strict';
import { MINUTE_MS } from '../time/index.ts';
import { id, type PlaceId } from '../identity.ts';
import { DAY, hands, person, planned, PORTION_STEPS, PROOF } from './harbour-day.fixture.ts';
import { placesFull, takenBy, whyHere, type BakeDayInput, type DayTask } from './index.ts';
import { PARTS_OF_A_TRAY } from './room-of-places.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing', 'lamination'] as const;
const FOUR = ['Maud', 'Ilo', 'Sela', 'Perrin'].map((name) => person(name, ALL, 13, 31));

/** The day with other machines, and other steps of its one product. */
const dayWith = (
	bakery: Partial<BakeDayInput['bakery']>,
	change: Partial<BakeDayInput['products'][number]> = {},
	people: BakeDayInput['people'] = FOUR
): BakeDayInput => ({
	...DAY,
	people,
	bakery: { ...DAY.bakery, ...bakery },
	products: DAY.products.map((product) => ({ ...product, ...change }))
});

const doing = (tasks: readonly DayTask[], ...activities: readonly string[]) =>
	tasks.filter(({ step }) => step.kind === 'hands-on' && activities.includes(step.activity));

/** How many of these are done at once, at most, on the plan's grid of five minutes. */
function atOnce(tasks: readonly { readonly startMs: number; readonly endMs: number }[]): number {
	return Math.max(
		0,
		...tasks.map(
			({ startMs }) =>
				tasks.filter((other) => other.startMs <= startMs && startMs < other.endMs).length
		)
	);
}

// Both portions are divided for an hour; side by side where there is room.
const LONG = { steps: [hands('divide', 60), ...PORTION_STEPS.slice(1)] };
const TOGETHER: BakeDayInput['doughs'] = DAY.doughs.map((dough) => ({
	...dough,
	mixes: dough.mixes.map((mix) => ({
		...mix,
		steps: mix.steps.slice(0, 1),
		portions: [{ ...mix.portions[0]!, pieces: 12 }]
	}))
}));

test('work at a bench waits for a place at it, and one with room for all binds nobody', () => {
	const bench = (room: number) => ({ benches: [{ id: 'long', name: 'Long bench', hands: room }] });
	const withBench = (room: number) => ({ ...dayWith(bench(room), LONG), doughs: TOGETHER });
	for (const [room, most] of [
		[1, 1],
		[2, 2],
		[4, 2]
	] as const) {
		const { plan, violations, placement, expanded } = planned(withBench(room));
		assert.deepEqual(violations, []);
		assert.deepEqual(placement.relaxed, []);
		assert.ok(atOnce(doing(plan.tasks, 'divide')) <= most, `room for ${room}`);
		const counted = expanded.problem.pools.some(({ id }) => id.startsWith('bench:'));
		assert.equal(counted, room < FOUR.length);
	}
	// What has no place waits for the one that is at it, and says so.
	const input = withBench(1);
	const { placement } = planned(input);
	const why = whyHere(input, placement);
	assert.ok(why.ok);
	const rooms = why.value
		.flatMap(({ earlier, later }) => [...earlier, ...later])
		.filter(({ kind }) => kind === 'room');
	for (const room of rooms) assert.ok(room.kind === 'room' && room.of === 'bench');
});

test('one sheeter laminates one thing at a time', () => {
	const laminated = { steps: [hands('laminate', 60), ...PORTION_STEPS.slice(1)] };
	const sheeter = { sheeters: [{ id: 'sheeter', name: 'Sheeter', sheetGrams: null }] };
	const { plan, violations, placement } = planned({
		...dayWith(sheeter, laminated),
		doughs: TOGETHER
	});
	assert.deepEqual(violations, []);
	assert.deepEqual(placement.relaxed, []);
	assert.equal(atOnce(doing(plan.tasks, 'laminate')), 1);
});

test('a divider divides one thing at a time, only what it is there for, and only while that is divided', () => {
	const steps = [hands('divide', 10), hands('shape', 50), ...PORTION_STEPS.slice(1)];
	const divider = { dividers: [{ id: 'press', name: 'Press' }] };
	const demandsOf = (dividerId: string | null) => {
		const { expanded } = planned({
			...dayWith(divider, { steps, dividerId }),
			doughs: TOGETHER
		});
		return expanded.problem.tasks
			.flatMap(({ modes }) => modes[0]?.demands ?? [])
			.filter(({ pools }) => pools.includes('divider:press'));
	};
	assert.deepEqual(demandsOf(null), []);
	assert.deepEqual(
		demandsOf('press').map(({ from, to }) => [from, to]),
		[
			[0, 2],
			[0, 2]
		]
	);
	assert.deepEqual(demandsOf('another'), []);
});

test('who is slower takes longer, and who is quicker less; a mixer takes its own time', () => {
	for (const [pacePercent, minutes] of [
		[100, 60],
		[150, 90],
		[50, 30]
	] as const) {
		const crew = FOUR.map((one) => ({ ...one, pacePercent }));
		const { plan, violations } = planned(dayWith({}, LONG, crew));
		assert.deepEqual(violations, []);
		for (const task of doing(plan.tasks, 'divide'))
			assert.equal((task.endMs - task.startMs) / MINUTE_MS, minutes);
		for (const task of doing(plan.tasks, 'mix').filter(({ machineId }) => machineId !== null))
			assert.equal((task.endMs - task.startMs) / MINUTE_MS, 20);
		// What follows waits from when they are through.
		for (const task of doing(plan.tasks, 'divide')) {
			const next = plan.tasks.find(
				(other) =>
					other.step.kind === 'wait' &&
					other.step.activity === 'proof' &&
					JSON.stringify(other.batch) === JSON.stringify(task.batch)
			);
			assert.equal(next?.startMs, task.endMs);
		}
	}
});

test('of two who take differently long each is told with their own minutes', () => {
	const crew = [
		{ ...person('Quick', ALL, 13, 31), pacePercent: 50 },
		{ ...person('Slow', ALL, 13, 31), pacePercent: 200 }
	];
	const { plan, violations, expanded } = planned(dayWith({}, LONG, crew));
	assert.deepEqual(violations, []);
	const lengths = expanded.problem.tasks
		.filter(({ id }) => id.startsWith('portion') && id.endsWith(':0'))
		.map(({ modes }) => modes.map(({ length }) => length));
	for (const some of lengths) assert.deepEqual(some, [6, 24]);
	for (const task of doing(plan.tasks, 'divide')) {
		const [who] = task.attended[0]?.personIds ?? [];
		assert.equal((task.endMs - task.startMs) / MINUTE_MS, who === 'quick' ? 30 : 120);
	}
	// Who is wished for takes their own time.
	const [one] = doing(plan.tasks, 'divide');
	assert.ok(one?.placedAs);
	const wished = planned(dayWith({}, LONG, crew), {
		wishes: [{ kind: 'person', task: one.placedAs, personId: 'slow' }]
	});
	const same = wished.plan.tasks.find(({ id }) => id === one.id);
	assert.deepEqual(same?.attended[0]?.personIds, ['slow']);
	assert.equal(same.endMs - same.startMs, 120 * MINUTE_MS);
});

const PROVER = id<PlaceId>('prover');
const IN_PROVER = {
	...PROOF,
	legs: PROOF.legs.map((leg) => ({ ...leg, named: { id: PROVER, name: 'Prover' } }))
};
const PROVED = {
	steps: [hands('divide', 10), IN_PROVER, ...PORTION_STEPS.slice(2)],
	piecesPerTray: 6
};

test('a prover takes no more than it has room for, and where that cannot be it is told', () => {
	const prover = (trays: number) =>
		dayWith({ places: [{ id: PROVER, name: 'Prover', trays, ovenId: null, celsius: 27 }] }, PROVED);
	const roomy = planned(prover(20));
	assert.deepEqual(roomy.violations, []);
	assert.deepEqual(roomy.placement.relaxed, []);
	// 38 pieces at 6 to a tray stand on seven: both portions together want eleven.
	const tight = planned(prover(7), {}, 400);
	assert.deepEqual(tight.violations, []);
	assert.deepEqual(tight.placement.relaxed, []);
	assert.deepEqual(placesFull(tight.plan, prover(7)), []);
	const proofs = tight.plan.tasks.filter(
		({ step }) => step.kind === 'wait' && step.activity === 'proof'
	);
	assert.equal(proofs.length, 2);
	// What another date has there all day leaves room for one portion after the other only.
	const stays = takenBy(tight.plan, prover(7)).filter(({ of }) => of === 'place');
	assert.equal(stays.length, 2);
	const beside: BakeDayInput = {
		...prover(11),
		elsewhere: [
			{
				...stays[0]!,
				fromMs: Math.min(...stays.map(({ fromMs }) => fromMs)) - 86_400_000,
				toMs: Math.max(...stays.map(({ toMs }) => toMs)) + 86_400_000,
				amount: 4 * PARTS_OF_A_TRAY
			}
		]
	};
	const shared = planned(beside, {}, 400);
	assert.deepEqual([shared.violations, shared.placement.relaxed], [[], []]);
	assert.deepEqual(placesFull(shared.plan, beside), []);
	assert.equal(placesFull(roomy.plan, beside).length, 1, 'both at once are too much then');
	// The same plan in a smaller prover is told to be too much for it.
	assert.deepEqual(
		placesFull(tight.plan, prover(3)).map(({ name, room, wanted }) => [name, room, wanted]),
		[['Prover', 3, 7]]
	);
});
