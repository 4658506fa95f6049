import type { BathUse } from '../core/formula/index.ts';
import { formatNumber } from '../core/units/index.ts';

/** How a bath is used, in a line; empty where nobody said. */
export function bathUseText(bath: BathUse | undefined): string {
	const { dipSeconds = null, renewAfterMinutes = null } = bath ?? {};
	return [
		...(dipSeconds === null ? [] : [`each piece ${formatNumber(dipSeconds, 0)} s in it`]),
		...(renewAfterMinutes === null
			? []
			: [`made anew after ${formatNumber(renewAfterMinutes, 0)} min`])
	].join(', ');
}
