import { test } from 'node:test';
import assert from 'node:assert/strict';
import { MINUTE_MS } from '../time/index.ts';
import {
	asIfOf,
	ahead,
	chanceOfDrops,
	judgePlacement,
	placementOn,
	planDifference,
	takenAsDone,
	whyHere,
	type BakeDayInput
} from './index.ts';
import { Grid } from './grid.ts';
import { DAY, FERRY_MS, person, planned } from './harbour-day.fixture.ts';

const ALL = ['mixing', 'shaping', 'oven', 'packing'] as const;
const CREW = [person('Maud', ALL, 14, 31), person('Ilo', ['mixing', 'shaping'], 14, 31)];
/** Both mixes, each for one portion of so many pieces. */
const ofEach = (pieces: number): BakeDayInput['doughs'] =>
	DAY.doughs.map((dough) => ({
		...dough,
		mixes: dough.mixes.map((mix) => ({ ...mix, portions: [{ ...mix.portions[0]!, pieces }] }))
	}));
const crewed = (people: BakeDayInput['people']): BakeDayInput => ({ ...DAY, people });

test('everybody does what they can, one thing at a time, while they are there', () => {
	const { plan, violations } = planned(crewed(CREW));
	assert.deepEqual(violations, []);
	assert.deepEqual(plan.cautions, []);
	for (const { step, attended } of plan.tasks)
		for (const { what, fromMs, toMs, personIds } of attended) {
			assert.equal(personIds.length, 1, `${what} is done by somebody`);
			const who = CREW.find(({ id }) => id === personIds[0]);
			assert.ok(who);
			assert.ok(who.there.some((shift) => shift.fromMs <= fromMs && toMs <= shift.toMs));
			if (what === 'load' || what === 'draw') assert.equal(who.name, 'Maud');
			if (step.kind === 'hands-on' && step.activity === 'pack') assert.equal(who.name, 'Maud');
		}
});

test('where nobody is there it is told for what and when, and all the rest stands', () => {
	// Maud goes home at two: nobody is left who loads and packs.
	const { plan, violations, placement } = planned(
		crewed([person('Maud', ALL, 14, 26), person('Ilo', ['mixing', 'shaping'], 14, 31)])
	);
	assert.deepEqual(violations, []);
	assert.notDeepEqual(placement.relaxed, []);
	assert.deepEqual(plan.unplaced, []);
	const nobody = plan.cautions.filter(({ kind }) => kind === 'nobody');
	assert.notEqual(nobody.length, 0);
	const twoMs = Date.UTC(2026, 10, 24, 2);
	assert.ok(
		nobody.some((caution) => caution.kind === 'nobody' && caution.fromMs >= twoMs),
		'what comes after two has nobody'
	);
});

test('flour that is late keeps every mixer waiting, and nothing else', () => {
	const before = planned(DAY).plan.tasks;
	const mixing = (tasks: typeof before) =>
		tasks.filter(({ step }) => step.kind === 'hands-on' && step.activity === 'mix');
	const firstMs = Math.min(...mixing(before).map(({ startMs }) => startMs));
	const atMs = firstMs + 40 * MINUTE_MS;
	const { plan, violations } = planned(DAY, { wishes: [{ kind: 'flour-from', atMs }] });
	assert.deepEqual(violations, []);
	assert.equal(mixing(plan.tasks).length, mixing(before).length);
	for (const { id, startMs } of mixing(plan.tasks)) assert.ok(startMs >= atMs, id);
	// What was mixed already was mixed when it was.
	const stirred = before.find(({ id }) => id === 'preparation:levain:1:0');
	assert.ok(stirred);
	const begun = { mixedAtMs: stirred.endMs, endedAtMs: null };
	const goesOn = planned(
		{ ...DAY, builds: DAY.builds.map((build) => ({ ...build, begun })) },
		{ wishes: [{ kind: 'flour-from', atMs: stirred.endMs + MINUTE_MS }] }
	);
	assert.deepEqual(goesOn.violations, []);
	assert.deepEqual(goesOn.plan.unplaced, []);
});

