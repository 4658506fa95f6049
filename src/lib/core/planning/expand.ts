import type { DropId, ProductId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import { spendWork } from '../work.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import type { Deadline, Link, Problem, Task } from '../latest-start/index.ts';
import {
	courseThrough,
	HANDS_ON_GRID_MINUTES,
	type CourseFailure,
	type CourseStep
} from './course.ts';
import { startsAround } from './starts-around.ts';
import { takersFirst } from './takers-first.ts';
import type { HandsOnActivity } from '../formula/index.ts';
import type {
	Begun,
	BakeDayInput,
	PlannedBuild,
	PlannedDough,
	PlannedPortion,
	PlannedMix
} from './input.ts';

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

/**
 * Turns a day's production into a scheduling problem: the chain of every build, mix, portion and load with
 * its gaps, its deadline at the earliest drop less the lead, and the machines it needs.
 *
 * Model: builds end where their takers start, within the window after ripe; a portion bakes in loads of what
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

interface Oven {
	readonly pieces: number;
	readonly perDeck: number;
}

class DayUnderConstruction {
	private readonly tasks: Task[] = [];
	private readonly expanded: ExpandedTask[] = [];
	private readonly links: Link[] = [];
	private readonly deadlines: Deadline[] = [];
	private readonly unplanned: UnplannedChain[] = [];
	/** First task of each batch, to tie builds to their takers. */
	private readonly first = new Map<string, string>();
	/** Portions that are planned, to tie what joins a piece on the way to where it does. */
	private readonly portions: PlacedPortion[] = [];
	private readonly joins: {
		readonly task: string;
		readonly portion: PlannedPortion;
		readonly window: number | null;
		readonly soft: boolean;
	}[] = [];

	constructor(private readonly input: BakeDayInput) {}

	finish(): ExpandedDay {
		for (const { task, portion, window, soft } of this.joins)
			for (const placed of this.portions)
				if (
					placed.portion.productId === portion.productId &&
					placed.portion.dropIds.some((drop) => portion.dropIds.includes(drop))
				)
					this.link(task, placed.taskOf(['wrap', 'sheet', 'laminate']), 0, window, true, soft);
		const ids = new Set(this.tasks.map((task) => task.id));
		const links = this.links.filter((link) => ids.has(link.before) && ids.has(link.after));
		return {
			problem: { tasks: this.tasks, links, deadlines: this.deadlines },
			tasks: this.expanded,
			unplanned: this.unplanned
		};
	}

	addBuild(build: PlannedBuild): void {
		const { preparationId, ordinal, begun } = build;
		const batch: BatchRef = { kind: 'preparation', preparationId, ordinal };
		const takers = [
			...this.input.builds
				.filter((other) => build.takenByBuilds.includes(other.preparationId))
				.map((other) => this.first.get(buildKey(other))),
			...this.input.doughs
				.filter((dough) => build.takenByDoughs.includes(dough.formulaId))
				.flatMap((dough) => dough.mixes.map((mix) => this.first.get(mixKey(dough, mix)))),
			...this.portions
				.filter(({ portion }) => build.takenByProducts.includes(portion.productId))
				.map((placed) => placed.taskOf(TAKING_ACTIVITIES))
		].filter((task) => task !== undefined);
		if (takers.length === 0) return;
		const course = courseThrough(build.steps, 0, 0);
		if (!course.ok) {
			this.unplanned.push({ name: build.name, reason: course.error });
			return;
		}
		const last = this.addChain(batch, course.value.steps, null, begun);
		if (!last) {
			this.unplanned.push({ name: build.name, reason: { kind: 'no-steps' } });
			return;
		}
		// What was made stands where it stands: that it is not ripe by then is told.
		for (const taker of takers)
			this.link(last, taker, 0, windowAfter(course.value.steps), true, begun !== null);
	}

	addDough(dough: PlannedDough): void {
		for (const mix of dough.mixes) {
			const course = courseThrough(mix.steps, piecesOf(mix), 0);
			if (!course.ok) {
				this.unplanned.push({ name: dough.name, reason: course.error });
				return;
			}
			const joining = mix.portions.filter((portion) => portion.role === 'joins');
			const fixed = mix.begun ? startsAround(course.value.steps, mix.begun) : null;
			const endedAtMs = mix.begun?.endedAtMs ?? null;
			const freeAt =
				endedAtMs !== null
					? Math.ceil(endedAtMs / MINUTE_MS)
					: fixed
						? Math.max(...fixed.map(({ end }) => end))
						: null;
			const soft = mix.begun !== null;
			const portions = mix.portions
				.filter((portion) => portion.role === 'carries')
				.map((portion) => this.portionSteps(dough, mix, portion, course.value.endCelsius, freeAt));
			if (joining.length === 0 && portions.every((portion) => portion === null)) continue;
			const batch: BatchRef = { kind: 'mix', formulaId: dough.formulaId, ordinal: mix.ordinal };
			const last = this.addChain(batch, course.value.steps, null, mix.begun);
			for (const portion of portions)
				if (last && portion)
					this.link(last, portion, 0, windowAfter(course.value.steps), true, soft);
			for (const portion of joining)
				if (last)
					this.joins.push({ task: last, portion, window: windowAfter(course.value.steps), soft });
		}
	}

	/** Adds the chain of one portion; gives its first task, or null when it cannot be planned. */
	private portionSteps(
		dough: PlannedDough,
		mix: PlannedMix,
		portion: PlannedMix['portions'][number],
		startCelsius: number,
		/** When the dough of a mix that was begun is through its bulk, in minutes. */
		freeAt: number | null
	): string | null {
		const product = this.input.products.find((product) => product.id === portion.productId);
		if (!product) {
			this.unplanned.push({
				name: dough.name,
				reason: { kind: 'unknown-product', productId: portion.productId }
			});
			return null;
		}
		const course = courseThrough(product.steps, portion.pieces, startCelsius);
		if (!course.ok) {
			this.unplanned.push({ name: product.name, reason: course.error });
			return null;
		}
		const batch: BatchRef = {
			kind: 'portion',
			formulaId: dough.formulaId,
			ordinal: mix.ordinal,
			productId: product.id
		};
		const oven = { pieces: portion.pieces, perDeck: product.piecesPerDeck };
		const last = this.addChain(batch, course.value.steps, oven);
		if (!last) {
			this.unplanned.push({ name: product.name, reason: { kind: 'no-steps' } });
			return null;
		}
		this.portions.push(new PlacedPortion(portion, batchKey(batch), course.value.steps));
		const due = this.dueMinute(portion.dropIds) - mix.leadMinutes;
		// A dough that is late makes its drop late; it is planned all the same, as soon as it can be.
		const soonest = freeAt === null ? due : freeAt + this.leastMinutes(course.value.steps, oven);
		this.deadlines.push({ task: last, endBy: Math.max(due, soonest) });
		return this.first.get(batchKey(batch)) ?? null;
	}

	/** Adds the steps one after another; a bake becomes its loads. Gives the last task. */
	private addChain(
		batch: BatchRef,
		steps: readonly CourseStep[],
		oven: Oven | null,
		begun: Begun | null = null
	): string | null {
		const fixed = begun ? startsAround(steps, begun) : [];
		let before: readonly string[] = [];
		let window: number | null = null;
		for (const [index, course] of steps.entries()) {
			const id = `${batchKey(batch)}:${index}`;
			const ids =
				course.step.kind === 'bake' && batch.kind === 'portion' && oven
					? this.addLoads(batch, course, oven)
					: [this.addTask(id, batch, course, fixed[index]?.start ?? null)];
			if (index === 0 && ids[0]) this.first.set(batchKey(batch), ids[0]);
			// Only the first loads can be had in time; what waits for a deck is told, not pulled.
			const inTime = course.step.kind === 'bake' ? this.input.bakery.decks.length : ids.length;
			for (const earlier of before)
				ids.forEach((other, at) =>
					this.link(earlier, other, 0, window, at < inTime, begun !== null)
				);
			window = windowBetween(course);
			before = ids;
		}
		return before[0] ?? null;
	}

	private addTask(
		id: string,
		batch: BatchRef,
		course: CourseStep,
		fixedStart: number | null
	): string {
		const { step } = course;
		const mixer = step.kind === 'hands-on' && step.machine === 'mixer';
		this.tasks.push({
			id,
			minutes: course.minutes,
			grid: HANDS_ON_GRID_MINUTES,
			machines: mixer ? this.input.bakery.mixers.map((mixer) => mixer.id) : [],
			fixedStart
		});
		this.expanded.push({ id, batch, course });
		return id;
	}

	private addLoads(
		portion: Extract<BatchRef, { kind: 'portion' }>,
		course: CourseStep,
		oven: Oven
	): readonly string[] {
		const decks = this.input.bakery.decks.map((deck) => deck.id);
		const loads = Math.max(1, Math.ceil(oven.pieces / oven.perDeck));
		spendWork(loads);
		const ids: string[] = [];
		for (let load = 1; load <= loads; load += 1) {
			const pieces = Math.min(oven.perDeck, oven.pieces - (load - 1) * oven.perDeck);
			const batch: BatchRef = { ...portion, kind: 'load', load, loads, pieces };
			const id = batchKey(batch);
			// Loads are planned to the minute.
			this.tasks.push({ id, minutes: course.minutes, grid: 1, machines: decks, fixedStart: null });
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
		pulls = true,
		soft = false
	): void {
		this.links.push({ before, after, leastGap, mostGap, pulls, soft });
	}

	/** How long a chain takes when nothing holds it up, its loads on all decks one after another. */
	private leastMinutes(steps: readonly CourseStep[], { pieces, perDeck }: Oven): number {
		const rounds = Math.ceil(
			Math.max(1, Math.ceil(pieces / perDeck)) / Math.max(1, this.input.bakery.decks.length)
		);
		return steps.reduce((total, { step, minutes }) => {
			// Each task may have to wait for its grid.
			if (step.kind !== 'bake') return total + minutes + HANDS_ON_GRID_MINUTES;
			return total + rounds * minutes + (rounds - 1) * this.input.bakery.recoveryMinutes;
		}, 0);
	}

	private dueMinute(dropIds: readonly DropId[]): number {
		const due = this.input.drops
			.filter((drop) => dropIds.includes(drop.id))
			.map((drop) => drop.dueMs / MINUTE_MS);
		return Math.floor(Math.min(...due));
	}
}

/** Where a filling, a coating or a bath is wanted; the first step of the portion when none of these is there. */
const TAKING_ACTIVITIES: readonly HandsOnActivity[] = ['fill', 'coat', 'wash', 'dip', 'glaze'];

/** A portion with the names of its tasks. */
class PlacedPortion {
	constructor(
		readonly portion: PlannedPortion,
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

function buildKey({ preparationId, ordinal }: PlannedBuild): string {
	return batchKey({ kind: 'preparation', preparationId, ordinal });
}

function mixKey(dough: PlannedDough, mix: PlannedMix): string {
	return batchKey({ kind: 'mix', formulaId: dough.formulaId, ordinal: mix.ordinal });
}

function piecesOf(mix: PlannedMix): number {
	return mix.portions.reduce((total, portion) => total + portion.pieces, 0);
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
