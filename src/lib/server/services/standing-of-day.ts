import type { WaterInputView } from '../../contracts/water-views.ts';
import type { MomentTemperature } from '../../core/mixing/index.ts';
import { stirredTarget } from '../../core/mixing/index.ts';
import {
	followedLog,
	forecastOfStanding,
	type AirOfPlaces,
	type PlaceStretch,
	type StandingInput
} from '../../core/ripening/index.ts';
import type { Step, WaitStep } from '../../core/formula/index.ts';
import type { PlaceId } from '../../core/identity.ts';
import type { Build } from '../../core/production/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { batchAt, recipeOfPreparation, type BakeryDay } from './day-production.ts';
import { readRoomTrace } from './read-room-trace.ts';

/** How far what was stirred comes out from what it is stirred to (our default), and what a thermometer says of it. */
const STIRRED_KELVINS = 2;
const MEASURED_KELVINS = 0.3;
/** How well the air of a place is known: read of late, or only taken to be so (our defaults). */
const READ_AIR_KELVINS = 0.7;
const SET_AIR_KELVINS = 1;
const ASSUMED_AIR_KELVINS = 3;
/** Nothing stands longer than this before it is taken. */
const LONGEST_MS = 72 * 3_600_000;

type Unread = MomentTemperature['unread'];

/**
 * Gives how warm each preparation of a date is taken to be until somebody measures it when it is taken: as its own
 * story has it, with the air of its places as it was read. Of several of one recipe the one that was made last
 * stands there.
 */
export async function standingOfDay(
	db: Db | Tx,
	day: BakeryDay,
	places: readonly WaterInputView[],
	nowMs: number
): Promise<(wanted: Pick<MomentTemperature, 'preparationId'>) => Unread> {
	const room = places.find(({ quantity }) => quantity === 'room');
	const roomCelsius = room?.reading?.celsius ?? room?.unread.celsius ?? 0;
	const [starts, trace] = await Promise.all([
		loadPlannedMixStarts(db, day.date),
		readRoomTrace(db, nowMs - LONGEST_MS, nowMs, room?.reading?.celsius ?? null)
	]);
	const air = {
		room: trace.length > 0 ? trace : [{ fromMs: nowMs - LONGEST_MS, celsius: roomCelsius }],
		named: namedAir(places, trace, nowMs)
	};
	return ({ preparationId }) => {
		const all = day.production.builds.filter((build) => build.preparation.id === preparationId);
		const build = all.findLast(({ made }) => made !== null) ?? all[0] ?? null;
		const recipe = build
			? recipeOfPreparation(day, build)
			: preparationId && day.book.preparations.get(preparationId);
		const input = recipe ? storyOf(build, recipe.steps, day, starts) : null;
		const found =
			input &&
			forecastOfStanding({
				...input,
				air,
				airSpreadKelvins: airSpreadOf(input.step, places),
				nowMs
			});
		return found
			? {
					celsius: found.celsius,
					source: { kind: 'forecast', spreadKelvins: found.spreadKelvins }
				}
			: { celsius: roomCelsius, source: { kind: 'assumed' } };
	};
}

/** What is known of one that stands; null for one that does not wait or has no temperature to begin with. */
function storyOf(
	build: Build | null,
	steps: readonly Step[],
	day: BakeryDay,
	starts: ReadonlyMap<string, number>
): Omit<StandingInput, 'air' | 'airSpreadKelvins' | 'nowMs'> | null {
	const wait = steps.find((step): step is WaitStep => step.kind === 'wait');
	const target = stirredTarget(steps);
	const batch =
		build &&
		batchAt(day, {
			kind: 'preparation',
			preparationId: build.preparation.id,
			ordinal: build.ordinal
		});
	const { mixed, events } = followedLog(batch ? (day.log.get(batch.id) ?? []) : []);
	const celsius = mixed?.celsius ?? target;
	if (!wait || celsius === null) return null;
	return {
		step: wait,
		mixedAtMs: mixed?.atMs ?? (batch && starts.get(batch.id)) ?? null,
		mixedCelsius: celsius,
		mixedSpreadKelvins: mixed ? MEASURED_KELVINS : STIRRED_KELVINS,
		events
	};
}

/** How well the air of the place is known in which it stands last. */
function airSpreadOf(step: WaitStep, places: readonly WaterInputView[]): number {
	const leg = step.legs.at(-1);
	const place = places.find(({ quantity, placeId }) =>
		leg?.named ? placeId === leg.named.id : quantity === 'room'
	);
	if (place?.reading) return READ_AIR_KELVINS;
	const isKept = place ? place.unread.source.kind === 'set' : leg?.place !== 'room';
	return isKept ? SET_AIR_KELVINS : ASSUMED_AIR_KELVINS;
}

/** The air of the named places that were read: the bakehouse as it was, the others as they were read last. */
export function namedAir(
	places: readonly WaterInputView[],
	room: readonly PlaceStretch[],
	nowMs: number
): NonNullable<AirOfPlaces['named']> {
	return new Map(
		places.flatMap(({ quantity, placeId, reading }): [PlaceId, readonly PlaceStretch[]][] => {
			if (placeId === null) return [];
			if (quantity === 'room') return room.length > 0 ? [[placeId, room]] : [];
			if (quantity !== 'place' || !reading) return [];
			return [[placeId, [{ fromMs: nowMs - LONGEST_MS, celsius: reading.celsius }]]];
		})
	);
}
