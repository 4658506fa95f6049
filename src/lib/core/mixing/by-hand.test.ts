import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { HandsOnStep, Step } from '../formula/index.ts';
import { id, type BatchId } from '../identity.ts';
import type { MeasuredMix } from '../learning/index.ts';
import { CAPACITY, plainMix } from './bowl.fixture.ts';
import { isByHand, mixOfDay, waterOfMix, type MixRecipe } from './index.ts';

const mixStep = (machine: HandsOnStep['machine']): Step => ({
	kind: 'hands-on',
	activity: 'mix',
	machine,
	fixedMinutes: 10,
	secondsPerPiece: 0,
	endsAtCelsius: 26,
	detail: { kind: 'none' }
});
const bulk: Step = {
	kind: 'wait',
	activity: 'bulk',
	legs: [
		{ named: null, place: 'room', minutes: 120, ambientCelsius: 22, timeConstantMinutes: 150 }
	],
	clock: null,
	foldsAtMinutes: [],
	foldsAtShares: []
};
const recipe = (...machines: HandsOnStep['machine'][]): MixRecipe => ({
	steps: [...machines.map(mixStep), bulk],
	targetCelsius: 26,
	frictionKilojoulesPerKilogram: 9.6
});
const SPIRAL = {
	id: 'spiral',
	name: 'Spiral mixer',
	leastGrams: 5000,
	mostGrams: 60_000,
	stiff: null,
	bowlKilojoulesPerKelvin: 9
};
const temperature = (quantity: 'room' | 'flour' | 'tap', celsius: number) => ({
	quantity,
	preparationId: null,
	placeId: null,
	name: quantity,
	reading: null,
	unread: { celsius, source: { kind: 'assumed' as const } }
});
const reading = (at: number, kilojoules: number, mixerId: string | null): MeasuredMix => ({
	id: `reading ${at}`,
	batchId: id<BatchId>(`batch ${at}`),
	date: '2026-11-24',
	occurredAtMs: at,
	ignored: false,
	doughCelsius: 26,
	targetCelsius: 26,
	waterCelsius: 20,
	instrument: 'core-probe',
	frictionKilojoulesPerKilogram: kilojoules,
	mixerId,
	program: null,
	fillShare: 1,
	spreadKilojoulesPerKilogram: 0.9,
	schools: null
});
/** 700 g of dough: 400 g of flour and 300 g of water. */
function small(
	made: MixRecipe,
	own: readonly MeasuredMix[] = [],
	others: readonly { recipe: MixRecipe; readings: readonly MeasuredMix[] }[] = []
) {
	return mixOfDay(plainMix(400, ['water', 75]), made, {
		supply: {
			waterSchool: 'heat-balance',
			countsSoakers: false,
			hotTapCelsius: 55,
			hottestWaterCelsius: 40,
			iceForm: 'flakes',
			iceCelsius: 0,
			iceMostShare: 0.4,
			chilledCelsius: null
		},
		mixers: [SPIRAL],
		handBowlKilojoulesPerKelvin: 0,
		temperatures: [temperature('room', 20), temperature('flour', 20), temperature('tap', 11)],
		own,
		others,
		autolysed: null,
		typedBaseCelsius: null,
		picked: [],
		nowMs: 1e6
	});
}
const close = (actual: number | undefined, expected: number, within = 1e-6) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);

test('a dough is mixed by hand when no mix before its bulk holds a mixer', () => {
	assert.ok(isByHand(recipe(null).steps));
	assert.ok(
		isByHand([...recipe(null).steps, mixStep('mixer')]),
		'what comes after is no mix of it'
	);
	assert.ok(!isByHand(recipe(null, 'mixer').steps));
	assert.ok(!isByHand([bulk]));
});

test('a dough by hand has no bowl of a mixer and none of its friction', () => {
	const found = small(recipe(null));
	assert.equal(found.mixer, null);
	// The balance by hand: flour and water to 26, less 3 kJ/kg of 0.7 kg.
	const { flour = NaN, water = NaN } = CAPACITY;
	const wanted = 26 + (0.4 * flour * 6 - 3 * 0.7) / (0.3 * water);
	close(waterOfMix(found.input)?.schools['heat-balance'].value, wanted);
	assert.ok(wanted > 26 && wanted < 29, `${wanted}`);
	const onSpiral = small(recipe('mixer'));
	assert.equal(onSpiral.mixer?.id, 'spiral');
	assert.ok((waterOfMix(onSpiral.input)?.schools['heat-balance'].value ?? 0) > wanted + 10);
});

test('a hand teaches nothing of a mixer, a mixer nothing of a hand', () => {
	const nights = [1, 2, 3, 4, 5, 6];
	const hand = nights.map((at) => reading(at, 5, null));
	const spiral = nights.map((at) => reading(at, 14, 'spiral'));
	const untaught = small(recipe(null)).friction.figures;
	close(untaught.kilojoulesPerKilogram, 3);
	const afterSpiral = small(recipe(null), spiral, [{ recipe: recipe('mixer'), readings: spiral }]);
	assert.deepEqual(afterSpiral.friction.figures, untaught);
	const friction = small(recipe(null), hand).friction;
	const taught = friction.figures;
	// What the water is spread by is what is shown of the friction: 1.5 kJ/kg may be off by three quarters, less with six readings.
	close(friction.spread.kilojoulesPerKilogram, taught.spreadKilojoulesPerKilogram);
	close(small(recipe(null)).friction.spread.kilojoulesPerKilogram, 0.75 * 1.5, 0.2);
	assert.equal(taught.used, 6);
	close(taught.kilojoulesPerKilogram, 5, 0.5);
	const others = [{ recipe: recipe(null), readings: hand }];
	assert.equal(small(recipe(null), [], others).friction.figures.usedOfOthers, 5);
	assert.deepEqual(
		small(recipe('mixer'), [], others).friction.figures,
		small(recipe('mixer')).friction.figures
	);
});
