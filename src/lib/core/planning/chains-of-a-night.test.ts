import { test } from 'node:test';
import assert from 'node:assert/strict';
import { PLAIN_PROGRAMME } from '../baking/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { BakeDayInput, DayPlan, Step } from './index.ts';
import type { WaitStep } from './input.ts';
import { DAY, FERRY_MS, hands, planned, PROOF } from './harbour-day.fixture.ts';

const BAKE: Step = {
	kind: 'bake',
	loadCelsius: 245,
	bakeMinutes: 42,
	steamSeconds: 8,
	coreCelsius: 97,
	programme: PLAIN_PROGRAMME
};
const minutes = (from: number, to: number) => Math.round((to - from) / MINUTE_MS);
const loadsOf = ({ tasks }: DayPlan) => tasks.filter(({ step }) => step.kind === 'bake');

/** A stay in the room by the clock on the wall alone. */
const stay = (activity: WaitStep['activity'], minutes: number): WaitStep => ({
	kind: 'wait',
	activity,
	legs: [{ named: null, place: 'room', ambientCelsius: 22, timeConstantMinutes: 90, minutes }],
	clock: null,
	foldsAtMinutes: [],
	foldsAtShares: []
});

/** One mix of so many pieces, with this chain. */
function withChain(steps: readonly Step[], pieces = 24, change: Partial<BakeDayInput> = {}) {
	const [dough] = DAY.doughs;
	const [product] = DAY.products;
	assert.ok(dough && product);
	const [mix] = dough.mixes;
	const input: BakeDayInput = {
		...DAY,
		builds: [],
		doughs: [
			{ ...dough, mixes: [{ ...mix!, count: 1, portions: [{ ...mix!.portions[0]!, pieces }] }] }
		],
		products: [{ ...product, steps }],
		...change
	};
	const made = planned(input);
	assert.deepEqual(made.violations, []);
	assert.deepEqual(made.plan.unplaced, []);
	return made;
}

test('a chain that ends with its bake is ready when its last load is drawn', () => {
	const { plan } = withChain([hands('divide', 10), PROOF, BAKE], 38);
	const last = Math.max(...loadsOf(plan).map(({ endMs }) => endMs));
	const ferry = plan.drops.find(({ name }) => name === 'Ferry');
	assert.equal(ferry?.readyMs, last);
	assert.ok(last <= FERRY_MS);
});

test('two bakes in a row: each load goes through both, and they are apart', () => {
	const half: Step = { ...BAKE, bakeMinutes: 15 };
	const rest = stay('rest', 10);
	const { plan } = withChain([hands('divide', 10), PROOF, half, rest, BAKE, hands('pack', 5)], 24);
	const loads = loadsOf(plan);
	assert.equal(loads.length, 4);
	for (const which of [1, 2]) {
		const [first, second] = loads.filter(
			({ batch }) => batch.kind === 'load' && batch.load === which
		);
		assert.ok(first && second);
		assert.ok(minutes(first.endMs, second.startMs) >= 10);
	}
});

test('what is dipped and scored is dipped and scored with its load, just before it', () => {
	const dip = hands('dip', 1, { secondsPerPiece: 10 });
	const { plan } = withChain([hands('divide', 10), PROOF, dip, BAKE, hands('pack', 5)], 36);
	const dips = plan.tasks.filter(({ step }) => step.kind === 'hands-on' && step.activity === 'dip');
	const loads = loadsOf(plan);
	assert.equal(dips.length, loads.length);
	for (const one of dips) {
		assert.ok(one.batch.kind === 'load' && one.batch.pieces === 12);
		// A minute and ten seconds for each of twelve.
		assert.equal(minutes(one.startMs, one.endMs), 3);
		const { load } = one.batch;
		const own = loads.find(({ batch }) => batch.kind === 'load' && batch.load === load);
		assert.ok(own && minutes(one.endMs, own.startMs) <= 17);
	}
});

