import { LIFT, rateAt } from '../fermentation/index.ts';
import { stagesInOrder, type ResolvedFormula, type Step } from '../formula/index.ts';

/** A dough whose yeast is far too little for the time its book gives it. */
export interface LittleYeast {
	/** All its yeast as fresh, in percent of the flour. */
	readonly percent: number;
	/** What such a time usually takes. */
	readonly usualPercent: number;
	readonly minutes: number;
	readonly referenceCelsius: number;
}

/** Percent of fresh yeast times the minutes of a bulk at 26 degrees, over the usual doughs (our default). */
const USUAL_PERCENT_MINUTES = 130;
const AT_CELSIUS = 26;
/** Yeast that fermented in a pre-ferment has grown: it counts so many times (our default). */
const GROWN = 3;
/** Doughs differ; only what lies under so small a share of the usual is told (our default). */
const FAR_SHARE = 1 / 4;

/**
 * Gives the yeast of a dough where it is far too little for its bulk; null where it may do.
 *
 * Model: yeast times time stays the same at one temperature, by the lift curve of baker's yeast; yeast that went through
 * a pre-ferment counts threefold. Only far less than usual is told, since doughs differ by a factor of two.
 * Range: a dough that yeast alone lifts, with a bulk by the clock of yeast; others are not judged. Source: our defaults;
 * rosso-1993. Failures: none.
 * Example: 0.03 % for 90 minutes at 26 degrees, where some 1.4 % is usual; half a percent for it is not told.
 */
export function littleYeastForTimes(
	{ final }: ResolvedFormula,
	steps: readonly Step[]
): LittleYeast | null {
	const clocks = steps.flatMap((step) =>
		step.kind === 'wait' && step.clock?.leavening === 'bakers-yeast' ? [step.clock] : []
	);
	const [clock] = clocks;
	if (!clock) return null;
	let percent = 0;
	let counted = 0;
	for (const stage of stagesInOrder(final))
		for (const { percentOfFlour, ingredient } of stage.lines) {
			if (ingredient.kind === 'culture') return null;
			const fresh = percentOfFlour * ingredient.yeastFreshEquivalent;
			percent += fresh;
			counted += stage.kind === 'build' ? fresh * GROWN : fresh;
		}
	const lift = LIFT['bakers-yeast'];
	const minutes = clocks.reduce((total, { ripeMinutes }) => total + ripeMinutes, 0);
	const pace = rateAt(lift, clock.referenceCelsius) / rateAt(lift, AT_CELSIUS);
	const usualPercent = USUAL_PERCENT_MINUTES / (minutes * pace);
	return percent > 0 && counted < usualPercent * FAR_SHARE
		? { percent, usualPercent, minutes, referenceCelsius: clock.referenceCelsius }
		: null;
}
