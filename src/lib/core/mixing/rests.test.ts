import { test } from 'node:test';
import assert from 'node:assert/strict';
import { at, bowl, CAPACITY } from './bowl.fixture.ts';
import { bowlReadingOf, frictionOfMix, waterOfMix, type WaterOfMixInput } from './index.ts';

const cold = (minutes: number) => ({ minutes, ambient: { celsius: 4 }, timeConstantMinutes: 60 });
const close = (actual: number | undefined, expected: number, within = 1e-6) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);
/** A dough of 10 kg of flour with two cold rests of half and quarter of an hour between its kneads. */
const plain = bowl(['water', 65]);
const rested: WaterOfMixInput = {
	...plain,
	mixing: {
		program: null,
		kneads: [
			{ share: 0.4, rest: cold(30) },
			{ share: 0.3, rest: cold(15) },
			{ share: 0.3, rest: null }
		]
	}
};

test('two cold rests between kneads make the water warmer, as stepping through by hand says', () => {
	const found = waterOfMix(rested);
	assert.ok(found);
	const heat = 10 * (CAPACITY.flour ?? NaN) + 6.5 * (CAPACITY.water ?? NaN);
	const capacity = heat / 16.5;
	let celsius =
		(10 * (CAPACITY.flour ?? NaN) * 20 + 6.5 * (CAPACITY.water ?? NaN) * found.wanted.value) / heat;
	celsius += (0.4 * 9) / capacity;
	celsius = 4 + (celsius - 4) * Math.exp(-30 / 60);
	celsius += (0.3 * 9) / capacity;
	celsius = 4 + (celsius - 4) * Math.exp(-15 / 60);
	celsius += (0.3 * 9) / capacity;
	close(celsius, 26);
	assert.ok(found.wanted.value > (waterOfMix(plain)?.wanted.value ?? NaN) + 10);
	assert.deepEqual(
		found.stages.map(({ kind, restMinutes }) => [kind, restMinutes]),
		[
			['mix', 30],
			['knead', 15],
			['knead', 0]
		]
	);
});

test('what cold rests take is not taken for a mixer that works less', () => {
	const found = waterOfMix(rested);
	assert.ok(found);
	const revealed = frictionOfMix(
		rested,
		{ celsius: found.expected.value },
		found.order.temperature
	);
	close(revealed?.kilojoulesPerKilogram, 9);
});

test('water that is held back goes in with the last knead', () => {
	const held = bowl(['water', 50], ['water', 15, 'held-back']);
	const found = waterOfMix({ ...held, mixing: rested.mixing });
	assert.deepEqual(
		found?.stages.map(({ kind, waterGrams }) => [kind, waterGrams]),
		[
			['mix', 5000],
			['knead', 0],
			['knead', 0],
			['held-back', 1500]
		]
	);
	close(found?.stages.at(-1)?.celsiusAfter, found?.expected.value ?? NaN);
});

test('the bowl may be measured before its held-back water, and only that water is found then', () => {
	const asked = bowl(['water', 55], ['water', 10, 'held-back']);
	assert.equal(bowlReadingOf(asked, asked.lines), 'held-back');
	assert.equal(bowlReadingOf(rested, rested.lines), null);
	const ahead = waterOfMix(asked);
	const [mixed] = ahead?.stages ?? [];
	assert.ok(ahead && mixed);
	const measured = (celsius: number) =>
		waterOfMix({ ...asked, school: 'factor-rule', autolysed: at(celsius) });
	// A bowl that is as warm as it was forecast asks for the water that it was asked for before.
	const same = measured(mixed.celsiusAfter);
	close(same?.wanted.value, ahead.wanted.value);
	close(same?.water.value, 1000);
	assert.deepEqual(
		same?.stages.map(({ kind }) => kind),
		['held-back']
	);
	// By hand: what is in the bowl, the last 1 kg of water, and three tenths of the work on all of it.
	const heat = 10 * (CAPACITY.flour ?? NaN) + 5.5 * (CAPACITY.water ?? NaN);
	const work = 0.3 * 9 * 16.5;
	const water = 26 + (heat * (26 - 24) - work) / (CAPACITY.water ?? NaN);
	close(measured(24)?.wanted.value, water);
	// So little work is left that it says nothing of the mixer.
	const late = { ...asked, autolysed: at(24) };
	assert.equal(frictionOfMix(late, { celsius: 26 }, { celsius: water }), null);
});
