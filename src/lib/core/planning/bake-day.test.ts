import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type PreparationId, type ProductId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import { courseOf } from '../ripening/index.ts';
import {
	courseThrough,
	expandDay,
	handsOnMinutes,
	type BakeDayInput,
	type DayPlan,
	type DayTask,
	type Step
} from './index.ts';
import { BULK, DAY, hands, person, planned, PORTION_STEPS, PROOF } from './harbour-day.fixture.ts';
import type { WaitStep } from './input.ts';

const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);
const minutesBetween = (a: number, b: number) => Math.round((b - a) / MINUTE_MS);
const loadsOf = ({ tasks }: DayPlan) => tasks.filter(({ step }) => step.kind === 'bake');

/** Nothing stands on one machine, or in one pair of hands, at once with something else. */
function keptApart(plan: DayPlan, recoveryMinutes: number): void {
	const acts = new Set<string>();
	const uses = new Map<string, { from: number; to: number; start: number }[]>();
	const use = (key: string, from: number, to: number) =>
		uses.set(key, [...(uses.get(key) ?? []), { from, to, start: from }]);
	for (const task of plan.tasks) {
		if (task.machineId !== null && task.step.kind === 'hands-on')
			use(task.machineId, task.startMs, task.endMs);
		for (const { what, fromMs, toMs, personIds } of task.attended)
			for (const one of personIds) {
				// What goes into the oven together is loaded in one go.
				const together = what === 'load' || what === 'draw' ? (task.machineId ?? '') : task.id;
				const act = `${what} ${together} ${fromMs}`;
				if (!acts.has(`${one} ${act}`)) use(one, fromMs, toMs);
				acts.add(`${one} ${act}`);
			}
	}
	for (const [key, list] of uses) {
		list.sort((a, b) => a.from - b.from);
		for (let at = 1; at < list.length; at += 1)
			assert.ok(
				list[at]!.from >= list[at - 1]!.to,
				`${key} at ${new Date(list[at]!.from).toISOString()}`
			);
	}
	const decks = new Map<string, DayTask[]>();
	for (const load of loadsOf(plan))
		decks.set(load.machineId ?? '', [...(decks.get(load.machineId ?? '') ?? []), load]);
	for (const loads of decks.values()) {
		loads.sort((a, b) => a.startMs - b.startMs);
		for (let at = 1; at < loads.length; at += 1) {
			const [before, after] = [loads[at - 1]!, loads[at]!];
			if (before.startMs === after.startMs) continue;
			const gap = minutesBetween(before.endMs, after.startMs);
			assert.ok(gap >= recoveryMinutes, `${gap} min between two loads of a deck`);
		}
	}
}

test('worked figure: a bulk drifting from 27 to a room of 21 is ripe after 201.4 min', () => {
	// A shaped piece gives its own heat away: the figure is told without it.
	const course = courseOf({ ...BULK, activity: 'proof' }, 27);
	assert.ok(course.ok && course.value.marks);
	close(course.value.marks.ripe, 201.4, 0.05);
	assert.equal(course.value.minutes, 202);
	assert.ok(course.value.marks.early < 201 && (course.value.marks.late ?? 0) > 202);
	close(course.value.endCelsius, 24.7, 0.05);
});

test('in its tub the same bulk warms itself and is ripe some minutes sooner', () => {
	const course = courseOf(BULK, 27);
	assert.ok(course.ok && course.value.marks);
	close(course.value.marks.ripe, 196.3, 0.1);
	assert.ok(course.value.endCelsius > 25);
});

test('a wait through the cold ripens in its last leg, by what the earlier ones left over', () => {
	const [leg] = PROOF.legs;
	assert.ok(leg && PROOF.clock);
	const cold = { ...leg, place: 'cold' as const, ambientCelsius: 4, minutes: 480 };
	const clock = { ...PROOF.clock, ripeMinutes: 160, underMinutes: 140, overMinutes: 200 };
	const course = courseOf({ ...PROOF, legs: [cold, { ...leg, ambientCelsius: 28 }], clock }, 25);
	assert.ok(course.ok && course.value.marks);
	close(course.value.marks.ripe, course.value.minutes, 1);
	assert.ok(course.value.minutes > 480);
	const rested = courseOf({ ...PROOF, clock: null, legs: [cold] }, 25);
	assert.ok(rested.ok && rested.value.marks === null && rested.value.minutes === 480);
});

