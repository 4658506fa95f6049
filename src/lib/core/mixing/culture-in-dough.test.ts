import { test } from 'node:test';
import assert from 'node:assert/strict';
import { explainFigure, figuresOf, sanityNotes } from '../formula/index.ts';
import { id, type PlaceId } from '../identity.ts';
import { at, bowl, plainMix } from './bowl.fixture.ts';
import { waterOfMix } from './index.ts';

test('a culture that goes straight into the dough is its leaven and its pre-fermented flour', () => {
	const { resolved } = plainMix(10_000, ['culture', 20], ['water', 60]);
	const figures = figuresOf(resolved);
	// 20 % of a culture at 100 % hydration is half flour.
	const expected = 10;
	assert.ok(Math.abs(figures.prefermentedFlour - expected) < 1e-9, `${figures.prefermentedFlour}`);
	const explained = explainFigure(resolved, 'prefermentedFlour');
	assert.ok(Math.abs(explained.value - expected) < 1e-9);
	assert.ok(!sanityNotes(resolved, figures).some(({ kind }) => kind === 'no-leavening'));
});

test('it counts in the factor rule as warm as it stands, and its place may be read', () => {
	const plain = bowl(['water', 60]);
	const seeded = bowl(['culture', 20], ['water', 60]);
	const inPlace = (celsius: number) => {
		const place = id<PlaceId>('culture box');
		const stage = {
			...seeded.stage,
			lines: seeded.stage.lines.map((line) => ({
				...line,
				ingredient: {
					...line.ingredient,
					placeId: line.ingredient.kind === 'culture' ? place : null
				}
			}))
		};
		return waterOfMix({ ...seeded, stage, places: new Map([[place, at(celsius)]]) });
	};
	const three = waterOfMix(plain);
	const [cool, warm] = [inPlace(20), inPlace(30)];
	assert.ok(three && cool && warm);
	assert.equal(three.prefermentShare, 0);
	assert.ok(cool.prefermentShare > 0.1);
	// One of four parts that is ten degrees warmer takes ten degrees from the water.
	assert.ok(
		Math.abs(cool.schools['factor-rule'].value - warm.schools['factor-rule'].value - 10) < 1e-9
	);
	assert.ok(warm.schools['heat-balance'].value < cool.schools['heat-balance'].value);
});
