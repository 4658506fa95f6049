import { MINUTE_MS } from '../time/index.ts';
import type { Lag, Window } from '../schedule/index.ts';
import type { Step } from '../formula/index.ts';
import { unitsFilled } from './grid.ts';
import type { BakeDayInput, BakeryMachines, PlannedOven, PlannedPlace } from './input.ts';
import type { NightProblem } from './night-problem.ts';
import { TIER } from './prices.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/** A stay of dough in an oven that serves as a prover, and the task that ends it by its start. */
export interface StayInOven {
	readonly ovenId: string;
	readonly until: string;
}

/** The oven that a place is; null for one of its own. */
export function ovenOf(
	placeId: string | undefined,
	{ places, ovens }: Pick<BakeryMachines, 'places' | 'ovens'>
): PlannedOven | null {
	const place = places.find(({ id }) => id === placeId);
	return ovens.find(({ id }) => id === place?.ovenId) ?? null;
}

/** The way of a bake that is done in an oven that serves as a prover too. */
export function bakedIn(ovenId: string): string {
	return `bake-${ovenId}`;
}

/**
 * What keeps dough out of a hot oven: whatever stays in it is out before it is switched on for its first load.
 *
 * Model: the oven proves before the bakes of a plan, never between them: a stone keeps its heat for hours. Where what stays
 * in it would go from there straight to a deck, it is one of another oven. Range: stays and bakes of one night.
 * Source: domain (an oven just above room heat can serve as a prover), our default. Failures: none.
 * Example: pieces that stand in the oven until 02:10 leave it to an oven that takes 90 minutes; its first load is at 03:40.
 */
export function heatedAfter(
	stays: readonly StayInOven[],
	night: NightProblem,
	ovens: readonly PlannedOven[]
): readonly Lag[] {
	const bakes = night.told.filter(({ kind }) => kind === 'bake').map(({ id }) => id);
	for (const { ovenId, until } of stays)
		if (bakes.includes(until)) night.forbid(until, bakedIn(ovenId));
	return stays.flatMap(({ ovenId, until }) => {
		const oven = ovens.find(({ id }) => id === ovenId);
		if (!oven) return [];
		const way = bakedIn(ovenId);
		const heated: Window = { ...ANY_TIME, least: unitsFilled(oven.preheatMinutes) };
		return bakes.flatMap((bake): Lag[] => {
			if (!night.modesOf(bake).some(({ id }) => id === way)) return [];
			return [
				{
					id: `heated ${ovenId} ${until} ${bake}`,
					before: until,
					after: bake,
					from: 'start',
					windows: [
						{ beforeMode: null, afterMode: way, window: heated },
						{ beforeMode: null, afterMode: null, window: ANY_TIME }
					]
				}
			];
		});
	});
}

/** More units than any night has. */
const EVER = 20_000;

const ANY_TIME: Window = {
	least: -EVER,
	most: null,
	wish: null,
	price: 0,
	outside: null,
	tier: TIER.ripe,
	holds: []
};

/** When other dates have an oven hot, and all of the room in the place that it is: from heating until it has cooled down. */
export function hotElsewhere(
	place: PlannedPlace,
	oven: PlannedOven,
	elsewhere: readonly TakenElsewhere[],
	amount: number
): readonly TakenElsewhere[] {
	const decks = new Set(oven.decks.map(({ id }) => id));
	return elsewhere
		.filter(({ of, id }) => of === 'deck' && decks.has(id))
		.flatMap((load) => {
			const { heat } = load;
			// What only stays in it leaves it as it is.
			if (!heat || heat.celsius <= place.celsius) return [];
			const cools = ((heat.endCelsius - place.celsius) / 10) * oven.coolMinutesPerTenKelvin;
			return [
				{
					...load,
					of: 'place' as const,
					id: place.id,
					fromMs: load.fromMs - oven.preheatMinutes * MINUTE_MS,
					toMs: load.toMs + Math.max(0, cools) * MINUTE_MS,
					amount,
					heat: null
				}
			];
		});
}

/** The oven that pieces would go straight into from standing in it; null where there is none, or another oven takes them. */
export function provesWhereItBakes(
	steps: readonly Step[],
	deckIds: readonly string[],
	{ bakery }: Pick<BakeDayInput, 'bakery'>
): PlannedOven | null {
	const bake = steps.findIndex(({ kind }) => kind === 'bake');
	const wait = steps.slice(0, Math.max(0, bake)).findLast(({ kind }) => kind === 'wait');
	if (wait?.kind !== 'wait') return null;
	const oven = ovenOf(wait.legs.at(-1)?.named?.id, bakery);
	return oven && deckIds.every((id) => oven.decks.some((deck) => deck.id === id)) ? oven : null;
}
