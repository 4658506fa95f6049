import type { RunSheetView } from '../contracts/views.ts';
import { formatTemperature, type UnitChoice } from '../core/units/index.ts';
import { capital } from './capital.ts';
import { poursOf } from './order-text.ts';
import type { ListEntry } from './list-entry.ts';

/** What to pour for a mix that is still to come, by the temperatures of this moment; empty where nothing is poured. */
export function waterLine(
	{ mixes }: ListEntry,
	waters: RunSheetView['waters'],
	units: UnitChoice
): string {
	const found = waterOf({ mixes }, waters);
	if (!found) return '';
	const pours = poursOf(found.order, 'tap', units).map(
		// A figure is not parted from its unit at the end of a line.
		({ name, figure, unit }) => `${name} ${figure}\u00A0${unit}`
	);
	return `${capital(found.liquid)} at ${formatTemperature(found.order.temperature, 1, units)}: ${pours.join(', ')}`;
}

/** The water of what is mixed; null where it is no mix, or none is poured. */
export function waterOf(
	{ mixes }: Pick<ListEntry, 'mixes'>,
	waters: RunSheetView['waters']
): RunSheetView['waters'][number] | null {
	return (
		waters.find(
			({ recipeId, ordinal }) => recipeId === mixes?.recipeId && ordinal === mixes.ordinal
		) ?? null
	);
}
