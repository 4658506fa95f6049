import { fail, ok, type Result } from '../result.ts';

/** Fresh-equivalent yeast between which time goes inversely with it, in percent of the dough's flour. */
export const YEAST_RANGE = { least: 0.5, most: 7.5 } as const;

export type LeavenFailure = {
	readonly kind: 'outside-the-rule';
	readonly percentOfFlour: number;
	readonly least: number;
	readonly most: number;
};

/**
 * Gives by how much the time to ripe changes when a dough gets another amount of baker's yeast.
 *
 * Model: time goes inversely with yeast. Range: both amounts, as fresh, from 0.5 to 7.5 % of the flour.
 * Source: domain (amount of leaven). Failures: `outside-the-rule` with the amount that lies outside; less
 * yeast than that grows before it lifts, and its time is that of a culture.
 * Example: 2 % instead of 1 % takes half the time.
 */
export function timeFactorOfYeast(
	percentOfFlour: number,
	newPercentOfFlour: number
): Result<number, LeavenFailure> {
	for (const percent of [percentOfFlour, newPercentOfFlour])
		if (!(percent >= YEAST_RANGE.least && percent <= YEAST_RANGE.most))
			return fail({ kind: 'outside-the-rule', percentOfFlour: percent, ...YEAST_RANGE });
	return ok(percentOfFlour / newPercentOfFlour);
}
