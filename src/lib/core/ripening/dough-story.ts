import { spendWork } from '../work.ts';
import { MOST_FOLLOWED_MS } from './attention.ts';
import { ACID, followStretch, minutesForDose, type PathStretch } from '../fermentation/index.ts';
import type { Leg, RipenessClock, WaitPlace, WaitStep } from '../formula/index.ts';
import type { PlaceId } from '../identity.ts';
import { massByCheck, type CheckReading } from './mass-by-check.ts';
import type { PlaceStretch } from './room-trace.ts';
import { liftOf, placeOf } from './wait-course.ts';

/** A fermenting wait: one that has a clock. */
export type RipeningStep = WaitStep & { readonly clock: RipenessClock };

/** What happened to a dough since its wait began. */
export type DoughEvent =
	| { readonly kind: 'moved'; readonly atMs: number; readonly leg: Leg }
	| ({ readonly kind: 'checked'; readonly atMs: number } & CheckReading);

export interface DoughStoryInput {
	readonly step: RipeningStep;
	/** So many times the book's minutes it really takes; 1 while nothing was learned. */
	readonly clockFactor: number;
	readonly startMs: number;
	readonly startCelsius: number;
	/** In order of time. */
	readonly events: readonly DoughEvent[];
	/** The air of places as it was read or is forecast, in order of time; a place without is as its leg says. */
	readonly air: AirOfPlaces;
	readonly nowMs: number;
}

/** The air of places over time. What lies after the last stretch is as that. */
export type AirOfPlaces = Readonly<Partial<Record<WaitPlace, readonly PlaceStretch[]>>> & {
	/** That of the named ones which somebody reads. */
	readonly named?: ReadonlyMap<PlaceId, readonly PlaceStretch[]>;
};

/** The air of the place that a leg stands in, as it was read; none where it is as the leg says. */
export function airOfLeg(
	air: AirOfPlaces,
	{ named, place }: Pick<Leg, 'named' | 'place'>
): readonly PlaceStretch[] {
	return (named ? air.named?.get(named.id) : air[place]) ?? [];
}

/** A piece of a dough's path, as it was or as it is expected. */
export interface StoryStretch {
	readonly fromMs: number;
	readonly toMs: number;
	readonly place: WaitPlace;
	readonly startCelsius: number;
	readonly stretch: PathStretch;
}

export type MarkName = 'early' | 'ripe' | 'late';

/** What a dough went through up to a moment. */
export interface DoughStory {
	readonly step: RipeningStep;
	readonly clock: RipenessClock;
	readonly nowMs: number;
	readonly celsius: number;
	/** Minutes at the reference temperature that it has worked. */
	readonly dose: number;
	/** The same of its souring, by the curve of the bacteria. */
	readonly acidDose: number;
	readonly past: readonly StoryStretch[];
	/** When each mark was passed; null for those that lie ahead. */
	readonly passed: Readonly<Record<MarkName, number | null>>;
	/** The places still to come, the first of them where it is; only the last is left open. */
	readonly ahead: readonly Leg[];
}

/**
 * Follows a dough from the mixer to a moment: through the places of its chain or those it was moved to, in
 * the room as it was read, with its temperature set right wherever it was measured, by its core or by its skin.
 *
 * Model: lift and acid by their curves over the path; Newton's law towards each place, with the mass's own
 * heat. Range: a wait with a clock; a moment before the start counts as the start, one long after the last that
 * was heard of it as the end of what is followed. Source: rosso-1993,
 * newton-cooling. Tolerance: 0.01 min a stretch beside that of the room's trace. Failures: none.
 * Example: a sourdough held at 25 and ripe in 210 min has done 105 after 105 min.
 */
