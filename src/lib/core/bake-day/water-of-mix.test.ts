import { test } from 'node:test';
import assert from 'node:assert/strict';
import { reworked } from '../explain/index.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../identity.ts';
import { productionOf } from '../production/index.ts';
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
	assert.equal(water.counted, 4);
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
	assert.equal(waterOfMix({ ...asked, preferments: [] })?.counted, 3);
	const two = waterOfMix({
		...asked,
		preferments: [
			{ ...at(20), name: 'levain' },
			{ ...at(20), name: 'soaker' }
		]
	});
	assert.equal(two?.counted, 4);
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
