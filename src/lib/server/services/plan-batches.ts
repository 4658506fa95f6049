import type { BatchId } from '../../core/identity.ts';
import {
	isTakenBy,
	batchKey,
	type BakeDayInput,
	type BatchRef,
	type DayPlan
} from '../../core/planning/index.ts';
import {
	insertBatches,
	insertParents,
	resizeBatch,
	setBatchStates,
	type Batch,
	type NewBatch,
	type Parentage
} from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import type { NewPlan } from '../db/plans.ts';
import { batchAt, isBegun, type BakeryDay } from './day-production.ts';

/** A batch that a plan makes, by its key in the plan, with the keys of what goes into it. */
interface PlannedBatch {
	readonly key: string;
	readonly ref: BatchRef;
	readonly parents: readonly string[];
	readonly batch: NewBatch;
}

/**
 * Brings the batches of a date in line with a plan: what was begun stays as it is, what was planned is planned
 * as the plan says, what is new is made, and what the plan has no more is withdrawn.
 */
export async function planBatches(
	tx: Tx,
	day: BakeryDay,
	input: BakeDayInput,
	plan: DayPlan
): Promise<Pick<NewPlan, 'batches' | 'batchOfTask'>> {
	const planned = plannedBatches(day, input, plan);
	const ids = new Map<string, BatchId>();
	const fresh: PlannedBatch[] = [];
	// Mixes before their portions, portions before their loads: children are found by their parents.
	for (const batch of planned) {
		const there = batchThere(day, batch, ids);
		if (!there) {
			fresh.push(batch);
			continue;
		}
		ids.set(batch.key, there.id);
		if (isBegun(there)) continue;
		const { revisionId, grams } = batch.batch;
		const pieces = 'pieces' in batch.batch ? batch.batch.pieces : null;
		await resizeBatch(tx, there, { revisionId, grams, pieces });
	}
	const made = await insertBatches(
		tx,
		fresh.map((batch) => batch.batch)
	);
	for (const [at, one] of fresh.entries()) ids.set(one.key, made[at] as BatchId);
	const wanted = new Set(ids.values());
	await setBatchStates(
		tx,
		day.batches
			.filter((batch) => !isBegun(batch) && !wanted.has(batch.id))
			.map((batch) => batch.id),
		'withdrawn'
	);
	await insertParents(tx, parentsOf(planned, ids));
	const masses = new Map(day.batches.map((batch) => [batch.id, batch]));
	return {
		batches: planned.map(({ key, batch }) => {
			const batchId = ids.get(key) as BatchId;
			const there = masses.get(batchId);
			const stands = there && isBegun(there) ? there : batch;
			return {
				batchId,
				grams: stands.grams ?? batch.grams ?? 0,
				pieces: 'pieces' in stands ? stands.pieces : null
			};
		}),
		batchOfTask: new Map(
			plan.tasks.flatMap((task) => {
				const batchId = ids.get(batchKey(task.batch));
				return batchId ? [[task.id, batchId] as const] : [];
			})
		)
	};
}

function plannedBatches(
	day: BakeryDay,
	input: BakeDayInput,
	plan: DayPlan
): readonly PlannedBatch[] {
	const { date } = day;
	const found: PlannedBatch[] = [];
	for (const build of input.builds) {
		const { preparationId, ordinal, revisionId, grams } = build;
		const ref: BatchRef = { kind: 'preparation', preparationId, ordinal };
		found.push({
			key: batchKey(ref),
			ref,
			parents: input.builds
				.filter((build) => build.takenByBuilds.includes(preparationId))
				.map((build) => batchKey({ ...build, kind: 'preparation' })),
			batch: {
				kind: build.kind === 'build' ? 'pre-ferment' : 'preparation',
				date,
				ordinal,
				preparationId,
				revisionId,
				grams: positive(grams)
			}
		});
	}
	for (const { formulaId, mixes } of input.doughs)
		for (const { ordinal, revisionId, grams, portions } of mixes) {
			const mix: BatchRef = { kind: 'mix', formulaId, ordinal };
			found.push({
				key: batchKey(mix),
				ref: mix,
				parents: input.builds
					.filter((build) => isTakenBy(build, formulaId, ordinal))
					.map((build) => batchKey({ ...build, kind: 'preparation' })),
				batch: { kind: 'mix', date, ordinal, formulaId, revisionId, grams: positive(grams) }
			});
			for (const { productId, pieces, role } of portions) {
				const product = input.products.find((product) => product.id === productId);
				if (!product || role !== 'carries') continue;
				const portion: BatchRef = { kind: 'portion', formulaId, ordinal, productId };
				found.push({
					key: batchKey(portion),
					ref: portion,
					parents: [batchKey(mix)],
					batch: {
						kind: 'portion',
						date,
						ordinal: 1,
						productId,
						revisionId: product.revisionId,
						grams: positive(pieces * product.scaledGrams),
						pieces
					}
				});
			}
		}
	const loads = new Set<string>();
	for (const { batch: ref } of plan.tasks) {
		const product =
			ref.kind === 'load'
				? input.products.find((product) => product.id === ref.productId)
				: undefined;
		if (ref.kind !== 'load' || !product || loads.has(batchKey(ref))) continue;
		loads.add(batchKey(ref));
		found.push({
			key: batchKey(ref),
			ref,
			parents: [batchKey({ ...ref, kind: 'portion' })],
			batch: {
				kind: 'load',
				date,
				ordinal: ref.load,
				productId: ref.productId,
				revisionId: product.revisionId,
				grams: positive(ref.pieces * product.scaledGrams),
				pieces: ref.pieces
			}
		});
	}
	return found;
}

/** A weight of nothing is no weight. */
function positive(grams: number): number | null {
	return grams > 0 ? grams : null;
}

/** The batch that stands for a planned one already. */
function batchThere(
	day: BakeryDay,
	{ ref, parents, batch }: PlannedBatch,
	ids: ReadonlyMap<string, BatchId>
): Batch | null {
	if (ref.kind === 'mix' || ref.kind === 'preparation') return batchAt(day, ref);
	const parentId = ids.get(parents[0] ?? '');
	const children = new Set(
		day.parents.filter((parent) => parent.parentId === parentId).map((parent) => parent.batchId)
	);
	return (
		day.batches.find(
			(other) =>
				children.has(other.id) &&
				other.kind === ref.kind &&
				(other.kind === 'portion' || other.kind === 'load') &&
				other.productId === ref.productId &&
				other.ordinal === batch.ordinal
		) ?? null
	);
}

function parentsOf(
	planned: readonly PlannedBatch[],
	ids: ReadonlyMap<string, BatchId>
): readonly Parentage[] {
	return planned.flatMap(({ key, parents }) => {
		const batchId = ids.get(key);
		return parents.flatMap((parent) => {
			const parentId = ids.get(parent);
			return batchId && parentId ? [{ batchId, parentId }] : [];
		});
	});
}
