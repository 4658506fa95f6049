import { test } from 'node:test';
import assert from 'node:assert/strict';
import { byHand } from '../explain/by-hand.fixture.ts';
import { OAT_LOAF, OAT_LOAF_PANTRY } from '../formula/oat-loaf.fixture.ts';
import { id, type DropId, type ProductId } from '../identity.ts';
import { productionOf } from '../production/index.ts';
import { WATER_SCHOOLS } from '../heat/index.ts';
import {
	frictionOfMix,
	heatBalanceOf,
	NO_RULES,
	waterOfMix,
	type WaterOfMixInput
} from './index.ts';

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
				extras: [],
				sheet: null,
				spares: { share: 0 }
			}
		],
		formulas: [{ formula: OAT_LOAF, limits: [{ least: { grams: 0 }, most: { grams: 60_000 } }] }],
		pantry: OAT_LOAF_PANTRY,
		scales: [{ name: 'scale', capacity: { grams: 60_000 }, division: { grams: 1 } }],
		made: { mixes: [], preparations: [] }
	});
	assert.ok(day.ok);
	const [dough] = day.value.doughs;
	const [mix] = dough?.mixes ?? [];
	assert.ok(dough && mix);
	return {
		lines: mix.lines,
		picked: [],
		stage: dough.resolved.final,
		mixing: { program: null, kneads: [{ share: 1, rest: null }] },
		autolysed: null,
		nowMs: 0,
		school: 'factor-rule',
		bowlKilojoulesPerKelvin: 0,
		target: { celsius: 25 },
		flour: at(19),
		room: at(23),
		places: new Map(),
		rules: NO_RULES,
		preferments: [{ ...at(24), name: 'levain' }],
		friction: {
			work: { kilojoulesPerKilogram: 9.6 },
			spread: { kilojoulesPerKilogram: 1 },
			source: { kind: 'assumed' },
			mixer: { workKilojoulesPerKilogram: 8.1, program: null }
		},
		supply: {
			cold: at(12),
			chilled: null,
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
		asked.lines.filter((l) => l.name === 'water').reduce((t, l) => t + l.weighing.weighed.grams, 0)
	);
	assert.equal(byHand(water.wanted), water.wanted.value);
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
	const lines = asked.lines.filter((line) => line.name !== 'water');
	assert.equal(waterOfMix({ ...asked, lines }), null);
});

test('water that the scale rounds to nothing has no temperature to find', () => {
	const asked = input();
	const lines = asked.lines.map((line) =>
		line.name === 'water'
			? { ...line, weighing: { ...line.weighing, weighed: { grams: 0 } } }
			: line
	);
	assert.equal(waterOfMix({ ...asked, lines }), null);
	assert.equal(heatBalanceOf({ ...asked, lines }), null);
});

