import type { Right } from '../../contracts/rights.ts';

/** What reading a route asks for: a right, being signed in as anybody, or nothing. */
export type Asks = Right | 'signed-in' | 'nothing';

/**
 * What reading each route asks for, by its place in `src/routes`; what stands below a place asks for the same unless it has a
 * line of its own. A route without any is shut for everybody, and a test names it.
 */
const ASKS: Readonly<Record<string, Asks>> = {
	'/': 'signed-in',
	'/bake/[date]': 'signed-in',
	'/you': 'signed-in',
	'/hands': 'signed-in',
	'/sign-in': 'nothing',
	'/let-in': 'nothing',
	'/pair': 'nothing',
	'/health': 'nothing',
	/** There is nothing in it. */
	'/shell': 'nothing',
	/** Each request of theirs has a key of its own. */
	'/devices': 'nothing',
	'/calendar': 'nothing',
	/** The door asks for the right of each command. */
	'/commands': 'nothing',
	'/begin': 'begin-a-bakery',
	'/events': 'signed-in',
	'/scales': 'see-the-night',
	'/bake/[date]/bench': 'see-the-night',
	'/bake/[date]/ovens': 'see-the-night',
	'/bake/[date]/fermentation': 'see-the-night',
	'/bake/[date]/water': 'see-the-night',
	'/bake/[date]/run-sheet': 'see-the-night',
	'/bake/[date]/night.json': 'see-the-night',
	'/bake/[date]/plan.ics': 'see-the-night',
	'/bake/[date]/plan.csv': 'see-the-night',
	'/bake/[date]/doughs/weigh': 'see-the-night',
	'/bake/[date]/orders': 'see-the-day',
	'/bake/[date]/orders.csv': 'see-the-day',
	'/bake/[date]/doughs': 'see-the-day',
	'/bake/[date]/plan': 'see-the-day',
	'/bake/[date]/log': 'see-the-day',
	'/bake/[date]/trace': 'see-the-day',
	'/bake/[date]/morning': 'see-the-day',
	'/bake/[date]/formulas': 'see-the-book',
	'/bake/[date]/preparations': 'see-the-book',
	'/bake/[date]/products': 'see-the-book',
	'/bake/[date]/ingredients': 'see-the-book',
	'/bake/[date]/learned': 'see-the-house',
	'/bake/[date]/bakery': 'see-the-house',
	'/bake/[date]/bakery/archive.zip': 'keep-the-house',
	'/bake/[date]/bakery/doors': 'keep-the-house',
	'/bake/[date]/bakery/changes': 'keep-the-house'
};

/** Places that only lead on: what stands below them has to say for itself. */
const ONLY_ITSELF = new Set(['/', '/bake/[date]']);

/** What reading a route asks for; null for one that nobody thought of. */
export function asksOfRoute(route: string): Asks | null {
	for (let place = route; ; place = place.slice(0, place.lastIndexOf('/'))) {
		const found = ASKS[place];
		if (found !== undefined && (place === route || !ONLY_ITSELF.has(place))) return found;
		if (place.lastIndexOf('/') <= 0) return null;
	}
}
