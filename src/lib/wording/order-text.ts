import { missOf } from '../core/mixing/index.ts';
import type { WaterOrder } from '../core/heat/index.ts';
import { assertNever } from '../core/result.ts';
import {
	formatDifference,
	formatMass,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';

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

/** What to pour for a mix; parts of nothing are left out. `tapName` tells how warm the tap is. */
export function poursOf(order: WaterOrder, tapName: string, units: UnitChoice): readonly Pour[] {
	const parts = (all: readonly (readonly [name: string, grams: number])[]) =>
		all.filter(([, grams]) => grams >= 1).map(([name, grams]) => pour(name, grams, units));
	switch (order.kind) {
		case 'blend':
		case 'too-warm':
			return parts([
				['cold tap', order.cold.grams],
				['hot tap', order.hot.grams]
			]);
		case 'chilled':
			return parts([
				['chilled', order.chilled.grams],
				['cold tap', order.cold.grams]
			]);
		case 'ice':
			return parts([
				[order.of === 'chilled' ? 'chilled' : tapName, order.cold.grams],
				['ice', order.ice.value]
			]);
		case 'too-cold-for-ice':
			return parts([
				[order.of === 'chilled' ? 'chilled' : tapName, order.cold.grams],
				['ice', order.ice.grams]
			]);
		case 'liquid':
			return parts(order.parts.map(({ name, mass }) => [name, mass.grams]));
		default:
			return assertNever(order);
	}
}

/** Whether the order takes ice. */
export function usesIce(order: WaterOrder): boolean {
	return order.kind === 'ice' || order.kind === 'too-cold-for-ice';
}

/** Whether the order misses its target. */
export function isMissed(order: WaterOrder): boolean {
	return missOf(order) !== null;
}

/** Why the plain tap is the answer where another temperature was wanted; null where it was not, or is. */
export function plainTapText(
	order: WaterOrder,
	wantedCelsius: number,
	waterDegreesPerDough: number,
	units: UnitChoice
): string | null {
	const off = order.temperature.celsius - wantedCelsius;
	if (order.kind !== 'blend' || Math.abs(off) < LEAST_TOLD_KELVINS) return null;
	const moved = formatDifference({ kelvins: Math.abs(off) / waterDegreesPerDough }, 1, units);
	return `The plain cold tap does: the dough would be ${moved} ${off < 0 ? 'warmer' : 'colder'} with water at ${formatTemperature({ celsius: wantedCelsius }, 1, units)}.`;
}

/** Less is not seen on a bench thermometer. */
const LEAST_TOLD_KELVINS = 0.1;

/** What cannot be reached and by how much the dough will miss; null when all is well. */
export function missText(
	order: WaterOrder,
	iceMostShare: number,
	units: UnitChoice
): string | null {
	const miss = missOf(order);
	if (!miss) return null;
	const off = formatDifference({ kelvins: Math.abs(miss.kelvins) }, 1, units);
	const comes = `so the dough comes out ${off} too ${miss.kelvins > 0 ? 'warm' : 'cold'}`;
	switch (order.kind) {
		case 'too-cold-for-ice':
			return iceMostShare > 0
				? `Ice is capped at ${formatNumber(iceMostShare * 100, 0)} % of the water here, ${comes}.`
				: `There is no ice in the house, ${comes}.`;
		case 'too-warm':
			return order.limit === 'yeast'
				? `Water over ${formatTemperature(order.temperature, 0, units)} does not meet yeast, ${comes}.`
				: `The hot tap gives ${formatTemperature(order.temperature, 0, units)}, ${comes}.`;
		case 'liquid':
			return `${formatTemperature(order.temperature, 0, units)} is as far as ${order.name} goes, ${comes}.`;
		default:
			return null;
	}
}
