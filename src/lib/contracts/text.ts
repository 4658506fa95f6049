import { z } from 'zod';

/** Zero-width and direction marks, soft hyphens, byte-order marks: nobody sees them, so they are no part of a text. */
const UNSEEN = /[\p{Cf}\p{Zl}\p{Zp}\uFFF9-\uFFFB]/gu;
const CONTROL = /\p{Cc}/u;

/**
 * A line of text as people type it: one form for letters with accents, no spaces around or doubled, nothing in
 * it that cannot be seen. What no text can hold (control characters, halves of a character) is refused.
 */
export function line(most: number, { least = 0, missing = 'it is empty' } = {}) {
	return z
		.string()
		.max(most * 4 + 100, `at the most ${most} characters`)
		.refine((text) => text.isWellFormed() && !CONTROL.test(text.trim()), {
			message: 'holds a character that no text can have'
		})
		.transform(tidied)
		.pipe(z.string().min(least, missing).max(most, `at the most ${most} characters`));
}

/** The one form of a line. */
export function tidied(text: string): string {
	return text.normalize('NFC').replace(UNSEEN, '').replace(/\s+/gu, ' ').trim();
}

/** A name of something in the bakery. */
export const nameSchema = line(200, { least: 1, missing: 'a name is missing' });

/** Two names that a reader takes for the same: they differ in capitals, spaces, accents or dashes only. */
export function readsAlike(a: string, b: string): boolean {
	return a !== b && readAs(a) === readAs(b);
}

function readAs(name: string): string {
	return name
		.normalize('NFKD')
		.replace(/[^\p{L}\p{N}]/gu, '')
		.toLowerCase();
}
