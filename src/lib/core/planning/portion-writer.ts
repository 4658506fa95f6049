import { bakeMarks } from '../baking/index.ts';
import type { HandsOnActivity } from '../formula/index.ts';
import { spendWork } from '../work.ts';
import type { Pool, Window } from '../schedule/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import { withRoom, type ChainEnd } from './chain-end.ts';
import type { ChainWriter } from './chain-writer.ts';
import { handsOnMinutes, lengthOf, type CourseStep } from './course.ts';
import { unitsWithin } from './grid.ts';
import type { Hands } from './hands.ts';
import type { BakeDayInput, PlannedPortion, PlannedProduct } from './input.ts';
import type { NightProblem } from './night-problem.ts';
import { leftOf } from './left-of.ts';
import { bakeIn } from './as-learned.ts';
import { bakedByOven, longestLoading, portionOf } from './ovens.ts';
import { duePrices, freshFrom, freshPrice } from './prices.ts';
import { itemsOf, runMinutes, type Bake, type ChainItem, type Run } from './runs.ts';
import { roomOfPieces } from './room-of-places.ts';
import type { WaitWindow } from './wait-window.ts';

type PortionRef = Extract<BatchRef, { kind: 'portion' }>;
type LoadRef = Extract<BatchRef, { kind: 'load' }>;

/** A portion that can be planned, with its course. */
export interface Plannable {
	readonly batch: PortionRef;
	readonly portion: PlannedPortion;
	readonly product: PlannedProduct;
	readonly steps: readonly CourseStep[];
}

/** A portion whose tasks are written. */
export interface WrittenPortion {
	readonly batch: PortionRef;
	readonly portion: PlannedPortion;
	readonly first: string;
	/** The tasks whose ends make it ready for its drops. */
	readonly ends: readonly string[];
	/** The first task with one of these activities; the first of all where there is none. */
	readonly taskOf: (activities: readonly HandsOnActivity[]) => string;
}

/** What is done to all pieces of a portion, not load by load. */
const OF_THE_PORTION: ReadonlySet<HandsOnActivity> = new Set([
	'divide',
	'pre-shape',
	'shape',
	'pan',
	'wrap',
	'fill',
	'cut',
	'sheet',
	'laminate'
]);

/** Writes portions: their chain up to the oven, each load by itself through it, and what comes after for all. */
export class PortionWriter {
	private readonly vessels = new Map<string, Pool>();

	constructor(
		private readonly night: NightProblem,
		private readonly chains: ChainWriter,
		private readonly hands: Hands,
		private readonly input: BakeDayInput,
		private readonly horizon: number
	) {}

	vesselPools(): readonly Pool[] {
		return [...this.vessels.values()];
	}

	/** `from` is where its mix has come to; null where the mix has nothing that hands do. */
	write(
		plannable: Plannable,
		from: ChainEnd | null,
		readyUnit: number,
		leadUnits: number
	): WrittenPortion {
		const { batch, portion, steps } = plannable;
		const writing = new OnePortion(
			this.night,
			this.chains,
			this.hands,
			this.input,
			plannable,
			this.vessel(plannable),
			readyUnit
		);
		const { first, ends, baked, afterMinutes } = writing.write(from);
		for (const end of ends) this.night.prices.push(...duePrices(end, readyUnit, leadUnits));
		for (const bake of baked) this.night.prices.push(freshPrice(bake, readyUnit, afterMinutes));
		const runs = itemsOf(steps).filter((item) => item.kind === 'run');
		return {
			batch,
			portion,
			first,
			ends,
			taskOf: (activities) => {
				const run = runs.find((one) => one.activities.some((each) => activities.includes(each)));
				const id = run ? `${batchKey(batch)}:${run.at}` : first;
				return this.night.has(id) ? id : first;
			}
		};
	}

	/** The vessels of a portion, as a pool to hold from; none where it stands in nothing that is counted. */
	private vessel({ product, batch }: Plannable): Vessels | null {
		const { vessel } = product;
		// Where nothing else would do vessels have to be found too; that they are short is told.
		if (!vessel || vessel.owned === 0 || this.night.isRelaxed(batch)) return null;
		const pool = `vessel:${vessel.id}`;
		if (!this.vessels.has(pool)) {
			const counted = { of: 'vessel' as const, id: vessel.id, total: vessel.owned };
			const there = leftOf(counted, this.input.elsewhere, this.night.grid, this.horizon);
			this.vessels.set(pool, { id: pool, there });
		}
		return {
			untilBaked: vessel.until === 'baked',
			holding: (pieces) => [
				{ pool, amount: Math.min(vessel.owned, Math.ceil(pieces / vessel.holds)) }
			]
		};
	}
}

interface Vessels {
	readonly untilBaked: boolean;
	readonly holding: (pieces: number) => Window['holds'];
}

interface WrittenLoad {
	readonly first: string;
	readonly baked: string;
	readonly end: ChainEnd;
}

