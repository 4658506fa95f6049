import type { SanityNote } from '../core/formula/index.ts';
import type { LittleYeast } from '../core/ripening/index.ts';
import {
	formatMinutes,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';

const percent = (value: number) => `${formatNumber(value, 1)} %`;

/** A note on a formula's figures as a sentence. It never blocks. */
export function sanityText(note: SanityNote): string {
	switch (note.kind) {
		case 'salt-unusual':
			return `salt stands at ${percent(note.percent)}; usual is ${percent(note.least)} to ${percent(note.most)}.`;
		case 'no-leavening':
			return 'nothing in it makes it rise.';
		case 'yeast-high-for-prefermented':
			return `yeast stands at ${percent(note.percent)} fresh beside a pre-ferment; more than ${percent(note.most)} is a lot.`;
		case 'prefermented-flour-unusual':
			return `${percent(note.percent)} of the flour is in ${note.build}; more than ${percent(note.most)} is rare for its kind.`;
		case 'seed-unusual':
			return `${note.build} is seeded with ${percent(note.percent)} of its flour; usual is ${percent(note.least)} to ${percent(note.most)}.`;
		case 'hydration-unusual':
			return `water stands at ${percent(note.percent)}; usual is ${percent(note.least)} to ${percent(note.most)}.`;
	}
}

/** Yeast that is far too little for the times of its dough, as a sentence. It never blocks. */
export function littleYeastText(
	{ percent: has, usualPercent, minutes, referenceCelsius }: LittleYeast,
	units: UnitChoice
): string {
	const at = formatTemperature({ celsius: referenceCelsius }, 0, units);
	return `yeast stands at ${formatNumber(has, 2)} % fresh, all told, for ${formatMinutes(minutes)} at ${at}; some ${formatNumber(usualPercent, 1)} % is usual for that.`;
}