test('what goes into the cold, and comes out of it, is told as work at its time', () => {
	const [leg] = PROOF.legs;
	const cold: Step = {
		...PROOF,
		legs: [
			{ ...leg!, minutes: 20 },
			{ ...leg!, place: 'cold', ambientCelsius: 4, minutes: 480 },
			{ ...leg!, minutes: 30 }
		],
		clock: { ...PROOF.clock!, underMinutes: 60, ripeMinutes: 110, overMinutes: 400 }
	};
	const { plan } = withChain([hands('divide', 10), cold, BAKE, hands('pack', 5)], 12);
	const proof = plan.tasks.find(({ step }) => step.kind === 'wait' && step.activity === 'proof');
	assert.ok(proof);
	assert.equal(proof.movesMs.length, 2);
	assert.deepEqual(
		proof.attended.map(({ what }) => what),
		['move', 'move']
	);
	const [into, out] = proof.movesMs.map((at) => minutes(proof.startMs, at));
	assert.ok(into! >= 20 && into! <= 35, `${into}`);
	assert.ok(out! >= 500 && out! <= 525, `${out}`);
});

test('what is divided does not lie about: the next hands are within a quarter of an hour', () => {
	const shape = hands('shape', 5, { secondsPerPiece: 20 });
	const rest = stay('rest', 20);
	const { plan } = withChain([hands('divide', 10), rest, shape, PROOF, BAKE, hands('pack', 5)], 40);
	const own = plan.tasks.filter(({ batch }) => batch.kind === 'portion');
	const shaping = own.find(({ step }) => step.kind === 'hands-on' && step.activity === 'shape');
	const resting = own.find(({ step }) => step.kind === 'wait' && step.activity === 'rest');
	assert.ok(shaping && resting);
	assert.equal(resting.endMs, shaping.startMs);
	assert.ok(minutes(resting.startMs, resting.endMs) <= 40 + 5);
});

test('the pieces shaped first are the oldest, and the first to be loaded', () => {
	const shape = hands('shape', 0, { secondsPerPiece: 100 });
	const { plan } = withChain([shape, PROOF, BAKE, hands('pack', 5)], 36);
	const inOrder = loadsOf(plan).sort((a, b) => a.startMs - b.startMs);
	assert.deepEqual(
		inOrder.map(({ batch }) => (batch.kind === 'load' ? batch.load : 0)),
		[1, 2, 3]
	);
});

test('a thousand sticks are planned: every load has its deck, and the day is not taken down', () => {
	const stick: Step = { ...BAKE, bakeMinutes: 22 };
	const [dough] = DAY.doughs;
	const [mix] = dough!.mixes;
	const mixes = Array.from({ length: 8 }, (_, at) => ({
		...mix!,
		ordinal: at + 1,
		count: 8,
		portions: [{ ...mix!.portions[0]!, pieces: 125 }]
	}));
	const input: BakeDayInput = {
		...DAY,
		builds: [],
		doughs: [{ ...dough!, mixes }],
		products: [
			{
				...DAY.products[0]!,
				piecesPerDeck: 28,
				steps: [hands('divide', 5), PROOF, stick, hands('pack', 5)]
			}
		]
	};
	const { plan, violations } = planned(input, {}, 30);
	assert.deepEqual(violations, []);
	const baked = loadsOf(plan).reduce(
		(total, { batch }) => total + (batch.kind === 'load' ? batch.pieces : 0),
		0
	);
	assert.equal(baked, 1000);
	assert.equal(loadsOf(plan).length, 8 * 5);
});

test('an autolyse keeps the bowl: a second dough waits for the mixer, or takes the other one', () => {
	const [dough] = DAY.doughs;
	const [mix] = dough!.mixes;
	const mixing = hands('mix', 10, { machine: 'mixer', endsAtCelsius: 25 });
	const autolyse = stay('autolyse', 40);
	const steps = [mixing, autolyse, mixing, ...mix!.steps.slice(1)];
	const mixes = [1, 2].map((ordinal) => ({
		...mix!,
		ordinal,
		steps,
		portions: [{ ...mix!.portions[0]!, pieces: 12 }]
	}));
	const made = (bowls: number) => {
		const input: BakeDayInput = {
			...DAY,
			builds: [],
			doughs: [{ ...dough!, mixes }],
			bakery: {
				...DAY.bakery,
				mixers: DAY.bakery.mixers.map((mixer) => ({ ...mixer, bowls }))
			}
		};
		const { plan, violations } = planned(input);
		assert.deepEqual(violations, []);
		return [1, 2].map((ordinal) => {
			const [first, last] = plan.tasks.filter(
				({ batch, step }) =>
					batch.kind === 'mix' && batch.ordinal === ordinal && step.kind === 'hands-on'
			);
			return { from: first!.startMs, to: last!.endMs };
		});
	};
	const [one, other] = made(1);
	assert.ok(one!.to <= other!.from || other!.to <= one!.from, 'one after the other');
});
