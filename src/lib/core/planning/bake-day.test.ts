import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import type { WaitStep } from '../formula/index.ts';
import { id, type PreparationId, type ProductId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import { courseOf } from '../ripening/index.ts';
import {
	courseThrough,
	describePlan,
	expandDay,
	handsOnMinutes,
	judgePlacement,
	planDay,
	type BakeDayInput,
	type Step
} from './index.ts';
import { BULK, DAY, FERRY_MS, hands, PORTION_STEPS, PROOF } from './harbour-day.fixture.ts';

function plan(input: BakeDayInput) {
	const run = planDay(input);
	let step = run.next();
	let slices = 0;
	while (!step.done) {
		slices += 1;
		step = run.next();
	}
	assert.ok(step.value.ok);
	return { placement: step.value.value, slices };
}
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

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

test('hands-on time is fixed plus per piece, in steps of five minutes', () => {
	const divide = hands('divide', 2, { secondsPerPiece: 10 });
	assert.equal(handsOnMinutes(divide, 40), 10);
	assert.equal(handsOnMinutes(divide, 18), 5);
	assert.equal(handsOnMinutes(divide, 19), 10);
});

test('the plan of a day keeps every drop and passes the separate judge', () => {
	const { placement, slices } = plan(DAY);
	const judged = judgePlacement(DAY, placement);
	assert.deepEqual(judged.violations, []);
	assert.ok(slices >= judged.expanded.tasks.length);
	const day = describePlan(DAY, placement);
	assert.deepEqual(day.unplanned, []);
	for (const drop of day.drops) assert.ok(drop.readyMs !== null && drop.readyMs <= drop.dueMs);
	// The second mix serves the ferry too, so both are ready for it.
	assert.ok(day.drops.every((drop) => (drop.readyMs ?? 0) > FERRY_MS - 10 * MINUTE_MS));
	const bulk = day.tasks.find((task) => task.id === 'mix:loaf:1:1');
	assert.ok(bulk);
	assert.deepEqual(
		bulk.foldsMs.map((fold) => (fold - bulk.startMs) / MINUTE_MS),
		[45, 90]
	);
	assert.equal(bulk.celsius[0], 27);
});

test('a portion bakes in loads of a deck, side by side and one after another with the recovery between', () => {
	const day = describePlan(DAY, plan(DAY).placement);
	const loads = day.tasks.filter((task) => task.batch.kind === 'load');
	const second = loads.filter((task) => task.id.startsWith('load:loaf:2:'));
	assert.deepEqual(
		second
			.map((task) => (task.batch.kind === 'load' ? task.batch.pieces : 0))
			.sort((a, b) => a - b),
		[2, 12, 12, 12, 12]
	);
	const at = (n: number) => second.find((task) => task.id.endsWith(`:${n}`))!;
	assert.ok(at(3).startMs - at(1).endMs >= 10 * MINUTE_MS);
});

test('loads that meet on the decks are told, never hidden', () => {
	const { cautions } = judgePlacement(DAY, plan(DAY).placement);
	assert.ok(
		cautions.some((caution) => caution.kind === 'overlap' && caution.machine.startsWith('deck'))
	);
	const oneMixerTwice = {
		...DAY,
		doughs: DAY.doughs.map((dough) => ({
			...dough,
			mixes: [dough.mixes[0]!, { ...dough.mixes[0]!, ordinal: 2 }]
		}))
	};
	const judged = judgePlacement(oneMixerTwice, plan(oneMixerTwice).placement);
	assert.ok(
		judged.cautions.some((caution) => caution.kind === 'overlap' && caution.machine === 'mixer')
	);
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
		const input = { ...DAY, builds };
		const { starts } = plan(input).placement;
		assert.ok(starts['preparation:feed:1:0']! < starts['preparation:levain:1:0']! - 300);
	}
});

