import type {
	FormulaLine,
	Ingredient,
	ResolvedStage,
	RollingRange,
	Step
} from '../formula/index.ts';
import type { Share } from '../units/index.ts';
import { USUAL_FAT_GRAMS_PER_CUBIC_CM, type TurnAsked } from './turn-sizes.ts';

/** The fat that a dough is laminated with. */
export interface RolledIn {
	readonly names: readonly string[];
	readonly percentOfFlour: number;
	readonly shareOfDough: Share;
	readonly gramsPerCubicCm: number;
	/** Whether somebody weighed a litre of it. */
	readonly isWeighed: boolean;
	/** Between what temperatures all of it rolls out; null where nobody said. */
	readonly rolling: RollingRange | null;
}

const ROLLED: FormulaLine['addition'] = 'roll-in';

/**
 * Gives the fat that is rolled into a dough; null for a dough that has none.
 *
 * Model: what is added to be rolled in; of several fats the narrowest range of temperatures counts, and the first density
 * that is known. Range: any resolved dough. Source: definition. Failures: none.
 * Example: a plate of butter at 52 % of flour in a dough of 219 % is 23.7 % of the dough.
 */
export function rolledInOf(final: ResolvedStage): RolledIn | null {
	const lines = final.lines.filter(({ addition }) => addition === ROLLED);
	const stages = final.stages.filter(({ addition }) => addition === ROLLED);
	const percentOfFlour = [...lines, ...stages].reduce((all, one) => all + one.percentOfFlour, 0);
	if (!(percentOfFlour > 0)) return null;
	const fats: readonly Ingredient[] = [
		...lines.map(({ ingredient }) => ingredient),
		...stages.flatMap((stage) => stage.lines.map(({ ingredient }) => ingredient))
	].filter(({ kind }) => kind === 'fat');
	const weighed = fats.find(({ density }) => density !== null)?.density ?? null;
	return {
		names: [...lines.map(({ ingredient }) => ingredient.name), ...stages.map(({ name }) => name)],
		percentOfFlour,
		shareOfDough: { share: percentOfFlour / final.percentOfFlour },
		gramsPerCubicCm: weighed?.kilogramsPerLitre ?? USUAL_FAT_GRAMS_PER_CUBIC_CM,
		isWeighed: weighed !== null,
		rolling: narrowest(fats.flatMap(({ rolling }) => rolling ?? []))
	};
}

function narrowest(ranges: readonly RollingRange[]): RollingRange | null {
	if (ranges.length === 0) return null;
	return {
		fromCelsius: Math.max(...ranges.map(({ fromCelsius }) => fromCelsius)),
		toCelsius: Math.min(...ranges.map(({ toCelsius }) => toCelsius)),
		meltsAtCelsius: Math.min(...ranges.map(({ meltsAtCelsius }) => meltsAtCelsius))
	};
}

/** The percentage of flour that makes a fat so large a share of the whole dough; the other lines keep theirs. */
export function percentForShare(final: ResolvedStage, fat: RolledIn, share: Share): number {
	const others = final.percentOfFlour - fat.percentOfFlour;
	return (others * share.share) / (1 - share.share);
}

/** The turns of a chain of steps, in their order. */
export function turnsOf(steps: readonly Step[]): readonly TurnAsked[] {
	return steps.flatMap((step) =>
		step.kind === 'hands-on' && step.detail.kind === 'turn'
			? [{ turn: step.detail.turn, rolledToMm: step.detail.rolledToMm ?? null }]
			: []
	);
}

/** The warmest that pieces of a chain stand to proof, where that is too warm for the fat in them; null where it is not. */
export function proofTooWarm(steps: readonly Step[], rolling: RollingRange | null): number | null {
	if (!rolling) return null;
	const proofs = steps.flatMap((step) =>
		step.kind === 'wait' && step.activity === 'proof'
			? step.legs.map(({ ambientCelsius }) => ambientCelsius)
			: []
	);
	const warmest = Math.max(...proofs, -Infinity);
	return warmest >= rolling.meltsAtCelsius ? warmest : null;
}
