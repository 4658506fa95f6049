import { courseOf } from '../../core/ripening/index.ts';
import type { MixWaterView } from '../../contracts/views.ts';
import type { WayOut } from '../../core/heat/index.ts';
import {
	formatDifference,
	formatMass,
	formatMinutes,
	formatNumber,
	formatTemperature,
	type UnitChoice
} from '../../core/units/index.ts';

/** A way out of a miss; more ice of another form is one that the core cannot see. */
export type Way = WayOut | { readonly kind: 'flakes'; readonly grams: number };

/** Flakes melt in the mix, up to this share of the water. */
const MOST_FLAKES = 0.4;

/** The ways out of a mix whose target its water cannot reach. */
export function waysOf(mix: MixWaterView): readonly Way[] {
	const { water } = mix;
	if (!water) return [];
	const { order } = water;
	const flakes: Way[] =
		order.kind === 'too-cold-for-ice' && order.wantedIce.value <= MOST_FLAKES * water.water.value
			? [{ kind: 'flakes', grams: order.wantedIce.value }]
			: [];
	return [...flakes, ...water.waysOut];
}

/** How long the bulk of a dough takes when it comes out at a temperature; null without a bulk. */
function bulkMinutes(bulk: MixWaterView['bulk'], celsius: number): number | null {
	if (!bulk) return null;
	const course = courseOf(bulk.step, celsius);
	return course.ok ? (course.value.marks?.ripe ?? null) : null;
}

/** What a way out asks for, and what it costs. */
export function wayOutText(way: Way, mix: MixWaterView, units: UnitChoice): string {
	switch (way.kind) {
		case 'flakes':
			return `${formatMass({ grams: way.grams }, 0, units)} of ice, as flakes that melt in the mix.`;
		case 'part': {
			const by = formatDifference({ kelvins: Math.abs(way.by.kelvins) }, 1, units);
			return `${way.name} ${by} ${way.by.kelvins < 0 ? 'colder' : 'warmer'}: move it to ${way.by.kelvins < 0 ? 'the cold' : 'the warm'} before the mix.`;
		}
		case 'bowl': {
			const by = formatDifference({ kelvins: Math.abs(way.by.kelvins) }, 1, units);
			return `The bowl ${by} ${way.by.kelvins < 0 ? 'colder: stand it in the cold room' : 'warmer: rinse it hot'} before the mix.`;
		}
		case 'friction': {
			const less =
				way.fastMinutesLess === null
					? `with ${formatNumber(way.shareLess * 100, 0)} % less work`
					: `${formatNumber(way.fastMinutesLess, 1)} min less on fast`;
			return `A shorter mix, ${less}; the dough then needs more folds.`;
		}
		case 'smaller-batch':
			return `A batch of ${formatNumber(way.share * 100, 0)} % in the same bowl, and another after it.`;
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
