import { inPounds, type Mass } from './mass.ts';
import {
	differenceInFahrenheit,
	inFahrenheit,
	type Temperature,
	type TemperatureDifference
} from './temperature.ts';

/** How the bakery reads its figures. */
export interface UnitChoice {
	readonly mass: 'metric' | 'imperial';
	readonly temperature: 'celsius' | 'fahrenheit';
}

export const METRIC: UnitChoice = { mass: 'metric', temperature: 'celsius' };

const THIN_SPACE = '\u2009';
const MINUS = '\u2212';

/** A number with fixed decimals, thin spaces between thousands and a real minus sign. */
export function formatNumber(value: number, decimals: number): string {
	const fixed = Math.abs(value).toFixed(decimals);
	const [whole = '0', fraction] = fixed.split('.');
	const grouped = whole.length > 4 ? whole.replace(/\B(?=(\d{3})+$)/g, THIN_SPACE) : whole;
	const negative = value < 0 && Number(fixed) !== 0;
	return (negative ? MINUS : '') + grouped + (fraction === undefined ? '' : `.${fraction}`);
}

const OUNCES_IN_POUND = 16;

/** "21 lb 10.4 oz": pounds as they are counted out, and the rest to a tenth of an ounce. */
function poundsAndOunces(ounces: number): string {
	// Rounded first, so that 15.97 oz become another pound and not 16.0 oz.
	const tenths = Math.round(Math.abs(ounces) * 10);
	const pounds = Math.floor(tenths / (10 * OUNCES_IN_POUND));
	const rest = (tenths - pounds * 10 * OUNCES_IN_POUND) / 10;
	const sign = ounces < 0 ? MINUS : '';
	const whole = `${sign}${formatNumber(pounds, 0)} lb`;
	return rest === 0 ? whole : `${whole} ${formatNumber(rest, Number.isInteger(rest) ? 0 : 1)} oz`;
}

/** A mass as a baker reads it: grams below 10 kg, kilograms above; or pounds and ounces. */
export function formatMass(mass: Mass, decimals: number, units: UnitChoice = METRIC): string {
	if (units.mass === 'imperial') {
		const ounces = inPounds(mass) * OUNCES_IN_POUND;
		return Math.abs(ounces) < OUNCES_IN_POUND
			? `${formatNumber(ounces, 2)} oz`
			: poundsAndOunces(ounces);
	}
	if (Math.abs(mass.grams) < 10_000) return `${formatNumber(mass.grams, decimals)} g`;
	return `${formatNumber(mass.grams / 1000, Math.max(2, Math.min(3, decimals + 2)))} kg`;
}

/** A mass in a column of its likes: always kilograms (or pounds), so that sizes compare at a glance. */
export function formatBulk(mass: Mass, units: UnitChoice = METRIC): string {
	return units.mass === 'imperial'
		? `${formatNumber(inPounds(mass), 1)} lb`
		: `${formatNumber(mass.grams / 1000, 2)} kg`;
}

export function formatTemperature(
	temperature: Temperature,
	decimals = 1,
	units: UnitChoice = METRIC
): string {
	return units.temperature === 'fahrenheit'
		? `${formatNumber(inFahrenheit(temperature), decimals)} °F`
		: `${formatNumber(temperature.celsius, decimals)} °C`;
}

export function formatDifference(
	difference: TemperatureDifference,
	decimals = 1,
	units: UnitChoice = METRIC
): string {
	return units.temperature === 'fahrenheit'
		? `${formatNumber(differenceInFahrenheit(difference), decimals)} °F`
		: `${formatNumber(difference.kelvins, decimals)} °C`;
}

/** A duration in the words of the bench: "45 min", "3 h", "3 h 30". */
export function formatMinutes(minutes: number): string {
	const whole = Math.round(Math.abs(minutes));
	const sign = minutes < 0 && whole !== 0 ? MINUS : '';
	if (whole < 60) return `${sign}${whole} min`;
	const rest = whole % 60;
	const hours = Math.floor(whole / 60);
	return rest === 0 ? `${sign}${hours} h` : `${sign}${hours} h ${String(rest).padStart(2, '0')}`;
}
