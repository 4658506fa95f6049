import type { BakeDayInput, WhatIf } from '../../core/planning/index.ts';
import { formatNumber } from '../../core/units/index.ts';

/** What the day is looked at under, in words. */
export function whatIfText(what: WhatIf, input: BakeDayInput): string {
	switch (what.kind) {
		case 'room':
			return `the rooms are ${formatNumber(Math.abs(what.kelvins), 0)} degrees ${what.kelvins > 0 ? 'warmer' : 'colder'}`;
		case 'orders':
			return `${dropName(what.dropId, input)} ${what.times === 0 ? 'takes nothing' : what.times === 2 ? 'orders twice as much' : `orders ${formatNumber(what.times, 1)} times as much`}`;
		case 'leaven':
			return `${formatNumber(100 * what.share, 0)} % of the yeast and culture`;
	}
}

export function dropName(dropId: string, input: BakeDayInput): string {
	return input.drops.find(({ id }) => id === dropId)?.name ?? 'A drop';
}
