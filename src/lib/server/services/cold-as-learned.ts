import {
	learnedPullDown,
	type ColdNight,
	type LearnedPullDown
} from '../../core/learning/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from '../db/client.ts';
import type { RetarderSettings } from '../db/of-entries.ts';
import {
	loadPlaceReadings,
	loadSentByHand,
	loadStaysBefore,
	type PlaceStretchAsked,
	type StayTapped
} from '../db/stays.ts';

/** A cold room as its nights corrected it. */
export interface RetarderAsLearned extends RetarderSettings {
	/** What its entry says of its power, and what is believed of it; null where its nights told too little. */
	readonly learned: (LearnedPullDown & { readonly entryWatts: number }) | null;
}

const HOUR_MS = 3_600_000;
/** The air is followed for so long after the first load, and told by what was read an hour before it (our defaults). */
const FOLLOWED_MS = 6 * HOUR_MS;
const BEFORE_MS = HOUR_MS;
/** One night is no knowledge. */
const LEAST_USED = 2;

/** The cold rooms as the nights before a date taught them: by what was tapped into them and what their probes read. Three queries. */
export async function retardersAsLearned(
	db: Db | Tx,
	retarders: readonly RetarderSettings[],
	date: BakeDate,
	roomCelsius: number
): Promise<readonly RetarderAsLearned[]> {
	const stays = await loadStaysBefore(
		db,
		retarders.map(({ id }) => id),
		date
	);
	const nights = nightsOf(stays);
	const [readings, byHand] = await Promise.all([
		loadPlaceReadings(db, nights),
		loadSentByHand(db, nights)
	]);
	return retarders.map((retarder) => {
		const own = nights.flatMap((night, index) => {
			// What nobody planned weighs nobody knows how much.
			if (night.placeId !== retarder.id || byHand[index] === true) return [];
			return [{ id: night.id, loads: night.loads, readings: readings[index] ?? [], roomCelsius }];
		});
		const learned = learnedPullDown(retarder, own);
		if (learned.used < LEAST_USED) return { ...retarder, learned: null };
		const entryWatts = retarder.compressorWatts;
		return {
			...retarder,
			compressorWatts: entryWatts * learned.share,
			learned: { ...learned, entryWatts }
		};
	});
}

interface Night extends PlaceStretchAsked {
	readonly id: string;
	readonly loads: ColdNight['loads'];
}

/**
 * The nights that tell something: from an hour before the first load until something is taken out. Where what was to go in by then was not tapped,
 * nobody knows what was in there, and the night is left out.
 */
function nightsOf(stays: readonly StayTapped[]): readonly Night[] {
	const keys = [...new Set(stays.map(({ date, placeId }) => `${date} ${placeId}`))];
	return keys.flatMap((id): readonly Night[] => {
		const own = stays.filter(({ date, placeId }) => `${date} ${placeId}` === id);
		const tapped = own.flatMap((stay) =>
			stay.inMs === null ? [] : [{ ...stay, inMs: stay.inMs }]
		);
		const [first] = tapped.sort((a, b) => a.inMs - b.inMs);
		if (!first) return [];
		const toMs = Math.min(
			first.inMs + FOLLOWED_MS,
			...own.flatMap(({ outMs }) => (outMs !== null && outMs > first.inMs ? [outMs] : []))
		);
		if (own.some(({ inMs, plannedInMs }) => inMs === null && plannedInMs < toMs)) return [];
		return [
			{
				id,
				placeId: first.placeId,
				fromMs: first.inMs - BEFORE_MS,
				toMs,
				loads: tapped
					.filter(({ inMs }) => inMs < toMs)
					.map(({ inMs, kilograms, celsius, timeConstantMinutes }) => ({
						inAtMs: inMs,
						kilograms,
						celsius,
						timeConstantMinutes
					}))
			}
		];
	});
}
