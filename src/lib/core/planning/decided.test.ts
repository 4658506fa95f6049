import assert from 'node:assert/strict';
import { test } from 'node:test';
import { BULK, DAY, person, planned, PROOF } from './harbour-day.fixture.ts';
import {
	batchKey,
	canGoToTheCold,
	judgePlacement,
	type BakeDayInput,
	type DayPlan,
	type PlanWish
} from './index.ts';

const COLD = { id: 'cold', name: 'Cold room', celsius: 4 };
const WITH_COLD: BakeDayInput = { ...DAY, bakery: { ...DAY.bakery, coldPlaces: [COLD] } };
const [DOUGH] = DAY.doughs;
const [ROUND] = DAY.products;
const mixKey = batchKey({ kind: 'mix', formulaId: DOUGH!.formulaId, ordinal: 1 });
const portionKey = batchKey({
	kind: 'portion',
	formulaId: DOUGH!.formulaId,
	ordinal: 1,
	productId: ROUND!.id
});

const made = (input: BakeDayInput, wishes: readonly PlanWish[]) => {
	const found = planned(input, { wishes }, 300);
	assert.deepEqual(found.violations, []);
	assert.deepEqual(found.plan.unplanned, []);
	return found;
};
const ofFirstMix = ({ tasks }: DayPlan, activity: string) =>
	tasks.filter(
		({ batch, step }) =>
			batch.kind !== 'preparation' &&
			batch.ordinal === 1 &&
			(step.kind === 'bake' ? 'bake' : step.activity) === activity
	);

test('a portion is baked in as many loads as were decided, evenly, and in no fewer than it must', () => {
	const piecesIn = (loads: number | null) => {
		const wishes = loads === null ? [] : [{ kind: 'in-loads', batch: portionKey, loads } as const];
		return ofFirstMix(made(DAY, wishes).plan, 'bake').map(({ batch }) =>
			batch.kind === 'load' ? batch.pieces : 0
		);
	};
	assert.deepEqual(piecesIn(null), [12, 12]);
	assert.deepEqual(piecesIn(3), [8, 8, 8]);
	assert.deepEqual(
		piecesIn(5).sort((a, b) => b - a),
		[5, 5, 5, 5, 4]
	);
	assert.deepEqual(piecesIn(1), [12, 12]);
	// More loads than pieces there are none of.
	assert.equal(piecesIn(40).length, 24);
});

test('a dough that goes to the cold waits there, by its clock at that heat; the others stay as they are', () => {
	const wishes: PlanWish[] = [{ kind: 'to-the-cold', batch: mixKey, placeId: 'cold' }];
	const { plan } = made(WITH_COLD, wishes);
	const [bulk] = ofFirstMix(plan, 'bulk');
	assert.ok(bulk?.step.kind === 'wait' && bulk.marks);
	assert.deepEqual(
		bulk.step.legs.map(({ named, minutes }) => [named?.name ?? null, minutes]),
		[
			[null, 20],
			['Cold room', null]
		]
	);
	assert.equal(bulk.movesMs.length, 1);
	assert.equal(bulk.movesMs[0], bulk.startMs + 20 * 60_000);
	assert.ok(bulk.endMs >= bulk.marks.earlyMs, 'it is not taken on before it may be');
	const usual = ofFirstMix(made(WITH_COLD, []).plan, 'bulk')[0];
	assert.ok(usual?.marks);
	assert.ok(bulk.marks.ripeMs - bulk.startMs > 1.1 * (usual.marks.ripeMs - usual.startMs));
	const other = plan.tasks.find(
		({ batch, step }) =>
			batch.kind === 'mix' &&
			batch.ordinal === 2 &&
			step.kind === 'wait' &&
			step.activity === 'bulk'
	);
	assert.ok(other?.step.kind === 'wait' && other.step.legs.length === 1);
});

test('shaped pieces go to the cold without their mix, and a plan is judged with what was decided', () => {
	const wishes: PlanWish[] = [{ kind: 'to-the-cold', batch: portionKey, placeId: 'cold' }];
	const { plan, placement } = made(WITH_COLD, wishes);
	const [proof] = ofFirstMix(plan, 'proof');
	assert.ok(proof?.step.kind === 'wait');
	assert.equal(proof.step.legs.at(-1)?.named?.name, 'Cold room');
	assert.equal(ofFirstMix(plan, 'bulk')[0]?.step.kind === 'wait', true);
	// Without it the same placement is another plan, and its windows do not hold.
	const without = judgePlacement(WITH_COLD, { ...placement, wishes: [] });
	assert.notDeepEqual(without.violations, []);
	// A place that is not there is none to go to.
	const nowhere = made(DAY, wishes).plan;
	const [stays] = ofFirstMix(nowhere, 'proof');
	assert.ok(stays?.step.kind === 'wait' && stays.step.legs.length === 1);
});

test('what stands there already, or never gets ready there, cannot be sent', () => {
	assert.equal(canGoToTheCold(BULK, 26, COLD), true);
	assert.equal(canGoToTheCold(PROOF, 24, COLD), true);
	assert.equal(canGoToTheCold({ ...BULK, clock: null }, 26, COLD), false);
	// At the edge of its curve a culture does nothing in three days.
	assert.equal(canGoToTheCold(BULK, 2, { ...COLD, celsius: 0.1 }), false);
});

test('who is not to do something does not, unless nobody else could', () => {
	const all = ['mixing', 'shaping', 'oven', 'packing'] as const;
	const input: BakeDayInput = {
		...DAY,
		people: [person('Maud', all, 13, 31), person('Ilo', ['mixing'], 13, 31)]
	};
	const first = made(input, []).plan;
	const mixedBy = (plan: DayPlan) =>
		ofFirstMix(plan, 'mix').flatMap(({ attended }) => attended.flatMap((one) => one.personIds));
	const task = ofFirstMix(first, 'mix')[0]?.placedAs;
	assert.ok(task);
	for (const personId of ['maud', 'ilo']) {
		const { plan } = made(input, [{ kind: 'not-person', task, personId }]);
		assert.equal(mixedBy(plan).includes(personId), false);
	}
	const divides = ofFirstMix(first, 'divide')[0]?.placedAs;
	assert.ok(divides);
	const { plan } = made(input, [{ kind: 'not-person', task: divides, personId: 'maud' }]);
	assert.deepEqual(ofFirstMix(plan, 'divide')[0]?.attended[0]?.personIds, ['maud']);
});
