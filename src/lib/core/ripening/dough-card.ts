import { followStretch, minutesForDose } from '../fermentation/index.ts';
import type { Leg, RipenessClock } from '../formula/index.ts';
import {
	marksIn,
	scaledClock,
	type DoughStory,
	type MarkName,
	type StoryStretch
} from './dough-story.ts';
import { liftOf, LONGEST_WAIT_MINUTES, placeOf } from './wait-course.ts';

/** A change to what is still to come of a fermenting wait. */
export type WhatIf =
	| { readonly kind: 'as-it-is' }
	/** It goes elsewhere now: into the cold at one temperature, or as the air of a loaded cold room runs. */
	| { readonly kind: 'moved-now'; readonly legs: readonly Leg[] }
	/** The room still to come is warmer (or colder) by this. */
	| { readonly kind: 'room-changes'; readonly kelvins: number }
	/** Baker's yeast times this factor, as if it had gone in like that; time goes inversely. */
	| { readonly kind: 'yeast-times'; readonly factor: number };

/** A dough at a moment of its wait. */
export interface DoughCard {
	readonly celsiusNow: number;
	/** Minutes at the reference temperature: worked so far, and in all to be ripe. */
	readonly doseSoFar: number;
	readonly doseRipe: number;
	/** Souring over lifting, 1 where the bacteria kept step with the yeast at the reference temperature. */
	readonly acidOverLift: number;
	/** On the bakery's clock; null where a mark is not reached within three days. */
	readonly marks: Readonly<Record<MarkName, number | null>>;
	/** What is expected from now until it is late, or as far as the marks reach. */
	readonly expected: readonly StoryStretch[];
}

/**
 * Gives when a dough is early, ripe and late, as it is or after a change from now on.
 *
 * Model: what is past stays as it was; the change takes the place of what is still to come.
 * Range: a yeast factor above 0. Source: rosso-1993, newton-cooling; yeast against time: domain (amount of
 * leaven). Failures: none; a mark that is not reached within three days is null.
 * Example: a sourdough held at 25 and ripe in 210 min has done 105 after 105 min and is ripe at 210.
 */
export function doughCard(story: DoughStory, whatIf: WhatIf = { kind: 'as-it-is' }): DoughCard {
	const clock = changedClock(story.clock, whatIf);
	const curve = liftOf(clock);
	const marks: Record<MarkName, number | null> = { ...story.passed };
	const open = marksIn(clock).filter(([mark, wanted]) => {
		// Other yeast moves the marks that were passed, too; when is not told, only that they were.
		if (whatIf.kind !== 'yeast-times') return marks[mark] === null;
		marks[mark] = wanted <= story.dose ? (story.passed[mark] ?? story.nowMs) : null;
		return wanted > story.dose;
	});
	const expected: StoryStretch[] = [];
	let [celsius, dose, atMs] = [story.celsius, story.dose, story.nowMs];
	for (const leg of changedLegs(story.ahead, whatIf)) {
		const place = placeOf(story.step, leg);
		const left = LONGEST_WAIT_MINUTES - (atMs - story.nowMs) / 60_000;
		const here = Math.max(0, Math.min(leg.minutes ?? left, left));
		let longest = 0;
		for (const [mark, wanted] of open) {
			if (marks[mark] !== null) continue;
			const minutes = minutesForDose(
				curve,
				clock.referenceCelsius,
				celsius,
				place,
				wanted - dose,
				here
			);
			if (minutes === null) break;
			marks[mark] = atMs + minutes * 60_000;
			longest = minutes;
		}
		const done = open.every(([mark]) => marks[mark] !== null);
		const minutes = leg.minutes === null ? (done ? longest : here) : here;
		const stretch = { ...place, minutes };
		expected.push({
			fromMs: atMs,
			toMs: atMs + minutes * 60_000,
			place: leg.place,
			startCelsius: celsius,
			stretch
		});
		const end = followStretch(curve, clock.referenceCelsius, celsius, stretch);
		[celsius, dose, atMs] = [end.celsius, dose + end.dose, atMs + minutes * 60_000];
		if (done) break;
	}
	return {
		celsiusNow: story.celsius,
		doseSoFar: story.dose,
		doseRipe: clock.ripeMinutes,
		acidOverLift: story.dose > 0 ? story.acidDose / story.dose : 1,
		marks,
		expected
	};
}

function changedLegs(ahead: readonly Leg[], whatIf: WhatIf): readonly Leg[] {
	switch (whatIf.kind) {
		case 'as-it-is':
		case 'yeast-times':
			return ahead;
		case 'moved-now':
			return whatIf.legs;
		case 'room-changes':
			return ahead.map((leg) =>
				leg.place === 'room' ? { ...leg, ambientCelsius: leg.ambientCelsius + whatIf.kelvins } : leg
			);
	}
}

function changedClock(clock: RipenessClock, whatIf: WhatIf): RipenessClock {
	return whatIf.kind === 'yeast-times' ? scaledClock(clock, 1 / whatIf.factor) : clock;
}
