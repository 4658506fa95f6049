import type { Pull } from '../../core/heat/index.ts';
import { formatDifference, formatTemperature, type UnitChoice } from '../../core/units/index.ts';
import type { WaterOfMix } from '../../core/mixing/index.ts';

/** What pulls less than this is not told by itself (our default). */
const LEAST_KELVINS = 0.25;
/** No more than so many are told (our default). */
const MOST_TOLD = 4;

/**
 * What a dough's water follows from, in degrees of dough: "Flour pulls it down 1.9, friction lifts it 3.5: water at
 * 19.6 °C".
 */
export function pullsText({ pulls, order, liquid }: WaterOfMix, units: UnitChoice): string {
	const told = pulls.filter(({ by }) => Math.abs(by.kelvins) >= LEAST_KELVINS).slice(0, MOST_TOLD);
	const rest = pulls
		.filter((pull) => !told.includes(pull))
		.reduce((total, { by }) => total + by.kelvins, 0);
	const parts = [
		...told.map((pull) => [nameOf(pull), pull.by.kelvins] as const),
		...(Math.abs(rest) >= LEAST_KELVINS ? [['the rest', rest] as const] : [])
	];
	const at = `${liquid.toLowerCase()} at ${formatTemperature({ celsius: order.temperature.celsius }, 1, units)}`;
	if (parts.length === 0) return `Everything is as warm as the dough is wanted: ${at}.`;
	const text = parts
		.map(([name, kelvins], index) => {
			const by = formatDifference({ kelvins: Math.abs(kelvins) }, 1, units).replace(/ °.$/, '');
			const verb = kelvins < 0 ? 'pulls it down' : 'lifts it';
			return `${index === 0 ? name.charAt(0).toUpperCase() + name.slice(1) : name} ${verb} ${by}`;
		})
		.join(', ');
	return `${text}: ${at}.`;
}

function nameOf({ of }: Pull): string {
	switch (of.kind) {
		case 'part':
			return of.name.charAt(0).toLowerCase() + of.name.slice(1);
		case 'bowl':
			return 'the bowl';
		case 'friction':
			return 'friction';
	}
}