test('each school is asked for by name, and all stand on one friction', () => {
	const asked = input();
	for (const school of WATER_SCHOOLS) {
		const water = waterOfMix({ ...asked, school });
		assert.ok(water);
		assert.equal(water.wanted, water.schools[school]);
		for (const school of WATER_SCHOOLS)
			assert.equal(byHand(water.schools[school]), water.schools[school].value);
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
			ice: { ...asked.supply.ice, mostShare: { share: 0.04 } }
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

const close = (actual: number | undefined, expected: number, within = 1e-9) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);

test('the dough that the water of the balance makes is expected at its target, with a spread that ages', () => {
	const asked = { ...input(), school: 'heat-balance' as const };
	const water = waterOfMix(asked);
	close(water?.expected.value, 25, 1e-6);
	assert.ok(water && Math.abs(byHand(water.expected) - 25) < 1e-6);
	const measured = (epochMs: number) => ({
		temperature: { celsius: 19 },
		source: { kind: 'measured' as const, epochMs, instrument: 'typed' }
	});
	const spread = (hoursAgo: number) =>
		waterOfMix({ ...asked, flour: measured(0), nowMs: hoursAgo * 3_600_000 })?.expectedSpread
			.kelvins ?? 0;
	assert.ok(spread(0) < spread(2) && spread(2) < spread(20), `${spread(0)} ${spread(20)}`);
});

test('held-back water is stepped through: without a rest the balance of heat stands', () => {
	const asked = { ...input(), school: 'heat-balance' as const };
	const whole = waterOfMix({
		...asked,
		lines: asked.lines.map((line) => ({ ...line, addition: 'start' as const }))
	});
	const stepped = waterOfMix(asked);
	assert.ok(stepped && whole);
	close(stepped.wanted.value, whole.wanted.value, 1e-6);
	assert.deepEqual(
		stepped.stages.map((stage) => stage.kind),
		['mix', 'held-back']
	);
	close(stepped.stages.at(-1)?.celsiusAfter, 25, 1e-6);
	close(
		stepped.stages.reduce((total, stage) => total + stage.waterGrams, 0),
		stepped.water.value
	);
});

test('an autolyse drifts towards the room, and once it was measured only the water after it is found', () => {
	const plain = input();
	const autolysed: WaterOfMixInput = {
		...plain,
		school: 'heat-balance',
		room: at(31),
		lines: plain.lines.map((line) =>
			line.name === 'bread flour' || (line.name === 'water' && line.addition === 'start')
				? { ...line, addition: 'autolyse' as const }
				: line
		),
		mixing: {
			program: null,
			kneads: [
				{
					share: 0.15,
					rest: { minutes: 40, ambient: { celsius: 31 }, timeConstantMinutes: 300 }
				},
				{ share: 0.85, rest: null }
			]
		}
	};
	const ahead = waterOfMix(autolysed);
	assert.ok(ahead);
	assert.deepEqual(
		ahead.stages.map((stage) => [stage.kind, stage.restMinutes]),
		[
			['autolyse', 40],
			['mix', 0],
			['held-back', 0]
		]
	);
	close(ahead.stages.at(-1)?.celsiusAfter, 25, 1e-6);
	close(ahead.expected.value, 25, 1e-6);
	// It warms in the rest, so its water is asked for colder than without one.
	const unrested = waterOfMix({ ...autolysed, mixing: plain.mixing });
	assert.ok(unrested && ahead.wanted.value < unrested.wanted.value);
	// A rest that neither warms nor cools leaves the work of all stages to be the mixer's, no more and no less.
	const kept = waterOfMix({
		...autolysed,
		mixing: {
			program: null,
			kneads: [
				{
					share: 0.15,
					rest: { minutes: 40, ambient: { celsius: 31 }, timeConstantMinutes: 1e12 }
				},
				{ share: 0.85, rest: null }
			]
		}
	});
	close(kept?.wanted.value, unrested.wanted.value, 1e-6);
	// What the hot room gave the rest is not taken for the mixer's work.
	for (const asked of [autolysed, { ...autolysed, autolysed: at(23) }]) {
		const dough = waterOfMix(asked);
		assert.ok(dough);
		const made = { celsius: dough.expected.value };
		const revealed = frictionOfMix(asked, made, dough.order.temperature);
		close(revealed?.kilojoulesPerKilogram, 9.6, 1e-6);
	}
	const measured = (celsius: number) =>
		waterOfMix({ ...autolysed, school: 'factor-rule', autolysed: at(celsius) });
	const cool = measured(22);
	const warm = measured(24);
	assert.ok(cool && warm);
	assert.ok(warm.wanted.value < cool.wanted.value, 'a warmer autolyse asks for colder water');
	assert.equal(
		cool.water.value,
		autolysed.lines.find((line) => line.addition === 'held-back')?.weighing.weighed.grams
	);
	close(cool.stages.at(-1)?.celsiusAfter, cool.expected.value, 1e-6);
	// A measured autolyse stays in the ways out: they tell the very miss of the dough, and cool no flour that is wet.
	const hot = measured(34);
	const target = hot?.waysOut.find((way) => way.kind === 'target');
	assert.ok(hot && target?.kind === 'target', JSON.stringify(hot?.order));
	close(target.by.kelvins, hot.expected.value - 25, 1e-6);
	assert.ok(
		!hot.waysOut.some(
			(way) => way.kind === 'bowl' || (way.kind === 'part' && way.name === 'bread flour')
		)
	);
});

test('a dough of milk is found its milk', () => {
	const asked = input();
	const milky = (ingredient: (typeof asked.stage.lines)[number]['ingredient']) =>
		ingredient.kind === 'water'
			? {
					...ingredient,
					name: 'milk',
					kind: 'liquid' as const,
					heatCapacity: { kilojoulesPerKilogramKelvin: 3.93 }
				}
			: ingredient;
	const found = waterOfMix({
		...asked,
		school: 'heat-balance',
		stage: {
			...asked.stage,
			lines: asked.stage.lines.map((line) => ({ ...line, ingredient: milky(line.ingredient) }))
		}
	});
	assert.ok(found && found.order.kind === 'liquid');
	assert.deepEqual([found.liquid, found.order.name], ['milk', 'milk']);
	close(found.expected.value, 25, 0.6);
});
