import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';

export interface MachineRow {
	readonly key: string;
	readonly name: string;
	readonly blocks: readonly {
		readonly taskId: string;
		readonly fromMs: number;
		readonly toMs: number;
	}[];
	/** Where two tasks are on it at once. */
	readonly clashes: readonly { readonly fromMs: number; readonly toMs: number }[];
}

/** Who holds the mixer and the decks, and where two want the same one. */
export function machineRows(plan: DayPlan, input: BakeDayInput): readonly MachineRow[] {
	return [...input.bakery.mixers, ...input.bakery.decks].map(({ id, name }) => ({
		key: id,
		name,
		blocks: plan.tasks
			.filter((task) => task.machineId === id)
			.map((task) => ({ taskId: task.id, fromMs: task.startMs, toMs: task.endMs })),
		clashes: plan.cautions.flatMap((caution) =>
			caution.kind === 'overlap' && caution.machine === id
				? [{ fromMs: caution.from * 60_000, toMs: caution.to * 60_000 }]
				: []
		)
	}));
}

export interface HandsBlock {
	readonly fromMs: number;
	readonly toMs: number;
	/** How many pairs of hands are on something. */
	readonly pairs: number;
}

/** Where hands are wanted, and how many at once. */
export function handsBlocks(plan: DayPlan): readonly HandsBlock[] {
	const changes = new Map<number, number>();
	const add = (ms: number, by: number) => changes.set(ms, (changes.get(ms) ?? 0) + by);
	for (const task of plan.tasks)
		if (task.step.kind === 'hands-on') {
			add(task.startMs, 1);
			add(task.endMs, -1);
		}
	const blocks: HandsBlock[] = [];
	let pairs = 0;
	let from = 0;
	for (const [ms, by] of [...changes].sort(([a], [b]) => a - b)) {
		if (by === 0) continue;
		if (pairs > 0) blocks.push({ fromMs: from, toMs: ms, pairs });
		pairs += by;
		from = ms;
	}
	return blocks;
}
