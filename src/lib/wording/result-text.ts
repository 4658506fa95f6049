import {
	readinessOf,
	type Browning,
	type CountedPortion,
	type Fault,
	type LookedAt,
	type PieceDecision,
	type ResultTold,
	type Scored,
	type Short,
	type Sound
} from '../core/results/index.ts';
import type { Readiness } from '../core/fermentation/index.ts';
import { sightingText, VERDICT_TEXT } from './readiness-text.ts';
import { formatMass, type UnitChoice } from '../core/units/index.ts';

/** Why pieces are second or lost, as a tap says it (our words; anything else is typed). */
export const LOST_BECAUSE = ['burnt', 'burst', 'torn', 'stuck', 'flat', 'dropped'] as const;

export const FAULT_TEXT: Readonly<Record<Fault, string>> = {
	'burst-below': 'burst below',
	flat: 'flat',
	dense: 'dense',
	pale: 'pale',
	dark: 'dark',
	'dull-crust': 'dull crust',
	sour: 'too sour',
	bland: 'bland',
	gummy: 'gummy crumb',
	blistered: 'blistered',
	tunnel: 'tunnel under the crust',
	uneven: 'uneven'
};

export const SCORED_TEXT: Readonly<Record<Scored, string>> = {
	crust: 'Crust',
	crumb: 'Crumb',
	taste: 'Taste'
};

export const BROWNING_TEXT: Readonly<Record<Browning, string>> = {
	pale: 'pale',
	golden: 'golden',
	brown: 'brown',
	dark: 'dark'
};
export const SOUND_TEXT: Readonly<Record<Sound, string>> = { dull: 'dull', hollow: 'hollow' };
const LOOKED_AT_TEXT: Readonly<Record<LookedAt, string>> = {
	rest: 'on the bench',
	proof: 'in proof'
};

/** What a portion came to so far: "14 good, 1 second, 1 lost of 16"; what is not counted yet need not be out of the oven. */
export function countedText({ good, second, lost, left, pieces }: CountedPortion): string {
	if (good + second + lost === 0) return `none of ${pieces} counted`;
	const parts = [
		`${good} good`,
		...(second > 0 ? [`${second} second`] : []),
		...(lost > 0 ? [`${lost} lost`] : [])
	];
	return `${parts.join(', ')} of ${pieces}${left > 0 ? `, ${left} not counted` : ''}`;
}

/** Something told of a portion, in one line. */
export function toldText(
	told: ResultTold,
	dropName: (dropId: string) => string,
	units?: UnitChoice
): string {
	switch (told.kind) {
		case 'counted': {
			const { good, second, lost, because } = told;
			const parts = [
				...(good > 0 ? [`${good} good`] : []),
				...(second > 0 ? [`${second} second`] : []),
				...(lost > 0 ? [`${lost} lost`] : [])
			];
			return `${parts.join(', ')}${because ? `: ${because}` : ''}`;
		}
		case 'weighed':
			return `${told.pieces === 1 ? 'one weighs' : `${told.pieces} weigh`} ${formatMass({ grams: told.bakedGrams }, 0, units)} baked`;
		case 'scored': {
			const parts = (['crust', 'crumb', 'taste'] as const).flatMap((one) => {
				const score = told.scores[one];
				return score === null ? [] : [`${one} ${score}`];
			});
			return `${parts.join(', ')} of 5${told.note ? `: ${told.note}` : ''}`;
		}
		case 'fault':
			return `${FAULT_TEXT[told.fault]}${told.note ? `: ${told.note}` : ''}`;
		case 'drawn': {
			const parts = [
				...(told.browning ? [`crust ${BROWNING_TEXT[told.browning]}`] : []),
				...(told.sound ? [`sounds ${SOUND_TEXT[told.sound]}`] : [])
			];
			return `drawn: ${parts.join(', ')}`;
		}
		case 'picture':
			return 'a picture';
		case 'judged': {
			const seen = told.sightings.map(sightingText).join(', ');
			return `${VERDICT_TEXT[readinessOf(told).verdict]} ${LOOKED_AT_TEXT[told.at]}${seen ? ` (${seen})` : ', by the clock alone'}: ${PIECE_DECISION_TEXT[told.decision]}`;
		}
		case 'less':
			return `${dropName(told.dropId)} gets ${told.pieces} fewer`;
		case 'again':
			return `${told.pieces} made again`;
	}
}

/** What is short, in one sentence; said as answered where it is. */
export function shortText({ name, open, ordered, expected, toPlan }: Short): string {
	if (open > 0) return `${name}: ${open} short of ${ordered} ordered.`;
	const missing = Math.max(0, ordered - expected);
	return toPlan > 0
		? `${name}: ${toPlan} of ${missing} short are made again, once it is planned.`
		: `${name}: ${missing} short, and answered.`;
}

export const PIECE_DECISION_TEXT: Readonly<Record<PieceDecision, string>> = {
	wait: 'wait',
	cold: 'into the cold',
	load: 'load it',
	'pre-shape-again': 'pre-shape again',
	shape: 'shape it'
};

/** What can be done about pieces that stand so, in the trade's way; the decision is the baker's. */
export function whatCanBeDone({ verdict, wantsPreShape }: Readiness, at: LookedAt): string {
	if (at === 'rest') {
		if (wantsPreShape) return 'It runs: pre-shape it once more, and rest it a quarter of an hour.';
		switch (verdict) {
			case 'not-yet':
			case 'nearly':
				return 'Leave it a few minutes: what is still tight tears when it is shaped.';
			case 'ready':
				return 'Shape it.';
			case 'late':
				return 'Shape it tighter than usual; where it has gone slack, pre-shape it once more.';
		}
	}
	if (wantsPreShape)
		return 'It runs: pre-shape it again and rest it a quarter of an hour, or load it first of all.';
	switch (verdict) {
		case 'not-yet':
			return 'Give it time, or somewhere warmer; another load first.';
		case 'nearly':
			return 'Next but one; scored a little deeper it can go sooner.';
		case 'ready':
			return 'Load it; where no deck is free, into the cold now.';
		case 'late':
			return 'This one first, with a smaller slash; what has to wait goes into the cold now.';
	}
}