test('a wish binds what it names, and the plan goes around it', () => {
	const { plan, placement } = planned(DAY);
	const mixing = plan.tasks.find(({ id }) => id === 'mix:loaf:1:0');
	assert.ok(mixing?.placedAs);
	const atMs = mixing.startMs - 30 * MINUTE_MS;
	const wished = planned(DAY, { wishes: [{ kind: 'start', task: mixing.placedAs, atMs }] });
	assert.deepEqual(wished.violations, []);
	assert.equal(wished.plan.tasks.find(({ id }) => id === 'mix:loaf:1:0')?.startMs, atMs);
	const load = placement.plan.placed.find(({ unit }) => unit === 'deck 1');
	assert.ok(load);
	const decked = planned(DAY, { wishes: [{ kind: 'deck', task: load.task, deckId: 'deck 2' }] });
	assert.equal(decked.placement.plan.placed.find(({ task }) => task === load.task)?.unit, 'deck 2');
	// What it is for is not there any more: it is left out.
	const stray = planned(DAY, { wishes: [{ kind: 'start', task: 'mix:gone:1:0', atMs }] });
	assert.deepEqual(stray.plan.unplaced, []);
});

test('a deck that is down gets nothing, somebody who is away does nothing from then on', () => {
	const few: BakeDayInput = {
		...DAY,
		doughs: ofEach(12)
	};
	const down = planned(few, { wishes: [{ kind: 'deck-down', deckId: 'deck 1' }] });
	assert.deepEqual(down.violations, []);
	assert.ok(down.plan.tasks.every(({ machineId }) => machineId !== 'deck 1'));
	assert.deepEqual(down.plan.unplaced, []);
	const fromMs = FERRY_MS - 240 * MINUTE_MS;
	const away = planned(crewed(CREW), { wishes: [{ kind: 'away', personId: 'ilo', fromMs }] });
	for (const { attended } of away.plan.tasks)
		for (const { toMs, personIds } of attended)
			assert.ok(!personIds.includes('ilo') || toMs <= fromMs);
});

test('more to spare is kept where it can be had', () => {
	const spare = (minutes: number) => {
		const { plan } = planned(DAY, {
			wishes: [{ kind: 'more-to-spare', dropId: 'ferry', minutes }]
		});
		const ferry = plan.drops.find(({ name }) => name === 'Ferry');
		return (FERRY_MS - (ferry?.readyMs ?? NaN)) / MINUTE_MS;
	};
	const more = spare(40) - spare(0);
	assert.ok(more >= 15, `${more} min more`);
});

test('nothing that was not begun starts in the past; what the plan in force said is taken as done', () => {
	const { plan } = planned(DAY);
	const mixing = plan.tasks.find(({ id }) => id === 'mix:loaf:1:0');
	assert.ok(mixing);
	const nowMs = mixing.endMs + 120 * MINUTE_MS;
	const [dough] = DAY.doughs;
	const begun: BakeDayInput = {
		...DAY,
		builds: DAY.builds.map((build) => ({
			...build,
			begun: {
				mixedAtMs: plan.tasks.find(({ id }) => id === 'preparation:levain:1:0')!.endMs,
				endedAtMs: null
			}
		})),
		doughs: [
			{
				...dough!,
				mixes: dough!.mixes.map((mix) => ({
					...mix,
					begun: mix.ordinal === 1 ? { mixedAtMs: mixing.endMs, endedAtMs: null } : null
				}))
			}
		]
	};
	const done = takenAsDone(begun, plan, nowMs);
	const ids = done.map(({ task }) => task);
	for (const wanted of ['preparation:levain:1:0', 'mix:loaf:1:0', 'mix:loaf:1:1:fold:0'])
		assert.equal(ids.includes(wanted), true, wanted);
	assert.equal(
		done.every(({ startMs }) => startMs < nowMs),
		true
	);
	// A dough that came out an hour late has what follows an hour later: its second fold is still to come.
	const late = takenAsDone(
		{
			...begun,
			doughs: begun.doughs.map((one) => ({
				...one,
				mixes: one.mixes.map((mix) => ({
					...mix,
					begun: mix.begun && { ...mix.begun, mixedAtMs: mix.begun.mixedAtMs + 60 * MINUTE_MS }
				}))
			}))
		},
		plan,
		nowMs
	).map(({ task }) => task);
	assert.equal(late.includes('mix:loaf:1:1:fold:0'), true);
	assert.equal(late.includes('mix:loaf:1:1:fold:1'), false);
	const again = planned(begun, { nowMs, done });
	assert.deepEqual(again.violations, []);
	for (const task of again.plan.tasks) {
		if (task.step.kind === 'wait' || task.batch.kind === 'preparation') continue;
		const then = plan.tasks.find(({ id }) => id === task.id);
		const wasThen = then !== undefined && then.startMs < nowMs && then.startMs === task.startMs;
		assert.equal(wasThen || task.startMs >= nowMs, true, task.id);
	}
	const bulk = again.plan.tasks.find(({ id }) => id === 'mix:loaf:1:1');
	assert.equal(bulk?.startMs, mixing.endMs);
	assert.equal(bulk.foldsMs.length, 2);
});

