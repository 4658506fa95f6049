import assert from 'node:assert/strict';
import { test } from 'node:test';
import { changeAt, PLAIN_PROGRAMME } from '../baking/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { DAY, person, planned } from './harbour-day.fixture.ts';
import { expandDay } from './expand.ts';
import { handsAtMarks, type BakeDayInput, type DayTask } from './index.ts';

const VENTED: BakeDayInput = {
	...DAY,
	people: [
		person('Ilo', ['mixing', 'shaping', 'oven', 'packing'], 12, 31),
		person('Maud', ['shaping'], 12, 31)
	],
	products: DAY.products.map((product) => ({
		...product,
		steps: product.steps.map((step) =>
			step.kind === 'bake'
				? {
						...step,
						programme: {
							...PLAIN_PROGRAMME,
							turnAtMinutes: 22,
							changes: [{ ...changeAt(21), ventOpen: true }]
						}
					}
				: step
		)
	}))
};

test('a load that is turned or vented wants anybody at work then, once for what is done in one go', () => {
	const { problem, tasks } = expandDay(VENTED);
	const bakes = new Set(tasks.filter(({ kind }) => kind === 'bake').map(({ id }) => id));
	const modes = problem.tasks.filter(({ id }) => bakes.has(id)).flatMap((task) => task.modes);
	assert.ok(modes.length > 0);
	// Loaded in one unit of five minutes, so minute 21 of the bake is in the sixth.
	for (const { demands } of modes)
		assert.deepEqual(demands, [{ pools: ['anybody'], amount: 1, from: 5, to: 6 }]);
	const alone = expandDay({ ...VENTED, people: null }).problem.tasks;
	for (const { id, modes: own } of alone) if (bakes.has(id)) assert.deepEqual(own[0]?.demands, []);
	const { violations, plan } = planned(VENTED);
	assert.deepEqual(violations, []);
	assert.deepEqual(plan.cautions, []);
});

test('it is done by whoever loaded where they are free, else by somebody of the ovens, else by who is there', () => {
	const crew = [
		person('Ilo', ['oven'], 0, 24),
		person('Maud', ['oven'], 0, 24),
		person('Wren', ['shaping'], 0, 24)
	];
	const midnight = crew[0]!.there[0]!.fromMs;
	const at = (minute: number) => midnight + minute * MINUTE_MS;
	const doing = (personId: string, what: 'load' | 'do', from: number, to: number) =>
		({
			attended: [{ what, fromMs: at(from), toMs: at(to), personIds: [personId] }]
		}) as unknown as DayTask;
	const load = doing(crew[1]!.id, 'load', 0, 5);
	const who = (minute: number, ...tasks: readonly DayTask[]) =>
		handsAtMarks({ tasks: [load, ...tasks], deliveries: [] }, { people: crew })(load, at(minute));
	const [ilo, maud, wren] = crew.map(({ id }) => id);
	assert.equal(who(20), maud);
	assert.equal(who(20, doing(maud!, 'do', 15, 21)), ilo);
	assert.equal(who(20, doing(maud!, 'do', 15, 21), doing(ilo!, 'do', 20, 21)), wren);
	// What ends when it is due, or begins a minute later, keeps nobody.
	assert.equal(who(20, doing(maud!, 'do', 15, 20), doing(maud!, 'do', 21, 30)), maud);
	const all = [maud!, ilo!, wren!].map((id) => doing(id, 'do', 10, 30));
	assert.equal(who(20, ...all), null);
	assert.equal(who(25 * 60), null, 'nobody is at work then');
});
