import type { ChangeArea, ChangeValue } from '../contracts/change-views.ts';
import type { CommandKind } from '../contracts/commands.ts';
import { momentText } from './time-text.ts';

export const AREA_TEXT: Readonly<Record<ChangeArea, string>> = {
	orders: 'orders',
	plan: 'the plan',
	bench: 'the bench',
	book: 'the book of formulas',
	stock: 'stock',
	bakery: 'the bakery'
};

/** What somebody did, behind their name. */
const DID: Readonly<Record<CommandKind, string>> = {
	'accept-plan': 'accepted a plan',
	'add-delivery': 'wrote down a delivery',
	'begin-starter': 'began a new starter',
	'bring-in': 'brought something in from a file',
	'change-order': 'changed an order',
	'change-orders': 'changed several orders',
	'check-dough': 'looked at a dough',
	'copy-orders': 'copied the orders of another date',
	'count-stock': 'counted stock',
	'create-formula': 'wrote a new formula',
	'end-dough': 'took a dough on',
	'feed-culture': 'fed a culture',
	'forget-person': 'took out what names somebody',
	'found-bakery': 'began the bakery',
	'ignore-observation': 'said whether a reading counts',
	'ignore-time': 'said whether a time counts',
	'judge-readiness': 'judged a dough',
	'keep-culture': 'changed how a culture is kept',
	'keep-stock': 'changed how something is kept in stock',
	'measure-dough': 'measured a dough',
	'move-dough': 'moved a dough',
	'register-device': 'let a device in',
	'reset-learning': 'left behind what was learned',
	'reset-times': 'left behind the times that were learned',
	retire: 'retired something, or brought it back',
	'revoke-device': 'shut a device out',
	'save-bakery': 'changed the bakery’s own settings',
	'save-entry': 'changed what the bakery has',
	'save-formula': 'changed a formula',
	'save-ingredient': 'changed an ingredient',
	'save-preparation': 'changed a preparation',
	'save-product': 'changed a product',
	'set-aside-draft': 'set a draft aside',
	'set-base': 'chose the base temperature of a dough',
	'set-batches': 'set the batches of a pre-ferment',
	'set-lead': 'changed how long before its drop something is ready',
	'set-liquids': 'chose the liquids of a dough',
	'set-mixes': 'set the mixes of a dough',
	'set-standing': 'changed a standing order',
	'set-supply': 'changed the water and ice there is',
	'set-units': 'changed units',
	'set-water-school': 'chose a way of finding the water',
	'strike-culture': 'took back what was told of a culture',
	'strike-entry': 'took back what was told of a dough',
	'strike-result': 'took back a count',
	'strike-weighing': 'took back a weight',
	'strike-work': 'took back a tap',
	'take-back-standing': 'went back to the standing order',
	'take-closed-days': 'took closed days from a calendar',
	'take-reading': 'typed a temperature',
	'take-stock': 'took something in or out of stock',
	'tap-work': 'tapped at the bench',
	'tell-result': 'counted what came out',
	'tend-culture': 'tended a culture',
	'weigh-line': 'weighed'
};

/** What somebody did. What is no command any more, or never was one, says so itself. */
export function didText(kind: string): string {
	if (kind === 'load-demo') return 'filled the demo’s bakery';
	return kind in DID ? DID[kind as CommandKind] : kind.replaceAll('-', ' ');
}

/** "pieces 40", "until 03:20", "12 loads": what was sent, in the words it was sent by. */
export function saidText(
	[what, value]: readonly [what: string, value: ChangeValue],
	nowMs: number,
	zone: string
): string {
	const words = what
		.replace(/(?<=.)Ms$/, '')
		.replace(/([A-Z])/g, (capital) => ` ${capital.toLowerCase()}`);
	if (what.endsWith('Ms') && typeof value === 'number')
		return `${words} ${momentText(value, nowMs, zone)}`;
	if (typeof value === 'object') return `${value.many} ${words}`;
	if (typeof value === 'boolean') return value ? words : `not ${words}`;
	return `${words} ${value}`;
}
