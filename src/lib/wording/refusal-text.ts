import { entryProblemText } from './entry-text.ts';
import { formulaFailureText } from './failure-text.ts';
import { rolesSpoken } from '../contracts/rights.ts';
import type { Refusal, RefusalOf, UnknownThing } from '../contracts/refusals.ts';

const UNKNOWN: Readonly<Record<UnknownThing, string>> = {
	entry: 'What was to be taken back is not there any more.',
	'bakery-entry': 'This is no longer what it was in the bakery.',
	work: 'This is in no plan that was accepted for this date.',
	deck: 'This deck is no longer in the bakery.',
	portion: 'This is in no plan that was accepted for this date.',
	person: 'This person is not at work here any more.',
	mix: 'This mix is no longer in the day, or adds no water.',
	drop: 'This drop is no longer in the book.',
	product: 'This product is no longer in the book.',
	build: 'This preparation is no longer in the book.',
	formula: 'This formula is no longer in the book.',
	culture: 'Nobody said yet how this culture is kept.',
	supplier: 'That supplier is no longer there. Choose another one.',
	ingredient: 'An ingredient of this formula is no longer in the book.',
	reading: 'The reading to correct is not there.',
	observation: 'This reading is not in the log.',
	dough: 'This dough is no longer in the day.',
	device: 'This device is not known here.',
	place: 'This place is no longer in the bakery.',
	retarder: 'This cold room is not known here.',
	mixer: 'This mixer is no longer in the bakery.',
	delivery: 'A delivery of this formula is no longer in the book.',
	draft: 'This draft is no longer there.',
	scale: 'This scale is no longer in the bakery.',
	divider: 'This divider is no longer in the bakery.',
	vessel: 'This vessel is no longer in the bakery.'
};

const NEEDED_AS: Readonly<Record<RefusalOf<'entry-needed'>['as'], (name: string) => string>> = {
	'head-baker': (name) => `${name} is the only head baker. Make somebody else head baker first.`,
	bakehouse: (name) => `${name} is the room all stand in: it stays a room, and stays.`,
	flour: (name) => `${name} is where flour is kept: it stays a room, and stays.`,
	somebody: (name) => `${name} still works here. Retire them on the page People first.`
};

/** The sentence for each refusal: what is wrong, and what to do. */
const TEXTS: { readonly [K in Refusal['kind']]: (refusal: RefusalOf<K>) => string } = {
	malformed: ({ problems }) =>
		`Not saved: ${problems.map(({ where, what }) => `${where}: ${what}`).join('; ')}.`,
	'id-used-before': () =>
		'Not saved: this change was sent before with another content. Reload the page and type it again.',
	'not-permitted': ({ roles }) =>
		`Not saved: this is for ${rolesSpoken(roles)} to do. Ask one of them, or hand over and let them do it here.`,
	unknown: ({ what }) => `Not saved. ${UNKNOWN[what]} Reload the page.`,
	'changed-meanwhile': ({ by, value }) => `${by} changed this to ${value} meanwhile.`,
	'numbers-changed-meanwhile': ({ lines }) => {
		const by = [...new Set(lines.map((line) => line.by))].join(' and ');
		return lines.length === 1
			? `Nothing was saved: ${by} changed one of these numbers meanwhile. Look at it and try again.`
			: `Nothing was saved: ${by} changed ${lines.length} of these numbers meanwhile. Look at them and try again.`;
	},
	'in-the-past': () =>
		'Nights that are over keep what was ordered for them. Let it begin today or later.',
	'newer-revision': ({ by, revision, name }) =>
		`Not saved: ${by === '' ? 'somebody else' : by} saved revision ${revision} of ${name} meanwhile. Your changes stay here; reload to see the newer revision beside them.`,
	'settings-changed-meanwhile': () =>
		'Not saved: somebody else changed these settings meanwhile. Reload the page to see them.',
	'not-mixed-yet': ({ name }) =>
		`${name} is not measured at the mixer yet: do that first, in the Water room.`,
	'before-the-mix': ({ name }) => `That lies before ${name} came out of the mixer.`,
	'dough-has-no-clock': ({ name }) =>
		`${name} has no wait with a clock. Give it one in its formula.`,
	'not-fed-yet': ({ name }) =>
		`${name} was never fed here: write down a feed, or what was kept back, first.`,
	'more-than-a-mixer': ({ name, mostGrams }) =>
		`Not saved: that is more ${name} than a mixer takes (${Math.round(mostGrams / 1000)} kg). Reload the page.`,
	'entry-impossible': ({ name, problems }) =>
		`Not saved, ${name} cannot be so: ${problems.map(entryProblemText).join('; ')}.`,
	'entry-needed': ({ name, as }) => `Not saved: ${NEEDED_AS[as](name)}`,
	'bakery-is-there': () =>
		'Not saved: somebody began the bakery meanwhile. Open it from the start page.',
	'name-taken': ({ name }) => `"${name}" is taken already. Choose another name.`,
	'name-alike': ({ name, other }) =>
		`Not saved yet: "${name}" reads like "${other}", which is there already. Is it another one? Then save once more; otherwise choose another name.`,
	'formula-impossible': ({ formula, reason }) =>
		`Not saved, ${formula} cannot be made like this: ${formulaFailureText(reason)}.`,
	'orders-there-already': () =>
		'Numbers were typed for this date already, and are not copied over. Clear them first.',
	'nothing-to-copy': () => 'The other date has no orders to copy.',
	'plan-out-of-date': () =>
		'Orders or times changed after this plan was made. It is being made again; look at it and accept then.',
	'plan-impossible': ({ violations }) =>
		`Not accepted: the plan breaks ${violations.length} of its own rules. It is being made again.`,
	'clock-off': ({ occurredAtMs, bakeryNowMs }) =>
		occurredAtMs > bakeryNowMs
			? 'Not saved: it says that it happens in the future. The clock of this device is off; set it, and reload the page.'
			: 'Not saved: it says that it happened more than a year ago. The clock of this device is off; set it, and reload the page.',
	'too-large': ({ mostBytes }) =>
		`Not saved: this is larger than what can be sent at once (${mostBytes / 1000} kB). Save it in parts.`,
	'from-elsewhere': () =>
		'Not saved: the page that sent this is not at the address of Jovet. Open Jovet by the address it was started with.',
	'too-much': () =>
		'Not saved: this asks for more work than one step may. Make it smaller: fewer pieces, or fewer preparations inside one another.',
	'not-storable': ({ rule }) =>
		`Not saved: the database does not take one of its values (${rule}). Nothing was changed; check the figures.`,
	'signed-out': () =>
		'Not saved yet: nobody is signed in here. It stays in this browser and sends itself once you are.',
	'no-bakery': () => 'Not saved: this database holds no bakery yet.',
	busy: () => 'Not saved yet: there is much to do. It sends itself again in a moment.',
	'database-unavailable': () =>
		'Not saved yet: the database does not answer. It stays here and sends itself when it answers again.',
	storage: ({ is }) =>
		is === 'full'
			? 'Not saved yet: the disk of Jovet’s machine is full. It stays here and sends itself once there is room: tell whoever looks after the machine.'
			: 'Not saved yet: the disk of Jovet’s machine cannot be read or written. It stays here: tell whoever looks after the machine, and write down on paper what matters.'
};

/** Why a command was not carried out, and what to do. */
export function refusalText<K extends Refusal['kind']>(
	refusal: RefusalOf<K> & { kind: K }
): string {
	return TEXTS[refusal.kind](refusal);
}
