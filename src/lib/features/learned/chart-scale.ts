import { differenceInFahrenheit, inFahrenheit, type UnitChoice } from '../../core/units/index.ts';

const round = (value: number) => Math.round(value * 100) / 100;

/** How the charts of a bakery read a temperature and a difference. */
export function chartScale(units: UnitChoice) {
	const inF = units.temperature === 'fahrenheit';
	return {
		name: inF ? '°F' : '°C',
		point: (celsius: number) => round(inF ? inFahrenheit({ celsius }) : celsius),
		difference: (kelvins: number) => round(inF ? differenceInFahrenheit({ kelvins }) : kelvins)
	};
}
