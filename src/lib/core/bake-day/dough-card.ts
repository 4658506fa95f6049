import { doseOfStretch, LIFT, temperatureOnPath, type PathStretch } from '../fermentation/index.ts';
import type { Leg, RipenessClock, WaitStep } from '../formula/index.ts';
import { ok, type Result } from '../result.ts';
import { courseOf, type WaitCourse, type WaitFailure } from './wait-course.ts';

/** A change to what is still to come of a fermenting wait. */
export type WhatIf =
	| { readonly kind: 'as-it-is' }
	/** It goes to the cold now and stays there. */
	| { readonly kind: 'cold-now'; readonly cold: Leg }
	/** The places still to come are warmer (or colder) by this. */
	| { readonly kind: 'room-changes'; readonly kelvins: number }
	/** Baker's yeast times this factor, as if it had gone in like that; time goes inversely. */
	| { readonly kind: 'yeast-times'; readonly factor: number };

/** A dough at a moment of its wait. Minutes are after the start of the wait. */
export interface DoughCard {
	readonly celsiusNow: number;
	/** Minutes at the reference temperature that it has worked, and works in all to be ripe. */
	readonly doseSoFar: number;
	readonly doseRipe: number;
	readonly marks: WaitCourse['marks'];
}

/**
 * Gives what a dough has done since its wait began and when it is early, ripe and late, as it is or after
 * a change from now on.
 *
 * Model: what is past stays as it was; the change takes the place of what is still to come. Lift by the
 * dough's clock over the path of its temperatures.
 * Range: a wait with a clock, a moment from 0 minutes on, a yeast factor above 0. Source: rosso-1993,
 * newton-cooling; yeast against time: domain (amount of leaven). Failures: those of a wait; `never-ripe`
 * where the change stops it.
 * Example: a sourdough held at 25 and ripe in 210 min has done 105 after 105 min and is ripe at 210.
 */
export function doughCard(
	step: WaitStep & { readonly clock: RipenessClock },
	startCelsius: number,
	nowMinutes: number,
	whatIf: WhatIf = { kind: 'as-it-is' }
): Result<DoughCard, WaitFailure> {
	const { past, rest } = split(step.legs, Math.max(0, nowMinutes));
	const clock = changedClock(step.clock, whatIf);
	const legs = [...past, ...changedLegs(rest, whatIf)];
	const course = courseOf({ ...step, clock, legs }, startCelsius);
	if (!course.ok) return course;
	const path: PathStretch[] = past.map((leg) => ({ ...leg, minutes: leg.minutes ?? 0 }));
	let celsius = startCelsius;
	let dose = 0;
	for (const stretch of path) {
		dose += doseOfStretch(LIFT[clock.leavening], clock.referenceCelsius, celsius, stretch);
		celsius = temperatureOnPath(celsius, [stretch], stretch.minutes);
	}
	return ok({
		celsiusNow: celsius,
		doseSoFar: dose,
		doseRipe: clock.ripeMinutes,
		marks: course.value.marks
	});
}

/** The legs up to a moment with fixed lengths, and what is left of them; the last place is never left. */
function split(
	legs: readonly Leg[],
	minutes: number
): { readonly past: readonly Leg[]; readonly rest: readonly Leg[] } {
	const past: Leg[] = [];
	const rest: Leg[] = [];
	let left = minutes;
	for (const [index, leg] of legs.entries()) {
		const last = index === legs.length - 1;
		const here = last ? left : Math.min(left, leg.minutes ?? left);
		if (here > 0) past.push({ ...leg, minutes: here });
		left -= here;
		const remaining = last ? null : (leg.minutes ?? 0) - here;
		if (remaining === null || remaining > 0) rest.push({ ...leg, minutes: remaining });
	}
	return { past, rest };
}

function changedLegs(rest: readonly Leg[], whatIf: WhatIf): readonly Leg[] {
	switch (whatIf.kind) {
		case 'as-it-is':
		case 'yeast-times':
			return rest;
		case 'cold-now':
			return [{ ...whatIf.cold, minutes: null }];
		case 'room-changes':
			return rest.map((leg) =>
				leg.place === 'room' ? { ...leg, ambientCelsius: leg.ambientCelsius + whatIf.kelvins } : leg
			);
	}
}

function changedClock(clock: RipenessClock, whatIf: WhatIf): RipenessClock {
	if (whatIf.kind !== 'yeast-times') return clock;
	return {
		...clock,
		underMinutes: clock.underMinutes / whatIf.factor,
		ripeMinutes: clock.ripeMinutes / whatIf.factor,
		overMinutes: clock.overMinutes / whatIf.factor
	};
}
