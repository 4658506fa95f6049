import { drifted, type PathStretch } from '../fermentation/index.ts';
import type { WaitStep } from '../formula/index.ts';
import { doughCard } from './dough-card.ts';
import {
	airOfLeg,
	doughStory,
	legsInAir,
	type AirOfPlaces,
	type DoughEvent
} from './dough-story.ts';
import { fitted } from './fitted.ts';
import { courseOf, placeOf, temperatureAlong } from './wait-course.ts';

/** A pre-ferment or soaker that stands unmeasured, and what is known of it. */
export interface StandingInput {
	/** The wait it stands through. */
	readonly step: WaitStep;
	/** When it was mixed, or is to be; null where nobody says: it is taken to be ready now. */
	readonly mixedAtMs: number | null;
	readonly mixedCelsius: number;
	/** How well that is known, as a standard deviation in kelvins. */
	readonly mixedSpreadKelvins: number;
	/** What happened to it since, in order of time. */
	readonly events: readonly DoughEvent[];
	readonly air: AirOfPlaces;
	/** How well the air is known, as a standard deviation in kelvins. */
	readonly airSpreadKelvins: number;
	readonly nowMs: number;
}

export interface StandingForecast {
	readonly celsius: number;
	/** As a standard deviation. */
	readonly spreadKelvins: number;
	/** When it is ready to be taken; the forecast is for then, or for now where that is past. */
	readonly readyMs: number;
}

/** How fast a tub takes the temperature of its place is known to this share of itself (our default). */
const SHARE_OF_TUB = 0.25;
/** What a ferment warms itself by is known to this share (our default). */
const SHARE_OF_OWN_HEAT = 0.5;
/** What was checked on the way is known as a thermometer knows it. */
const CHECKED_KELVINS = 0.3;
/** What a skin says of the mass under it (our default). */
const SKIN_KELVINS = 1;
/** Nothing that nobody measured is known better (our default). */
const LEAST_SPREAD_KELVINS = 0.5;

/**
 * Gives how warm something is that stands and was not measured, by its own story: mixed then and so warm, in places
 * whose air was, or is taken to stay, so.
 *
 * Model: as `doughStory` up to now and `doughCard` to when it is ready; without a clock Newton's law along its legs. The
 * spread is that of its beginning, of the air, of its tub and of its own heat, each by what it still moves, independent.
 * Range: any wait. Source: newton-cooling, rosso-1993; the spreads are our defaults. Tolerance: as `doughStory`.
 * Failures: null for a wait that never ends, or whose places no model fits.
 * Example: a poolish mixed at 22 that stood nine hours in a room of 31 is near 29, not 20.
 */
export function forecastOfStanding(input: StandingInput): StandingForecast | null {
	return fitted(() => followed(input));
}

function followed(input: StandingInput): StandingForecast | null {
	const path = pathOf(input);
	if (!path) return null;
	const check = input.events.findLast(
		(event) => event.kind === 'checked' && event.atMs <= input.nowMs
	);
	const since = path.stretches.filter(({ fromMs }) => fromMs >= (check?.atMs ?? -Infinity));
	const known =
		check?.kind === 'checked'
			? {
					celsius: since[0]?.startCelsius ?? check.celsius,
					kelvins: check.onSurface ? SKIN_KELVINS : CHECKED_KELVINS
				}
			: { celsius: input.mixedCelsius, kelvins: input.mixedSpreadKelvins };
	const stretches = since.map(({ stretch }) => stretch);
	const celsius = temperatureAlong(known.celsius, stretches);
	return {
		celsius,
		spreadKelvins: spreadAlong(known, stretches, celsius, input.airSpreadKelvins),
		readyMs: path.readyMs
	};
}

interface Path {
	readonly stretches: readonly {
		readonly fromMs: number;
		/** null where only the wall's clock is followed. */
		readonly startCelsius: number | null;
		readonly stretch: PathStretch;
	}[];
	readonly readyMs: number;
}

/** Where it was and will be until it is taken. */
function pathOf(input: StandingInput): Path | null {
	const { step, nowMs, air, mixedCelsius } = input;
	const around = {
		...step,
		legs: step.legs.map((leg) => ({
			...leg,
			ambientCelsius: airOfLeg(air, leg).at(-1)?.celsius ?? leg.ambientCelsius
		}))
	};
	const course = courseOf(around, mixedCelsius);
	if (!course.ok) return null;
	const startMs = input.mixedAtMs ?? nowMs - course.value.minutes * 60_000;
	const { clock } = step;
	if (!clock) return timedPath(step, startMs, nowMs, air);
	const story = doughStory({
		step: { ...step, clock },
		clockFactor: 1,
		startMs,
		startCelsius: mixedCelsius,
		events: input.events,
		air,
		nowMs
	});
	const past = story.past.map(({ fromMs, startCelsius, stretch }) => ({
		fromMs,
		startCelsius,
		stretch
	}));
	const card = doughCard(story);
	const readyMs = card.marks.ripe;
	if (readyMs === null) return null;
	const ahead = card.expected.flatMap(({ fromMs, toMs, startCelsius, stretch }) =>
		fromMs >= readyMs
			? []
			: [
					{
						fromMs,
						startCelsius,
						stretch: { ...stretch, minutes: (Math.min(toMs, readyMs) - fromMs) / 60_000 }
					}
				]
	);
	return { stretches: [...past, ...ahead], readyMs };
}

/** The path of what waits by the clock on the wall alone; in the last of its places it stays until it is taken. */
function timedPath(step: WaitStep, startMs: number, nowMs: number, air: AirOfPlaces): Path {
	const stretches: Path['stretches'][number][] = [];
	const ready = startMs + 60_000 * step.legs.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0);
	let fromMs = startMs;
	for (const [at, leg] of step.legs.entries()) {
		const last = at === step.legs.length - 1;
		const end = fromMs + 60_000 * (leg.minutes ?? 0);
		for (const piece of legsInAir(
			leg,
			airOfLeg(air, leg),
			fromMs,
			last ? Math.max(end, nowMs) : end
		)) {
			const minutes = piece.minutes ?? 0;
			stretches.push({ fromMs, startCelsius: null, stretch: { ...placeOf(step, piece), minutes } });
			fromMs += minutes * 60_000;
		}
	}
	return { stretches, readyMs: ready };
}

/** What each thing that is not known for sure moves the end by, together. */
function spreadAlong(
	known: { readonly celsius: number; readonly kelvins: number },
	stretches: readonly PathStretch[],
	celsius: number,
	airSpreadKelvins: number
): number {
	const end = (start: number, air: number, tub: number) =>
		stretches.reduce(
			(now, { ambientCelsius, timeConstantMinutes, minutes }) =>
				drifted(now, ambientCelsius + air, timeConstantMinutes * tub, minutes),
			known.celsius + start
		);
	const plain = end(0, 0, 1);
	return Math.max(
		LEAST_SPREAD_KELVINS,
		Math.hypot(
			end(known.kelvins, 0, 1) - plain,
			end(0, airSpreadKelvins, 1) - plain,
			end(0, 0, 1 + SHARE_OF_TUB) - plain,
			SHARE_OF_OWN_HEAT * (celsius - plain)
		)
	);
}
