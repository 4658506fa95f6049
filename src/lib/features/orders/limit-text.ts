import type { CultureLimit } from '../../contracts/views.ts';
import type { OrdersLimit } from '../../core/planning/index.ts';
import { shortOfCulture, type Telling } from '../../wording/culture-text.ts';

/** A limit that orders come to, in words: the figures as they stand. */
export function limitText(
	limit: OrdersLimit | CultureLimit,
	tell: Telling
): { readonly about: string; readonly text: string } {
	switch (limit.kind) {
		case 'culture':
			return { about: limit.name, text: shortOfCulture(limit, tell) };
		case 'vessels':
			return {
				about: limit.name,
				text: `${limit.wanted} are wanted and there are ${limit.owned}: some are used twice.`
			};
		case 'no-deck':
			return {
				about: limit.product,
				text: 'no deck takes it. Say in the book how many lie on one, or which ground a piece takes.'
			};
		case 'decks':
			return {
				about: 'Ovens',
				text: `${limit.loads} loads take ${hoursText(limit.minutesOfEach)} of each of ${limit.decks === 1 ? 'one deck' : `${limit.decks} decks`}; somebody is at work for ${hoursText(limit.thereMinutes)} in the 24 hours before the last drop.`
			};
		case 'hands':
			return {
				about: 'Hands',
				text: `the work of hands comes to ${hoursText(limit.workMinutes)}; those at work in the 24 hours before the last drop have ${hoursText(limit.thereMinutes)} together.`
			};
	}
}

function hoursText(minutes: number): string {
	const hours = Math.floor(minutes / 60);
	return hours === 0 ? `${minutes} min` : `${hours} h ${minutes % 60} min`;
}
