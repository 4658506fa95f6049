import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type IngredientId, type PreparationId } from '../identity.ts';
import { comparePreparations, type Material, type Preparation } from './index.ts';

const of = (name: string): Material => ({
	kind: 'ingredient',
	ingredientId: id<IngredientId>(name)
});
const build = (...lines: readonly (readonly [string, number])[]): Preparation => ({
	id: id<PreparationId>('levain'),
	name: 'levain',
	kind: 'build',
	lines: lines.map(([name, parts]) => ({ material: of(name), parts })),
	buildLoss: { share: 0.02 },
	takeBackGrams: 0
});

test('two recipes of a build are compared in percent of each one’s own whole', () => {
	const before = build(['seed', 20], ['flour', 100], ['water', 80]);
	const after = build(['seed', 10], ['flour', 100], ['water', 90]);
	assert.deepEqual(comparePreparations(before, after), [
		{ material: of('seed'), addition: 'start', before: 10, after: 5 },
		{ material: of('water'), addition: 'start', before: 40, after: 45 }
	]);
});

test('the same recipe in other parts does not differ, and a line that went or came has one side', () => {
	const before = build(['flour', 1], ['water', 1]);
	assert.deepEqual(comparePreparations(before, build(['flour', 50], ['water', 50])), []);
	const [came, ...others] = comparePreparations(
		before,
		build(['flour', 1], ['water', 1], ['malt', 2])
	);
	assert.equal(others.length, 2);
	assert.ok(came);
	assert.deepEqual(
		comparePreparations(build(['flour', 1], ['malt', 1]), build(['flour', 1])).map(
			(preparation) => [preparation.before, preparation.after]
		),
		[
			[50, 100],
			[50, null]
		]
	);
});

test('compared percentages lie between 0 and 100, and those of a whole recipe add up to 100', () => {
	let differing = 0;
	const parts = fc.array(fc.double({ min: 0.1, max: 500, noNaN: true }), {
		minLength: 2,
		maxLength: 6
	});
	fc.assert(
		fc.property(parts, parts, (was, is) => {
			const recipe = (amounts: readonly number[]) =>
				build(...amounts.map((amount, at) => [`line ${at}`, amount] as const));
			const found = comparePreparations(recipe(was), recipe(is));
			for (const side of ['before', 'after'] as const) {
				const told = found
					.map((difference) => difference[side])
					.filter((difference) => difference !== null);
				for (const percent of told) assert.ok(percent > 0 && percent <= 100, `${percent}`);
				const whole = side === 'before' ? was : is;
				if (told.length === whole.length)
					assert.ok(Math.abs(told.reduce((a, b) => a + b, 0) - 100) < 1e-9);
			}
			if (found.length > 0) differing += 1;
		})
	);
	assert.ok(differing > 80, `${differing} pairs differed`);
});
