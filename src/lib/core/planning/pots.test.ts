import assert from 'node:assert/strict';
import { test } from 'node:test';
import { DAY, planned } from './harbour-day.fixture.ts';
import type { BakeDayInput } from './index.ts';

test('lidded pots are heated again before their next load, other decks of the oven only recover', () => {
	const [oven] = DAY.bakery.ovens;
	const [first, second] = oven!.decks;
	const REHEAT = 40;
	const day: BakeDayInput = {
		...DAY,
		bakery: {
			...DAY.bakery,
			ovens: [
				{ ...oven!, sharesHeat: true, decks: [{ ...first!, reheatMinutes: REHEAT }, second!] }
			]
		}
	};
	const { plan, violations } = planned(day, {}, 300);
	assert.deepEqual(violations, []);
	const gapsOn = (deckId: string) => {
		const loads = new Map<number, number>();
		for (const { machineId, step, startMs, attended } of plan.tasks)
			if (machineId === deckId && step.kind === 'bake')
				loads.set(startMs, Math.max(...attended.map(({ toMs }) => toMs)));
		const order = [...loads].sort(([a], [b]) => a - b);
		return order.slice(1).map(([start], at) => (start - (order[at]?.[1] ?? 0)) / 60_000);
	};
	const [pots, sole] = [gapsOn(first!.id), gapsOn(second!.id)];
	assert.ok(pots.length > 0 && sole.length > 0, 'both took several loads');
	for (const gap of pots) assert.ok(gap >= REHEAT, `${gap} min`);
	for (const gap of sole) assert.ok(gap >= oven!.recoveryMinutes, `${gap} min`);
	assert.ok(Math.min(...sole) < REHEAT, 'the other deck does not wait for the pots');
});
