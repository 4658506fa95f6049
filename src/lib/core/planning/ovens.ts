import { endCelsiusOf } from '../baking/index.ts';
import type { BatchMachine, Portion } from '../schedule/index.ts';
import type { BakeStep } from '../formula/index.ts';
import { GRID_MINUTES, unitsFilled, type Grid } from './grid.ts';
import type { Hands } from './hands.ts';
import type { BakeryMachines, PlannedOven, PlannedProduct } from './input.ts';
import { bakedIn } from './oven-provers.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/** How long a deck takes at least to be drawn, in minutes (our default). */
const LEAST_DRAWING_MINUTES = 1;

/** Loads this close in temperature are baked as one (our default, in degrees). */
const TOLERANCE_CELSIUS = 5;

/** Bakes this much apart in length share a load, each drawn at its own time (our default, in minutes). */
const LENGTH_TOLERANCE_MINUTES = 5;

/** Degrees in which heating and cooling are counted, so that minutes for ten of them stay whole. */
const LEVEL_STEP = 500;

/** What a deck holds is counted in thousandths of itself. */
const WHOLE_DECK = 1000;

/** The tier of the objective that oven hours stand in, and what a unit of them costs, set by who makes the problem. */
export interface OvenPrice {
	readonly tier: number;
	readonly onPrice: number;
}

/**
 * The ovens as machines that take loads: decks in one chamber share its heat, others are each an oven of their own.
 *
 * Model: a load takes hands to load at its start, and to draw it at its end, while its deck recovers; two loads of a
 * deck are apart by its recovery, or by heating and cooling where that takes longer. An oven without a timer is
 * switched on by somebody who is there: of a load somebody was, when its preheat would have had to begin.
 * Source: domain (ovens), our defaults for loading and drawing. Failures: none.
 */
export function batchMachinesOf(
	ovens: readonly PlannedOven[],
	hands: Hands,
	price: OvenPrice,
	relaxed: boolean,
	elsewhere: readonly TakenElsewhere[],
	grid: Grid
): readonly BatchMachine[] {
	return ovens.flatMap((oven) => {
		const groups = oven.sharesHeat ? [oven.decks] : oven.decks.map((deck) => [deck]);
		return groups.map((decks) => ({
			id: machineOf(oven, decks[0]?.id ?? ''),
			units: decks.map(({ id, reheatMinutes }) => ({
				id,
				capacity: WHOLE_DECK,
				recovery: unitsFilled(reheatMinutes)
			})),
			shared: oven.sharesHeat,
			tolerance: TOLERANCE_CELSIUS,
			rise: Math.round((LEVEL_STEP / 10 / GRID_MINUTES) * oven.heatMinutesPerTenKelvin),
			fall: Math.round((LEVEL_STEP / 10 / GRID_MINUTES) * oven.coolMinutesPerTenKelvin),
			step: LEVEL_STEP,
			recovery: unitsFilled(oven.recoveryMinutes),
			loading: unitsFilled(oven.loadingMinutes),
			unloading: 0,
			attended: [
				...hands
					.forChore('oven', { from: 0, to: unitsFilled(oven.loadingMinutes) }, relaxed)
					.map((demand) => ({ ...demand, of: 'start' as const })),
				...hands
					// A bake ends on its own minute within the last unit of its load, and is drawn from then on.
					.forChore('oven', { from: -1, to: 0 }, relaxed)
					.map((demand) => ({ ...demand, of: 'end' as const })),
				...(oven.switchOnTimer
					? []
					: hands
							.present(-unitsFilled(oven.preheatMinutes), relaxed)
							.map((demand) => ({ ...demand, of: 'start' as const })))
			],
			preheat: unitsFilled(oven.preheatMinutes),
			onPrice: price.onPrice,
			tier: price.tier,
			taken: elsewhere.flatMap(({ of, id, fromMs, toMs, heat }) =>
				of === 'deck' && heat && decks.some((deck) => deck.id === id)
					? [
							{
								unit: id,
								from: grid.floor(fromMs),
								to: grid.ceil(toMs),
								level: Math.round(heat.celsius),
								leaves: Math.round(heat.endCelsius)
							}
						]
					: []
			)
		}));
	});
}

