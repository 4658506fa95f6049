import type { PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { LineEdit } from './edit-line.ts';
import type { FigureKey } from './explained-figures.ts';
import { figuresOf } from './figures.ts';
import type { RebalanceMove } from './rebalance.ts';
import { flourOf, type ResolvedFormula, type ResolvedLine } from './resolve.ts';

/** What brings a figure of a formula to a wanted number: one line of the final dough, or flour of its pre-ferment. */
export type FigureMove =
	| { readonly kind: 'line'; readonly edit: LineEdit }
	| {
			readonly kind: 'rebalance';
			readonly preparationId: PreparationId;
			readonly move: RebalanceMove;
	  };

export type FigureFailure =
	/** Nothing in the final dough that would bring it there, or more than one thing that could. */
	| { readonly kind: 'not-settable'; readonly figure: FigureKey }
	| { readonly kind: 'line-negative'; readonly line: string; readonly percent: number };

/**
 * Gives what brings a figure to a number that was typed for it.
 *
 * Model: water, salt and yeast of the final dough give and take what is missing, the largest line of theirs; the
 * pre-fermented flour moves in the one pre-ferment. Each figure is a straight line in what moves.
 * Range: percent of total flour. Source: domain arithmetic (editing). Failures: as `FigureFailure`; what the edit
 * itself refuses is told when it is made.
 * Example: 78 % typed for a hydration of 76 takes the water of the final dough from 52 to 54 %.
 */
export function figureMove(
	resolved: ResolvedFormula,
	figure: FigureKey,
	percent: number
): Result<FigureMove, FigureFailure> {
	const missing = percent - figuresOf(resolved)[figure];
	switch (figure) {
		case 'hydration':
		case 'hydrationWithoutSoakers':
		case 'effectiveHydration':
			return byLine(resolved, figure, missing, ({ ingredient }) =>
				ingredient.kind === 'water' ? ingredient.composition.water : 0
			);
		case 'salt':
			return byLine(resolved, figure, missing, ({ ingredient }) =>
				ingredient.kind === 'salt' ? 1 : 0
			);
		case 'yeastFreshEquivalent':
			return byLine(resolved, figure, missing, ({ ingredient }) => ingredient.yeastFreshEquivalent);
		case 'prefermentedFlour': {
			const [only, ...others] = resolved.final.stages.filter(({ kind }) => kind === 'build');
			return only?.preparation && others.length === 0
				? ok({
						kind: 'rebalance',
						preparationId: only.preparation.id,
						move: { kind: 'prefermented-flour', percent: flourOf(only) + missing }
					})
				: fail({ kind: 'not-settable', figure });
		}
		default:
			return fail({ kind: 'not-settable', figure });
	}
}

function byLine(
	{ final }: ResolvedFormula,
	figure: FigureKey,
	missing: number,
	worth: (line: ResolvedLine) => number
): Result<FigureMove, FigureFailure> {
	const [line] = final.lines
		.filter((each) => worth(each) > 0)
		.sort((a, b) => b.percentOfFlour - a.percentOfFlour);
	if (!line) return fail({ kind: 'not-settable', figure });
	const { ingredient, addition, percentOfFlour } = line;
	const wanted = percentOfFlour + missing / worth(line);
	return wanted > 0
		? ok({
				kind: 'line',
				edit: {
					preparationId: null,
					ingredient,
					addition,
					percentOfFlour: wanted,
					flour: 'balance'
				}
			})
		: fail({ kind: 'line-negative', line: ingredient.name, percent: wanted });
}
