import { ok, type Result } from '../../core/result.ts';
import {
	fahrenheit,
	parseAmount,
	parseNumber,
	parseWithin,
	unitNamed,
	type NumberLimits,
	type ParseFailure
} from '../../core/units/index.ts';

/** What commas in the numbers of a table are, by the numbers that leave no doubt. */
export type Commas = 'decimals' | 'thousands' | 'in-doubt';

/** "0,74" and "24,6918" can only be decimals; beside "35.2" a comma can only stand between thousands. Both in one table leave it in doubt. */
export function commasIn(numbers: readonly string[]): Commas {
	const decimals = numbers.some((text) => /^(?:0|\d+),(?:\d{1,2}|\d{4,})(?!\d)|^0,\d/.test(text));
	const points = numbers.some((text) => /\d\.\d/.test(text));
	if (decimals === points) return 'in-doubt';
	return decimals ? 'decimals' : 'thousands';
}

/** A number of a table with its commas told; one that is in doubt stays as it stands, and is asked about. */
export function withCommas(text: string, commas: Commas): string {
	const cell = text.trim();
	if (commas === 'in-doubt') return cell;
	return cell.replace(/(\d),(?=\d)/g, commas === 'decimals' ? '$1.' : '$1');
}

/** A cell as it is meant: the mark that keeps a sheet from calculating is no part of it. */
export function plainCell(cell: string): string {
	return cell.trim().replace(/^'(?=[=+\-@\t\r])/, '');
}

/** A number of a cell within limits, a unit at its end left away. */
export function numberOfCell(
	text: string,
	commas: Commas,
	limits: NumberLimits
): Result<number, ParseFailure> {
	return parseWithin(withCommas(text, commas).replace(/\s*(?:%|g|kg\/l)$/i, ''), limits);
}

/**
 * A temperature of a cell in degrees Celsius: in the unit that stands in it, otherwise in that of its column's head.
 * Example: "76 °F", or 76 under "Dough temperature (°F)", is 24.4.
 */
export function celsiusOfCell(
	text: string,
	head: string,
	commas: Commas
): Result<number, ParseFailure> {
	const own = /°?\s*([cf])$/i.exec(text.trim())?.[1];
	const unit = own ?? (/\(\s*°?\s*f(?:ahrenheit)?\s*\)/i.test(head) ? 'f' : 'c');
	const number = parseNumber(withCommas(text.replace(/°?\s*[cf]\s*$/i, ''), commas));
	if (!number.ok) return number;
	return ok(unit.toLowerCase() === 'f' ? fahrenheit(number.value).celsius : number.value);
}

/** To a millionth: what is finer came from turning shares into percents. */
export function toMillionth(value: number): number {
	return Math.round(value * 1e6) / 1e6;
}

/** A weight in grams: in the unit of its cell, otherwise in that of its column's head. */
export function gramsOfCell(text: string, head: string, commas: Commas): number | null {
	const read = parseAmount(withCommas(text, commas));
	if (!read.ok) return null;
	if (read.value.kind === 'mass') return read.value.grams > 0 ? read.value.grams : null;
	if (read.value.kind !== 'number' || !(read.value.value > 0)) return null;
	const unit = unitNamed(/\(([^()]*)\)\s*$/.exec(head)?.[1] ?? 'g');
	return unit?.of === 'mass' ? read.value.value * unit.grams : null;
}
