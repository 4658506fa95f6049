import type { OverView } from '../contracts/views.ts';
import { formatMass, type UnitChoice } from '../core/units/index.ts';
import { mixTitle } from './mix-title.ts';

/** How much of something that was made is not ordered any more, as a sentence. */
export function overText(over: OverView, units: UnitChoice): string {
	const mass = formatMass({ grams: over.grams }, 0, units);
	const pieces = over.pieces ? `, ${over.pieces.count} of ${over.pieces.name}` : '';
	return `${mixTitle(over)} is made; ${mass} of it${pieces} are more than is ordered now.`;
}
