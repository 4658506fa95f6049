import type { WaitActivity } from '../core/formula/index.ts';

/** A pre-ferment is ripe; a dough, and what is proofed, is ready. */
export function readyWord(kind: 'mix' | 'pre-ferment' | 'preparation'): 'ripe' | 'ready' {
	return kind === 'pre-ferment' ? 'ripe' : 'ready';
}

/** The same by the wait it ferments in. */
export function readyWordOf(activity: WaitActivity): 'ripe' | 'ready' {
	return activity === 'ferment' ? 'ripe' : 'ready';
}