export function doughStory(input: DoughStoryInput): DoughStory {
	const { step, startMs, startCelsius, air } = input;
	const nowMs = Math.min(Math.max(input.nowMs, startMs), followedUntil(input));
	const clock = scaledClock(step.clock, input.clockFactor);
	const curve = liftOf(clock);
	const itinerary = itineraryOf(input);
	const past: StoryStretch[] = [];
	const passed: Record<MarkName, number | null> = { early: null, ripe: null, late: null };
	const checks = input.events.filter((event) => event.kind === 'checked' && event.atMs >= startMs);
	let [celsius, dose, acidDose, atMs] = [startCelsius, 0, 0, startMs];
	let [legAt, checkAt] = [0, 0];
	const readers = new Map<WaitPlace | PlaceId, AirReader>();
	while (atMs < nowMs) {
		while ((itinerary[legAt + 1]?.fromMs ?? Infinity) <= atMs) legAt += 1;
		const leg = itinerary[legAt]?.leg;
		if (!leg) break;
		const where = leg.named?.id ?? leg.place;
		const reader = readers.get(where) ?? new AirReader(airOfLeg(air, leg));
		readers.set(where, reader);
		const around = reader.at(atMs);
		const untilMs = Math.min(
			nowMs,
			itinerary[legAt + 1]?.fromMs ?? Infinity,
			around.untilMs,
			checks[checkAt]?.atMs ?? Infinity
		);
		if (untilMs > atMs) {
			spendWork(20);
			const ambientCelsius = around.celsius ?? leg.ambientCelsius;
			const place = placeOf(step, { ...leg, ambientCelsius });
			const stretch = { ...place, minutes: (untilMs - atMs) / 60_000 };
			const end = followStretch(curve, clock.referenceCelsius, celsius, stretch, ACID);
			for (const [mark, wanted] of marksIn(clock))
				if (passed[mark] === null && dose + end.dose >= wanted)
					passed[mark] =
						atMs +
						60_000 *
							(minutesForDose(
								curve,
								clock.referenceCelsius,
								celsius,
								place,
								wanted - dose,
								stretch.minutes
							) ?? stretch.minutes);
			acidDose += end.also;
			past.push({ fromMs: atMs, toMs: untilMs, place: leg.place, startCelsius: celsius, stretch });
			dose += end.dose;
			celsius = end.celsius;
			atMs = untilMs;
		}
		const check = checks[checkAt];
		if (check?.kind === 'checked' && check.atMs <= atMs) {
			celsius = massByCheck(celsius, around.celsius ?? leg.ambientCelsius, check);
			checkAt += 1;
		}
	}
	return {
		step,
		clock,
		nowMs,
		celsius,
		dose,
		acidDose,
		past,
		passed,
		ahead: aheadOf(itinerary, nowMs, air)
	};
}

/** What was not heard of for long is followed no further: only its story up to then is told. */
function followedUntil({ startMs, events, nowMs }: DoughStoryInput): number {
	const heard = events.flatMap((event) => (event.atMs <= nowMs ? [event.atMs] : []));
	return Math.max(startMs, ...heard) + MOST_FOLLOWED_MS;
}

/** The marks of a clock in the order in which they are passed. */
export function marksIn(clock: RipenessClock): readonly (readonly [MarkName, number])[] {
	return [
		['early', clock.underMinutes],
		['ripe', clock.ripeMinutes],
		['late', clock.overMinutes]
	];
}

/** A clock that runs so many times as long. */
export function scaledClock(clock: RipenessClock, factor: number): RipenessClock {
	return {
		...clock,
		underMinutes: clock.underMinutes * factor,
		ripeMinutes: clock.ripeMinutes * factor,
		overMinutes: clock.overMinutes * factor
	};
}

interface Stop {
	readonly fromMs: number;
	readonly leg: Leg;
}

/** Where the dough is when: the legs of its chain, until it is moved elsewhere and stays there. */
function itineraryOf({ step, startMs, events }: DoughStoryInput): readonly Stop[] {
	const stops: Stop[] = [];
	let fromMs = startMs;
	for (const leg of step.legs) {
		stops.push({ fromMs, leg });
		fromMs += (leg.minutes ?? Infinity) * 60_000;
	}
	for (const event of events) {
		if (event.kind !== 'moved') continue;
		const atMs = Math.max(startMs, event.atMs);
		while ((stops.at(-1)?.fromMs ?? -Infinity) >= atMs) stops.pop();
		stops.push({ fromMs: atMs, leg: { ...event.leg, minutes: null } });
	}
	return stops;
}

/** Walks along the air of a place as time goes on. */
class AirReader {
	#index = -1;
	constructor(private readonly stretches: readonly PlaceStretch[]) {}

	/** The air at a moment and until when it lasts; before the first stretch it is as that. */
	at(ms: number): { readonly celsius: number | null; readonly untilMs: number } {
		while ((this.stretches[this.#index + 1]?.fromMs ?? Infinity) <= ms) this.#index += 1;
		return {
			celsius: this.stretches[Math.max(0, this.#index)]?.celsius ?? null,
			untilMs: this.stretches[this.#index + 1]?.fromMs ?? Infinity
		};
	}
}

/** What is still to come; air that is not told further stays as it is told last. */
function aheadOf(itinerary: readonly Stop[], nowMs: number, air: AirOfPlaces): readonly Leg[] {
	return itinerary.flatMap(({ fromMs, leg }, index) => {
		const nextMs = itinerary[index + 1]?.fromMs ?? Infinity;
		return nextMs <= nowMs
			? []
			: legsInAir(leg, airOfLeg(air, leg), Math.max(nowMs, fromMs), nextMs);
	});
}

/** A stay in a place as legs of one temperature each, from a moment until another (or for ever). */
export function legsInAir(
	leg: Leg,
	air: readonly PlaceStretch[],
	fromMs: number,
	untilMs: number
): readonly Leg[] {
	const reader = new AirReader(air);
	const legs: Leg[] = [];
	for (let atMs = fromMs; atMs < untilMs;) {
		const around = reader.at(atMs);
		const endMs = Math.min(untilMs, around.untilMs);
		legs.push({
			...leg,
			ambientCelsius: around.celsius ?? leg.ambientCelsius,
			minutes: endMs === Infinity ? null : (endMs - atMs) / 60_000
		});
		atMs = endMs;
	}
	return legs;
}
