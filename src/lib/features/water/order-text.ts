import type { WaterOrder } from '../../core/heat/index.ts';
import {
	formatDifference,
	formatMass,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../../core/units/index.ts';

/** One thing to pour, with its large figure. */
export interface Pour {
	readonly name: string;
	readonly figure: string;
	readonly unit: string;
}

/** Kilograms to ten grams, as a floor scale shows them; below a kilogram, grams. */
function pour(name: string, grams: number, units: UnitChoice): Pour {
	const text =
		units.mass === 'metric' && grams >= 1000
			? `${formatNumber(grams / 1000, 2)} kg`
			: formatMass({ grams }, 0, units);
	const at = text.lastIndexOf(' ');
	return { name, figure: text.slice(0, at), unit: text.slice(at + 1) };
}

/** What to pour for a mix; parts of nothing are left out. */
export function poursOf(order: WaterOrder, tapName: string, units: UnitChoice): readonly Pour[] {
	switch (order.kind) {
		case 'blend':
		case 'too-warm':
			return [
				pour('cold tap', order.cold.grams, units),
				...(order.hot.grams >= 1 ? [pour('hot tap', order.hot.grams, units)] : [])
			];
		case 'ice':
			return [pour(tapName, order.cold.grams, units), pour('ice', order.ice.value, units)];
		case 'too-cold-for-ice':
			return [pour(tapName, order.cold.grams, units), pour('ice', order.ice.grams, units)];
	}
}

/** What cannot be reached, by how much the dough will miss, and what would help; null when all is well. */
export function missText(
	order: WaterOrder,
	iceMostShare: number,
	units: UnitChoice
): string | null {
	if (order.kind === 'too-cold-for-ice') {
		const share = formatNumber(iceMostShare * 100, 0);
		return (
			`Ice is capped at ${share} % of the water here, so the dough comes out ` +
			`${formatDifference(order.doughWarmerBy, 1, units)} too warm. ` +
			`Reaching the target would take ${formatMass({ grams: order.wantedIce.value }, 0, units)} of ice.`
		);
	}
	if (order.kind === 'too-warm') {
		const why =
			order.limit === 'yeast'
				? `Water over ${formatTemperature(order.temperature, 0, units)} does not meet yeast`
				: `The hot tap gives ${formatTemperature(order.temperature, 0, units)}`;
		return `${why}, so the dough comes out ${formatDifference(order.doughColderBy, 1, units)} too cold.`;
	}
	return null;
}
