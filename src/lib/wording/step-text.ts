import type { Leg, MixingStretch, Step, Turn } from '../core/formula/index.ts';
import {
	formatMinutes,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';
import { bakeMarkTexts, CRUST_TEXT, loadingText } from './programme-text.ts';
import { readyWordOf } from './ready-text.ts';

export const ACTIVITY_TEXT: Record<Exclude<Step, { kind: 'bake' }>['activity'] | 'bake', string> = {
	weigh: 'Weigh up',
	mix: 'Mix',
	'knock-back': 'Knock back',
	divide: 'Divide',
	'pre-shape': 'Pre-shape',
	shape: 'Shape',
	laminate: 'Laminate',
	sheet: 'Sheet out',
	cut: 'Cut',
	fill: 'Fill',
	wrap: 'Bring the doughs together',
	pan: 'Pan',
	wash: 'Wash',
	dip: 'Dip',
	coat: 'Coat',
	score: 'Score',
	glaze: 'Glaze',
	depan: 'Turn out of the tin',
	pack: 'Pack',
	ferment: 'Ferment',
	soak: 'Leave to soak',
	autolyse: 'Autolyse',
	bulk: 'Bulk',
	rest: 'Rest',
	chill: 'Chill',
	proof: 'Proof',
	temper: 'Temper',
	cool: 'Cool',
	bake: 'Bake'
};

const PLACE_TEXT: Record<Leg['place'], string> = {
	room: 'in the room',
	proofer: 'in the proofer',
	cold: 'in a cold place'
};

/** What kind of place one is. */
export const PLACE_KIND_TEXT: Record<Leg['place'], string> = {
	room: 'a room',
	proofer: 'kept warm',
	cold: 'kept cold'
};

/** A place without a name of its own. */
export const OTHER_PLACE_TEXT: Record<Leg['place'], string> = {
	room: 'Another room',
	proofer: 'Another proofer',
	cold: 'Another cold place'
};

/** Where a leg stands, as a sentence has it: a named place by its name. */
export function placeText({ named, place }: Pick<Leg, 'named' | 'place'>): string {
	return named ? `in the ${named.name.toLowerCase()}` : PLACE_TEXT[place];
}

export const SPEED_TEXT: Record<MixingStretch['speed'], string> = {
	'by-hand': 'by hand',
	slow: 'slow',
	fast: 'fast',
	rest: 'rest in the bowl'
};

export const TURN_TEXT: Record<Turn, string> = {
	'lock-in-1': 'lock in, one layer of fat',
	'lock-in-2': 'lock in, two layers of fat',
	half: 'half fold',
	single: 'single fold',
	double: 'double fold'
};

/** A step of a chain in one line, as a formula sheet prints it. */
export function stepText(step: Step, units?: UnitChoice): string {
	const celsius = (value: number) => formatTemperature({ celsius: value }, 0, units);
	switch (step.kind) {
		case 'hands-on': {
			const time = [
				step.fixedMinutes > 0 ? formatMinutes(step.fixedMinutes) : '',
				step.secondsPerPiece > 0 ? `${formatNumber(step.secondsPerPiece, 0)} s a piece` : ''
			].filter((text) => text !== '');
			const parts = [ACTIVITY_TEXT[step.activity]];
			if (step.detail.kind === 'turn') {
				const { turn, rolledToMm } = step.detail;
				const thick =
					rolledToMm === undefined ? '' : `, rolled to ${formatNumber(rolledToMm, 0)} mm`;
				parts.push(`${TURN_TEXT[turn]}${thick}`);
			}
			if (step.detail.kind === 'mixing')
				parts.push(
					step.detail.stretches
						.map(
							(stretch) => `${formatNumber(stretch.minutes, 0)} min ${SPEED_TEXT[stretch.speed]}`
						)
						.join(', ')
				);
			parts.push(time.join(' and '));
			if (step.endsAtCelsius !== null) parts.push(`to ${celsius(step.endsAtCelsius)}`);
			return parts.filter((part) => part !== '').join(' · ');
		}
		case 'wait': {
			const legs = step.legs.map((leg) => {
				const time =
					leg.minutes === null ? `until ${readyWordOf(step.activity)}` : formatMinutes(leg.minutes);
				return `${time} ${placeText(leg)} at ${celsius(leg.ambientCelsius)}`;
			});
			const parts = [`${ACTIVITY_TEXT[step.activity]} ${legs.join(', then ')}`];
			if (step.clock) {
				const { underMinutes, ripeMinutes, overMinutes, referenceCelsius } = step.clock;
				parts.push(
					`${readyWordOf(step.activity)} in ${formatMinutes(ripeMinutes)} at ${celsius(referenceCelsius)} (from ${formatMinutes(underMinutes)} to ${formatMinutes(overMinutes)})`
				);
			}
			if (step.foldsAtMinutes.length > 0)
				parts.push(`fold after ${step.foldsAtMinutes.map((at) => formatMinutes(at)).join(', ')}`);
			if (step.foldsAtShares.length > 0)
				parts.push(
					`fold or knock back at ${step.foldsAtShares.map((share) => `${formatNumber(share * 100, 0)} %`).join(', ')} of it`
				);
			return parts.join(' · ');
		}
		case 'bake':
			return [
				`Bake at ${celsius(step.loadCelsius)}`,
				`${formatNumber(step.bakeMinutes, 0)} min`,
				step.steamSeconds === 0 ? 'no steam' : '',
				loadingText(step),
				...bakeMarkTexts(step, units),
				`core ${celsius(step.coreCelsius)}`,
				step.programme.crust === null ? '' : CRUST_TEXT[step.programme.crust]
			]
				.filter((part) => part !== '')
				.join(' · ');
	}
}
