import { laterThanOrdered, type BakeDayInput } from '../core/planning/index.ts';
import { formatMinutes } from '../core/units/index.ts';
import { clockText } from './time-text.ts';

/** What was agreed about a drop's time; '' where it is as ordered. */
export function agreedText(
	drop: { readonly dropId: string; readonly dueMs: number },
	input: Pick<BakeDayInput, 'drops'>,
	zone: string
): string {
	const minutes = laterThanOrdered(drop, input);
	return minutes === 0
		? ''
		: `${formatMinutes(minutes)} later than ordered (${clockText(drop.dueMs - minutes * 60_000, zone)}), to be agreed.`;
}
