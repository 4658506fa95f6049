import { doneForecast } from '../core/baking/index.ts';
import type { BakingTask } from '../core/planning/index.ts';
import {
	formatMinutes,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../core/units/index.ts';
import { clockText } from './time-text.ts';

/** When bread is done by a core that was read some minutes into its bake, or why that cannot be told. */
export function coreText(
	{ step, celsius }: Pick<BakingTask, 'step' | 'celsius'>,
	bakesMs: number,
	read: { readonly celsius: number; readonly atMinutes: number },
	units: UnitChoice,
	zone: string
): string {
	const forecast = doneForecast(step, celsius[0] ?? 25, read);
	if (forecast.ok) {
		const { minutesLeft, least, most } = forecast.value;
		const doneMs = bakesMs + (read.atMinutes + minutesLeft) * 60_000;
		return `Done about ${clockText(doneMs, zone)}: ${formatMinutes(minutesLeft)} more, between ${formatNumber(least, 0)} and ${formatNumber(most, 0)} min.`;
	}
	switch (forecast.error.kind) {
		case 'done':
			return `It is at ${formatTemperature({ celsius: step.coreCelsius }, 0, units)} or above: done, as far as the core tells.`;
		case 'too-early':
			return `Too early to tell. Read again from ${formatTemperature({ celsius: forecast.error.fromCelsius }, 0, units)} on.`;
		case 'beyond-reason':
			return 'No core reads that now. Look at the probe, and read again.';
	}
}
