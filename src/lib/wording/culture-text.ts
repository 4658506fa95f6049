import type { CultureEntryView } from '../contracts/culture-views.ts';
import type { Announcement, Beginning, StartingStep } from '../core/culture/index.ts';
import {
	formatBulk,
	formatMass,
	formatMinutes,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';
import { sightingText } from './readiness-text.ts';
import { clockText, momentText } from './time-text.ts';

/** What times and masses are told by. */
export interface Telling {
	readonly nowMs: number;
	readonly zone: string;
	readonly units: UnitChoice;
}

/** A mass of a culture: grams below a kilogram, kilograms above. */
export function cultureMass(grams: number, units: UnitChoice): string {
	return grams >= 1000 ? formatBulk({ grams }, units) : formatMass({ grams }, 0, units);
}

/** What is told of a culture: a word for it, whether it presses, and the sentence. */
export interface ToldOfCulture {
	readonly label: string;
	readonly presses: boolean;
	readonly text: string;
}

/** What is missing of a culture, what for, and what would bring it. */
export function shortOfCulture(
	short: {
		readonly by: string;
		readonly missingGrams: number;
		readonly met: { readonly feeds: number; readonly atMs: number } | null;
	},
	{ nowMs, zone, units }: Telling
): string {
	const missing = `${cultureMass(short.missingGrams, units)} short for ${short.by}.`;
	return short.met
		? `${missing} Fed ${times(short.met.feeds)} from now on there is enough at ${momentText(short.met.atMs, nowMs, zone)}.`
		: `${missing} There is nothing to feed: bring some in, or start one.`;
}

/** Says what somebody has to know or to do, and what would mend it. */
export function announcementText(told: Announcement, tell: Telling): ToldOfCulture {
	const mass = (grams: number) => cultureMass(grams, tell.units);
	const at = (ms: number) => momentText(ms, tell.nowMs, tell.zone);
	switch (told.kind) {
		case 'not-weighed':
			return {
				label: 'Weigh it',
				presses: true,
				text: 'Nobody weighed it yet: what there is of it is not known.'
			};
		case 'short':
			return {
				label: 'Short',
				presses: true,
				text: `${shortOfCulture({ ...told, by: told.use.by }, tell)} It is taken at ${at(told.use.atMs)}.`
			};
		case 'keeps-too-little':
			return {
				label: 'Little left',
				presses: false,
				text: `After all of it ${mass(told.leftGrams)} are left of the ${mass(told.keepGrams)} that are kept.`
			};
		case 'refreshed-too-late':
			return {
				label: 'Late',
				presses: true,
				text: `It comes out of the cold, and its refreshes are over ${formatMinutes(told.lateMinutes)} after ${told.use.by} takes it at ${at(told.use.atMs)}. Begin now, and let ${told.use.by} wait.`
			};
		case 'feed-missed':
			return {
				label: 'Missed',
				presses: true,
				text: `Its feed of ${at(told.atMs)} was not written down. Feed it, or write down when it was.`
			};
		case 'keep-back':
			return {
				label: 'Keep back',
				presses: true,
				text: `${told.of.from} is ripe since ${at(told.of.atMs)}: keep ${mass(told.of.grams)} of it back before it is mixed.`
			};
		case 'to-rest':
			return {
				label: 'Put away',
				presses: true,
				text: `Ripe since ${at(told.ripeMs)}${
					told.lateMs === null
						? ''
						: told.lateMs > tell.nowMs
							? `, past its best after ${at(told.lateMs)}`
							: `, past its best since ${at(told.lateMs)}: feed it before it is taken`
				}.`
			};
		case 'young-when-taken':
			return {
				label: 'Too young',
				presses: true,
				text: `${told.use.by} takes it at ${at(told.use.atMs)}, and it is not ready before ${at(told.earlyMs)}. Stand it warmer, or let ${told.use.by} wait.`
			};
		case 'old-when-taken':
			return {
				label: 'Past its best',
				presses: true,
				text: `Past its best after ${at(told.lateMs)}, and ${told.use.by} takes it at ${at(told.use.atMs)}. Put it in the cold, or feed it before.`
			};
		case 'feed-now':
			return {
				label: 'Feed it',
				presses: true,
				text: `Its feed is due ${told.feed.atMs <= tell.nowMs ? 'now' : `at ${clockText(told.feed.atMs, tell.zone)}`}.`
			};
	}
}

/** How often, in words. */
function times(count: number): string {
	return count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`;
}

export const BEGINNING_TEXT: Readonly<
	Record<Beginning, { readonly name: string; readonly about: string }>
> = {
	'flour-and-water': {
		name: 'Flour and water',
		about: 'Whole flour and water, fed daily; one to two weeks.'
	},
	'fruit-water': {
		name: 'Fruit water',
		about: 'Raisins or other fruit in water for four to five days, then flour; one to two weeks.'
	},
	'ripe-culture': { name: 'Some of another', about: 'A spoon of a ripe culture; a day or two.' },
	'dried-culture': {
		name: 'Dried culture',
		about: 'Soaked in lukewarm water, then fed; two to three days.'
	}
};

/** What is done next of a new culture, and what to look for. */
export function startingStepText(
	step: StartingStep,
	beginning: Beginning,
	units: UnitChoice
): string {
	const mass = (grams: number) => cultureMass(grams, units);
	switch (step.what) {
		case 'mix':
			return beginning === 'fruit-water'
				? `Strain it: mix ${mass(step.waterGrams)} of its water with ${mass(step.flourGrams)} of flour.`
				: `Mix ${[
						step.seedGrams > 0 ? `${mass(step.seedGrams)} of what it begins with` : '',
						`${mass(step.flourGrams)} of flour`,
						`${mass(step.waterGrams)} of water`
					]
						.filter((part) => part !== '')
						.join(', ')}.`;
		case 'air':
			return 'Shake the jar and open it, so that it does not burst; small bubbles and a smell of fruit are what it is to come to.';
		case 'stir':
			return 'Stir it through. Bubbles now are of other bacteria and count for nothing.';
		case 'feed':
			return `Keep ${mass(step.seedGrams)} of it, add ${mass(step.flourGrams)} of flour and ${mass(step.waterGrams)} of water, throw the rest away.`;
	}
}

/** An entry of its log as one line. */
export function cultureEntryText(entry: CultureEntryView, units: UnitChoice): string {
	const mass = (grams: number) => cultureMass(grams, units);
	switch (entry.kind) {
		case 'begun':
			return `begun: ${BEGINNING_TEXT[entry.beginning ?? 'flour-and-water'].name.toLowerCase()}`;
		case 'fed':
			return `fed: ${mass(entry.seedGrams)} of it, ${mass(entry.flourGrams)} flour, ${mass(entry.waterGrams)} water`;
		case 'stirred':
			return 'stirred, or shaken and opened';
		case 'trusted':
			return 'trusted with bread';
		case 'counted':
			return `weighed: ${mass(entry.grams)}`;
		case 'kept-back':
			return `kept back ripe: ${mass(entry.grams)}`;
		case 'taken-out':
			return `taken out: ${mass(entry.grams)}`;
		case 'used':
			return `${mass(entry.grams)} into ${entry.by}`;
		case 'moved':
			return `put in the ${entry.place.toLowerCase()}`;
		case 'measured':
			return entry.celsius === null
				? 'measured'
				: `measured: ${formatTemperature({ celsius: entry.celsius }, 1, units)}`;
		case 'seen':
			return entry.sightings.map(sightingText).join(', ');
	}
}

/** What stands where a jar of live culture is handled. */
export const JAR_CAUTION =
	'Leave the lid loose: live culture can burst a closed jar. Pink, orange or furry anywhere: throw all of it away, boil or change the jar, and begin anew.';
