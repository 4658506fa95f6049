import type { EntriesView } from '../../../contracts/bakery-views.ts';
import type { BakeryEntry, EntryContents, EntryKind } from '../../../core/bakery/index.ts';
import { formatMass, formatTemperature, type UnitChoice } from '../../../core/units/index.ts';
import {
	cutOffText,
	ENTRY_KIND_TEXT,
	ROLE_TEXT,
	VESSEL_USE_TEXT,
	weekdaysText
} from '../../../wording/entry-text.ts';
import { PLACE_KIND_TEXT } from '../../../wording/step-text.ts';
import { shortDateText } from '../../../wording/time-text.ts';

interface Telling {
	readonly units: UnitChoice;
	readonly drops: EntriesView['drops'];
}

/** One line for an entry: what a baker would say of it in passing. */
const SUMMARIES: {
	readonly [K in EntryKind]: (content: EntryContents[K], telling: Telling) => string;
} = {
	person: ({ role, shifts }) =>
		`${ROLE_TEXT[role]}, ${shifts.length === 0 ? 'no shifts yet' : `works ${weekdaysText(shifts.map(({ weekday }) => weekday))}`}`,
	mixer: ({ drive, leastGrams, mostGrams, bowls }, { units }) =>
		`${drive === 'hands' ? 'hands' : 'machine'}, ${leastGrams > 0 ? `${mass(leastGrams, units)} to` : 'up to'} ${mass(mostGrams, units)}${bowls > 1 ? `, ${bowls} bowls` : ''}`,
	oven: ({ decks, recoveryMinutes }) =>
		`${decks.length === 1 ? 'one deck' : `${decks.length} decks`}, ${recoveryMinutes} min between loads`,
	place: ({ placeKind, celsius, humidityPercent }, { units }) =>
		`${PLACE_KIND_TEXT[placeKind]}, ${formatTemperature({ celsius }, 0, units)}${humidityPercent === null ? '' : `, ${humidityPercent} % humid`}`,
	drop: ({ dueTime, weekdays, cutOff }) =>
		`due ${dueTime}, ${weekdaysText(weekdays)}${cutOff ? `, orders until ${cutOffText(cutOff)}` : ''}`,
	supplier: ({ weekdays, daysAhead }) =>
		`comes ${weekdaysText(weekdays)}, told ${daysAhead === 0 ? 'on the day' : daysAhead === 1 ? 'the day before' : `${daysAhead} days before`}`,
	customer: ({ dropId }, { drops }) =>
		`with ${drops.find(({ id }) => id === dropId)?.name ?? 'a drop that is retired'}`,
	'closed-days': ({ fromDate, toDate, yearly }) =>
		`${shortDateText(fromDate)}${toDate === fromDate ? '' : ` to ${shortDateText(toDate)}`}${yearly ? ', every year' : ''}`,
	scale: ({ capacityGrams, divisionGrams }, { units }) =>
		`to ${mass(capacityGrams, units)} in steps of ${divisionGrams} g`,
	divider: ({ heads, leastPieceGrams, mostPieceGrams }) =>
		`${heads} heads, ${leastPieceGrams} to ${mostPieceGrams} g`,
	sheeter: ({ widthCm, thinnestMillimetres, thickestMillimetres }) =>
		`${widthCm} cm wide, ${thinnestMillimetres} to ${thickestMillimetres} mm`,
	vessel: ({ use, owned, millilitres }) =>
		`${VESSEL_USE_TEXT[use]}, ${owned} of them${millilitres === null ? '' : `, ${millilitres} ml`}`,
	bench: ({ lengthCm, widthCm, hands }) =>
		`${lengthCm} by ${widthCm} cm, ${hands === 1 ? 'one pair' : `${hands} pairs`} of hands`
};

export function entrySummary<K extends EntryKind>(
	{ kind, content }: BakeryEntry<K>,
	telling: Telling
): string {
	return SUMMARIES[kind](content, telling);
}

/** How things stand with the entries of a kind, in one sentence. */
export function entriesSentence(view: EntriesView): string {
	const { one, many } = ENTRY_KIND_TEXT[view.kind];
	const inUse = view.entries.filter(({ entry, isToCome }) => !entry.retired && !isToCome);
	if (inUse.length === 0) return EMPTY[view.kind];
	return inUse.length === 1 ? `One ${one} is in use.` : `${many}: ${inUse.length} in use.`;
}

/** What a page that is empty will show, and what it makes possible. */
const EMPTY: Readonly<Record<EntryKind, string>> = {
	person: 'Nobody is entered yet: who works when is asked of the plan.',
	mixer: 'There is no mixer yet: mixes are sized to what they take.',
	oven: 'There is no oven yet: loads are sized to its decks.',
	place: 'There is no place yet.',
	drop: 'There is no drop yet: orders are for a drop, and the plan ends at it.',
	supplier: 'There is no supplier yet: what to order is told without whom to ask.',
	customer: 'There is no customer yet: a drop can be for one or for many.',
	'closed-days': 'No closed day is entered: the bakery bakes every day on which a drop goes.',
	scale: 'There is no scale yet: weights are told to the gram.',
	divider: 'There is no divider yet: pieces are divided by hand.',
	sheeter: 'There is no sheeter yet.',
	vessel: 'No baskets, tins or trays are entered yet: they are not counted.',
	bench: 'There is no bench yet.'
};

function mass(grams: number, units: UnitChoice): string {
	if (units.mass === 'imperial') return formatMass({ grams }, 0, units);
	return grams < 1000 ? `${grams} g` : `${Number((grams / 1000).toFixed(2))} kg`;
}
