import { test } from 'node:test';
import assert from 'node:assert/strict';
import { at, bowl, CAPACITY } from './bowl.fixture.ts';
import { id, type IngredientId } from '../identity.ts';
import { doughByWater, frictionOfMix, waterOfMix } from './index.ts';

/** The balance of heat by hand: 10 kg of flour at 20, the other liquids of the bowl at 22, all to 26. */
function byHand(liquid: readonly [string, number][], standing: readonly [string, number][] = []) {
	const heat = (kg: number, name: string) => kg * (CAPACITY[name] ?? NaN);
	const kilograms = 10 + [...liquid, ...standing].reduce((sum, [, kg]) => sum + kg, 0);
	const toBring =
		heat(10, 'flour') * (26 - 20) +
		standing.reduce((sum, [name, kg]) => sum + heat(kg, name) * (26 - 22), 0) -
		9 * kilograms;
	return 26 + toBring / liquid.reduce((sum, [name, kg]) => sum + heat(kg, name), 0);
}
const close = (actual: number | undefined, expected: number, within = 1e-6) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);

test('a little water beside much milk is poured with it, both as warm as the dough needs', () => {
	const found = waterOfMix(bowl(['water', 3], ['milk', 55]));
	assert.ok(found);
	close(
		found.wanted.value,
		byHand([
			['water', 0.3],
			['milk', 5.5]
		])
	);
	assert.ok(found.wanted.value > 5 && found.wanted.value < 40);
	assert.equal(found.liquid, 'milk and water');
	assert.ok(found.order.kind === 'liquid');
	assert.deepEqual(
		found.order.parts.map(({ name, mass }) => [name, mass.grams]),
		[
			['water', 300],
			['milk', 5500]
		]
	);
	close(found.water.value, 5800);
	close(found.expected.value, 26);
	assert.deepEqual(found.waysOut, []);
});

test('milk that goes in at two times is found whole', () => {
	const found = waterOfMix(bowl(['milk', 40], ['milk', 20, 'held-back']));
	assert.ok(found);
	close(found.wanted.value, byHand([['milk', 6]]));
	close(found.water.value, 6000);
	assert.equal(found.liquid, 'milk');
	assert.ok(found.order.kind === 'liquid');
	assert.deepEqual(found.order.parts, [{ name: 'milk', mass: { grams: 6000 } }]);
});

test('much water beside a little milk is found alone, and the milk stands where it stands', () => {
	const found = waterOfMix(bowl(['water', 60], ['milk', 10]));
	assert.ok(found);
	close(found.wanted.value, byHand([['water', 6]], [['milk', 1]]));
	assert.equal(found.liquid, 'water');
	const equal = waterOfMix(bowl(['water', 30], ['milk', 30]));
	assert.equal(equal?.liquid, 'water and milk');
});

test('the baker may pick the liquid: one of two additions, or water alone beside milk', () => {
	const milk = (addition: 'start' | 'held-back') => ({
		ingredientId: id<IngredientId>('milk'),
		addition
	});
	const twice = { ...bowl(['milk', 40], ['milk', 20, 'held-back']), picked: [milk('start')] };
	const first = waterOfMix(twice);
	assert.ok(first);
	close(first.wanted.value, byHand([['milk', 4]], [['milk', 2]]));
	close(first.water.value, 4000);
	assert.deepEqual(
		first.poured.map(({ grams, isFound }) => [grams, isFound]),
		[
			[4000, true],
			[2000, false]
		]
	);
	const made = frictionOfMix(twice, { celsius: first.expected.value }, first.order.temperature);
	close(made?.kilojoulesPerKilogram, 9);
	const water = { ingredientId: id<IngredientId>('water'), addition: 'start' as const };
	const beside = waterOfMix({ ...bowl(['water', 30], ['milk', 30]), picked: [water] });
	close(beside?.wanted.value, byHand([['water', 3]], [['milk', 3]]));
	assert.equal(beside?.liquid, 'water');
	assert.ok(beside && beside.order.kind !== 'liquid', 'water comes from taps and ice');
	// What is no longer poured was not picked.
	const gone = waterOfMix({ ...bowl(['water', 60]), picked: [milk('late' as 'start')] });
	assert.equal(gone?.liquid, 'water');
});

test('the dough that a water gives is the question of the water asked backwards', () => {
	for (const asked of [
		bowl(['water', 65]),
		bowl(['milk', 40], ['milk', 20, 'held-back']),
		{ ...bowl(['water', 65]), bowlKilojoulesPerKelvin: 9, target: { celsius: 14 } }
	]) {
		const found = waterOfMix(asked);
		assert.ok(found);
		for (const target of [18, 24.5, 29]) {
			const other = waterOfMix({ ...asked, target: { celsius: target } });
			assert.ok(other);
			close(doughByWater(found, { celsius: other.wanted.value }).celsius, target);
		}
	}
});

test('what a milk dough teaches is the work it was told, however its liquid is made up', () => {
	for (const asked of [
		bowl(['water', 3], ['milk', 55]),
		bowl(['milk', 40], ['milk', 20, 'held-back']),
		bowl(['water', 60], ['milk', 10])
	]) {
		const found = waterOfMix(asked);
		assert.ok(found);
		const revealed = frictionOfMix(
			asked,
			{ celsius: found.expected.value },
			found.order.temperature
		);
		close(revealed?.kilojoulesPerKilogram, 9);
	}
});

test('ice or hot water that moves the dough by less than half a degree is not fetched', () => {
	const plain = bowl(['water', 65]);
	const wanted = waterOfMix(plain)?.wanted.value ?? NaN;
	const withTap = (celsius: number) =>
		waterOfMix({ ...plain, supply: { ...plain.supply, cold: at(celsius) } });
	for (const off of [-0.6, 0.6]) {
		// A degree of water moves this dough by 0.6.
		const found = withTap(wanted + off);
		assert.ok(found?.order.kind === 'blend');
		assert.equal(found.order.hot.grams, 0);
		close(found.order.temperature.celsius, wanted + off);
		assert.ok(Math.abs(found.expected.value - 26) > 0.2, 'what the tap makes of it is told');
		assert.ok(Math.abs(found.expected.value - 26) < 0.5);
	}
	assert.equal(withTap(wanted + 2)?.order.kind, 'ice');
	const warmed = withTap(wanted - 2);
	assert.ok(warmed?.order.kind === 'blend' && warmed.order.hot.grams > 0);
});

test('a bowl without any liquid has no water to find and no friction to reveal', () => {
	const dry = bowl();
	assert.equal(waterOfMix(dry), null);
	assert.equal(frictionOfMix(dry, { celsius: 26 }, { celsius: 20 }), null);
});
