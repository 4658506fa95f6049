import assert from 'node:assert/strict';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { acceptHeld, nightInForce } from '../integration/accepted-plan.ts';
import { NOW_MS, send, TOMORROW } from '../integration/test-database.ts';

/** A night under way: its plan is accepted, and something of it was begun and ended with a tap, as works are timed. */
export async function workedNight(db: Db): Promise<void> {
	await acceptHeld(db);
	const { list } = await nightInForce(db);
	const work = list.find(
		({ kind, taskId, batch, atMs, endMs }) =>
			kind === 'do' && taskId !== null && batch?.kind === 'portion' && endMs - atMs > 4 * 60_000
	);
	assert.ok(work?.batch?.kind === 'portion', 'something takes hands');
	const { formulaId, ordinal, productId } = work.batch;
	for (const [act, atMs] of [
		['begun', work.atMs],
		['ended', work.endMs]
	] as const)
		await send(
			db,
			{
				kind: 'tap-work',
				date: TOMORROW,
				work: work.key,
				taskId: work.taskId,
				act,
				untilMs: null,
				because: '',
				celsius: null,
				personId: null
			},
			{ minutes: Math.round((atMs - NOW_MS) / 60_000) }
		);
	await send(db, {
		kind: 'tell-result',
		date: TOMORROW,
		portion: { formulaId, ordinal, productId },
		told: { kind: 'drawn', browning: 'golden', sound: null }
	});
}

/** What can be said of what was timed; of nothing where nothing was. */
export async function timesOf(db: Db): Promise<readonly Readonly<Record<string, unknown>>[]> {
	const timed = await db
		.selectFrom('work_timed')
		.selectAll()
		.orderBy('task_key')
		.limit(1)
		.executeTakeFirst();
	const of = { date: timed?.bake_date ?? TOMORROW, taskId: timed?.task_key ?? 'not timed' };
	return [
		{ kind: 'ignore-time', ...of, ignored: true },
		{ kind: 'ignore-time', ...of, ignored: false },
		{ kind: 'reset-times', recipeId: timed?.recipe_id ?? demoId('product', 'none') }
	];
}

/** Taps on a mix and an oven of the accepted plan; none where there is no plan. */
export async function tapsOf(db: Db): Promise<readonly Readonly<Record<string, unknown>>[]> {
	const task = await db
		.selectFrom('plan_task')
		.innerJoin('plan_version', 'plan_version.id', 'plan_task.plan_id')
		.select(['task_key', 'plan_version.bake_date'])
		.where('activity', '=', 'mix')
		.orderBy('task_key')
		.limit(1)
		.executeTakeFirst();
	const tapped = await db
		.selectFrom('work_entry')
		.select('id')
		.orderBy('occurred_at')
		.limit(1)
		.executeTakeFirst();
	const of = {
		date: task?.bake_date ?? TOMORROW,
		untilMs: null,
		because: '',
		celsius: null,
		personId: null
	};
	const key = task?.task_key ?? 'mix:none:1:0';
	return [
		{ kind: 'tap-work', ...of, work: `${key} do 0`, taskId: key, act: 'begun' },
		{ kind: 'tap-work', ...of, work: 'oven deck set 1', taskId: null, act: 'ended' },
		{ kind: 'strike-work', entryId: tapped?.id ?? demoId('drop', 'Ferry') }
	];
}

/** What is told of a portion of the accepted plan, each kind once. */
export async function resultsOf(db: Db): Promise<readonly Readonly<Record<string, unknown>>[]> {
	const found = await db
		.selectFrom('batch as portion')
		.innerJoin('batch_parent', 'batch_parent.batch_id', 'portion.id')
		.innerJoin('batch as mix', 'mix.id', 'batch_parent.parent_id')
		.select(['portion.bake_date', 'mix.formula_id', 'mix.ordinal', 'portion.product_id'])
		.where('portion.kind', '=', 'portion')
		.where('mix.kind', '=', 'mix')
		.where('portion.state', '<>', 'withdrawn')
		.orderBy('portion.id')
		.limit(1)
		.executeTakeFirst();
	const told = await db
		.selectFrom('result_entry')
		.select('id')
		.orderBy('occurred_at')
		.limit(1)
		.executeTakeFirst();
	const none = demoId('product', 'none');
	const of = {
		kind: 'tell-result',
		date: found?.bake_date ?? TOMORROW,
		portion: {
			formulaId: found?.formula_id ?? none,
			ordinal: found?.ordinal ?? 1,
			productId: found?.product_id ?? none
		}
	};
	return [
		{ ...of, told: { kind: 'counted', good: 3, second: 1, lost: 1, because: 'burnt' } },
		{ ...of, told: { kind: 'weighed', pieces: 2, bakedGrams: 1500 } },
		{ ...of, told: { kind: 'scored', scores: { crust: 4, crumb: null, taste: 3 }, note: '' } },
		{ ...of, told: { kind: 'fault', fault: 'pale', note: 'on one side' } },
		{
			...of,
			told: {
				kind: 'judged',
				at: 'proof',
				bookFactor: 1,
				clock: { share: 0.9, earlyShare: 0.7, lateShare: 1.4 },
				sightings: [{ kind: 'poke', seen: 'stays' }],
				decision: 'load'
			}
		},
		{ ...of, told: { kind: 'picture', jpegBase64: `/9j/${'A'.repeat(400)}` } },
		{ ...of, told: { kind: 'drawn', browning: 'brown', sound: 'dull' } },
		{ ...of, told: { kind: 'less', dropId: demoId('drop', 'Ferry'), pieces: 1 } },
		{ ...of, told: { kind: 'again', pieces: 1 } },
		{ kind: 'strike-result', entryId: told?.id ?? demoId('drop', 'Ferry') }
	];
}
