import type { Deck } from './oven.ts';

/** A deck with what its oven can do. */
export interface OvenDeck extends Deck {
	readonly topAndBottom: boolean;
	readonly fan: boolean;
}

/** What a bake asks of the deck it is done on, beside ground. */
export interface DeckNeeds {
	/** Steam that the oven gives. */
	readonly steam: boolean;
	readonly stone: boolean;
	/** Heat from above and below that is set apart. */
	readonly topAndBottom: boolean;
	readonly fan: boolean;
	/** How high a piece is when it is baked; null where it is not known. */
	readonly heightCm: number | null;
}

/** What a deck lacks for a bake. */
export const DECK_LACKS = ['height', 'steam', 'stone', 'top-and-bottom', 'fan'] as const;
export type DeckLack = (typeof DECK_LACKS)[number];

/** Air over a piece, so that its crust does not burn under the roof (our default, in cm). */
const AIR_ABOVE_CM = 3;

/**
 * What a deck lacks for a bake.
 *
 * Model: a lidded pot keeps the steam of the dough itself, and its floor is its own. Range: any deck; a height that is
 * not known, of deck or piece, is in nobody's way. Source: our default. Failures: none.
 * Example: loaves 18 cm high want 21 cm of room.
 */
export function lacksOf(deck: OvenDeck, needs: DeckNeeds): readonly DeckLack[] {
	const isPots = deck.kind === 'pots';
	const lacks: Readonly<Record<DeckLack, boolean>> = {
		height:
			needs.heightCm !== null &&
			deck.heightCm !== null &&
			deck.heightCm < needs.heightCm + AIR_ABOVE_CM,
		steam: needs.steam && !deck.steam && !isPots,
		stone: needs.stone && !deck.stone && !isPots,
		'top-and-bottom': needs.topAndBottom && !deck.topAndBottom,
		fan: needs.fan && !deck.fan
	};
	return DECK_LACKS.filter((lack) => lacks[lack]);
}

/**
 * The decks that a bake is done on: those with all it asks for, or else with as much of it as there is. A deck that is
 * too low for the piece is none of them.
 *
 * Range: any decks. Source: our default. Failures: none; none of them where all are too low.
 * Example: of two decks with steam and two without, steamed loaves go on the two, dry ones on all four.
 */
export function decksFor(decks: readonly OvenDeck[], needs: DeckNeeds): readonly OvenDeck[] {
	const high = decks
		.map((deck) => ({ deck, lacks: lacksOf(deck, needs) }))
		.filter(({ lacks }) => !lacks.includes('height'));
	const least = Math.min(...high.map(({ lacks }) => lacks.length));
	return high.filter(({ lacks }) => lacks.length === least).map(({ deck }) => deck);
}

/**
 * What no deck that a bake is done on has: it is done without, or not at all.
 *
 * Range: any decks. Source: our default. Failures: none.
 * Example: with no deck that gives steam, a steamed bake is done without it, which is told.
 */
export function lackedByAll(decks: readonly OvenDeck[], needs: DeckNeeds): readonly DeckLack[] {
	if (decks.length === 0) return [];
	const fitting = decksFor(decks, needs);
	const asked = fitting.length > 0 ? fitting : decks;
	return DECK_LACKS.filter((lack) => asked.every((deck) => lacksOf(deck, needs).includes(lack)));
}
