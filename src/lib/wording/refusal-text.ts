import { formulaFailureText } from './failure-text.ts';
import type { Refusal } from '../contracts/commands.ts';

const UNKNOWN: Record<Extract<Refusal, { kind: 'unknown' }>['what'], string> = {
	mix: 'This mix is no longer in the day, or adds no water.',
	drop: 'This drop is no longer in the book.',
	product: 'This product is no longer in the book.',
	build: 'This build is no longer in the book.',
	formula: 'This formula is no longer in the book.',
	ingredient: 'An ingredient of this formula is no longer in the book.',
	reading: 'The reading to correct is not there.',
	observation: 'This reading is not in the log.',
	dough: 'This dough is no longer in the day.',
	device: 'This device is not known here.',
	retarder: 'This cold room is not known here.',
	mixer: 'This mixer is no longer in the bakery.',
	delivery: 'A delivery of this formula is no longer in the book.',
	draft: 'This draft is no longer there.',
	scale: 'This scale is no longer in the bakery.',
	divider: 'This divider is no longer in the bakery.',
	vessel: 'This vessel is no longer in the bakery.'
};

/** Why a command was not carried out, and what to do. */
export function refusalText(refusal: Refusal): string {
	switch (refusal.kind) {
		case 'malformed':
			return `Not saved: ${refusal.problems.map((one) => `${one.where}: ${one.what}`).join('; ')}.`;
		case 'id-used-before':
			return 'Not saved: this change was sent before with another content. Reload the page and type it again.';
		case 'unknown':
			return `Not saved. ${UNKNOWN[refusal.what]} Reload the page.`;
		case 'changed-meanwhile':
			return `${refusal.by} changed this to ${refusal.value} meanwhile.`;
		case 'newer-revision':
			return `Not saved: ${refusal.by} saved revision ${refusal.revision} of ${refusal.name} meanwhile. Your changes stay here; reload to see the newer revision beside them.`;
		case 'settings-changed-meanwhile':
			return 'Not saved: somebody else changed these settings meanwhile. Reload the page to see them.';
		case 'not-mixed-yet':
			return `${refusal.name} is not measured at the mixer yet: do that first, in the Water room.`;
		case 'before-the-mix':
			return `That lies before ${refusal.name} came out of the mixer.`;
		case 'dough-has-no-clock':
			return `${refusal.name} has no wait with a clock. Give it one in its formula.`;
		case 'name-taken':
			return `"${refusal.name}" is taken already. Choose another name.`;
		case 'formula-impossible':
			return `Not saved, ${refusal.formula} cannot be made like this: ${formulaFailureText(refusal.reason)}.`;
		case 'orders-there-already':
			return 'This date has orders already. Reload the page to see them.';
		case 'nothing-to-copy':
			return 'The other date has no orders to copy.';
		case 'plan-out-of-date':
			return 'Orders or times changed after this plan was made. It is being made again; look at it and accept then.';
		case 'plan-impossible':
			return `Not accepted: the plan breaks ${refusal.violations.length} of its own rules. It is being made again.`;
		case 'no-bakery':
			return 'Not saved: this database holds no bakery yet.';
		case 'database-unavailable':
			return 'Not saved: the database does not answer. What you typed stays here; try again in a moment.';
	}
}