test('waits that cannot be are refused with the reason', () => {
	const [leg] = PROOF.legs;
	assert.ok(leg);
	const kind = (legs: typeof PROOF.legs, clock = PROOF.clock) => {
		const course = courseOf({ ...PROOF, legs, clock }, 25);
		return course.ok ? 'ok' : course.error.kind;
	};
	assert.equal(kind([]), 'no-legs');
	assert.equal(kind([leg], null), 'open-leg-without-clock');
	assert.equal(kind([leg, { ...leg, minutes: 5 }]), 'open-leg-not-last');
	assert.equal(kind([{ ...leg, ambientCelsius: -20, timeConstantMinutes: 10 }]), 'never-ripe');
	const chain: Step[] = [hands('shape', 5), { ...PROOF, legs: [] }];
	assert.deepEqual(courseThrough(chain, 4, 25), {
		ok: false,
		error: { kind: 'no-legs', step: 1 }
	});
});

test('hands-on time is fixed plus per piece, in whole minutes', () => {
	const divide = hands('divide', 2, { secondsPerPiece: 10 });
	assert.equal(handsOnMinutes(divide, 40), 9);
	assert.equal(handsOnMinutes(divide, 18), 5);
	assert.equal(handsOnMinutes(divide, 19), 6);
});

test('the plan of a day keeps every drop, passes the separate judge and keeps all apart', () => {
	const { plan, violations, placement } = planned(DAY);
	assert.deepEqual(violations, []);
	assert.deepEqual(placement.relaxed, []);
	assert.deepEqual([plan.unplanned, plan.unplaced, plan.cautions], [[], [], []]);
	for (const drop of plan.drops) assert.ok(drop.readyMs !== null && drop.readyMs <= drop.readyByMs);
	keptApart(plan, 10);
	const bulk = plan.tasks.find((task) => task.id === 'mix:loaf:1:1');
	assert.ok(bulk);
	const folds = bulk.foldsMs.map((fold) => minutesBetween(bulk.startMs, fold));
	assert.equal(folds.length, 2);
	// A fold comes within ten minutes after it is told.
	close(folds[0]!, 50, 5);
	assert.ok(folds[1]! >= 90 && folds[1]! <= 110, folds.join());
	assert.equal(bulk.celsius[0], 27);
});

test('what ferments is taken on between early and late', () => {
	const { plan } = planned(DAY);
	let seen = 0;
	for (const { marks, endMs, id } of plan.tasks) {
		if (!marks) continue;
		seen += 1;
		// The grid of the plan is five minutes.
		assert.ok(endMs >= marks.earlyMs - 5 * MINUTE_MS, `${id} early`);
		assert.ok(endMs <= (marks.lateMs ?? Infinity) + 5 * MINUTE_MS, `${id} late`);
	}
	assert.ok(seen >= 5);
});

test('a portion bakes in loads of what a deck holds, and no piece is lost', () => {
	const loads = loadsOf(planned(DAY).plan).filter(({ id }) => id.startsWith('load:loaf:2:'));
	assert.deepEqual(
		loads.map(({ batch }) => (batch.kind === 'load' ? batch.pieces : 0)).sort((a, b) => a - b),
		[2, 12, 12, 12]
	);
});

test('loads of two products that go together share a deck', () => {
	const [dough] = DAY.doughs;
	const [product] = DAY.products;
	assert.ok(dough && product);
	const long = id<ProductId>('long');
	const [mix] = dough.mixes;
	const input: BakeDayInput = {
		...DAY,
		doughs: [
			{
				...dough,
				mixes: [
					{
						...mix!,
						portions: [
							{ ...mix!.portions[0]!, pieces: 6 },
							{ ...mix!.portions[0]!, productId: long, pieces: 5 }
						]
					}
				]
			}
		],
		products: [product, { ...product, id: long, name: 'Harbour long', piecesPerDeck: 10 }],
		bakery: {
			...DAY.bakery,
			ovens: DAY.bakery.ovens.map((oven) => ({ ...oven, decks: oven.decks.slice(0, 1) }))
		}
	};
	const { plan, violations } = planned(input);
	assert.deepEqual(violations, []);
	const starts = loadsOf(plan).map(({ startMs }) => startMs);
	// A half and a half of the one deck: two loads one after the other would keep the second waiting.
	assert.equal(starts.length, 2);
	assert.equal(new Set(starts).size, 1);
});

