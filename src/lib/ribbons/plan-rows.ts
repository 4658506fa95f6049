import { groupBy } from '../core/group-by.ts';
import {
	batchKey,
	type BakeDayInput,
	type BatchRef,
	type DayPlan,
	type DayTask
} from '../core/planning/index.ts';
import { formatMass } from '../core/units/index.ts';

/** A stretch of a row in time, before it has a place on a screen or a page. */
export interface RowSegment {
	readonly taskId: string;
	readonly fromMs: number;
	readonly toMs: number;
	readonly texture: 'hands' | 'waiting' | 'cold' | 'oven';
	readonly lane: 'main' | 'beside';
	readonly celsius: readonly number[];
	/** It happened: what is drawn is no forecast. */
	readonly measured?: boolean;
}

/** Up to when what is told of tasks has happened. */
export interface Happened {
	readonly told: ReadonlySet<string>;
	readonly nowMs: number;
}

export interface PlanRow {
	readonly key: string;
	readonly title: string;
	readonly subtitle: string;
	readonly segments: readonly RowSegment[];
	readonly marks: readonly { readonly ms: number; readonly kind: 'early' | 'ripe' | 'late' }[];
	readonly pinsMs: readonly number[];
}

/** Rows of which that has happened that was told of: a stretch that goes on is parted at the moment. */
export function happenedRows(
	rows: readonly PlanRow[],
	{ told, nowMs }: Happened
): readonly PlanRow[] {
	return rows.map((row) => ({
		...row,
		segments: row.segments.flatMap((segment): readonly RowSegment[] => {
			if (!told.has(segment.taskId) || segment.fromMs >= nowMs) return [segment];
			if (segment.toMs <= nowMs) return [{ ...segment, measured: true }];
			const share = (nowMs - segment.fromMs) / (segment.toMs - segment.fromMs);
			const part = (from: number, to: number) =>
				[0, 0.25, 0.5, 0.75, 1].map((at) => celsiusAt(segment.celsius, from + at * (to - from)));
			return [
				{ ...segment, toMs: nowMs, celsius: part(0, share), measured: true },
				{ ...segment, fromMs: nowMs, celsius: part(share, 1) }
			];
		})
	}));
}

/**
 * The rows of a plan: one for each portion. The builds and the mix stand in the row of the first portion that
 * is made from them; further portions of the mix begin where it is divided.
 */
export function planRows(plan: DayPlan, input: BakeDayInput): readonly PlanRow[] {
	const byBatch = groupBy(
		// What is weighed up is no dough yet.
		plan.tasks.filter(({ step }) => step.kind !== 'hands-on' || step.activity !== 'weigh'),
		(task) => rowKeyOf(task.batch),
		(task) => task
	);
	const drawnBuilds = new Set<string>();
	return input.doughs.flatMap((dough) =>
		dough.mixes.flatMap((mix) =>
			mix.portions.map((portion, index): PlanRow => {
				const product = input.products.find((product) => product.id === portion.productId);
				const of = { formulaId: dough.formulaId, ordinal: mix.ordinal };
				const own =
					byBatch.get(batchKey({ kind: 'portion', ...of, productId: portion.productId })) ?? [];
				const mixed = index === 0 ? (byBatch.get(batchKey({ kind: 'mix', ...of })) ?? []) : [];
				const builds = index === 0 ? newBuilds(dough.formulaId, input, drawnBuilds, byBatch) : [];
				const chain = [...mixed, ...own];
				const mixName = mix.count > 1 ? ` · mix ${mix.ordinal} of ${mix.count}` : '';
				const same = index > 0 && mix.count === 1 ? ' · same mix' : mixName;
				// What joins a piece of another dough is a ribbon of its own dough, not a second one of the piece.
				const joins = portion.role === 'joins';
				return {
					key: `${dough.formulaId} ${mix.ordinal} ${portion.productId}`,
					title: joins ? dough.name : (product?.name ?? ''),
					subtitle: joins
						? `for ${product?.name ?? ''}${mixName}`
						: `${portion.pieces} × ${formatMass({ grams: product?.scaledGrams ?? 0 }, 0)}${same}`,
					segments: [
						...builds.flatMap(({ tasks, lane }) => segmentsOf(tasks, lane, chain[0]?.startMs)),
						...segmentsOf(chain, 'main')
					],
					marks: [...builds.flatMap(({ tasks }) => tasks), ...chain].flatMap(marksOf),
					pinsMs: input.drops
						.filter((drop) => portion.dropIds.includes(drop.id))
						.map((drop) => drop.dueMs)
				};
			})
		)
	);
}

/** Loads stand in the row of their portion. */
function rowKeyOf(batch: BatchRef): string {
	return batchKey(batch.kind === 'load' ? { ...batch, kind: 'portion' } : batch);
}

