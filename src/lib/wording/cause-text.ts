import type { Cause, Evidence, EvidenceKey, RankedCause } from '../core/tracing/index.ts';
import { formatDifference, formatNumber, type UnitChoice } from '../core/units/index.ts';

/** Each cause in the trade's words, and what to change next time. */
export const CAUSE_TEXT: Readonly<Record<Cause, { readonly name: string; readonly next: string }>> =
	{
		'dough-warm': {
			name: 'the dough was too warm',
			next: 'Colder water, as its water page asks; where it comes out warm all the same, shorten its bulk.'
		},
		'dough-cold': {
			name: 'the dough was too cold',
			next: 'Warmer water, or a longer bulk for a cold dough.'
		},
		'bulk-short': { name: 'its bulk was cut short', next: 'Give it its bulk, judged by its rise.' },
		'bulk-long': { name: 'its bulk went too long', next: 'Divide it sooner, or mix it cooler.' },
		'proof-short': {
			name: 'it was loaded before it was ready',
			next: 'Let it proof longer; poke before loading.'
		},
		'proof-long': {
			name: 'it proofed too long',
			next: 'Load it sooner, or put it in the cold when the oven is late.'
		},
		'weak-dough': {
			name: 'the dough had too little strength',
			next: 'Give every fold of its plan; where it runs on the bench, pre-shape it once more.'
		},
		'loose-shape': {
			name: 'shaped too loosely',
			next: 'Shape tighter, and rest it before shaping.'
		},
		'shallow-score': {
			name: 'scored too shallowly',
			next: 'Score deeper, or at a flatter angle, as its method says.'
		},
		'no-steam': {
			name: 'it had no steam',
			next: 'Steam as soon as the door is shut, and tap it: the bench asks for it.'
		},
		'stone-cool': {
			name: 'the stone was too cool',
			next: 'Load on a hotter stone: preheat longer, or leave it time between loads.'
		},
		'stone-hot': { name: 'the stone was too hot', next: 'Load on a cooler stone.' },
		'bake-short': { name: 'it was drawn too soon', next: 'Bake it longer; draw it by its core.' },
		'bake-long': { name: 'it was baked too long', next: 'Draw it sooner, by its core.' },
		'salt-low': { name: 'salt was short', next: 'Weigh the salt first, and tick it.' },
		'salt-high': { name: 'there was too much salt', next: 'Weigh the salt on the fine scale.' },
		'too-wet': {
			name: 'more water went in than was wanted',
			next: 'Hold water back, and add it by feel.'
		},
		'too-dry': { name: 'less water went in than was wanted', next: 'Weigh all of its water.' },
		'yeast-low': { name: 'yeast was short', next: 'Weigh the yeast on the fine scale.' },
		'flour-changed': {
			name: 'the flour was of a new lot',
			next: 'Bake a small batch of a new lot first, and set its absorption.'
		}
	};

/** What evidence is called where it is missing: how somebody would come by it. */
export const EVIDENCE_WANTED: Readonly<Record<EvidenceKey, string>> = {
	doughOffKelvins: 'how warm the dough came out of the mixer',
	bulkShare: 'when its bulk began and ended',
	proofShare: 'when it was shaped and loaded',
	spread: 'how it lay on the bench before shaping',
	judged: 'how it looked before it was baked',
	foldsShare: 'which folds were done',
	steam: 'whether it had steam',
	stoneOffKelvins: 'how hot the stone was at loading',
	coreOffKelvins: 'its core as it was drawn',
	sound: 'how it sounded as it was drawn',
	bakeShare: 'when it was loaded and drawn',
	saltShare: 'what was weighed of its salt',
	waterShare: 'what was weighed of its water',
	yeastShare: 'what was weighed of its yeast',
	newFlourLot: 'the lot of its flour'
};

const STEAM_TEXT = {
	given: 'it had steam in time',
	late: 'its steam came late',
	'left-out': 'its steam was left out',
	'not-told': 'its load was tapped, its steam never'
} as const;
const JUDGED_TEXT = {
	early: 'it was judged not ready',
	ready: 'it was judged ready',
	late: 'it was judged past ready'
} as const;
const SPREAD_TEXT = {
	stands: 'it stood on the bench',
	'spreads-a-little': 'it spread a little on the bench',
	runs: 'it ran on the bench'
} as const;
const SOUND_TEXT = { dull: 'it sounded dull', hollow: 'it sounded hollow' } as const;
const percent = (share: number) => `${formatNumber(share * 100, 0)} %`;

/** What the log says, in a few words. */
export function evidenceText(key: EvidenceKey, evidence: Evidence, units?: UnitChoice): string {
	const off = (kelvins: number, what: string) => {
		const by = formatDifference({ kelvins: Math.abs(kelvins) }, 1, units);
		return Math.abs(kelvins) < 0.5
			? `${what} as wanted`
			: `${what} ${by} ${kelvins > 0 ? 'hotter' : 'cooler'} than wanted`;
	};
	const of = (share: number, what: string) => `${what} ${percent(share)} of what was planned`;
	switch (key) {
		case 'doughOffKelvins':
			return off(evidence.doughOffKelvins ?? 0, 'the dough came out');
		case 'bulkShare':
			return of(evidence.bulkShare ?? 0, 'its bulk had');
		case 'proofShare':
			return of(evidence.proofShare ?? 0, 'its proof had');
		case 'spread':
			return evidence.spread ? SPREAD_TEXT[evidence.spread] : '';
		case 'sound':
			return evidence.sound ? SOUND_TEXT[evidence.sound] : '';
		case 'judged':
			return evidence.judged ? JUDGED_TEXT[evidence.judged] : '';
		case 'foldsShare':
			return `${percent(evidence.foldsShare ?? 0)} of its folds were done`;
		case 'steam':
			return evidence.steam ? STEAM_TEXT[evidence.steam] : '';
		case 'stoneOffKelvins':
			return off(evidence.stoneOffKelvins ?? 0, 'the stone was');
		case 'coreOffKelvins':
			return off(evidence.coreOffKelvins ?? 0, 'its core was');
		case 'bakeShare':
			return `it baked ${percent(evidence.bakeShare ?? 0)} of its time`;
		case 'saltShare':
			return of(evidence.saltShare ?? 0, 'its salt was');
		case 'waterShare':
			return of(evidence.waterShare ?? 0, 'its water was');
		case 'yeastShare':
			return of(evidence.yeastShare ?? 0, 'its yeast was');
		case 'newFlourLot':
			return evidence.newFlourLot
				? 'its flour was of a new lot'
				: 'its flour was the lot of before';
	}
}

/** What a fault is put to, in one sentence that begins with it: a cause that the log shows, or that it shows none. */
export function faultSentence(
	fault: string,
	causes: readonly RankedCause[],
	evidence: Evidence,
	units?: UnitChoice
): string {
	const [first, second] = causes;
	if (!first) return '';
	const causeOf = (one: RankedCause) => CAUSE_TEXT[one.cause].name;
	if (first.isShown) {
		const shown = first.speaksFor.map((key) => evidenceText(key, evidence, units)).join(', ');
		return `${fault}, most likely because ${causeOf(first)} (${shown}).`;
	}
	if (first.speaksFor.length > 0 && second)
		return `${fault}: perhaps because ${causeOf(first)}, or because ${causeOf(second)}.`;
	return `${fault}: the log does not show why. Most often ${causeOf(first)}${second ? `, or ${causeOf(second)}` : ''}.`;
}
