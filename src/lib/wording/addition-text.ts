import { minutesIntoMix, type Addition } from '../core/formula/index.ts';

const ADDITIONS: Record<Exclude<Addition, `after-${number}`>, string> = {
	autolyse: 'autolyse',
	start: 'at the start',
	'held-back': 'held back',
	late: 'late',
	'fold-in': 'folded in',
	'roll-in': 'rolled in'
};

/** When something goes in, as the baker says it. */
export function additionText(addition: Addition): string {
	const minutes = minutesIntoMix(addition);
	if (minutes !== null) return `after ${minutes} min`;
	return ADDITIONS[addition as keyof typeof ADDITIONS];
}

/** The same where the start goes without saying. */
export function laterText(addition: Addition): string {
	return addition === 'start' ? '' : additionText(addition);
}
