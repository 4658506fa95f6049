import type { Pool } from '../schedule/index.ts';
import type { Grid } from './grid.ts';
import type { TakenElsewhere } from './taken-elsewhere.ts';

/**
 * How many of something countable there are when, what other dates have of it left out.
 * Model: what is taken for a part of a unit is taken for all of it. Range: any uses; where more is taken than there is,
 * none is left. Source: our default. Failures: none.
 * Example: of 40 baskets of which another date has 30 until 04:00, 10 are there until 04:00 and 40 from then on.
 */
export function leftOf(
	{
		of,
		id,
		total
	}: { readonly of: TakenElsewhere['of']; readonly id: string; readonly total: number },
	elsewhere: readonly TakenElsewhere[],
	grid: Grid,
	horizon: number
): Pool['there'] {
	const within = (unit: number) => Math.min(horizon, Math.max(0, unit));
	const taken = elsewhere
		.filter((one) => one.of === of && one.id === id)
		.map(({ fromMs, toMs, amount }) => ({
			from: within(grid.floor(fromMs)),
			to: within(grid.ceil(toMs)),
			amount
		}));
	const turns = [...new Set([0, horizon, ...taken.flatMap(({ from, to }) => [from, to])])].sort(
		(a, b) => a - b
	);
	return turns.slice(0, -1).map((from, at) => ({
		from,
		to: turns[at + 1] ?? horizon,
		amount: Math.max(
			0,
			total -
				taken
					.filter((one) => one.from <= from && one.to > from)
					.reduce((sum, { amount }) => sum + amount, 0)
		)
	}));
}
