import { mixesOf } from './mixes.ts';
import type { Dough, ProductionInput } from './day.ts';

/** In how many mixes a dough of a date could be made otherwise. */
export interface MixChoices {
	/** As few as fit the mixers. */
	readonly fewest: number;
	/** Whether one more than now is not too small for a mixer. */
	readonly oneMore: boolean;
}

/**
 * What a baker can choose between for the number of a dough's mixes.
 * Model: as `mixesOf`. Range: a dough of the production that was worked out from the input. Source: as `mixesOf`.
 * Failures: none; where no other number can be worked out there is no choice.
 * Example: 40 loaves that fit a 60 kg mixer at once can be made in two mixes, and the fewest are one.
 */
export function mixChoicesOf(
	{ resolved, products, demands, mixes, limits }: Dough,
	{ scales, made }: Pick<ProductionInput, 'scales' | 'made'>
): MixChoices {
	const begun = made.mixes.filter((mix) => mix.resolved.formula.id === resolved.formula.id);
	const countIf = (atLeast: number) => {
		const doughs = products.map(({ product }) => product);
		const found = mixesOf(resolved, doughs, demands, limits, scales, begun, atLeast);
		return found.ok ? found.value.length : mixes.length;
	};
	return { fewest: countIf(1), oneMore: countIf(mixes.length + 1) > mixes.length };
}
