import type { WaterOfMix } from '../../core/mixing/index.ts';
import type { WaterSchool } from '../../core/heat/index.ts';
import { formatDifference, formatNumber, type UnitChoice } from '../../core/units/index.ts';

/** Schools closer than this in the dough agree, for a bench thermometer (our default). */
const SAME_KELVINS = 0.3;

/** Whether the rules agree with the balance of heat, told in degrees of dough, and why not when they do not. */
export function schoolDifference(water: WaterOfMix, units: UnitChoice): string {
	const balance = water.schools['heat-balance'].value;
	const inDough = (school: WaterSchool) =>
		(water.schools[school].value - balance) / water.waterDegreesPerDough;
	const rule = inDough('factor-rule');
	const base = inDough('base-temperature');
	if (Math.abs(rule) < SAME_KELVINS && Math.abs(base) < SAME_KELVINS)
		return 'The three agree to what a bench thermometer can tell.';
	const miss = (kelvins: number) =>
		`${formatDifference({ kelvins: Math.abs(kelvins) }, 1, units)} ${kelvins > 0 ? 'warmer' : 'colder'}`;
	const share = formatNumber(water.prefermentShare * 100, 0);
	const parts: string[] = [];
	if (Math.abs(rule) >= SAME_KELVINS)
		parts.push(
			`The factor rule would bring the dough out ${miss(rule)} than the balance of heat: it weighs all parts alike` +
				(water.prefermentShare > 0
					? `, and the pre-ferment is ${share} % of this dough.`
					: ', and water holds more heat than flour.')
		);
	if (Math.abs(base) >= SAME_KELVINS)
		parts.push(
			`The base would bring it out ${miss(base)}` +
				(water.prefermentShare > 0 ? ': it leaves the pre-ferment out.' : '.')
		);
	return parts.join(' ');
}
