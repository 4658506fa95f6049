import { MINUTE_MS } from '../time/index.ts';
import type { Plan } from '../schedule/index.ts';
import type { DayTask } from './day-plan.ts';
import type { ExpandedDay } from './expand.ts';
import { SOMEBODY } from './hands.ts';
import type { DeliveryCaution } from './deliveries.ts';
import { GRID_MINUTES } from './grid.ts';
import { toldIdOf } from './told-id.ts';

/** What keeps a plan from holding: told, never hidden. */
export type Caution =
	| DeliveryCaution
	/** The later task begins before the earlier one, which happened when it did, is through. */
	| {
			readonly kind: 'too-early';
			readonly before: string;
			readonly after: string;
			readonly gap: number;
			readonly least: number;
	  }
	| {
			readonly kind: 'gap-too-long';
			readonly before: string;
			readonly after: string;
			readonly gap: number;
			readonly most: number;
	  }
	/** Hands are wanted and nobody who could do it is there. */
	| {
			readonly kind: 'nobody';
			readonly task: string;
			/** What is done, where it is not the whole of the task: within a wait, or at an oven. */
			readonly doing?: 'fold' | 'move' | 'load' | 'draw' | 'switch-on' | undefined;
			readonly fromMs: number;
			readonly toMs: number;
	  }
	/** Two on one machine at once: only plans of before machines were kept apart tell it. */
	| {
			readonly kind: 'overlap';
			readonly machine: string;
			readonly first: string;
			readonly second: string;
			readonly from: number;
			readonly to: number;
	  };

/** What a load wants hands for, in the order in which an oven asks for them. */
const ATTENDED = ['load', 'draw', 'switch-on'] as const;

/** What of a placement goes beyond what the recipes and the shifts allow, by the tasks as they are told. Minutes. */
export function cautionsOf(
	{ soft, problem, grid, tasks: written }: ExpandedDay,
	{ placed: all, loads }: Plan,
	told: readonly DayTask[]
): readonly Caution[] {
	const found: Caution[] = [];
	const placed = new Map(all.map((one) => [one.task, one]));
	const known = new Set(told.map(({ id }) => id));
	/** Between two that happened there is nothing left to settle. */
	const happened = new Set(
		problem.tasks.flatMap(({ id, pin }) => ((pin?.start ?? null) === null ? [] : [id]))
	);
	for (const { before, after, least, most } of soft) {
		const [first, second] = [placed.get(before), placed.get(after)];
		if (!first || !second || (happened.has(before) && happened.has(after))) continue;
		const gap = second.start - first.end;
		const minutes = { gap: gap * GRID_MINUTES };
		const names = { before: toldIdOf(before), after: toldIdOf(after) };
		if (gap < least)
			found.push({ kind: 'too-early', ...names, ...minutes, least: least * GRID_MINUTES });
		if (most !== null && gap > most)
			found.push({ kind: 'gap-too-long', ...names, ...minutes, most: most * GRID_MINUTES });
	}
	const touches = new Map(
		written.flatMap((one) => (one.kind === 'touch' ? [[one.id, one.what] as const] : []))
	);
	for (const { id, modes } of problem.tasks) {
		const at = placed.get(id);
		const mode = modes.find((mode) => mode.id === at?.mode);
		if (!at || !mode) continue;
		const doing = touches.get(id);
		mode.demands.forEach((demand, index) => {
			if (!at.given[index]?.includes(SOMEBODY)) return;
			found.push({
				kind: 'nobody',
				task: toldIdOf(id),
				...(doing && { doing }),
				fromMs: grid.ms(at.start + demand.from),
				toMs: grid.ms(at.start + demand.to)
			});
		});
	}
	const preheatOf = (unit: string) =>
		problem.batchMachines.find(({ units }) => units.some(({ id }) => id === unit))?.preheat ?? 0;
	for (const { unit, start, end, tasks, given } of loads)
		given.forEach((names, index) => {
			if (!names.includes(SOMEBODY)) return;
			const doing = ATTENDED[index] ?? 'switch-on';
			const at = { load: start, draw: end, 'switch-on': start - preheatOf(unit) }[doing];
			const fromMs = grid.ms(at);
			const toMs = fromMs + GRID_MINUTES * MINUTE_MS;
			found.push({ kind: 'nobody', task: tasks[0] ?? '', doing, fromMs, toMs });
		});
	return found.filter((caution) => caution.kind !== 'nobody' || known.has(caution.task));
}
