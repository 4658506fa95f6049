import { Kernel } from './kernel.ts';
import { bytesOf } from './memory.ts';
import type { Row } from './row.ts';

/** How long the rows of these tests are. */
export const LENGTH = 60;
export const kernel = new Kernel(40 * bytesOf(4 * LENGTH + 32, 4));
export const [row, other, third, into, met, units] = Array.from({ length: 6 }, () =>
	kernel.row(LENGTH)
) as [Row, Row, Row, Row, Row, Row];
export const room = kernel.row(4 * LENGTH + 32);
export const short = kernel.shortRow(LENGTH);

/** What a row is after something was done to each number of a stretch; all else stays. */
export const changed = (
	before: readonly number[],
	{ from, to }: { readonly from: number; readonly to: number },
	change: (was: number, t: number) => number
) => before.map((was, t) => (t >= from && t <= to ? change(was, t) : was));
export const within = (values: readonly number[], { from, to }: { from: number; to: number }) =>
	values.map((value, t) => ({ value, t })).filter(({ t }) => t >= from && t <= to);
