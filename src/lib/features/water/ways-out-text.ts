import { courseOf } from '../../core/bake-day/index.ts';
import type { MixWaterView } from '../../contracts/views.ts';
import type { WayOut } from '../../core/heat/index.ts';
import {
	formatDifference,
	formatMinutes,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../../core/units/index.ts';

/** How long the bulk of a dough takes when it comes out at a temperature; null without a bulk. */
function bulkMinutes(bulk: MixWaterView['bulk'], celsius: number): number | null {
	if (!bulk) return null;
	const course = courseOf(bulk.step, celsius);
	return course.ok ? (course.value.marks?.ripe ?? null) : null;
}

/** What a way out asks for, and what it costs. */
export function wayOutText(way: WayOut, mix: MixWaterView, units: UnitChoice): string {
	switch (way.kind) {
		case 'part': {
			const by = formatDifference({ kelvins: Math.abs(way.by.kelvins) }, 1, units);
			return `${way.name} ${by} ${way.by.kelvins < 0 ? 'colder' : 'warmer'}: move it to ${way.by.kelvins < 0 ? 'the cold' : 'the warm'} before the mix.`;
		}
		case 'friction':
			return `A shorter or slower mix with ${formatNumber(way.shareLess * 100, 0)} % less work; the dough then needs more folds.`;
		case 'target': {
			const celsius = mix.targetCelsius + way.by.kelvins;
			const out = formatTemperature({ celsius }, 1, units);
			const before = bulkMinutes(mix.bulk, mix.targetCelsius);
			const after = bulkMinutes(mix.bulk, celsius);
			const bulk =
				before !== null && after !== null
					? `, and its bulk is ripe after ${formatMinutes(after)} instead of ${formatMinutes(before)}`
					: '';
			return `Let it come out at ${out}${bulk}.`;
		}
	}
}
