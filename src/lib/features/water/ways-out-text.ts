import type { WaitStep } from '../../core/formula/index.ts';
import type { WaterOfMix } from '../../core/mixing/index.ts';
import { timeFactorOfYeast } from '../../core/fermentation/index.ts';
import { courseOf } from '../../core/ripening/index.ts';
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

/** What is mixed and misses its target: a dough, or a pre-ferment. */
export interface Missing {
	readonly water: WaterOfMix | null;
	readonly targetCelsius: number;
	/** What it ferments in next; null for what does not. */
	readonly ferments: {
		readonly step: WaitStep;
		/** All its leavening, in percent of the flour as fresh; null where more than yeast lifts it. */
		readonly freshYeastPercent: number | null;
	} | null;
	readonly isPreferment: boolean;
}

/** Flakes melt in the mix, up to this share of the water. */
const MOST_FLAKES = 0.4;

/** The ways out where the water cannot reach a target. */
export function waysOf({ water }: Missing): readonly Way[] {
	if (!water) return [];
	const { order } = water;
	const flakes: Way[] =
		order.kind === 'too-cold-for-ice' && order.wantedIce.value <= MOST_FLAKES * water.water.value
			? [{ kind: 'flakes', grams: order.wantedIce.value }]
			: [];
	return [...flakes, ...water.waysOut];
}

/** How long it ferments when it comes out at a temperature; null without such a wait. */
function ripeMinutes(ferments: Missing['ferments'], celsius: number): number | null {
	if (!ferments) return null;
	const course = courseOf(ferments.step, celsius);
	return course.ok ? (course.value.marks?.ripe ?? null) : null;
}

/** What a way out asks for, and what it costs. */
export function wayOutText(way: Way, of: Missing, units: UnitChoice): string {
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
		case 'target':
			return movedTargetText(way.by.kelvins, of, units);
	}
}

function movedTargetText(byKelvins: number, of: Missing, units: UnitChoice): string {
	const { targetCelsius, ferments, isPreferment } = of;
	const celsius = targetCelsius + byKelvins;
	const out = formatTemperature({ celsius }, 1, units);
	const before = ripeMinutes(ferments, targetCelsius);
	const after = ripeMinutes(ferments, celsius);
	if (before === null || after === null) return `Let it come out at ${out}.`;
	const ready = isPreferment ? 'it is ripe' : 'its bulk is ready';
	const yeast = ferments?.freshYeastPercent ?? null;
	// With less yeast in the warm, or more in the cold, it keeps its time; where that may be told.
	const kept = yeast === null ? null : timeFactorOfYeast(yeast, (yeast * after) / before);
	const change = Math.round((after / before - 1) * 100);
	const keeping =
		kept?.ok && change !== 0
			? `; with ${Math.abs(change)} % ${change < 0 ? 'less' : 'more'} yeast it keeps its time`
			: '';
	return `Let it come out at ${out}, and ${ready} after ${formatMinutes(after)} instead of ${formatMinutes(before)}${keeping}.`;
}
