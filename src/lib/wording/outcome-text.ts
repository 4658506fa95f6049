import type { Refusal } from '../contracts/refusals.ts';
import { refusalText } from './refusal-text.ts';

/** What went wrong when something was sent, and what becomes of it; empty when it was done. */
export function outcomeProblem(
	result:
		| { readonly outcome: 'done' | 'not-reached' | 'kept-here' }
		| { readonly outcome: 'refused'; readonly refusal: Refusal }
): string {
	switch (result.outcome) {
		case 'done':
			return '';
		case 'refused':
			return refusalText(result.refusal);
		case 'not-reached':
			return 'Not saved yet: Jovet does not answer. It stays here and sends itself when it answers again.';
		case 'kept-here':
			return 'Jovet does not answer. It is kept in this browser and sends itself when it answers again.';
	}
}
