import type { Pool, Window } from '../schedule/index.ts';
import type { Leg } from '../formula/index.ts';
import type { Grid } from './grid.ts';
import type { BakeryMachines } from './input.ts';
import { leftOf } from './left-of.ts';
import { hotElsewhere, ovenOf, type StayInOven } from './oven-provers.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

export const PLACE_POOL = 'place:';

/** Room is counted in parts of a tray, so that what shares one does not count it twice. */
export const PARTS_OF_A_TRAY = 12;

/** What a tub holds, and it stands where a tray would (our default, in g). */
const TUB_GRAMS = 12_000;

/** Room that something takes where it stands, in parts of a tray. */
export function roomOfDough(grams: number): number {
	return Math.ceil(grams / TUB_GRAMS) * PARTS_OF_A_TRAY;
}

/** The same of pieces. */
export function roomOfPieces(pieces: number, piecesPerTray: number): number {
	return Math.ceil((pieces * PARTS_OF_A_TRAY) / piecesPerTray - 1e-9);
}

/**
 * The places that can run out of room.
 *
 * Model: what waits in a place takes its room from when it comes in until it is taken on; a tub of dough takes that of a
 * tray. What takes more than all of it is let in alone, since nothing would be gained by leaving it out of the plan.
 * Range: any places. Source: domain (places), our defaults. Failures: none.
 */
export class RoomOfPlaces {
	private readonly places: ReadonlyMap<string, number>;
	/** What stays in an oven that serves as a prover, by what ends it. */
	readonly inOvens: StayInOven[] = [];

	constructor(
		private readonly bakery: Pick<BakeryMachines, 'places' | 'ovens'>,
		private readonly elsewhere: readonly TakenElsewhere[],
		private readonly grid: Grid,
		private readonly horizon: number
	) {
		this.places = new Map(bakery.places.map(({ id, trays }) => [id, trays * PARTS_OF_A_TRAY]));
	}

	pools(): readonly Pool[] {
		const { bakery, elsewhere, grid, horizon } = this;
		return bakery.places.map((place) => {
			const { id } = place;
			const total = this.places.get(id) ?? 0;
			const oven = ovenOf(id, bakery);
			const taken = oven
				? [...elsewhere, ...hotElsewhere(place, oven, elsewhere, total)]
				: elsewhere;
			return {
				id: PLACE_POOL + id,
				there: leftOf({ of: 'place', id, total }, taken, grid, horizon)
			};
		});
	}

	/** Something that stays somewhere is taken on by a task: what stays in an oven is out of it then. */
	endsWith(holds: Window['holds'], task: string): void {
		for (const { pool } of holds) {
			const oven = ovenOf(pool.slice(PLACE_POOL.length), this.bakery);
			if (oven && pool.startsWith(PLACE_POOL)) this.inOvens.push({ ovenId: oven.id, until: task });
		}
	}

	/** What a stay holds where more is let in than there is room for: an oven that is hot takes none. */
	heldAnyway(leg: Pick<Leg, 'named'>): Window['holds'] {
		return ovenOf(leg.named?.id, this.bakery) ? this.heldIn(leg, 1) : [];
	}

	/** What a stay in the place of a leg holds. */
	heldIn({ named }: Pick<Leg, 'named'>, room: number): Window['holds'] {
		const most = named && this.places.get(named.id);
		return most && room > 0 ? [{ pool: PLACE_POOL + named.id, amount: Math.min(most, room) }] : [];
	}
}