test('a build of a build is placed before it, whatever the order they are told in', () => {
	const [levain] = DAY.builds;
	assert.ok(levain);
	const feed = {
		...levain,
		preparationId: id<PreparationId>('feed'),
		name: 'Feed',
		takenByDoughs: [],
		takenByBuilds: [levain.preparationId]
	};
	for (const builds of [
		[feed, levain],
		[levain, feed]
	]) {
		const { plan } = planned({ ...DAY, builds });
		const startOf = (task: string) => plan.tasks.find(({ id }) => id === task)?.startMs ?? NaN;
		assert.ok(
			minutesBetween(startOf('preparation:feed:1:0'), startOf('preparation:levain:1:0')) > 230
		);
	}
});

test('a chain that cannot be planned stands aside and says why', () => {
	const [product] = DAY.products;
	assert.ok(product);
	const names = (input: BakeDayInput) =>
		expandDay(input).unplanned.map((chain) => [chain.name, chain.reason.kind]);
	assert.deepEqual(names({ ...DAY, products: [] }), [
		['Harbour dough', 'unknown-product'],
		['Harbour dough', 'unknown-product']
	]);
	assert.deepEqual(names({ ...DAY, products: [{ ...product, steps: [] }] })[0], [
		'Harbour round',
		'no-steps'
	]);
	const frozen = PORTION_STEPS.map((step): Step =>
		step.kind === 'wait' && step.clock
			? {
					...step,
					legs: [
						{
							named: null,
							place: 'cold',
							ambientCelsius: -20,
							timeConstantMinutes: 5,
							minutes: null
						}
					]
				}
			: step
	);
	assert.deepEqual(names({ ...DAY, products: [{ ...product, steps: frozen }] })[0], [
		'Harbour round',
		'never-ripe'
	]);
	assert.deepEqual(planned({ ...DAY, doughs: [], builds: [] }).placement.plan.placed, []);
	const [build] = DAY.builds;
	assert.deepEqual(names({ ...DAY, builds: [{ ...build!, steps: [] }] }), [['Levain', 'no-steps']]);
});

test('a build whose wait cannot be is told with the reason, and the doughs go on without it', () => {
	const [build] = DAY.builds;
	assert.ok(build);
	const frozen: WaitStep = {
		...BULK,
		activity: 'ferment',
		legs: [
			{ named: null, place: 'cold', ambientCelsius: -20, timeConstantMinutes: 5, minutes: null }
		]
	};
	const { unplanned, problem } = expandDay({
		...DAY,
		builds: [{ ...build, steps: [hands('mix', 10), frozen] }]
	});
	assert.deepEqual(
		unplanned.map((chain) => [chain.name, chain.reason.kind]),
		[['Levain', 'never-ripe']]
	);
	assert.ok(problem.tasks.some((task) => task.id.startsWith('mix:loaf:')));
	assert.ok(!problem.tasks.some((task) => task.id.startsWith('preparation:')));
});

test('whatever is ordered and whoever works, every order is planned or told why not, and nothing clashes', () => {
	const counts = fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 3 });
	fc.assert(
		fc.property(
			counts,
			fc.integer({ min: 4, max: 40 }),
			fc.integer({ min: 0, max: 3 }),
			(pieces, perDeck, bakers) => {
				const [dough] = DAY.doughs;
				const [product] = DAY.products;
				assert.ok(dough && product);
				const portions = dough.mixes[1]!.portions;
				const input: BakeDayInput = {
					...DAY,
					people:
						bakers === 0
							? null
							: Array.from({ length: bakers }, (_, at) =>
									person(`Baker ${at}`, ['mixing', 'shaping', 'oven', 'packing'], 14 + at, 32)
								),
					products: [{ ...product, piecesPerDeck: perDeck }],
					doughs: [
						{
							...dough,
							mixes: pieces.map((count, index) => ({
								...dough.mixes[0]!,
								ordinal: index + 1,
								portions: [{ ...portions[0]!, pieces: count }]
							}))
						}
					]
				};
				const { plan, violations } = planned(input, {}, 40);
				assert.deepEqual(violations, []);
				keptApart(plan, 10);
				const baked = loadsOf(plan).reduce(
					(total, { batch }) => total + (batch.kind === 'load' ? batch.pieces : 0),
					0
				);
				const ordered = pieces.reduce((a, b) => a + b, 0);
				assert.ok(baked === ordered || plan.unplaced.length > 0, `${baked} of ${ordered}`);
			}
		),
		{ numRuns: 12 }
	);
});
