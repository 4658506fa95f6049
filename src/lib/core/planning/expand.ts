import type { DropId, ProductId } from '../identity.ts';
import type { Problem } from '../schedule/index.ts';
import { asAgreed } from './agreed.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import { withRoom, type ChainEnd } from './chain-end.ts';
import { ChainWriter } from './chain-writer.ts';
import { courseThrough, type Course, type CourseFailure } from './course.ts';
import { writeDelivery, type WrittenDelivery } from './deliveries.ts';
import { unitsFilled, type Grid } from './grid.ts';
import { Hands } from './hands.ts';
import {
	isTakenBy,
	type BakeDayInput,
	type PlannedBuild,
	type PlannedDough,
	type PlannedMix,
	type PlannedPortion
} from './input.ts';
import { mixersOf } from './mixers.ts';
import { NightProblem } from './night-problem.ts';
import type { NightTask, NightWait, SoftWindow } from './night-tasks.ts';
import { heatedAfter, provesWhereItBakes } from './oven-provers.ts';
import { batchMachinesOf } from './ovens.ts';
import { AS_IT_IS, type Conditions } from './placement.ts';
import { PortionWriter, type WrittenPortion } from './portion-writer.ts';
import { OVEN_PRICE, TIERS, wakeSpan } from './prices.ts';
import { nightOf } from './night-span.ts';
import { roomOfDough, RoomOfPlaces } from './room-of-places.ts';
import { takersFirst } from './takers-first.ts';
import { withWishes } from './wishes.ts';
import { Workplaces } from './workplaces.ts';

/** A day's production as a problem of the engine, with what its tasks are in the night. */
export interface ExpandedDay {
	readonly grid: Grid;
	readonly problem: Problem;
	readonly tasks: readonly NightTask[];
	readonly waits: readonly NightWait[];
	/** Windows that may be overstayed: of what exists already, or where nothing else would do. */
	readonly soft: readonly SoftWindow[];
	/** The engine's tasks that end the chain of a portion. */
	readonly ends: readonly WrittenPortion[];
	/** What is done for the drops when their bread is packed. */
	readonly deliveries: readonly WrittenDelivery[];
	/** Chains that cannot be worked out, with the reason. */
	readonly unplanned: readonly UnplannedChain[];
}

export interface UnplannedChain {
	readonly name: string;
	readonly reason:
		| CourseFailure
		| { readonly kind: 'no-steps' }
		/** No deck of the ovens takes a piece of it. */
		| { readonly kind: 'no-deck' }
		/** It would go from standing in an oven straight into its heat. */
		| { readonly kind: 'proves-where-it-bakes'; readonly oven: string }
		| { readonly kind: 'unknown-product'; readonly productId: ProductId };
}

/**
 * Turns a day's production into a scheduling problem: the chain of every build, mix, portion and load, hands by skill and
 * shift, mixers with their clean-downs, ovens with their heat, vessels, and what each is wished to be.
 *
 * Model: hands-on steps that follow one another are one task; a wait is a window between two tasks; folds and moves to
 * another place are tasks of their own; a portion bakes in loads that loads of other products may join.
 * Range: any input of the contract. Source: domain (the day's schedule), docs/decisions/0030. Failures: chains that
 * cannot be worked out stand in `unplanned`; the others are not held up.
 * Example: 40 loaves at 18 to a deck are three loads, the last of which takes four and leaves room for another product.
 */
export function expandDay(ordered: BakeDayInput, conditions: Conditions = AS_IT_IS): ExpandedDay {
	const input = asAgreed(ordered, conditions.wishes);
	const { grid, horizon } = nightOf(input);
	const day = new DayUnderConstruction(input, grid, horizon, conditions);
	for (const dough of input.doughs) day.addDough(dough);
	for (const build of takersFirst(input.builds)) day.addBuild(build);
	return day.finish();
}

/** What stands for the ovens among what is relaxed: somebody may have to be found to load and to draw. */
export const OVENS = 'ovens';

/** Where a filling, a coating or a bath is wanted; the first task of the portion when none of these is there. */
const TAKING_ACTIVITIES = ['fill', 'coat', 'wash', 'dip', 'glaze'] as const;
/** Where one dough of a piece joins the other. */
const JOINING_ACTIVITIES = ['wrap', 'sheet', 'laminate'] as const;

