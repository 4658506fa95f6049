import type { Plan, PlannedLoad } from '../plan.ts';
import { leavesOf, type BatchMachine, type Portion, type Problem } from '../problem.ts';
import type { Standings } from './standing.ts';
import { isMet, type Usage } from './usage.ts';
import type { Violation } from './violations.ts';

type Say = (violation: Violation) => void;

interface Member {
	readonly task: string;
	readonly portion: Portion;
	readonly end: number;
}

type Heat = Pick<Portion, 'level' | 'leaves'>;

/** A load as its portions make it. */
interface Made {
	readonly unit: string;
	readonly start: number;
	readonly end: number;
	readonly members: readonly Member[];
}

/** A load, or what takes a unit otherwise, as its neighbours must know it. */
interface Standing {
	readonly unit: string;
	readonly start: number;
	readonly end: number;
	readonly isTaken?: boolean;
	readonly members: readonly { readonly task: string; readonly portion: Heat }[];
}

/** Looks at the loads of every batch machine: who is in them, whether they fit each other, and what lies between. */
export function checkLoads(
	problem: Problem,
	plan: Plan,
	standing: Standings,
	usage: Usage,
	say: Say
): void {
	const told = new Map<string, PlannedLoad>();
	for (const load of plan.loads) told.set(keyOf(load.unit, load.start), load);
	const members = membersByLoad(problem, standing, say);
	for (const machine of problem.batchMachines) {
		const made: Made[] = [];
		for (const { id: unit, capacity } of machine.units)
			for (const [start, list] of members.get(unit) ?? []) {
				const longest = list.reduce((most, { portion }) => Math.max(most, portion.length), 0);
				const end = start + machine.loading + longest + machine.unloading;
				made.push({ unit, start, end, members: list });
				const size = list.reduce((sum, { portion }) => sum + portion.size, 0);
				if (size > capacity) say({ kind: 'load-overfull', unit, start, size, capacity });
			}
		for (const load of made) {
			checkFit(machine, load, say);
			checkTold(machine, load, told.get(keyOf(load.unit, load.start)), usage, say);
			told.delete(keyOf(load.unit, load.start));
		}
		checkBetween(machine, [...made, ...takenOn(machine)], say);
	}
	for (const { unit, start } of told.values()) say({ kind: 'load-wrong', unit, start });
}

/** What takes a unit and is no part of the problem, as a load that nobody placed. */
function takenOn({ taken = [], units }: BatchMachine): readonly Standing[] {
	return taken.flatMap(({ unit, from, to, level, leaves }) =>
		units.some(({ id }) => id === unit)
			? [
					{
						unit,
						start: from,
						end: to,
						isTaken: true,
						members: [{ task: '', portion: { level, leaves } }]
					}
				]
			: []
	);
}

function keyOf(unit: string, start: number): string {
	return `${start} ${unit}`;
}

/** By unit and start, the portions that stand there. */
function membersByLoad(
	problem: Problem,
	standing: Standings,
	say: Say
): Map<string, Map<number, Member[]>> {
	const machineOf = new Map<string, string>();
	for (const { id, units } of problem.batchMachines)
		for (const unit of units) machineOf.set(unit.id, id);
	const members = new Map<string, Map<number, Member[]>>();
	for (const { task, mode, placed } of standing.values()) {
		const { unit, start, end } = placed;
		const machine = unit === null ? null : machineOf.get(unit);
		const portion = mode.batch;
		const fits = portion
			? machine && portion.machines.includes(machine) && !portion.notOn?.includes(unit ?? '')
			: unit === null;
		if (!fits) say({ kind: 'unit-wrong', task: task.id, unit });
		if (!portion || !fits || unit === null) continue;
		const ofUnit = members.get(unit) ?? new Map<number, Member[]>();
		members.set(unit, ofUnit);
		ofUnit.set(start, [...(ofUnit.get(start) ?? []), { task: task.id, portion, end }]);
	}
	return members;
}

