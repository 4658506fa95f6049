import type { CommandOutcome } from '../contracts/commands.ts';
import { refusalText } from './refusal-text.ts';

/**
 * What went wrong when something was sent, and what to do; empty when it was done. `kept` tells what becomes of
 * what the hand had made.
 */
export function outcomeProblem(
	result: CommandOutcome | { readonly outcome: 'not-reached' },
	kept = 'What you typed stays here; try again in a moment.'
): string {
	switch (result.outcome) {
		case 'done':
			return '';
		case 'refused':
			return refusalText(result.refusal);
		case 'not-reached':
			return `Not saved: Jovet does not answer. ${kept}`;
	}
}
