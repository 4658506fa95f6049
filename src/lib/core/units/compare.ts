import type { Duration } from './duration.ts';
import type { Mass } from './mass.ts';
import type { Temperature, TemperatureDifference } from './temperature.ts';

type Quantity = Mass | Temperature | TemperatureDifference | Duration;

function size(quantity: Quantity): number {
	if ('grams' in quantity) return quantity.grams;
	if ('celsius' in quantity) return quantity.celsius;
	if ('kelvins' in quantity) return quantity.kelvins;
	return quantity.minutes;
}

/** True when `a` is less than `b`. Both must be of one kind. */
export function isLess<Q extends Quantity>(a: Q, b: NoInfer<Q>): boolean {
	return size(a) < size(b);
}

/** True when `a` and `b` lie no further apart than `within`, which is in the same unit. */
export function isClose<Q extends Quantity>(a: Q, b: NoInfer<Q>, within: number): boolean {
	return Math.abs(size(a) - size(b)) <= within;
}
