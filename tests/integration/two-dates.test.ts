import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import {
	judgePlacement,
	takenBy,
	type DayPlan,
	type TakenElsewhere
} from '../../src/lib/core/planning/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { newPlacement } from './placement.ts';
import { send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const DAY_AFTER = addDays(TOMORROW, 1);

async function accept(date: typeof TOMORROW) {
	const { input, fingerprint } = await readPlan(t.db, date);
	const placement = newPlacement(input);
	return send(t.db, { kind: 'accept-plan', date, fingerprint, placement });
}

/** What two plans have at once. */
async function shared(): Promise<readonly string[]> {
	const planOf = async (date: typeof TOMORROW) => {
		const { accepted } = await readPlan(t.db, date);
		assert.ok(accepted);
		const { plan, input } = accepted.document;
		return takenBy(plan, input).filter(isOneOfAKind);
	};
	const [one, other] = [await planOf(TOMORROW), await planOf(DAY_AFTER)];
	return one.flatMap((a) =>
		other
			.filter((b) => a.of === b.of && a.id === b.id && a.fromMs < b.toMs && b.fromMs < a.toMs)
			.map((b) => `${a.of}: ${a.name} and ${b.name}`)
	);
}

/** Of baskets and of room two dates may have some at once. */
function isOneOfAKind({ of }: TakenElsewhere): boolean {
	return of !== 'vessel' && of !== 'place';
}

test('the day after is planned around the accepted plan of tomorrow, which stays in force', async () => {
	assert.deepEqual((await readPlan(t.db, DAY_AFTER)).input.elsewhere, []);
	assert.equal((await accept(TOMORROW)).outcome, 'done');
	const seen = (await readPlan(t.db, DAY_AFTER)).input.elsewhere;
	assert.ok(seen.length > 20);
	assert.ok(seen.every(({ date }) => date === TOMORROW));
	assert.equal((await accept(DAY_AFTER)).outcome, 'done');
	assert.deepEqual(await shared(), []);
	const { accepted, input } = await readPlan(t.db, TOMORROW);
	assert.equal(accepted?.current, true, 'what another date has does not put it out of date');
	// Made anew it goes around the day after.
	assert.ok(input.elsewhere.length > 20);
	const again: DayPlan = judgePlacement(input, newPlacement(input)).plan;
	const others = (await readPlan(t.db, DAY_AFTER)).accepted?.document;
	assert.ok(others);
	for (const a of takenBy(again, input).filter(isOneOfAKind))
		for (const b of takenBy(others.plan, others.input))
			assert.ok(
				a.of !== b.of || a.id !== b.id || a.toMs <= b.fromMs || b.toMs <= a.fromMs,
				`${a.of}: ${a.name} and ${b.name}`
			);
});

test('a plan that was made before another date was accepted is made anew, not accepted beside it unseen', async () => {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	const placement = newPlacement(input);
	assert.equal((await accept(addDays(TOMORROW, 2))).outcome, 'done');
	const late = await send(t.db, { kind: 'accept-plan', date: TOMORROW, fingerprint, placement });
	assert.ok(late.outcome === 'refused' && late.refusal.kind === 'plan-out-of-date');
});