test('portions of one mix are divided within the window of its bulk, whenever their drops are', () => {
	const [dough] = DAY.doughs;
	const portion = dough!.mixes[0]!.portions[0]!;
	const split: BakeDayInput = {
		...DAY,
		doughs: [
			{
				...dough!,
				mixes: [
					{
						...dough!.mixes[0]!,
						portions: [
							portion,
							{ ...portion, productId: id<ProductId>('small'), dropIds: [DAY.drops[1]!.id] }
						]
					}
				]
			}
		],
		products: [...DAY.products, { ...DAY.products[0]!, id: id<ProductId>('small'), name: 'Small' }]
	};
	const judged = judgePlacement(split, plan(split).placement);
	assert.deepEqual(judged.violations, []);
	assert.ok(judged.cautions.every((caution) => caution.kind !== 'gap-too-long'));
});

test('a lead moves one mix earlier and nothing later', () => {
	const [dough] = DAY.doughs;
	assert.ok(dough);
	const alone: BakeDayInput = { ...DAY, builds: [] };
	const earlier: BakeDayInput = {
		...alone,
		doughs: [
			{
				...dough,
				mixes: dough.mixes.map((mix) => ({ ...mix, leadMinutes: mix.ordinal === 1 ? 60 : 0 }))
			}
		]
	};
	const before = plan(alone).placement.starts;
	const after = plan(earlier).placement.starts;
	assert.equal(before['mix:loaf:1:0']! - after['mix:loaf:1:0']!, 60);
	assert.equal(before['mix:loaf:2:0'], after['mix:loaf:2:0']);
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
	assert.deepEqual(plan({ ...DAY, doughs: [], builds: [] }).placement, {
		starts: {},
		machines: {}
	});
	const [build] = DAY.builds;
	assert.deepEqual(names({ ...DAY, builds: [{ ...build!, steps: [] }] }), [['Levain', 'no-steps']]);
});

test('whatever is ordered, a plan starts every task and breaks no rule', () => {
	const counts = fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 4 });
	fc.assert(
		fc.property(counts, fc.integer({ min: 1, max: 40 }), (pieces, perDeck) => {
			const [dough] = DAY.doughs;
			const [product] = DAY.products;
			assert.ok(dough && product);
			const portions = dough.mixes[1]!.portions;
			const input: BakeDayInput = {
				...DAY,
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
			const { placement } = plan(input);
			assert.deepEqual(judgePlacement(input, placement).violations, []);
			const day = describePlan(input, placement);
			const baked = day.tasks.reduce(
				(t, task) => t + (task.batch.kind === 'load' ? task.batch.pieces : 0),
				0
			);
			assert.equal(
				baked,
				pieces.reduce((a, b) => a + b, 0)
			);
		}),
		{ numRuns: 25 }
	);
});

test('a dough pulls its build close: it stands no earlier than it has to ripen', () => {
	const { problem } = expandDay(DAY);
	const toDough = problem.links.filter(
		({ before, after }) => before.startsWith('preparation:levain:') && after.startsWith('mix:loaf:')
	);
	assert.ok(toDough.length > 0);
	for (const { pulls, leastGap } of toDough) assert.deepEqual([pulls, leastGap], [true, 0]);
	const chain = problem.links.filter(
		({ before, after }) =>
			before.startsWith('preparation:levain:') && after.startsWith('preparation:levain:')
	);
	assert.ok(chain.length > 0);
	// The last build is ripe when the first mix takes it, within the window of its own clock.
	const { starts } = plan(DAY).placement;
	const [first] = toDough.map(({ after }) => starts[after] ?? NaN).sort((a, b) => a - b);
	const last = Math.max(...toDough.map(({ before }) => starts[before] ?? NaN));
	const window = toDough[0]?.mostGap ?? Infinity;
	assert.ok(first !== undefined && first - last <= window + 600, `${first} - ${last} in ${window}`);
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

test('mixing stands on a mixer and a load on a deck, what is done by hand on neither', () => {
	const machinesOf = new Map(
		expandDay(DAY).problem.tasks.map(({ id, machines }) => [id, machines])
	);
	assert.deepEqual(machinesOf.get('mix:loaf:1:0'), ['mixer']);
	assert.equal(machinesOf.get('load:loaf:1:round:1')?.includes('mixer'), false);
	for (const byHand of ['portion:loaf:1:round:0', 'portion:loaf:1:round:1'])
		assert.deepEqual(machinesOf.get(byHand), [], byHand);
});
