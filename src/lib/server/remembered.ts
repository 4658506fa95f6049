import { LRUCache } from 'lru-cache';

/** So many answers are kept: those of every recipe for the dates that a house looks at. */
const MOST_KEPT = 1000;

/**
 * The same function, which remembers what it gave for what it was asked before. For what is worked out from what was observed: pages
 * ask for it again and again, and the night before changes no more. `keyOf` names all that the answer depends on.
 */
export function remembered<Asked, Answer extends object>(
	workOut: (asked: Asked) => Answer,
	keyOf: (asked: Asked) => string
): (asked: Asked) => Answer {
	const kept = new LRUCache<string, Answer>({ max: MOST_KEPT });
	return (asked) => {
		const key = keyOf(asked);
		const known = kept.get(key);
		if (known) return known;
		const answer = workOut(asked);
		kept.set(key, answer);
		return answer;
	};
}
