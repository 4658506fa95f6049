import { randomUUID } from 'node:crypto';
import {
	batchKey,
	describePlan,
	judgePlacement,
	type BakeDayInput,
	type BatchRef,
	type DayPlan
} from '../../../core/bake-day/index.ts';
import { fail, ok } from '../../../core/result.ts';
import type { BakeDate } from '../../../core/time/index.ts';
import type { Tx } from '../../db/client.ts';
import { loadLeads } from '../../db/plans.ts';
import { bakeDayInput, fingerprintOf } from '../bake-day-input.ts';
import { loadBakeryDay } from '../day-production.ts';
import type { CommandHandler } from './handler.ts';
import { sql } from 'kysely';

/**
 * Accepts a plan that a browser made: works out the day anew, judges the placement against it with the
 * separate checker, and stores a version with its batches pinned to their revisions.
 */
export const acceptPlan: CommandHandler<'accept-plan'> = async (tx, command, actor) => {
	const { date, fingerprint, placement } = command;
	await sql`select pg_advisory_xact_lock(hashtext(${'accept-plan ' + date}))`.execute(tx);
	const [day, leads] = await Promise.all([loadBakeryDay(tx, date), loadLeads(tx, date)]);
	const input = bakeDayInput(day, leads);
	if (fingerprintOf(input) !== fingerprint) return fail({ kind: 'plan-out-of-date' });
	const { violations, cautions } = judgePlacement(input, placement);
	if (violations.length > 0) return fail({ kind: 'plan-impossible', violations, cautions });

	const newest = await tx
		.selectFrom('plan_version')
		.select(({ fn }) => fn.max('number').as('number'))
		.where('bake_date', '=', date)
		.executeTakeFirst();
	const number = (newest?.number ?? 0) + 1;
	const planId = randomUUID();
	await tx
		.insertInto('plan_version')
		.values({
			id: planId,
			bake_date: date,
			number,
			command_id: command.id,
			accepted_by: actor.id,
			occurred_at: new Date(command.occurredAtMs),
			fingerprint,
			input: JSON.stringify(input),
			placement: JSON.stringify(placement)
		})
		.execute();
	await storeBatches(tx, planId, date, input, describePlan(input, placement));
	return ok({ planId, number });
};

interface PinnedBatch {
	readonly key: string;
	readonly kind: BatchRef['kind'];
	readonly preparation_revision_id: string | null;
	readonly formula_revision_id: string | null;
	readonly product_revision_id: string | null;
	readonly massGrams: number;
	readonly pieces: number | null;
}

async function storeBatches(
	tx: Tx,
	planId: string,
	date: BakeDate,
	input: BakeDayInput,
	plan: DayPlan
): Promise<void> {
	const pinned = new Map<string, PinnedBatch>();
	for (const { batch } of plan.tasks) pinned.set(batchKey(batch), pin(batch, input));
	if (pinned.size === 0) return;
	const ids = new Map<string, string>();
	for (const one of pinned.values()) {
		const batchId = await permanentId(tx, date, one);
		ids.set(one.key, batchId);
	}
	await tx
		.insertInto('plan_batch')
		.values(
			[...pinned.values()].map((one) => ({
				plan_id: planId,
				batch_id: ids.get(one.key) as string,
				mass_g: one.massGrams,
				pieces: one.pieces
			}))
		)
		.execute();
	await tx
		.insertInto('plan_task')
		.values(
			plan.tasks.map((task) => ({
				plan_id: planId,
				task_key: task.id,
				batch_id: ids.get(batchKey(task.batch)) as string,
				activity: task.step.kind === 'bake' ? 'bake' : task.step.activity,
				machine_id: task.machineId,
				start_at: new Date(task.startMs),
				end_at: new Date(task.endMs)
			}))
		)
		.execute();
}

/** A batch that an earlier plan of the date already had keeps its identity. */
async function permanentId(tx: Tx, date: BakeDate, one: PinnedBatch): Promise<string> {
	const { key, kind, preparation_revision_id, formula_revision_id, product_revision_id } = one;
	const values = {
		bake_date: date,
		key,
		kind,
		preparation_revision_id,
		formula_revision_id,
		product_revision_id
	};
	const made = await tx
		.insertInto('batch')
		.values({ id: randomUUID(), ...values })
		.onConflict((conflict) => conflict.doNothing())
		.returning('id')
		.executeTakeFirst();
	if (made) return made.id;
	const is = (value: string | null) => (value === null ? 'is' : '=');
	const there = await tx
		.selectFrom('batch')
		.select('id')
		.where('bake_date', '=', date)
		.where('key', '=', key)
		.where('preparation_revision_id', is(preparation_revision_id), preparation_revision_id)
		.where('formula_revision_id', is(formula_revision_id), formula_revision_id)
		.where('product_revision_id', is(product_revision_id), product_revision_id)
		.executeTakeFirstOrThrow();
	return there.id;
}

function pin(batch: BatchRef, input: BakeDayInput): PinnedBatch {
	const key = batchKey(batch);
	if (batch.kind === 'build') {
		const build = input.builds.find((one) => one.preparationId === batch.preparationId);
		return {
			key,
			kind: 'build',
			preparation_revision_id: build?.revisionId ?? null,
			formula_revision_id: null,
			product_revision_id: null,
			massGrams: build?.grams ?? 0,
			pieces: null
		};
	}
	const dough = input.doughs.find((one) => one.formulaId === batch.formulaId);
	const mix = dough?.mixes.find((one) => one.ordinal === batch.ordinal);
	const base = {
		key,
		kind: batch.kind,
		preparation_revision_id: null,
		formula_revision_id: dough?.revisionId ?? null
	};
	if (batch.kind === 'mix')
		return { ...base, product_revision_id: null, massGrams: mix?.grams ?? 0, pieces: null };
	const product = input.products.find((one) => one.id === batch.productId);
	const pieces =
		batch.kind === 'load'
			? batch.pieces
			: (mix?.lots.find((lot) => lot.productId === batch.productId)?.pieces ?? 0);
	return {
		...base,
		product_revision_id: product?.revisionId ?? null,
		massGrams: pieces * (product?.scaledGrams ?? 0),
		pieces
	};
}