test('a plan read on another grid is the same plan', () => {
	const { placement } = planned(DAY);
	const sooner = new Grid(placement.zeroMs - 3 * 60 * MINUTE_MS);
	const there = placementOn(placement, sooner);
	assert.notDeepEqual(there.plan, placement.plan);
	assert.deepEqual(placementOn(there, new Grid(placement.zeroMs)), placement);
	assert.deepEqual(judgePlacement(DAY, there).plan, judgePlacement(DAY, placement).plan);
});

test('what moves between two plans is told, and nothing else', () => {
	const { plan } = planned(DAY);
	assert.deepEqual(planDifference(plan, plan), { moved: [], added: [], dropped: [], drops: [] });
	const moved = {
		...plan,
		tasks: plan.tasks.map((task) =>
			task.id === 'mix:loaf:1:0' ? { ...task, startMs: task.startMs + 5 * MINUTE_MS } : task
		)
	};
	const told = planDifference(plan, moved);
	assert.deepEqual(
		told.moved.map(({ after }) => after.id),
		['mix:loaf:1:0']
	);
	const fewer = { ...plan, tasks: plan.tasks.filter(({ id }) => id !== 'mix:loaf:1:0') };
	assert.deepEqual(
		planDifference(plan, fewer).dropped.map(({ id }) => id),
		['mix:loaf:1:0']
	);
	assert.deepEqual(planDifference(fewer, plan).added.length, 1);
	const mix = moved.tasks.find(({ id }) => id === 'mix:loaf:1:0');
	assert.ok(mix);
	assert.deepEqual(ahead(told, mix.endMs), { ...told, moved: [] }, 'what is over is no news');
	assert.deepEqual(ahead(told, mix.endMs - 1), told);
});

test('every task that hands do says what keeps it from sooner or later, or that nothing does', () => {
	const input = crewed(CREW);
	const { placement, plan } = planned(input);
	const why = whyHere(input, placement);
	assert.ok(why.ok);
	const ids = new Set(plan.tasks.map(({ id }) => id));
	for (const { task, earlier, later } of why.value) {
		assert.ok(ids.has(task), task);
		for (const holder of [...earlier, ...later])
			if ('task' in holder) assert.ok(ids.has(holder.task), holder.task);
	}
	const pinned = plan.tasks.find(({ id }) => id === 'mix:loaf:1:0');
	const wished = planned(input, {
		wishes: [{ kind: 'start', task: 'mix:loaf:1:0', atMs: pinned!.startMs }]
	});
	const held = whyHere(input, wished.placement);
	assert.ok(held.ok);
	const own = held.value.find(({ task }) => task === 'mix:loaf:1:0');
	assert.deepEqual(own?.earlier, [{ kind: 'pin' }]);
});

test('the chance of a drop being late falls with what it has to spare', () => {
	const chanceOf = (minutes: number) => {
		const { placement } = planned(DAY, {
			wishes: [{ kind: 'more-to-spare', dropId: 'ferry', minutes }]
		});
		const told = chanceOfDrops(DAY, placement);
		assert.ok(told.ok);
		const ferry = told.value.find(({ dropId }) => dropId === 'ferry');
		assert.ok(ferry);
		return ferry;
	};
	const usual = chanceOf(0);
	assert.ok(usual.lateShare > 0 && usual.lateShare < 1, `${usual.lateShare}`);
	assert.ok(usual.weakest !== null);
	assert.ok(usual.toHalveMinutes > 0);
	const halved = chanceOf(usual.toHalveMinutes + 30);
	assert.ok(halved.lateShare <= usual.lateShare / 2, `${halved.lateShare} of ${usual.lateShare}`);
});