const WITHOUT_MIXER = { mixerIds: [], leaves: [], pinnedAt: null } as const;

class OnePortion {
	private readonly items: readonly ChainItem[];
	/** The first bake and the last; below nothing where nothing is baked. */
	private readonly firstBake: number;
	private readonly lastBake: number;
	/** The first item that is done load by load, and the last; none where nothing is baked. */
	private readonly loadsFrom: number;
	private readonly loadsTo: number;
	/** The item after which pieces stand in their vessels. */
	private readonly filledBy: number;

	constructor(
		private readonly night: NightProblem,
		private readonly chains: ChainWriter,
		private readonly hands: Hands,
		private readonly input: BakeDayInput,
		private readonly plannable: Plannable,
		private readonly vessels: Vessels | null,
		private readonly readyUnit: number
	) {
		this.items = itemsOf(plannable.steps);
		const firstBake = this.items.findIndex(({ kind }) => kind === 'bake');
		const lastBake = this.items.findLastIndex(({ kind }) => kind === 'bake');
		this.firstBake = firstBake;
		this.lastBake = lastBake;
		const before = this.items[firstBake - 1];
		this.loadsFrom =
			firstBake > 1 && before?.kind === 'run' && isOfTheLoad(before) ? firstBake - 1 : firstBake;
		const after = this.items[lastBake + 1];
		this.loadsTo =
			after?.kind === 'run' && !after.activities.includes('pack') ? lastBake + 1 : lastBake;
		const shaped = this.items.findLastIndex(
			(item, at) =>
				at < this.loadsFrom &&
				item.kind === 'run' &&
				item.activities.some((activity) => activity === 'shape' || activity === 'pan')
		);
		this.filledBy = shaped >= 0 ? shaped : this.items.findIndex(({ kind }) => kind === 'run');
	}

	write(from: ChainEnd | null): {
		readonly first: string;
		readonly ends: readonly string[];
		/** The last bake of each load, and how long what comes after it takes, in minutes. */
		readonly baked: readonly string[];
		readonly afterMinutes: number;
	} {
		const { batch, portion } = this.plannable;
		const upTo = this.loadsFrom < 0 ? this.items.length : this.loadsFrom;
		let first: string | null = null;
		let end = from;
		for (const [at, item] of this.items.slice(0, upTo).entries()) {
			const written = this.item(batch, item, at, end, portion.pieces);
			first ??= written.task;
			end = written.end;
		}
		if (this.loadsFrom < 0)
			return { first: first ?? '', ends: end ? [end.task] : [], baked: [], afterMinutes: 0 };
		const loads = this.loads(end);
		first ??= loads[0]?.first ?? '';
		let ends: readonly ChainEnd[] = loads.map((load) => load.end);
		for (const item of this.items.slice(this.loadsTo + 1)) ends = this.after(item, ends);
		return {
			first: first ?? '',
			ends: ends.map(({ task }) => task),
			baked: loads.map(({ baked }) => baked),
			afterMinutes: this.afterMinutes
		};
	}

	/** How long what comes after the last bake takes. */
	private get afterMinutes(): number {
		const after = this.items.slice(this.lastBake + 1);
		return lengthOf(after.flatMap((item) => (item.kind === 'bake' ? [] : item.steps)));
	}

	private loads(end: ChainEnd | null): readonly WrittenLoad[] {
		const { batch, portion, product } = this.plannable;
		const least = Math.max(1, Math.ceil(portion.pieces / product.piecesPerDeck));
		const count = Math.max(least, portion.loads ?? 0);
		spendWork(count);
		// As many as must be are filled one after the other; more of them share evenly.
		const each = count > least ? Math.ceil(portion.pieces / count) : product.piecesPerDeck;
		const length = Math.max(1, Math.ceil(portion.pieces / each));
		return Array.from({ length }, (_, index) => {
			const pieces = Math.min(each, portion.pieces - index * each);
			const load: LoadRef = { ...batch, kind: 'load', load: index + 1, loads: length, pieces };
			let first: string | null = null;
			let baked = '';
			let own = end && ofLoad(withRoom(end, this.roomOf(pieces)), index + 1, length);
			for (const [offset, item] of this.items.slice(this.loadsFrom, this.loadsTo + 1).entries()) {
				const written = this.item(load, item, this.loadsFrom + offset, own, pieces);
				first ??= written.task;
				if (item.kind === 'bake' && written.task) baked = written.task;
				own = written.end;
			}
			// There is a bake, so something was written.
			return { first: first ?? '', baked, end: own as ChainEnd };
		});
	}

