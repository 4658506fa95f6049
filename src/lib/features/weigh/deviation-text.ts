import type { Deviation } from '../../core/weighing/index.ts';
import { formatNumber } from '../../core/units/index.ts';

/** What a weight that is not what was wanted does to the dough, in words. */
export function deviationText(name: string, { percent, times, effect }: Deviation): string {
	const share = `${formatNumber(Math.abs(times - 1) * 100, 0)} % ${times > 1 ? 'more' : 'less'} than is wanted`;
	const ofFlour = percent
		? `: ${formatNumber(percent.got, 2)} % of the flour for ${formatNumber(percent.wanted, 2)}`
		: '';
	return `${name}, ${share}${ofFlour}. ${EFFECTS[effect]}`;
}

const EFFECTS: Readonly<Record<Deviation['effect'], string>> = {
	saltier: 'It tastes of it, and the dough ripens more slowly.',
	'less-salt': 'It tastes flat, and the dough ripens faster and stays slacker.',
	faster: 'The dough ripens sooner: look at it earlier than the clock says.',
	slower: 'The dough ripens later: give it longer than the clock says.',
	wetter: 'The dough is softer.',
	drier: 'The dough is stiffer.',
	other: 'It changes what the formula says.'
};
