import { SHOWN_BY, type Cause } from './causes.ts';
import type { Evidence, EvidenceKey } from './evidence.ts';

/**
 * What causes each fault, and how often in a bakery where nothing else is known of the batch (our default, by what the trade's
 * texts name first). By the names of `core/results`; a fault that is not here has no causes.
 */
export const CAUSES_OF = {
	'burst-below': {
		'proof-short': 3,
		'no-steam': 3,
		'shallow-score': 2,
		'loose-shape': 2,
		'stone-hot': 1,
		'dough-cold': 1
	},
	flat: {
		'proof-long': 3,
		'dough-warm': 2,
		'bulk-long': 2,
		'weak-dough': 2,
		'too-wet': 1,
		'loose-shape': 1,
		'stone-cool': 1,
		'salt-low': 0.5
	},
	dense: {
		'proof-short': 3,
		'bulk-short': 3,
		'dough-cold': 2,
		'yeast-low': 1,
		'too-dry': 1,
		'salt-high': 0.5
	},
	pale: {
		'stone-cool': 2,
		'bake-short': 2,
		'dough-warm': 1,
		'bulk-long': 1.5,
		'proof-long': 1,
		'no-steam': 1,
		'salt-high': 0.5,
		'flour-changed': 1
	},
	dark: { 'stone-hot': 3, 'bake-long': 3, 'bulk-short': 1, 'flour-changed': 1 },
	'dull-crust': { 'no-steam': 4, 'proof-long': 1, 'stone-cool': 1, 'too-dry': 0.5 },
	sour: { 'bulk-long': 3, 'proof-long': 3, 'dough-warm': 2, 'flour-changed': 0.5 },
	bland: { 'salt-low': 3, 'bulk-short': 2, 'dough-cold': 1 },
	gummy: { 'bake-short': 4, 'too-wet': 2, 'stone-cool': 1, 'flour-changed': 1, 'proof-short': 1 },
	blistered: { 'dough-cold': 1.5, 'proof-long': 1, 'no-steam': 0.5, 'bulk-short': 1 },
	tunnel: { 'loose-shape': 3, 'proof-short': 2, 'bulk-short': 2, 'stone-hot': 1 },
	uneven: { 'loose-shape': 2, 'stone-hot': 1, 'stone-cool': 1, 'proof-short': 1, 'weak-dough': 1 }
} as const satisfies Readonly<Record<string, Partial<Record<Cause, number>>>>;

/** A cause that a fault can have, with what speaks for it and against. */
export interface RankedCause {
	readonly cause: Cause;
	/** How well it stands against the others, all of them summing to 1. Not a probability: the figures behind it are rough. */
	readonly weight: number;
	/** The log shows it: something speaks for it, and it stands above half of all. */
	readonly isShown: boolean;
	readonly speaksFor: readonly EvidenceKey[];
	readonly speaksAgainst: readonly EvidenceKey[];
	/** Nobody wrote down what would show it. */
	readonly missing: readonly EvidenceKey[];
	/** Only the bread itself shows it. */
	readonly onTheBread: boolean;
}

/**
 * What a fault most likely comes of, by a batch's own evidence, the likeliest first.
 *
 * Model: each cause begins with how often it is met; each piece of evidence that would show it multiplies by a fixed factor (plain 12, a hint 3, against 1/4);
 * what nobody wrote down leaves it as it was. Range: a fault of `CAUSES_OF`. Source: naive Bayes; factors and frequencies our default. Failures: a fault that is not
 * known has none.
 * Example: burst below, its steam left out: no steam stands first, before a short proof.
 */
export function causesOf(fault: string, evidence: Evidence): readonly RankedCause[] {
	const known: Readonly<Record<string, Partial<Record<Cause, number>>>> = CAUSES_OF;
	const weighed = Object.entries(known[fault] ?? {}).map(([name, often]) => {
		const cause = name as Cause;
		const shows = Object.entries(SHOWN_BY[cause]) as readonly (readonly [
			EvidenceKey,
			(evidence: Evidence) => number | null
		])[];
		const factors = shows.map(([key, of]) => ({ key, factor: of(evidence) }));
		const keys = (of: (factor: number | null) => boolean) =>
			factors.filter(({ factor }) => of(factor)).map(({ key }) => key);
		return {
			cause,
			score: factors.reduce((all, { factor }) => all * (factor ?? 1), often),
			speaksFor: keys((factor) => factor !== null && factor > 1),
			speaksAgainst: keys((factor) => factor !== null && factor < 1),
			missing: keys((factor) => factor === null),
			onTheBread: shows.length === 0
		};
	});
	const all = weighed.reduce((sum, { score }) => sum + score, 0);
	return weighed
		.map(({ score, ...one }) => ({
			...one,
			weight: score / all,
			isShown: one.speaksFor.length > 0 && score / all > 0.5
		}))
		.sort((a, b) => b.weight - a.weight);
}