/** The longest that any oven takes to be loaded, in units. */
export function longestLoading(ovens: readonly PlannedOven[]): number {
	return Math.max(0, ...ovens.map(({ loadingMinutes }) => unitsFilled(loadingMinutes)));
}

/** A bake with at least a minute of its last unit left to draw it in. */
export function bakeUnits({ bakeMinutes }: Pick<BakeStep, 'bakeMinutes'>): number {
	return unitsFilled(bakeMinutes + LEAST_DRAWING_MINUTES);
}

/** The pieces of a product in one load, as what an oven must know of them. */
export function portionOf(
	product: PlannedProduct,
	bake: BakeStep,
	pieces: number,
	ovens: readonly PlannedOven[]
): Portion {
	return {
		...takenOn(product.deckIds, ovens),
		size: Math.min(WHOLE_DECK, Math.ceil((pieces * WHOLE_DECK) / product.piecesPerDeck)),
		kind: bake.steamSeconds > 0 ? 'steam' : 'dry',
		level: Math.round(bake.loadCelsius),
		leaves: Math.round(endCelsiusOf(bake)),
		length: bakeUnits(bake),
		lengthTolerance: unitsFilled(LENGTH_TOLERANCE_MINUTES)
	};
}

/** The ways to bake a portion: one for each oven that serves as a prover too or bakes it in a time of its own, one for all others. */
export function bakedByOven(
	batch: Portion,
	{ places, ovens }: Pick<BakeryMachines, 'places' | 'ovens'>,
	/** The bake as it goes in an oven, where that is otherwise than elsewhere. */
	ownBake: (ovenId: string) => BakeStep | null
): readonly { readonly way: string; readonly batch: Portion }[] {
	const apart = ovens.filter(
		({ id }) => ownBake(id) !== null || places.some(({ ovenId }) => ovenId === id)
	);
	const machinesOf = (oven: PlannedOven) =>
		batch.machines.filter((machine) =>
			oven.decks.some(({ id }) => machine === machineOf(oven, id))
		);
	const own = apart.map((oven) => {
		const bake = ownBake(oven.id);
		return {
			way: bakedIn(oven.id),
			machines: machinesOf(oven),
			length: bake ? bakeUnits(bake) : batch.length
		};
	});
	const others = batch.machines.filter((machine) =>
		own.every(({ machines }) => !machines.includes(machine))
	);
	return [{ way: 'bake', machines: others, length: batch.length }, ...own]
		.filter(({ machines }) => machines.length > 0)
		.map(({ way, machines, length }) => ({ way, batch: { ...batch, machines, length } }));
}

/** The ovens with a deck that takes a product, and the decks in the same chambers that do not. */
function takenOn(
	deckIds: readonly string[],
	ovens: readonly PlannedOven[]
): Pick<Portion, 'machines' | 'notOn'> {
	const groups = ovens.flatMap((oven) =>
		(oven.sharesHeat ? [oven.decks] : oven.decks.map((deck) => [deck])).map((decks) => ({
			id: machineOf(oven, decks[0]?.id ?? ''),
			decks: decks.map(({ id }) => id)
		}))
	);
	const taking = groups.filter(({ decks }) => decks.some((id) => deckIds.includes(id)));
	return {
		machines: taking.map(({ id }) => id),
		notOn: taking.flatMap(({ decks }) => decks.filter((id) => !deckIds.includes(id)))
	};
}

function machineOf(oven: PlannedOven, firstDeckId: string): string {
	return oven.sharesHeat ? `oven:${oven.id}` : `oven:${oven.id}:${firstDeckId}`;
}
