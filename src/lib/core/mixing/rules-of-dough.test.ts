import { test } from 'node:test';
import assert from 'node:assert/strict';
import { at, bowl } from './bowl.fixture.ts';
import { NO_RULES, schoolsOfMix, waterOfMix, type WaterOfMixInput } from './index.ts';

const close = (actual: number | undefined, expected: number, within = 1e-9) =>
	assert.ok(Math.abs((actual ?? NaN) - expected) <= within, `${actual} is not ${expected}`);
const rise = (kelvins: number) => ({
	difference: { kelvins },
	source: { kind: 'learned' as const }
});

/** A dough of flour, water and two preparations by name, a levain and a soaker. */
function withParts(countsSoakers: boolean): WaterOfMixInput {
	const plain = bowl(['water', 60]);
	const inner = (name: string, kind: 'build' | 'soaker') => ({
		...plain.stage,
		kind,
		name,
		addition: 'start' as const,
		lines: [],
		stages: [],
		percentOfFlour: 20
	});
	return {
		...plain,
		stage: { ...plain.stage, stages: [inner('levain', 'build'), inner('oats', 'soaker')] },
		preferments: [
			{ ...at(24), name: 'levain' },
			{ ...at(40), name: 'oats' }
		],
		rules: { ...NO_RULES, factorRise: rise(4), countsSoakers }
	};
}

test('the soaker counts when the baker says so, and the learned rise goes to n = 5 by the rise, not by F', () => {
	// Flour 20, room 22, target 26: 4 x 26 - (20 + 22 + 24 + 4 x 4), and 5 x 26 - (20 + 22 + 24 + 40 + 5 x 4).
	close(waterOfMix(withParts(false))?.schools['factor-rule'].value, 22);
	close(waterOfMix(withParts(true))?.schools['factor-rule'].value, 4);
});

test('a base that the baker typed is taken as it is; one that was learned follows the target', () => {
	const asked = bowl(['water', 60]);
	const base = (rules: Partial<WaterOfMixInput['rules']>, target = 26) =>
		waterOfMix({ ...asked, target: { celsius: target }, rules: { ...NO_RULES, ...rules } })?.base
			.value;
	close(base({ typedBase: { celsius: 61 } }), 61);
	close(base({ typedBase: { celsius: 61 } }, 24), 61);
	close(base({ baseRise: rise(4.5) }), 3 * 26 - 3 * 4.5);
	close(base({ baseRise: rise(4.5) }, 24), 3 * 24 - 3 * 4.5);
	const typed = waterOfMix({ ...asked, rules: { ...NO_RULES, typedBase: { celsius: 61 } } });
	close(typed?.schools['base-temperature'].value, 61 - 20 - 22);
});

test('what a rule reads from a dough is what makes it ask for that very water again', () => {
	const asked = { ...bowl(['water', 60]), target: { celsius: 26.4 } };
	const read = schoolsOfMix(asked, { celsius: 26.4 }, { celsius: 19.5 });
	assert.ok(read);
	const again = waterOfMix({
		...asked,
		rules: {
			...NO_RULES,
			factorRise: rise(read.risesKelvins['factor-rule']),
			baseRise: rise(read.risesKelvins['base-temperature'])
		}
	});
	close(again?.schools['factor-rule'].value, 19.5);
	close(again?.schools['base-temperature'].value, 19.5);
	assert.equal(read.roomCelsius, 22);
	assert.ok(read.waterDegreesPerDough > 1);
});