function newBuilds(
	formulaId: BakeDayInput['doughs'][number]['formulaId'],
	input: BakeDayInput,
	drawn: Set<string>,
	byBatch: ReadonlyMap<string, readonly DayTask[]>
): { tasks: readonly DayTask[]; lane: RowSegment['lane'] }[] {
	const wanted = new Set<string>(
		input.builds
			.filter((build) => build.takenByDoughs.includes(formulaId))
			.map((build) => build.preparationId)
	);
	// Builds that builds take from, however deep.
	for (let size = -1; size !== wanted.size;) {
		size = wanted.size;
		for (const build of input.builds)
			if (build.takenByBuilds.some((taker) => wanted.has(taker))) wanted.add(build.preparationId);
	}
	return input.builds
		.filter(
			(build) =>
				wanted.has(build.preparationId) && !drawn.has(batchKey({ ...build, kind: 'preparation' }))
		)
		.map((build) => {
			drawn.add(batchKey({ ...build, kind: 'preparation' }));
			return {
				tasks: byBatch.get(batchKey({ ...build, kind: 'preparation' })) ?? [],
				lane: build.kind === 'soaker' ? 'beside' : 'main'
			};
		});
}

function textureOf(task: DayTask): RowSegment['texture'] {
	if (task.step.kind === 'hands-on') return 'hands';
	return task.step.kind === 'bake' ? 'oven' : 'waiting';
}

/** Segments of a chain; what waits for the next task goes on as it was until then. */
function segmentsOf(
	tasks: readonly DayTask[],
	lane: RowSegment['lane'],
	untilMs?: number
): readonly RowSegment[] {
	const inOrder = [...tasks].sort((a, b) => a.startMs - b.startMs);
	return inOrder.flatMap((task, index) => {
		const next = inOrder[index + 1]?.startMs ?? untilMs;
		const own = task.step.kind === 'wait' ? legSegments(task, lane) : [segment(task, lane)];
		const last = task.celsius.at(-1) ?? 0;
		const held: RowSegment[] =
			next !== undefined && next > task.endMs
				? [
						{
							taskId: task.id,
							fromMs: task.endMs,
							toMs: next,
							texture: 'waiting',
							lane,
							celsius: [last, last]
						}
					]
				: [];
		return [...own, ...held];
	});
}

function segment(task: DayTask, lane: RowSegment['lane']): RowSegment {
	return {
		taskId: task.id,
		fromMs: task.startMs,
		toMs: task.endMs,
		texture: textureOf(task),
		lane,
		celsius: task.celsius
	};
}

/** A wait in several places is one stretch for each, so that the cold can be told by its texture. */
function legSegments(task: DayTask, lane: RowSegment['lane']): readonly RowSegment[] {
	if (task.step.kind !== 'wait') return [];
	const { legs } = task.step;
	const length = task.endMs - task.startMs;
	let fromMs = task.startMs;
	const stays = legs.map((leg, index): RowSegment => {
		const moved = task.movesMs[index] ?? fromMs + (leg.minutes ?? 0) * 60_000;
		const toMs = index === legs.length - 1 ? task.endMs : Math.min(task.endMs, moved);
		const share = (ms: number) => (length > 0 ? (ms - task.startMs) / length : 0);
		const one: RowSegment = {
			taskId: task.id,
			fromMs,
			toMs,
			texture: leg.place === 'cold' ? 'cold' : 'waiting',
			lane,
			celsius: [0, 0.25, 0.5, 0.75, 1].map((at) =>
				celsiusAt(task.celsius, share(fromMs) + at * (share(toMs) - share(fromMs)))
			)
		};
		fromMs = toMs;
		return one;
	});
	const share = (ms: number) => (length > 0 ? (ms - task.startMs) / length : 0);
	// Folds and moves stand out of the wait as hands on it.
	const touches = task.attended.map((touch): RowSegment => {
		const celsius = celsiusAt(task.celsius, share(touch.fromMs));
		return {
			taskId: task.id,
			fromMs: touch.fromMs,
			toMs: touch.toMs,
			texture: 'hands',
			lane,
			celsius: [celsius, celsius]
		};
	});
	return [...stays, ...(lane === 'main' ? touches : [])];
}

/** Reads an evenly spread list of temperatures at a share of its length. */
function celsiusAt(celsius: readonly number[], share: number): number {
	const place = Math.min(1, Math.max(0, share)) * (celsius.length - 1);
	const low = Math.floor(place);
	const from = celsius[low] ?? 0;
	const to = celsius[Math.min(celsius.length - 1, low + 1)] ?? from;
	return from + (to - from) * (place - low);
}

function marksOf(task: DayTask): PlanRow['marks'] {
	if (!task.marks) return [];
	const { earlyMs, ripeMs, lateMs } = task.marks;
	return [
		{ ms: earlyMs, kind: 'early' },
		{ ms: ripeMs, kind: 'ripe' },
		...(lateMs === null ? [] : [{ ms: lateMs, kind: 'late' as const }])
	];
}
