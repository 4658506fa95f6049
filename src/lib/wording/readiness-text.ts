import type {
	Favour,
	Readiness,
	ReadinessDecision,
	ReadinessReason,
	ReadinessVerdict,
	Sighting,
	SightingKind
} from '../core/fermentation/index.ts';
import { formatNumber } from '../core/units/index.ts';

export const VERDICT_TEXT: Record<ReadinessVerdict, string> = {
	'not-yet': 'not yet',
	nearly: 'nearly',
	ready: 'ready',
	late: 'late'
};

export const DECISION_TEXT: Record<ReadinessDecision, string> = {
	wait: 'wait',
	'fold-again': 'fold it again',
	'go-on': 'go on'
};

/** What is looked for, as a question a baker would ask of the dough. */
export const SIGHTING_TEXT: Record<SightingKind, string> = {
	rise: 'Rise',
	float: 'A piece in water',
	poke: 'Poke',
	dome: 'Surface',
	wobble: 'Wobble',
	window: 'Window',
	smell: 'Smell',
	'blade-drag': 'Blade',
	spread: 'On the bench',
	volume: 'Volume',
	pour: 'Stir and pour',
	taste: 'Taste'
};

const SEEN: {
	readonly [K in SightingKind]: Record<Extract<Sighting, { kind: K }>['seen'], string>;
} = {
	rise: {
		little: 'little',
		'half-way': 'half-way',
		'to-the-mark': 'to the mark',
		'past-the-mark': 'past it'
	},
	float: { sinks: 'sinks', hangs: 'hangs', floats: 'floats' },
	poke: {
		'springs-back': 'springs back',
		'springs-back-slowly': 'back slowly',
		'half-springs-back': 'half back',
		stays: 'stays'
	},
	dome: {
		'flat-and-tight': 'flat, tight',
		domed: 'domed',
		flattening: 'flattening',
		fallen: 'fallen'
	},
	wobble: { stiff: 'stiff', trembles: 'trembles', wobbles: 'wobbles', slack: 'slack' },
	window: { tears: 'tears', thick: 'thick', thin: 'thin' },
	smell: { 'of-flour': 'of flour', mild: 'mild', ripe: 'ripe', sharp: 'sharp' },
	'blade-drag': {
		'cuts-clean': 'cuts clean',
		'drags-a-little': 'drags',
		collapses: 'collapses'
	},
	spread: { stands: 'stands', 'spreads-a-little': 'spreads', runs: 'runs' },
	volume: {
		'hardly-grown': 'hardly grown',
		'half-again': 'half again',
		doubled: 'doubled',
		tripled: 'tripled',
		collapsing: 'collapsing'
	},
	pour: { heavy: 'heavy', stretchy: 'stretchy', airy: 'airy', runny: 'runny' },
	taste: {
		'of-flour': 'of flour',
		sweet: 'sweet',
		'mild-sour': 'mildly sour',
		sour: 'sour',
		biting: 'biting'
	}
};

export function seenText(sighting: Sighting): string {
	const words: Record<string, string> = SEEN[sighting.kind];
	return words[sighting.seen] ?? sighting.seen;
}

export function sightingText(sighting: Sighting): string {
	return `${SIGHTING_TEXT[sighting.kind].toLowerCase()} ${seenText(sighting)}`;
}

function reasonText(reason: ReadinessReason): string {
	return reason.kind === 'clock'
		? `by its clock it is ${formatNumber(reason.share * 100, 0)} % of the way, ${VERDICT_TEXT[reason.says]}`
		: `${sightingText(reason.sighting)} says ${VERDICT_TEXT[reason.says]}`;
}

/** Which of the two a stage favours, and by how much: "more yeast than acid, 1.4 times". */
export function favourText({ favours, times }: Favour): string {
	if (favours === 'neither') return 'as much yeast as acid';
	const by = times > 9 ? 'many times' : `${formatNumber(times, 1)} times`;
	return favours === 'lift' ? `more yeast than acid, ${by}` : `more acid than yeast, ${by}`;
}

/** Why a dough is judged as it is, in one sentence. */
export function readinessReason({ reasons, atOdds, wantsPreShape }: Readiness): string {
	const text = reasons.map(reasonText).join('; ');
	const odds = atOdds
		? ' The eye and the clock are at odds: trust the dough, and check its temperature.'
		: '';
	const shape = wantsPreShape ? ' It runs on the bench: give it another pre-shape.' : '';
	return `${text.charAt(0).toUpperCase()}${text.slice(1)}.${odds}${shape}`;
}
