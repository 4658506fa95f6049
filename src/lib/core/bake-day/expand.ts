import type { DropId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { Deadline, Link, Problem, Task } from '../schedule/index.ts';
import {
	courseThrough,
	HANDS_ON_GRID_MINUTES,
	type CourseFailure,
	type CourseStep
} from './course.ts';
import type { HandsOnActivity } from '../formula/index.ts';
import type { BakeDayInput, PlannedBuild, PlannedDough, PlannedLot, PlannedMix } from './input.ts';

/** What a task belongs to: a build, a mix, a lot of a mix, or one load of a lot. */
export type BatchRef =
	| { readonly kind: 'build'; readonly preparationId: PreparationId }
	| { readonly kind: 'mix'; readonly formulaId: FormulaId; readonly ordinal: number }
	| {
			readonly kind: 'lot';
			readonly formulaId: FormulaId;
			readonly ordinal: number;
			readonly productId: ProductId;
	  }
	| {
			readonly kind: 'load';
			readonly formulaId: FormulaId;
			readonly ordinal: number;
			readonly productId: ProductId;
			readonly load: number;
			readonly loads: number;
			readonly pieces: number;
	  };

export interface ExpandedTask {
	readonly id: string;
	readonly batch: BatchRef;
	readonly course: CourseStep;
}

export interface ExpandedDay {
	readonly problem: Problem;
	readonly tasks: readonly ExpandedTask[];
	/** Chains that cannot be worked out, with the reason. */
	readonly unplanned: readonly UnplannedChain[];
}

export interface UnplannedChain {
	readonly name: string;
	readonly reason:
		| CourseFailure
		| { readonly kind: 'no-steps' }
		| { readonly kind: 'unknown-product'; readonly productId: ProductId };
}

/** The name of a batch that stays the same from one plan of a date to the next. */
export function batchKey(batch: BatchRef): string {
	switch (batch.kind) {
		case 'build':
			return `build:${batch.preparationId}`;
		case 'mix':
			return `mix:${batch.formulaId}:${batch.ordinal}`;
		case 'lot':
			return `lot:${batch.formulaId}:${batch.ordinal}:${batch.productId}`;
		case 'load':
			return `load:${batch.formulaId}:${batch.ordinal}:${batch.productId}:${batch.load}`;
	}
}

/**
 * Turns a day's production into a scheduling problem: the chain of every build, mix, lot and load with
 * its gaps, its deadline at the earliest drop less the lead, and the machines it needs.
 *
 * Model: builds end where their takers start, within the window after ripe; a lot bakes in loads of what
 * a deck holds, side by side on the decks and one after another with the recovery between.
 * Range: any input of the contract. Source: domain (the day's schedule). Failures: chains that cannot be
 * worked out stand in `unplanned`; the others are not held up.
 * Example: 40 loaves at 20 to a deck on two decks are two loads side by side.
 */
export function expandDay(input: BakeDayInput): ExpandedDay {
	const day = new DayUnderConstruction(input);
	for (const dough of input.doughs) day.addDough(dough);
	for (const build of takersFirst(input.builds)) day.addBuild(build);
	return day.finish();
}

class DayUnderConstruction {
	private readonly tasks: Task[] = [];
	private readonly expanded: ExpandedTask[] = [];
	private readonly links: Link[] = [];
	private readonly deadlines: Deadline[] = [];
	private readonly unplanned: UnplannedChain[] = [];
	/** First task of each batch, to tie builds to their takers. */
	private readonly first = new Map<string, string>();
	/** Lots that are planned, to tie what joins a piece on the way to where it does. */
	private readonly lots: PlacedLot[] = [];
	private readonly joins: {
		readonly task: string;
		readonly lot: PlannedLot;
		readonly window: number | null;
	}[] = [];

	constructor(private readonly input: BakeDayInput) {}

	finish(): ExpandedDay {
		for (const { task, lot, window } of this.joins)
			for (const placed of this.lots)
				if (
					placed.lot.productId === lot.productId &&
					placed.lot.dropIds.some((drop) => lot.dropIds.includes(drop))
				)
					this.link(task, placed.taskOf(['wrap', 'sheet', 'laminate']), 0, window);
		const ids = new Set(this.tasks.map((task) => task.id));
		const links = this.links.filter((link) => ids.has(link.before) && ids.has(link.after));
		return {
			problem: { tasks: this.tasks, links, deadlines: this.deadlines },
			tasks: this.expanded,
			unplanned: this.unplanned
		};
	}

	addBuild(build: PlannedBuild): void {
		const batch: BatchRef = { kind: 'build', preparationId: build.preparationId };
		const takers = [
			...build.takenByBuilds.map((one) => this.first.get(`build:${one}`)),
			...this.input.doughs
				.filter((dough) => build.takenByDoughs.includes(dough.formulaId))
				.flatMap((dough) => dough.mixes.map((mix) => this.first.get(mixKey(dough, mix)))),
			...this.lots
				.filter(({ lot }) => build.takenByProducts.includes(lot.productId))
				.map((placed) => placed.taskOf(TAKING_ACTIVITIES))
		].filter((task) => task !== undefined);
		if (takers.length === 0) return;
		const course = courseThrough(build.steps, 0, 0);
		if (!course.ok) {
			this.unplanned.push({ name: build.name, reason: course.error });
			return;
		}
		const last = this.addChain(batch, course.value.steps);
		if (!last) {
			this.unplanned.push({ name: build.name, reason: { kind: 'no-steps' } });
			return;
		}
		for (const taker of takers) this.link(last, taker, 0, windowAfter(course.value.steps));
	}

	addDough(dough: PlannedDough): void {
		for (const mix of dough.mixes) {
			const course = courseThrough(dough.steps, piecesOf(mix), 0);
			if (!course.ok) {
				this.unplanned.push({ name: dough.name, reason: course.error });
				return;
			}
			const joining = mix.lots.filter((lot) => lot.role === 'joins');
			const lots = mix.lots
				.filter((lot) => lot.role === 'carries')
				.map((lot) => this.lotSteps(dough, mix, lot, course.value.endCelsius));
			if (joining.length === 0 && lots.every((lot) => lot === null)) continue;
			const batch: BatchRef = { kind: 'mix', formulaId: dough.formulaId, ordinal: mix.ordinal };
			const last = this.addChain(batch, course.value.steps);
			for (const lot of lots)
				if (last && lot) this.link(last, lot, 0, windowAfter(course.value.steps));
			for (const lot of joining)
				if (last) this.joins.push({ task: last, lot, window: windowAfter(course.value.steps) });
		}
	}

	/** Adds the chain of one lot; gives its first task, or null when it cannot be planned. */
	private lotSteps(
		dough: PlannedDough,
		mix: PlannedMix,
		lot: PlannedMix['lots'][number],
		startCelsius: number
	): string | null {
		const product = this.input.products.find((one) => one.id === lot.productId);
		if (!product) {
			this.unplanned.push({
				name: dough.name,
				reason: { kind: 'unknown-product', productId: lot.productId }
			});
			return null;
		}
		const course = courseThrough(product.steps, lot.pieces, startCelsius);
		if (!course.ok) {
			this.unplanned.push({ name: product.name, reason: course.error });
			return null;
		}
		const batch: BatchRef = {
			kind: 'lot',
			formulaId: dough.formulaId,
			ordinal: mix.ordinal,
			productId: product.id
		};
		const last = this.addChain(batch, course.value.steps, {
			pieces: lot.pieces,
			perDeck: product.piecesPerDeck
		});
		if (!last) {
			this.unplanned.push({ name: product.name, reason: { kind: 'no-steps' } });
			return null;
		}
		this.lots.push(new PlacedLot(lot, batchKey(batch), course.value.steps));
		this.deadlines.push({ task: last, endBy: this.dueMinute(lot.dropIds) - mix.leadMinutes });
		return this.first.get(batchKey(batch)) ?? null;
	}

	/** Adds the steps one after another; a bake becomes its loads. Gives the last task. */
	private addChain(
		batch: BatchRef,
		steps: readonly CourseStep[],
		oven?: { readonly pieces: number; readonly perDeck: number }
	): string | null {
		let before: readonly string[] = [];
		let window: number | null = null;
		for (const [index, course] of steps.entries()) {
			const id = `${batchKey(batch)}:${index}`;
			const ids =
				course.step.kind === 'bake' && batch.kind === 'lot' && oven
					? this.addLoads(batch, course, oven)
					: [this.addTask(id, batch, course)];
			if (index === 0 && ids[0]) this.first.set(batchKey(batch), ids[0]);
			// Only the first loads can be had in time; what waits for a deck is told, not pulled.
			const inTime = course.step.kind === 'bake' ? this.input.bakery.decks.length : ids.length;
			for (const one of before)
				ids.forEach((other, at) => this.link(one, other, 0, window, at < inTime));
			window = windowBetween(course);
			before = ids;
		}
		return before[0] ?? null;
	}

	private addTask(id: string, batch: BatchRef, course: CourseStep): string {
		const { step } = course;
		const mixer = step.kind === 'hands-on' && step.machine === 'mixer';
		this.tasks.push({
			id,
			minutes: course.minutes,
			grid: HANDS_ON_GRID_MINUTES,
			machines: mixer ? this.input.bakery.mixers.map((one) => one.id) : []
		});
		this.expanded.push({ id, batch, course });
		return id;
	}

	private addLoads(
		lot: Extract<BatchRef, { kind: 'lot' }>,
		course: CourseStep,
		oven: { readonly pieces: number; readonly perDeck: number }
	): readonly string[] {
		const decks = this.input.bakery.decks.map((one) => one.id);
		const loads = Math.max(1, Math.ceil(oven.pieces / oven.perDeck));
		const ids: string[] = [];
		for (let load = 1; load <= loads; load += 1) {
			const pieces = Math.min(oven.perDeck, oven.pieces - (load - 1) * oven.perDeck);
			const batch: BatchRef = { ...lot, kind: 'load', load, loads, pieces };
			const id = batchKey(batch);
			// Loads are planned to the minute.
			this.tasks.push({ id, minutes: course.minutes, grid: 1, machines: decks });
			this.expanded.push({ id, batch, course });
			const earlier = ids[load - 1 - Math.max(1, decks.length)];
			if (earlier) this.link(earlier, id, this.input.bakery.recoveryMinutes, null);
			ids.push(id);
		}
		return ids;
	}

	private link(
		before: string,
		after: string,
		leastGap: number,
		mostGap: number | null,
		pulls = true
	): void {
		this.links.push({ before, after, leastGap, mostGap, pulls });
	}

	private dueMinute(dropIds: readonly DropId[]): number {
		const due = this.input.drops
			.filter((drop) => dropIds.includes(drop.id))
			.map((drop) => drop.dueMs / MINUTE_MS);
		return Math.floor(Math.min(...due));
	}
}

/** Where a filling, a coating or a bath is wanted; the first step of the lot when none of these is there. */
const TAKING_ACTIVITIES: readonly HandsOnActivity[] = ['fill', 'coat', 'wash', 'dip', 'glaze'];

/** A lot with the names of its tasks. */
class PlacedLot {
	constructor(
		readonly lot: PlannedLot,
		private readonly key: string,
		private readonly steps: readonly CourseStep[]
	) {}

	/** The first task that is one of these activities; the first of all when none is. */
	taskOf(activities: readonly HandsOnActivity[]): string {
		const at = this.steps.findIndex(
			({ step }) => step.kind === 'hands-on' && activities.includes(step.activity)
		);
		return `${this.key}:${Math.max(0, at)}`;
	}
}

/** Builds in an order in which every taker comes before what it takes from; a circle keeps its order. */
function takersFirst(builds: readonly PlannedBuild[]): readonly PlannedBuild[] {
	const ordered: PlannedBuild[] = [];
	let left = [...builds];
	while (left.length > 0) {
		const ids = new Set(left.map((build) => build.preparationId));
		const free = left.filter((build) => !build.takenByBuilds.some((taker) => ids.has(taker)));
		if (free.length === 0) return [...ordered, ...left];
		ordered.push(...free);
		left = left.filter((build) => !free.includes(build));
	}
	return ordered;
}

function mixKey(dough: PlannedDough, mix: PlannedMix): string {
	return batchKey({ kind: 'mix', formulaId: dough.formulaId, ordinal: mix.ordinal });
}

function piecesOf(mix: PlannedMix): number {
	return mix.lots.reduce((total, lot) => total + lot.pieces, 0);
}

/** How long shaped or divided dough may lie before the next step (our default). */
const BENCH_WINDOW_MINUTES = 15;

/** How long a step may be followed by nothing within a chain; null where it does no harm. */
function windowBetween(course: CourseStep): number | null {
	const { step } = course;
	switch (step.kind) {
		case 'hands-on':
			return BENCH_WINDOW_MINUTES;
		case 'wait':
			return step.activity === 'rest' ? BENCH_WINDOW_MINUTES : windowAfter([course]);
		case 'bake':
			return null;
	}
}

/** How long what comes after a fermenting wait may keep it waiting past its end. */
function windowAfter(steps: readonly CourseStep[]): number | null {
	const last = steps.at(-1);
	if (!last?.marks || last.marks.late === null) return null;
	return Math.max(0, Math.floor(last.marks.late - last.minutes));
}
