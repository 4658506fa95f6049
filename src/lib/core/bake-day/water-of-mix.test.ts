import { test } from 'node:test';
import assert from 'node:assert/strict';
import { reworked } from '../explain/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../identity.ts';
import { productionOf } from '../production/index.ts';
import { WATER_SCHOOLS } from '../heat/index.ts';
import { waterOfMix, type WaterOfMixInput } from './index.ts';

const SET = { kind: 'bakery' } as const;
const at = (celsius: number) => ({ temperature: { celsius }, source: SET });

function input(): WaterOfMixInput {
	const round = id<ProductId>('round');
	const day = productionOf({
		demands: [{ dropId: id<DropId>('ferry'), dueMs: 0, productId: round, pieces: 30 }],
		products: [
			{
				id: round,
				name: 'round',
				doughs: [{ formulaId: OAT_LOAF.id, scaledWeight: { grams: 900 } }],
				extras: []
			}
		],
		formulas: [{ formula: OAT_LOAF, limits: { least: { grams: 0 }, most: { grams: 60_000 } } }],
		pantry: OAT_LOAF_PANTRY,
		scales: [{ name: 'scale', capacity: { grams: 60_000 }, division: { grams: 1 } }]
	});
	assert.ok(day.ok);
	const [dough] = day.value.doughs;
	const [mix] = dough?.mixes ?? [];
	assert.ok(dough && mix);
	return {
		mix,
		final: dough.resolved.final,
		school: 'factor-rule',
		bowlKilojoulesPerKelvin: 0,
		target: { celsius: 25 },
		flour: at(19),
		room: at(23),
		preferments: [{ ...at(24), name: 'levain' }],
		friction: { work: { kilojoulesPerKilogram: 9.6 }, source: { kind: 'assumed' } },
		supply: {
			cold: at(12),
			hot: { celsius: 55 },
			ice: { temperature: { celsius: 0 }, mostShare: { share: 0.15 } },
			hottestForYeast: { celsius: 40 }
		}
	};
}

test('the water of a mix counts start and held-back water, and explains its temperature', () => {
	const asked = input();
	const water = waterOfMix(asked);
	assert.ok(water);
	// Half the heat of this dough is in its water.
	assert.ok(water.waterDegreesPerDough > 1.5 && water.waterDegreesPerDough < 3);
	assert.deepEqual(water.waysOut, []);
	assert.equal(
		water.water.value,
		asked.mix.lines
			.filter((l) => l.name === 'water')
			.reduce((t, l) => t + l.weighing.weighed.grams, 0)
	);
	assert.equal(reworked(water.wanted), water.wanted.value);
	assert.equal(water.order.kind, 'blend');
	const hot = waterOfMix({
		...asked,
		room: at(31),
		flour: at(29),
		preferments: [{ ...at(27), name: 'levain' }]
	});
	assert.ok(hot && (hot.order.kind === 'ice' || hot.order.kind === 'too-cold-for-ice'));
});

test('without a build three temperatures count; several builds count as one', () => {
	const asked = input();
	const three = waterOfMix({ ...asked, preferments: [] });
	assert.ok(three);
	assert.equal(three.wanted.value, three.schools['base-temperature'].value);
	const two = waterOfMix({
		...asked,
		preferments: [
			{ ...at(20), name: 'levain' },
			{ ...at(20), name: 'soaker' }
		]
	});
	assert.equal(two?.wanted.value, two?.schools['factor-rule'].value);
	assert.equal(
		two?.wanted.value,
		waterOfMix({ ...asked, preferments: [{ ...at(20), name: 'x' }] })?.wanted.value
	);
});

test('a dough that adds no water at the mixer has no water to find', () => {
	const asked = input();
	const dry = { ...asked.mix, lines: asked.mix.lines.filter((line) => line.name !== 'water') };
	assert.equal(waterOfMix({ ...asked, mix: dry }), null);
});

test('each school is asked for by name, and all stand on one friction', () => {
	const asked = input();
	for (const school of WATER_SCHOOLS) {
		const water = waterOfMix({ ...asked, school });
		assert.ok(water);
		assert.equal(water.wanted, water.schools[school]);
		for (const one of WATER_SCHOOLS)
			assert.equal(reworked(water.schools[one]), water.schools[one].value);
	}
	const warmer = waterOfMix({
		...asked,
		friction: { ...asked.friction, work: { kilojoulesPerKilogram: 12 } }
	});
	const plain = waterOfMix(asked);
	assert.ok(warmer && plain);
	for (const school of WATER_SCHOOLS)
		assert.ok(warmer.schools[school].value < plain.schools[school].value, school);
});

test('a miss of the water is told in degrees of dough, and the moved target is that very miss', () => {
	const asked = input();
	const hot = waterOfMix({
		...asked,
		room: at(28),
		flour: at(27),
		preferments: [{ ...at(26), name: 'levain' }],
		supply: {
			...asked.supply,
			cold: at(19),
			ice: { ...asked.supply.ice, mostShare: { share: 0.02 } }
		},
		school: 'heat-balance'
	});
	assert.ok(hot);
	assert.ok(hot.order.kind === 'too-cold-for-ice', hot.order.kind);
	const target = hot.waysOut.find((way) => way.kind === 'target');
	assert.ok(target?.kind === 'target', JSON.stringify(hot.waysOut));
	assert.ok(Math.abs(target.by.kelvins - hot.order.doughWarmerBy.kelvins) < 1e-9);
	assert.ok(
		hot.waysOut.some((way) => way.kind === 'part' && way.name === 'bread flour'),
		JSON.stringify(hot.waysOut)
	);
});
