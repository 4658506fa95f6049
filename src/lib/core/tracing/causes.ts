import type { Evidence, EvidenceKey } from './evidence.ts';

/** What can have gone wrong on the way to a loaf. */
export const CAUSES = [
	'dough-warm',
	'dough-cold',
	'bulk-short',
	'bulk-long',
	'proof-short',
	'proof-long',
	'weak-dough',
	'loose-shape',
	'shallow-score',
	'no-steam',
	'stone-cool',
	'stone-hot',
	'bake-short',
	'bake-long',
	'salt-low',
	'salt-high',
	'too-wet',
	'too-dry',
	'yeast-low',
	'flour-changed'
] as const;
export type Cause = (typeof CAUSES)[number];

/** How much more (over 1) or less (under 1) likely something makes a cause; null where nobody wrote it down. */
type Weighed = number | null;

/** It shows the cause plainly, it hints at it, or it speaks against it (our default). */
const PLAIN = 12;
const HINT = 3;
const AGAINST = 0.25;

function above(value: number | null, hint: number, plain: number): Weighed {
	if (value === null) return null;
	return value >= plain ? PLAIN : value >= hint ? HINT : AGAINST;
}
function below(value: number | null, hint: number, plain: number): Weighed {
	return value === null ? null : above(-value, -hint, -plain);
}
function isOneOf<T>(value: T | null, plain: T, ...hints: readonly T[]): Weighed {
	if (value === null) return null;
	return value === plain ? PLAIN : hints.includes(value) ? HINT : AGAINST;
}

/** What shows each cause, by the evidence that would; a cause that nothing in the log shows has to be looked at on the bread. */
export const SHOWN_BY: Readonly<
	Record<Cause, Partial<Readonly<Record<EvidenceKey, (evidence: Evidence) => Weighed>>>>
> = {
	'dough-warm': { doughOffKelvins: (e) => above(e.doughOffKelvins, 1.5, 3) },
	'dough-cold': { doughOffKelvins: (e) => below(e.doughOffKelvins, -1.5, -3) },
	'bulk-short': { bulkShare: (e) => below(e.bulkShare, 0.9, 0.75) },
	'bulk-long': { bulkShare: (e) => above(e.bulkShare, 1.12, 1.3) },
	'proof-short': {
		proofShare: (e) => below(e.proofShare, 0.9, 0.75),
		judged: (e) => isOneOf(e.judged, 'early')
	},
	'proof-long': {
		proofShare: (e) => above(e.proofShare, 1.12, 1.3),
		judged: (e) => isOneOf(e.judged, 'late')
	},
	'weak-dough': {
		foldsShare: (e) => below(e.foldsShare, 0.99, 0.5),
		spread: (e) => isOneOf(e.spread, 'runs', 'spreads-a-little')
	},
	'loose-shape': {},
	'shallow-score': {},
	'no-steam': { steam: (e) => isOneOf(e.steam, 'left-out', 'late', 'not-told') },
	'stone-cool': { stoneOffKelvins: (e) => below(e.stoneOffKelvins, -8, -20) },
	'stone-hot': { stoneOffKelvins: (e) => above(e.stoneOffKelvins, 8, 20) },
	'bake-short': {
		bakeShare: (e) => below(e.bakeShare, 0.95, 0.85),
		coreOffKelvins: (e) => below(e.coreOffKelvins, -1, -3),
		sound: (e) => isOneOf(e.sound, 'dull')
	},
	'bake-long': { bakeShare: (e) => above(e.bakeShare, 1.08, 1.2) },
	'salt-low': { saltShare: (e) => below(e.saltShare, 0.9, 0.6) },
	'salt-high': { saltShare: (e) => above(e.saltShare, 1.1, 1.4) },
	'too-wet': { waterShare: (e) => above(e.waterShare, 1.015, 1.04) },
	'too-dry': { waterShare: (e) => below(e.waterShare, 0.985, 0.96) },
	'yeast-low': { yeastShare: (e) => below(e.yeastShare, 0.9, 0.7) },
	'flour-changed': {
		newFlourLot: (e) => (e.newFlourLot === null ? null : e.newFlourLot ? HINT : AGAINST)
	}
};
