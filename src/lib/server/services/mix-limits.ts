import { takesOf, type MixerTakes } from '../../core/bakery/index.ts';
import { figuresOf, resolveFormula, type Pantry } from '../../core/formula/index.ts';
import { isByHand, type Mixer } from '../../core/mixing/index.ts';
import type { MixLimits } from '../../core/production/index.ts';
import type { FormulaRevision } from '../db/formulas.ts';
import type { HandMixing } from '../db/of-entries.ts';

/** What each mixer takes of a dough, or what hands take of one that is mixed by hand. */
export function limitsOf(
	revision: FormulaRevision,
	{ mixers, handMixing }: { mixers: readonly Mixer[]; handMixing: HandMixing | null },
	pantry: Pantry
): MixLimits {
	const mostOfDough = revision.mostDoughGrams ?? Infinity;
	const within = ({ leastGrams, mostGrams }: MixerTakes) => ({
		least: { grams: leastGrams },
		most: { grams: Math.min(mostOfDough, mostGrams) }
	});
	const mostByHand = handMixing?.mostGrams ?? Math.max(0, ...mixers.map((one) => one.mostGrams));
	// Hands take as little as there is.
	const byHand = [within({ leastGrams: 0, mostGrams: mostByHand })];
	if (isByHand(revision.steps) || mixers.length === 0) return byHand;
	const resolved = mixers.some(({ stiff }) => stiff !== null)
		? resolveFormula(revision.formula, pantry)
		: null;
	const water = resolved?.ok ? figuresOf(resolved.value).effectiveHydration : null;
	return mixers.map((mixer) => within(takesOf(mixer, water)));
}
