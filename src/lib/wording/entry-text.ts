import type {
	CutOff,
	DeckKind,
	EntryKind,
	EntryProblem,
	Role,
	Skill,
	VesselUse
} from '../core/bakery/index.ts';

/** What one entry of a kind is called, and several of them. */
export const ENTRY_KIND_TEXT: Readonly<
	Record<EntryKind, { readonly one: string; readonly a: string; readonly many: string }>
> = {
	person: { one: 'person', a: 'a person', many: 'People' },
	mixer: { one: 'mixer', a: 'a mixer', many: 'Mixers' },
	oven: { one: 'oven', a: 'an oven', many: 'Ovens' },
	place: { one: 'place', a: 'a place', many: 'Places' },
	drop: { one: 'drop', a: 'a drop', many: 'Drops' },
	customer: { one: 'customer', a: 'a customer', many: 'Customers' },
	supplier: { one: 'supplier', a: 'a supplier', many: 'Suppliers' },
	'closed-days': { one: 'closed day', a: 'a closed day', many: 'Closed days' },
	scale: { one: 'scale', a: 'a scale', many: 'Scales' },
	divider: { one: 'divider', a: 'a divider', many: 'Dividers' },
	sheeter: { one: 'sheeter', a: 'a sheeter', many: 'Sheeters' },
	vessel: { one: 'vessel', a: 'a vessel', many: 'Baskets, tins, trays' },
	bench: { one: 'bench', a: 'a bench', many: 'Benches' }
};

export const ROLE_TEXT: Readonly<Record<Role, string>> = {
	'head-baker': 'head baker',
	baker: 'baker',
	'oven-hand': 'oven hand',
	packer: 'packer'
};

export const SKILL_TEXT: Readonly<Record<Skill, string>> = {
	mixing: 'mixing',
	shaping: 'shaping',
	oven: 'the oven',
	packing: 'packing',
	lamination: 'lamination',
	driving: 'driving'
};

export const DECK_KIND_TEXT: Readonly<Record<DeckKind, string>> = {
	sole: 'deck',
	rack: 'rack of shelves',
	pots: 'lidded pots'
};

export const VESSEL_USE_TEXT: Readonly<Record<VesselUse, string>> = {
	basket: 'basket',
	tin: 'tin',
	board: 'board',
	tray: 'tray',
	tub: 'tub',
	pot: 'lidded pot',
	rack: 'rack'
};

/** Monday first. */
export const WEEKDAYS = [
	'Monday',
	'Tuesday',
	'Wednesday',
	'Thursday',
	'Friday',
	'Saturday',
	'Sunday'
] as const;

/** Days of the week as a baker says them: "every day", "Mon to Fri", "Mon, Thu". */
export function weekdaysText(weekdays: readonly number[]): string {
	const days = [...new Set(weekdays)].sort((a, b) => a - b);
	if (days.length === 7) return 'every day';
	if (days.length === 0) return 'on no day';
	const short = (day: number) => (WEEKDAYS[day - 1] ?? '').slice(0, 3);
	const [first = 1] = days;
	const last = days.at(-1) ?? first;
	return days.length > 2 && last - first === days.length - 1
		? `${short(first)} to ${short(last)}`
		: days.map(short).join(', ');
}

/** Until when orders of a drop are taken, as a baker says it. */
export function cutOffText({ daysBefore, time }: CutOff): string {
	if (daysBefore === 0) return `${time} on the day`;
	return daysBefore === 1 ? `${time} the day before` : `${time}, ${daysBefore} days before`;
}

/** What is wrong with an entry, and what to do. */
export function entryProblemText(problem: EntryProblem): string {
	switch (problem.kind) {
		case 'least-above-most':
			return 'its least is above its most; turn them round';
		case 'no-deck':
			return 'an oven bakes on something: give it a deck, a rack or pots';
		case 'same-name':
			return `two of its decks are called "${problem.name}"; give one another name`;
		case 'nameless':
			return 'one of its decks has no name';
		case 'too-many-hands':
			return `No more than ${problem.most} can stand around a bench of that size.`;
		case 'holds-nothing':
			return `a deck ${problem.cm} cm wide holds no loaf, ${problem.leastCm} cm is the least; measure it once more`;
		case 'division-beyond-capacity':
			return 'its steps are larger than what it carries';
		case 'oven-is-no-room':
			return 'an oven that dough proves in is a prover; choose that kind, or no oven';
		case 'oven-without-room':
			return 'say how many trays go into the oven at once';
		case 'too-hot-to-prove':
			return `yeast suffers above ${problem.most} °C; set the oven lower, or choose none`;
		case 'no-weekday':
			return 'it goes on no day of the week; choose one';
		case 'cut-off-after-due':
			return 'orders would be taken after it has left; let them end earlier';
		case 'ends-before-it-begins':
			return 'it ends before it begins; turn the dates round';
		case 'shifts-overlap':
			return `two shifts of ${WEEKDAYS[problem.weekday - 1]} lie over one another`;
		case 'break-outside-shift':
			return `a break of ${WEEKDAYS[problem.weekday - 1]} lies outside its shift`;
	}
}