test('a warmer room is another night: what waits in it is ready sooner, what stands in the cold as before', () => {
	const warm = asIfOf(DAY, [{ kind: 'room', kelvins: 6 }]);
	const bulkOf = (input: BakeDayInput) => {
		const bulk = planned(input).plan.tasks.find(({ id }) => id === 'mix:loaf:1:1');
		return bulk!.marks!.ripeMs - bulk!.startMs;
	};
	assert.ok(bulkOf(warm) < bulkOf(DAY) - 5 * MINUTE_MS, 'warmer is sooner');
	const less = asIfOf(DAY, [{ kind: 'leaven', share: 0.8 }]);
	assert.ok(bulkOf(less) > 1.15 * bulkOf(DAY), 'less is slower');
	assert.equal(asIfOf(DAY, []), DAY);
});

test('after a dough with an allergen that the next has not, the mixer is cleaned', () => {
	const [dough] = DAY.doughs;
	const mixes = dough!.mixes.map((mix) => ({
		...mix,
		portions: [{ ...mix.portions[0]!, pieces: 12 }],
		leaves: mix.ordinal === 1 ? [{ kind: 'allergen', name: 'milk' } as const] : []
	}));
	const { plan, violations } = planned({ ...DAY, doughs: [{ ...dough!, mixes }] });
	assert.deepEqual(violations, []);
	const mixing = [1, 2].map((ordinal) =>
		plan.tasks.find(({ id }) => id === `mix:loaf:${ordinal}:0`)!
	);
	const [milk, plain] = mixing;
	assert.ok(
		plain!.endMs <= milk!.startMs || plain!.startMs - milk!.endMs >= 10 * MINUTE_MS,
		'light and free of it first, or a clean-down between'
	);
});

test('an oven is switched on so that it is hot for its first load, and set otherwise for another heat', () => {
	const { plan } = planned(DAY);
	for (const deckId of ['deck 1', 'deck 2']) {
		const first = plan.tasks
			.filter(({ machineId }) => machineId === deckId)
			.sort((a, b) => a.startMs - b.startMs)[0];
		const on = plan.ovens.find(
			({ kind, deckIds }) => kind === 'switch-on' && deckIds.includes(deckId)
		);
		if (!first) continue;
		assert.equal(on?.celsius, 245);
		assert.equal((first.startMs - on.atMs) / MINUTE_MS, 60);
	}
});

test('a deck that breaks down in the night keeps what it baked, and gets nothing more, though it shares its heat', () => {
	const night: BakeDayInput = {
		...DAY,
		doughs: ofEach(24),
		bakery: {
			...DAY.bakery,
			ovens: DAY.bakery.ovens.map((oven) => ({ ...oven, sharesHeat: true }))
		}
	};
	const { plan } = planned(night);
	const loads = plan.tasks
		.filter(({ step }) => step.kind === 'bake')
		.sort((a, b) => a.startMs - b.startMs);
	assert.equal(loads.length, 4);
	const nowMs = loads[1]!.endMs + 1;
	const done = takenAsDone(night, plan, nowMs);
	const deckId = loads[0]!.machineId!;
	const { violations, plan: after } = planned(night, {
		nowMs,
		done,
		wishes: [{ kind: 'deck-down', deckId }]
	});
	assert.deepEqual(violations, []);
	const machineOf = (id: string) => after.tasks.find((task) => task.id === id)?.machineId;
	assert.equal(machineOf(loads[0]!.id), deckId, 'what was baked there was baked there');
	for (const { id } of loads.filter(({ startMs }) => startMs >= nowMs))
		assert.notEqual(machineOf(id), deckId);
	assert.deepEqual(after.unplaced, []);
	// Dough that exists may wait too long, and that is told; it is never taken on before it is ready.
	for (const { id, marks, endMs } of after.tasks)
		if (marks) assert.equal(endMs >= marks.earlyMs - 5 * MINUTE_MS, true, id);
	assert.equal(
		after.cautions.some(({ kind }) => kind === 'too-early'),
		false
	);
});