class DayUnderConstruction {
	private readonly night: NightProblem;
	private readonly chains: ChainWriter;
	private readonly portions: PortionWriter;
	private readonly unplanned: UnplannedChain[] = [];
	/** The first task of each batch, to tie what it takes to it. */
	private readonly first = new Map<string, string>();
	private readonly written: WrittenPortion[] = [];
	private readonly joins: { readonly end: ChainEnd; readonly portion: PlannedPortion }[] = [];
	private readonly hands: Hands;
	private readonly workplaces: Workplaces;
	private readonly places: RoomOfPlaces;

	constructor(
		private readonly input: BakeDayInput,
		private readonly grid: Grid,
		private readonly horizon: number,
		private readonly conditions: Conditions
	) {
		const away = conditions.wishes.filter((wish) => wish.kind === 'away');
		this.hands = new Hands(input.people, input.elsewhere, grid, horizon, away);
		this.night = new NightProblem(conditions, grid, input);
		const { bakery, people } = input;
		this.workplaces = new Workplaces(bakery, people, horizon);
		this.places = new RoomOfPlaces(bakery, input.elsewhere, grid, horizon);
		this.chains = new ChainWriter(
			this.night,
			this.hands,
			this.workplaces,
			this.places,
			bakery.mixers,
			input.weighMinutes
		);
		this.portions = new PortionWriter(this.night, this.chains, this.hands, input, horizon);
	}

	finish(): ExpandedDay {
		const { input, night, grid, horizon, hands } = this;
		for (const { end, portion } of this.joins)
			for (const placed of this.written)
				if (
					placed.portion.productId === portion.productId &&
					placed.portion.dropIds.some((drop) => portion.dropIds.includes(drop))
				)
					this.chains.link(end, placed.taskOf(JOINING_ACTIVITIES));
		const deliveries = input.drops.flatMap((drop) =>
			writeDelivery(drop, this.written, night, hands)
		);
		night.lags.push(...heatedAfter(this.places.inOvens, night, input.bakery.ovens));
		const relaxed = this.conditions.relaxed.includes(OVENS);
		const problem: Problem = {
			horizon,
			tiers: TIERS,
			pools: [
				...hands.pools(),
				...this.portions.vesselPools(),
				...this.workplaces.pools(),
				...this.places.pools()
			],
			machines: mixersOf(input.bakery.mixers, night.families, input.elsewhere, grid),
			batchMachines: batchMachinesOf(
				input.bakery.ovens,
				hands,
				OVEN_PRICE,
				relaxed,
				input.elsewhere,
				grid
			),
			tasks: night.tasks,
			lags: night.lags,
			prices: night.prices,
			spans: wakeSpan(input, grid, night.nightWork)
		};
		return {
			grid,
			problem: withWishes(problem, this.conditions, grid, night.told),
			tasks: night.told,
			waits: night.waits,
			soft: night.soft,
			ends: this.written,
			deliveries,
			unplanned: this.unplanned
		};
	}

	addBuild(build: PlannedBuild): void {
		const { preparationId, ordinal, begun } = build;
		const batch: BatchRef = { kind: 'preparation', preparationId, ordinal };
		const takers = [
			...this.input.builds
				.filter((other) => build.takenByBuilds.includes(other.preparationId))
				.map((other) => this.first.get(batchKey({ ...other, kind: 'preparation' }))),
			...this.input.doughs.flatMap((dough) =>
				dough.mixes
					.filter((mix) => isTakenBy(build, dough.formulaId, mix.ordinal))
					.map((mix) => this.first.get(batchKey(refOf(dough, mix))))
			),
			...this.written
				.filter(({ portion }) => build.takenByProducts.includes(portion.productId))
				.map((placed) => placed.taskOf(TAKING_ACTIVITIES))
		].filter((task) => task !== undefined);
		if (takers.length === 0) return;
		const course = courseThrough(build.steps, 0, 0);
		if (!course.ok) {
			this.unplanned.push({ name: build.name, reason: course.error });
			return;
		}
		const chain = this.chains.write(batch, course.value.steps, {
			begun,
			room: roomOfDough(build.grams),
			mixerIds:
				build.mixerIds.length > 0
					? build.mixerIds
					: this.input.bakery.mixers.map((mixer) => mixer.id),
			leaves: []
		});
		if (!chain) {
			this.unplanned.push({ name: build.name, reason: { kind: 'no-steps' } });
			return;
		}
		this.first.set(batchKey(batch), chain.first);
		// What a piece takes keeps until it is wanted; what leavens is ripe when it is taken.
		const keeps = build.takenByDoughs.length === 0 && build.takenByBuilds.length === 0;
		const each = new Set(takers);
		const end = withRoom(chain.end, Math.ceil(roomOfDough(build.grams) / each.size));
		for (const taker of each) this.chains.link(keeps ? withoutMost(end) : end, taker);
	}

