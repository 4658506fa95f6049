import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	FLOUR_HEAT_CAPACITY,
	frictionRevealed,
	waterByHeatBalance,
	waterDegreesPerDough,
	waysOut,
	WATER,
	type HeatBalanceInput
} from './index.ts';

const at = (celsius: number) => ({ temperature: { celsius }, source: { kind: 'bakery' as const } });
const DOUGH: HeatBalanceInput = {
	target: { celsius: 25 },
	parts: [
		{
			name: 'flour',
			mass: { grams: 16_000 },
			heatCapacity: { kilojoulesPerKilogramKelvin: FLOUR_HEAT_CAPACITY },
			temperature: at(29)
		},
		{
			name: 'salt',
			mass: { grams: 400 },
			heatCapacity: { kilojoulesPerKilogramKelvin: 0.88 },
			temperature: at(31)
		}
	],
	bowl: { kilojoulesPerKelvin: 9, temperature: at(31) },
	water: { grams: 10_000 },
	liquid: WATER,
	friction: { work: { kilojoulesPerKilogram: 11 }, source: { kind: 'assumed' } }
};
const MIXER = {
	workKilojoulesPerKilogram: 9,
	program: { slowMinutes: 4, fastMinutes: 6 }
};
const missed = (kelvins: number) => ({
	kelvins,
	grams: DOUGH.water.grams,
	perDough: waterDegreesPerDough(DOUGH),
	inBowl: []
});
const close = (actual: number, expected: number) =>
	assert.ok(Math.abs(actual - expected) <= 1e-9, `${actual} is not ${expected}`);

test('each way alone reaches the target, or says where the dough comes out', () => {
	fc.assert(
		fc.property(fc.double({ min: 0.2, max: 12, noNaN: true }), (kelvins) => {
			const wanted = waterByHeatBalance(DOUGH).value;
			const got = wanted + kelvins;
			for (const way of waysOut(DOUGH, missed(kelvins), MIXER))
				switch (way.kind) {
					case 'part': {
						const parts = DOUGH.parts.map((part) =>
							part.name === way.name
								? {
										...part,
										temperature: at(part.temperature.temperature.celsius + way.by.kelvins)
									}
								: part
						);
						assert.ok(way.by.kelvins < 0);
						close(waterByHeatBalance({ ...DOUGH, parts }).value, got);
						break;
					}
					case 'bowl': {
						const celsius = 31 + way.by.kelvins;
						const bowl = { kilojoulesPerKelvin: 9, temperature: at(celsius) };
						close(waterByHeatBalance({ ...DOUGH, bowl }).value, got);
						break;
					}
					case 'smaller-batch': {
						const less = (grams: number) => ({ grams: grams * way.share });
						const parts = DOUGH.parts.map((part) => ({ ...part, mass: less(part.mass.grams) }));
						const water = less(DOUGH.water.grams);
						close(waterByHeatBalance({ ...DOUGH, parts, water }).value, got);
						break;
					}
					case 'friction': {
						// The heat of wetting comes all the same: only the mixer's 9 of the 11 get less.
						const work = { kilojoulesPerKilogram: 11 - 9 * way.shareLess };
						if (way.fastMinutesLess !== null)
							close((way.fastMinutesLess * 2.2) / (4 + 2.2 * 6), way.shareLess);
						const friction = { ...DOUGH.friction, work };
						close(waterByHeatBalance({ ...DOUGH, friction }).value, got);
						break;
					}
					case 'target':
						// With the water as it is, that dough reveals the friction it was mixed with.
						close(frictionRevealed(DOUGH, at(25 + way.by.kelvins), { celsius: got }).value, 11);
				}
		})
	);
});

test('salt is too little to cool a dough with, and water that is too cold warms nothing by less mixing', () => {
	const kinds = waysOut(DOUGH, missed(4), MIXER).map((way) =>
		way.kind === 'part' ? way.name : way.kind
	);
	assert.deepEqual(kinds, ['target', 'friction', 'flour'], 'what takes only a decision leads');
	const kindsOf = (kelvins: number, inBowl: readonly string[] = []) =>
		waysOut(DOUGH, { ...missed(kelvins), inBowl }, MIXER).map((way) => way.kind);
	assert.deepEqual(kindsOf(2), ['target', 'friction', 'part', 'bowl']);
	assert.deepEqual(kindsOf(-2), ['target', 'part', 'bowl']);
	// Nothing is done to what is in the bowl already, nor to the bowl; and no flour is cooled by ten degrees in an hour.
	assert.deepEqual(kindsOf(2, ['flour']), ['target', 'friction']);
	assert.deepEqual(kindsOf(5.5), ['target', 'friction']);
	const far = waysOut(DOUGH, missed(200), MIXER).map((way) => way.kind);
	assert.deepEqual(far, ['target']);
});