	private item(
		batch: BatchRef,
		item: ChainItem,
		at: number,
		from: ChainEnd | null,
		pieces: number
	): { readonly task: string | null; readonly end: ChainEnd | null } {
		const standing = at > this.filledBy && (this.firstBake < 0 || at <= this.firstBake);
		const holds = (standing && this.vessels?.holding(pieces)) || [];
		if (item.kind === 'wait') {
			// What a portion waits for at its very beginning goes on from its mix.
			const room = this.roomOf(pieces);
			return { task: null, end: from && this.chains.wait(batch, item, from, { holds, room }) };
		}
		if (item.kind === 'bake') {
			const task = this.bake(batch, item, pieces, holds);
			if (from) this.chains.link(from, task, { holds });
			// Out of the oven nothing has to be done at once, except what the next step says.
			return { task, end: this.chains.endOf(batch, task, DRAWN) };
		}
		const run = share(item, batch);
		const { dividerId } = this.plannable.product;
		const task = this.chains.run(batch, run, { ...WITHOUT_MIXER, holds, dividerId });
		if (from) this.chains.link(from, task, { ageMinutes: runMinutes(run), holds });
		return { task, end: this.chains.endOfRun(batch, run, task) };
	}

	private roomOf(pieces: number): number {
		return roomOfPieces(pieces, this.plannable.product.piecesPerTray);
	}

	private roomOfLoad(batch: BatchRef): number {
		return this.roomOf(batch.kind === 'load' ? batch.pieces : this.plannable.portion.pieces);
	}

	private bake(
		batch: BatchRef,
		{ at, step }: Bake,
		pieces: number,
		holds: Window['holds']
	): string {
		const id = `${batchKey(batch)}:${at}`;
		const { product } = this.plannable;
		if (step.step.kind !== 'bake') return id;
		const batchOf = portionOf(product, step.step, pieces, this.input.bakery.ovens);
		const loading = longestLoading(this.input.bakery.ovens);
		const held = (length: number) =>
			this.vessels?.untilBaked
				? holds.map(({ pool, amount }) => ({
						pools: [pool],
						amount,
						from: 0,
						to: loading + length
					}))
				: [];
		const bakeStep = step.step;
		const ownBake = (ovenId: string) => {
			const own = bakeIn(bakeStep, product.id, ovenId, this.input.learned);
			return own === bakeStep ? null : own;
		};
		// Turning, venting or looking takes a minute of anybody who is there; somebody has to be.
		const units = new Set(
			bakeMarks(step.step)
				.filter(({ kind }) => kind !== 'out')
				.map(({ atMinutes }) => loading + unitsWithin(atMinutes))
		);
		const demands = [...units].flatMap((unit) =>
			this.hands.present(unit, this.night.isRelaxed(batch))
		);
		this.night.add(
			{ kind: 'bake', id, batch, at, step },
			bakedByOven(batchOf, this.input.bakery, ownBake).map((one) => ({
				id: one.way,
				length: null,
				demands: [...held(one.batch.length), ...demands],
				machine: null,
				batch: one.batch
			})),
			null,
			this.night.isRelaxed(batch) ? null : freshFrom(this.readyUnit, this.afterMinutes)
		);
		return id;
	}

	/** What comes after the oven is for all pieces: it waits for the last load. */
	private after(item: ChainItem, ends: readonly ChainEnd[]): readonly ChainEnd[] {
		const { batch } = this.plannable;
		if (item.kind === 'wait') {
			// Each load waits by itself.
			return ends.map((end) =>
				this.chains.wait(end.batch, item, end, { holds: [], room: this.roomOfLoad(end.batch) })
			);
		}
		if (item.kind === 'bake') return ends;
		const task = this.chains.run(batch, item, WITHOUT_MIXER);
		for (const end of ends) this.chains.link(end, task);
		return [this.chains.endOfRun(batch, item, task)];
	}
}

const DRAWN: WaitWindow = { least: 0, wish: 0, most: null };

/** A run before the oven that is done load by load. */
function isOfTheLoad({ activities }: Run): boolean {
	return !activities.some((activity) => OF_THE_PORTION.has(activity));
}

/** Of a run that is done load by load, the part of one load: what is fixed is done for each. */
function share(run: Run, batch: BatchRef): Run {
	if (batch.kind !== 'load') return run;
	const { pieces } = batch;
	return {
		...run,
		steps: run.steps.map((course) => {
			if (course.step.kind !== 'hands-on') return course;
			return { ...course, minutes: handsOnMinutes(course.step, pieces) };
		})
	};
}

/**
 * What a portion waits for, for one of its loads: pieces are shaped one after another and loaded in that order, so the
 * first load is older than the last by most of the shaping.
 */
function ofLoad(end: ChainEnd, load: number, loads: number): ChainEnd {
	const { ageMinutes } = end;
	const older = (window: WaitWindow): WaitWindow => {
		const youngest = ageMinutes * (1 - load / loads);
		const oldest = ageMinutes * (1 - (load - 1) / loads);
		const least = Math.max(0, window.least - youngest);
		const most = window.most === null ? null : Math.max(least, window.most - oldest);
		const wish = Math.max(least, Math.min(most ?? Infinity, window.wish - (youngest + oldest) / 2));
		return { least, wish, most };
	};
	return {
		...end,
		window: older(end.window),
		guard: end.guard && { ...end.guard, window: older(end.guard.window) }
	};
}