	addDough(dough: PlannedDough): void {
		for (const mix of dough.mixes) {
			const course = courseThrough(mix.steps, piecesOf(mix), 0);
			if (!course.ok) {
				this.unplanned.push({ name: dough.name, reason: course.error });
				return;
			}
			this.addMix(dough, mix, course.value);
		}
	}

	private addMix(dough: PlannedDough, mix: PlannedMix, course: Course): void {
		const joining = mix.portions.filter((portion) => portion.role === 'joins');
		const carried = mix.portions
			.filter((portion) => portion.role === 'carries')
			.flatMap((portion) => this.plannable(dough, mix, portion, course.endCelsius));
		if (joining.length === 0 && carried.length === 0) return;
		const batch = refOf(dough, mix);
		const chain = this.chains.write(batch, course.steps, {
			begun: mix.begun,
			room: roomOfDough(mix.grams),
			mixerIds: mix.mixerIds,
			leaves: mix.leaves
		});
		if (chain) this.first.set(batchKey(batch), chain.first);
		const room = Math.ceil(roomOfDough(mix.grams) / mix.portions.length);
		for (const portion of carried) {
			const written = this.portions.write(
				portion,
				chain && withRoom(chain.end, room),
				this.readyUnit(portion.portion.dropIds),
				unitsFilled(mix.leadMinutes + this.moreToSpare(portion.portion.dropIds))
			);
			this.written.push(written);
			this.first.set(batchKey(portion.batch), written.first);
		}
		if (chain) for (const portion of joining) this.joins.push({ end: chain.end, portion });
	}

	/** A portion with its course; none where it cannot be planned, which is told. */
	private plannable(
		dough: PlannedDough,
		mix: PlannedMix,
		portion: PlannedPortion,
		startCelsius: number
	) {
		const { formulaId } = dough;
		const product = this.input.products.find((product) => product.id === portion.productId);
		if (!product) {
			const { productId } = portion;
			this.unplanned.push({ name: dough.name, reason: { kind: 'unknown-product', productId } });
			return [];
		}
		const told = (reason: UnplannedChain['reason']) => {
			this.unplanned.push({ name: product.name, reason });
			return [];
		};
		const course = courseThrough(portion.steps ?? product.steps, portion.pieces, startCelsius);
		if (!course.ok) return told(course.error);
		if (course.value.steps.length === 0) return told({ kind: 'no-steps' });
		const decks = this.input.bakery.ovens.flatMap((oven) => oven.decks);
		const isBaked = product.steps.some((step) => step.kind === 'bake');
		const hasDeck = decks.some((deck) => product.deckIds.includes(deck.id));
		if (isBaked && (!hasDeck || product.piecesPerDeck < 1)) return told({ kind: 'no-deck' });
		const itself = provesWhereItBakes(portion.steps ?? product.steps, product.deckIds, this.input);
		if (itself) return told({ kind: 'proves-where-it-bakes', oven: itself.name });
		const batch = {
			kind: 'portion' as const,
			formulaId,
			ordinal: mix.ordinal,
			productId: product.id
		};
		return [{ batch, portion, product, steps: course.value.steps }];
	}

	/** How much more than usual the drops of a portion want to spare. */
	private moreToSpare(dropIds: readonly DropId[]): number {
		return Math.max(
			0,
			...this.conditions.wishes.flatMap((wish) =>
				wish.kind === 'more-to-spare' && dropIds.some((id) => id === wish.dropId)
					? [wish.minutes]
					: []
			)
		);
	}

	private readyUnit(dropIds: readonly DropId[]): number {
		const ready = this.input.drops
			.filter((drop) => dropIds.includes(drop.id))
			.map((drop) => drop.readyByMs);
		return ready.length === 0 ? this.horizon : this.grid.floor(Math.min(...ready));
	}
}

function refOf(dough: PlannedDough, mix: PlannedMix) {
	return { kind: 'mix' as const, formulaId: dough.formulaId, ordinal: mix.ordinal };
}

function withoutMost(end: ChainEnd): ChainEnd {
	return { ...end, window: { ...end.window, most: null }, guard: null };
}

function piecesOf(mix: PlannedMix): number {
	return mix.portions.reduce((total, portion) => total + portion.pieces, 0);
}