/** A load is told as it is made, and attended. */
function checkTold(
	machine: BatchMachine,
	{ unit, start, end, members }: Made,
	told: PlannedLoad | undefined,
	usage: Usage,
	say: Say
): void {
	for (const member of members)
		if (member.end !== end)
			say({ kind: 'length-wrong', task: member.task, end: member.end, expected: end });
	if (!told) {
		say({ kind: 'load-missing', unit, start });
		return;
	}
	const same =
		told.tasks.length === members.length && members.every(({ task }) => told.tasks.includes(task));
	if (!same || told.end !== end) say({ kind: 'load-wrong', unit, start });
	for (const [at, demand] of machine.attended.entries()) {
		const given = told.given[at];
		if (!isMet(demand, given)) {
			say({ kind: 'load-unattended', unit, start, demand: at });
			continue;
		}
		const anchor = demand.of === 'end' ? end : start;
		for (const pool of given) usage.add(pool, anchor + demand.from, anchor + demand.to, 1);
	}
}

function checkFit(machine: BatchMachine, { unit, start, members }: Made, say: Say): void {
	for (const [at, one] of members.entries())
		for (const other of members.slice(at + 1)) {
			const names = { unit, start, first: one.task, second: other.task };
			const [a, b] = [one.portion, other.portion];
			if (a.kind !== b.kind) say({ kind: 'load-mixed', ...names, by: 'kind' });
			if (Math.abs(a.level - b.level) > machine.tolerance)
				say({ kind: 'load-mixed', ...names, by: 'level' });
			else if (Math.abs(leavesOf(a) - leavesOf(b)) > machine.tolerance)
				say({ kind: 'load-mixed', ...names, by: 'level' });
			if (Math.abs(a.length - b.length) > Math.min(a.lengthTolerance, b.lengthTolerance))
				say({ kind: 'load-mixed', ...names, by: 'length' });
		}
}

/** Time to bring a machine from the level of one portion to that of another. */
function changeTime(machine: BatchMachine, from: number, to: number): number {
	const apart = Math.abs(to - from);
	if (apart <= machine.tolerance) return 0;
	return Math.ceil((apart * (to > from ? machine.rise : machine.fall)) / machine.step);
}

/** Whether two loads may be in one chamber at once: one level throughout, or one course of it from one moment on. */
function areOneHeat(machine: BatchMachine, first: Standing, second: Standing): boolean {
	const portions = [...first.members, ...second.members].map(({ portion }) => portion);
	const isOne = (levels: readonly number[]) =>
		Math.max(...levels) - Math.min(...levels) <= machine.tolerance;
	const [begun, left] = [portions.map(({ level }) => level), portions.map(leavesOf)];
	return (
		isOne([...begun, ...left]) || (first.start === second.start && isOne(begun) && isOne(left))
	);
}

function byStart(a: Standing, b: Standing): number {
	return a.start - b.start;
}

function checkBetween(machine: BatchMachine, loads: readonly Standing[], say: Say): void {
	const order = [...loads].sort(byStart);
	for (let at = 0; at < order.length; at += 1)
		for (let later = at + 1; later < order.length; later += 1)
			checkPair(machine, order[at] as Standing, order[later] as Standing, say);
}

function checkPair(machine: BatchMachine, first: Standing, second: Standing, say: Say): void {
	// What others do with the machine is not the plan's to answer for.
	if (first.isTaken && second.isTaken) return;
	const between = second.start - first.end;
	const change = changeBetween(machine, first, second);
	if (first.unit === second.unit) {
		const own = machine.units.find(({ id }) => id === first.unit)?.recovery ?? 0;
		const least = Math.max(machine.recovery, own, change);
		if (between < least)
			say({
				kind: 'loads-too-close',
				unit: first.unit,
				first: first.start,
				second: second.start,
				least
			});
	} else if (machine.shared && between < change && !areOneHeat(machine, first, second))
		say({
			kind: 'levels-clash',
			machine: machine.id,
			first: first.members[0]?.task ?? '',
			second: second.members[0]?.task ?? ''
		});
}

/** The longest that a portion of the second load waits for its level after one of the first. */
function changeBetween(machine: BatchMachine, first: Standing, second: Standing): number {
	let change = 0;
	for (const { portion: a } of first.members)
		for (const { portion: b } of second.members)
			change = Math.max(change, changeTime(machine, leavesOf(a), b.level));
	return change;
}
