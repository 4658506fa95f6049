import type { Placement, Problem } from './problem.ts';

/** What is wrong with a placement. `mostGap`, soft gaps and overlaps are warnings; the others forbid it. */
export type Violation =
	| { readonly kind: 'missing-start'; readonly task: string }
	| { readonly kind: 'unknown-task'; readonly task: string }
	| {
			readonly kind: 'not-on-grid';
			readonly task: string;
			readonly start: number;
			readonly grid: number;
	  }
	| { readonly kind: 'wrong-machine'; readonly task: string; readonly machine: string | null }
	| {
			readonly kind: 'gap-too-short';
			readonly before: string;
			readonly after: string;
			readonly gap: number;
			readonly least: number;
	  }
	| { readonly kind: 'moved-from-fixed'; readonly task: string; readonly fixedStart: number }
	| { readonly kind: 'late'; readonly task: string; readonly end: number; readonly endBy: number };

export type Caution =
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
	| {
			readonly kind: 'overlap';
			readonly machine: string;
			readonly first: string;
			readonly second: string;
			readonly from: number;
			readonly to: number;
	  };

/**
 * Judges a placement against its problem, from the definitions alone; it shares no code with what
 * makes placements.
 *
 * Model: every task has a start on its grid and a fitting machine; every gap and deadline is looked at
 * one by one; two tasks on one machine may touch but not overlap.
 * Range: any problem and placement, also nonsense from outside. Source: definitions in `problem.ts`.
 * Failures: none; findings are the result.
 * Example: two mixes at 22:00 and 22:10 of 20 minutes on one mixer overlap from 22:10 to 22:20.
 */
export function checkPlan(
	problem: Problem,
	placement: Placement
): { readonly violations: readonly Violation[]; readonly cautions: readonly Caution[] } {
	const violations: Violation[] = [];
	const cautions: Caution[] = [];
	const known = new Set(problem.tasks.map((task) => task.id));
	for (const task of Object.keys(placement.starts))
		if (!known.has(task)) violations.push({ kind: 'unknown-task', task });

	const span = new Map<string, { start: number; end: number }>();
	// Between two that stand already there is nothing left to settle: what happened is no caution.
	const standing = new Set(
		problem.tasks.flatMap(({ id, fixedStart }) => (fixedStart === null ? [] : [id]))
	);
	for (const { id, minutes, grid, machines, fixedStart } of problem.tasks) {
		const start = own(placement.starts, id);
		if (start === undefined || !Number.isInteger(start)) {
			violations.push({ kind: 'missing-start', task: id });
			continue;
		}
		if (fixedStart !== null && start !== fixedStart)
			violations.push({ kind: 'moved-from-fixed', task: id, fixedStart });
		if (fixedStart === null && start % grid !== 0)
			violations.push({ kind: 'not-on-grid', task: id, start, grid });
		const machine = own(placement.machines, id) ?? null;
		if (machine === null ? machines.length > 0 : !machines.includes(machine))
			violations.push({ kind: 'wrong-machine', task: id, machine });
		span.set(id, { start, end: start + minutes });
	}
	for (const { before, after, leastGap, mostGap, soft } of problem.links) {
		const first = span.get(before);
		const second = span.get(after);
		if (!first || !second) continue;
		const gap = second.start - first.end;
		if (standing.has(before) && standing.has(after)) continue;
		if (gap < leastGap && soft)
			cautions.push({ kind: 'too-early', before, after, gap, least: leastGap });
		if (gap < leastGap && !soft)
			violations.push({ kind: 'gap-too-short', before, after, gap, least: leastGap });
		if (mostGap !== null && gap > mostGap)
			cautions.push({ kind: 'gap-too-long', before, after, gap, most: mostGap });
	}
	for (const { task, endBy } of problem.deadlines) {
		const one = span.get(task);
		if (one && one.end > endBy) violations.push({ kind: 'late', task, end: one.end, endBy });
	}
	cautions.push(
		...overlaps(problem, placement, span).filter(
			(overlap) => !(standing.has(overlap.first) && standing.has(overlap.second))
		)
	);
	return { violations, cautions };
}

function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
	return Object.hasOwn(record, key) ? record[key] : undefined;
}

type Overlap = Extract<Caution, { readonly kind: 'overlap' }>;

function overlaps(
	problem: Problem,
	placement: Placement,
	span: ReadonlyMap<string, { start: number; end: number }>
): Overlap[] {
	const found: Overlap[] = [];
	const onMachine = new Map<string, string[]>();
	for (const { id, machines } of problem.tasks) {
		const machine = own(placement.machines, id);
		if (machines.length > 0 && machine !== undefined && span.has(id))
			onMachine.set(machine, [...(onMachine.get(machine) ?? []), id]);
	}
	for (const [machine, ids] of onMachine) {
		const inOrder = ids
			.map((id) => ({ id, ...(span.get(id) as { start: number; end: number }) }))
			.sort((a, b) => a.start - b.start || (a.id < b.id ? -1 : 1));
		for (let i = 0; i < inOrder.length; i += 1)
			for (let j = i + 1; j < inOrder.length; j += 1) {
				const a = inOrder[i];
				const b = inOrder[j];
				if (!a || !b || b.start >= a.end) break;
				if (b.end === b.start || a.end === a.start) continue;
				const to = Math.min(a.end, b.end);
				found.push({ kind: 'overlap', machine, first: a.id, second: b.id, from: b.start, to });
			}
	}
	return found;
}
