import { assertNever, fail, ok, type Result } from '../result.ts';
import {
	cardinalCurve,
	followStretch,
	LEAST_TIME_CONSTANT_MINUTES,
	LIFT,
	minutesForDose,
	mixedLift,
	SELF_HEATING_KELVINS_PER_HOUR,
	temperatureIn,
	type PathStretch,
	type RateCurve
} from '../fermentation/index.ts';
import type { Leg, RipenessClock, WaitStep } from '../formula/index.ts';

/** A wait worked out from the temperature the dough enters it with. */
export interface WaitCourse {
	readonly minutes: number;
	readonly stretches: readonly PathStretch[];
	readonly endCelsius: number;
	/** Minutes after the start at which the dough is under ripe, ripe and over; null without a clock. */
	readonly marks: {
		readonly early: number;
		readonly ripe: number;
		readonly late: number | null;
	} | null;
}

export type WaitFailure =
	| { readonly kind: 'no-legs' }
	| { readonly kind: 'open-leg-without-clock' }
	| { readonly kind: 'open-leg-not-last' }
	| {
			readonly kind: 'never-ripe';
			readonly ambientCelsius: number;
			readonly dose: number;
			readonly ripe: number;
	  };

/** A wait longer than this is a mistake in the formula rather than a plan (our default: three days). */
export const LONGEST_WAIT_MINUTES = 4320;

/**
 * Works out how long a wait lasts and when what waits is early, ripe and late.
 *
 * Model: each leg is a stretch in a place; the open leg lasts until the dose reaches the ripe minutes,
 * rounded up to whole minutes. Marks beyond the last leg are told as if the dough stayed in it.
 * Range: at least one leg, only the last may be open, at most three days.
 * What waits in a tub warms itself. Source: rosso-1993, newton-cooling. Failures: as `WaitFailure`.
 * Example: sourdough entering at 25 and held there, ripe in 210 min at 25, waits 210 min.
 */
export function courseOf(step: WaitStep, startCelsius: number): Result<WaitCourse, WaitFailure> {
	if (step.legs.length === 0) return fail({ kind: 'no-legs' });
	const stretches: PathStretch[] = [];
	let celsius = startCelsius;
	let dose = 0;
	for (const [index, leg] of step.legs.entries()) {
		const last = index === step.legs.length - 1;
		if (leg.minutes === null && !last) return fail({ kind: 'open-leg-not-last' });
		if (leg.minutes === null && !step.clock) return fail({ kind: 'open-leg-without-clock' });
		const place = placeOf(step, leg);
		const minutes = leg.minutes ?? openMinutes(step.clock, celsius, place, dose);
		if (minutes === null)
			return fail({
				kind: 'never-ripe',
				ambientCelsius: leg.ambientCelsius,
				dose,
				ripe: step.clock?.ripeMinutes ?? 0
			});
		const stretch = { ...place, minutes };
		if (step.clock) {
			const { clock } = step;
			const end = followStretch(liftOf(clock), clock.referenceCelsius, celsius, stretch);
			dose += end.dose;
			celsius = end.celsius;
		} else celsius = temperatureIn(celsius, stretch, minutes);
		stretches.push(stretch);
	}
	return ok({
		minutes: stretches.reduce((total, stretch) => total + stretch.minutes, 0),
		stretches,
		endCelsius: celsius,
		marks: step.clock ? marksOf(step.clock, startCelsius, stretches) : null
	});
}

/**
 * Gives a leg as a place on the path of temperatures. A dough in bulk or a build in its tub is a mass that
 * warms itself; a shaped piece gives its heat away. What would follow its place faster than anything of dough
 * does is followed as fast as that.
 */
export function placeOf(
	{ activity, clock }: Pick<WaitStep, 'activity' | 'clock'>,
	{ ambientCelsius, timeConstantMinutes }: Pick<Leg, 'ambientCelsius' | 'timeConstantMinutes'>
): Omit<PathStretch, 'minutes'> {
	const place = {
		ambientCelsius,
		timeConstantMinutes: Math.max(LEAST_TIME_CONSTANT_MINUTES, timeConstantMinutes)
	};
	const inTub = activity === 'bulk' || activity === 'ferment';
	if (!clock || !inTub || timeConstantMinutes === Infinity) return place;
	return {
		...place,
		selfHeating: { kelvinsPerHour: SELF_HEATING_KELVINS_PER_HOUR, curve: liftOf(clock) }
	};
}

/** How warm it is at the end of a path, with its own heat. */
export function temperatureAlong(startCelsius: number, stretches: readonly PathStretch[]): number {
	return stretches.reduce(
		(celsius, stretch) => temperatureIn(celsius, stretch, stretch.minutes),
		startCelsius
	);
}

/**
 * The curve by which a clock's dough lifts.
 * Range: a clock that was checked where it came in. Source: domain (fermentation clock). Failures: cardinal temperatures
 * that make no curve, or a reference outside it, are a bug of the caller and throw.
 */
export function liftOf({
	leavening,
	referenceCelsius
}: Pick<RipenessClock, 'leavening' | 'referenceCelsius'>): RateCurve {
	if (typeof leavening === 'string') return LIFT[leavening];
	switch (leavening.kind) {
		case 'mixed':
			return mixedLift(leavening.yeastShare, referenceCelsius);
		case 'own': {
			const curve = cardinalCurve(leavening);
			if (!curve.ok) throw new RangeError('cardinal temperatures that were not checked');
			return curve.value;
		}
		default:
			return assertNever(leavening);
	}
}

/** Whether bacteria sour what lifts so. */
export function soursWith({ leavening }: Pick<RipenessClock, 'leavening'>): boolean {
	return leavening === 'sourdough' || (typeof leavening === 'object' && leavening.kind === 'mixed');
}

function openMinutes(
	clock: RipenessClock | null,
	celsius: number,
	place: Omit<PathStretch, 'minutes'>,
	dose: number
): number | null {
	if (!clock) return null;
	const found = minutesForDose(
		liftOf(clock),
		clock.referenceCelsius,
		celsius,
		place,
		clock.ripeMinutes - dose,
		LONGEST_WAIT_MINUTES
	);
	return found === null ? null : Math.ceil(found - 0.05);
}

function marksOf(
	clock: RipenessClock,
	startCelsius: number,
	stretches: readonly PathStretch[]
): WaitCourse['marks'] {
	const early = minuteOfDose(clock, startCelsius, stretches, clock.underMinutes);
	const ripe = minuteOfDose(clock, startCelsius, stretches, clock.ripeMinutes);
	if (early === null || ripe === null) return null;
	return { early, ripe, late: minuteOfDose(clock, startCelsius, stretches, clock.overMinutes) };
}

/** The minute at which a dose is reached on the path, the last stretch going on as long as it must. */
function minuteOfDose(
	clock: RipenessClock,
	startCelsius: number,
	stretches: readonly PathStretch[],
	wanted: number
): number | null {
	let celsius = startCelsius;
	let before = 0;
	let left = wanted;
	for (const [index, stretch] of stretches.entries()) {
		const last = index === stretches.length - 1;
		const longest = last ? LONGEST_WAIT_MINUTES : stretch.minutes;
		const found = minutesForDose(
			liftOf(clock),
			clock.referenceCelsius,
			celsius,
			stretch,
			left,
			longest
		);
		if (found !== null) return before + found;
		if (last) return null;
		const end = followStretch(liftOf(clock), clock.referenceCelsius, celsius, stretch);
		left -= end.dose;
		celsius = end.celsius;
		before += stretch.minutes;
	}
	return null;
}
