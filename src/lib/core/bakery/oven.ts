import { layoutOn, type Area } from './footprint.ts';
import type { EntryProblem } from './problem.ts';

/** What bakes one load at a time: a stone or sole, the shelves of a rack, or lidded pots, one piece in each. */
export const DECK_KINDS = ['sole', 'rack', 'pots'] as const;
export type DeckKind = (typeof DECK_KINDS)[number];

export interface Deck extends Area {
	readonly id: string;
	readonly name: string;
	readonly kind: DeckKind;
	/** Shelves of a rack, or pots; 1 for a sole. */
	readonly count: number;
	/** How long pots are heated empty between two loads; 0 for what is no pot. */
	readonly reheatMinutes: number;
	readonly heightCm: number | null;
	readonly steam: boolean;
	readonly stone: boolean;
	/** Where it bakes hotter, in words; empty where nobody found out. */
	readonly hotSpots: string;
}

export interface OvenContent {
	readonly decks: readonly Deck[];
	/** Its decks stand in one chamber and share its heat; otherwise each has its own. */
	readonly sharesHeat: boolean;
	readonly topAndBottom: boolean;
	readonly fan: boolean;
	/** A loader sets a whole deck at once. */
	readonly loader: boolean;
	/** How long hands take to load a deck. */
	readonly handLoadingMinutes: number;
	/** It can be told the evening before when to switch itself on. */
	readonly switchOnTimer: boolean;
	readonly preheatMinutes: number;
	readonly recoveryMinutes: number;
	readonly heatMinutesPerTenKelvin: number;
	readonly coolMinutesPerTenKelvin: number;
}

/** A deck oven to begin from, without its decks (our default). */
export const FIRST_OVEN: OvenContent = {
	decks: [],
	sharesHeat: false,
	topAndBottom: true,
	fan: false,
	loader: false,
	handLoadingMinutes: 5,
	switchOnTimer: true,
	preheatMinutes: 90,
	recoveryMinutes: 10,
	heatMinutesPerTenKelvin: 3,
	coolMinutesPerTenKelvin: 6
};

/** A deck to begin from (our default). */
export const FIRST_DECK: Omit<Deck, 'id' | 'name'> = {
	kind: 'sole',
	count: 1,
	reheatMinutes: 0,
	lengthCm: 160,
	widthCm: 120,
	heightCm: 20,
	steam: true,
	stone: true,
	hotSpots: ''
};

/** A loader has set a deck so soon (our default, in minutes). */
const LOADER_MINUTES = 2;

/** How long a deck of an oven takes to be loaded, in minutes: as long as hands take, or by its loader. */
export function loadingMinutesOf({
	loader,
	handLoadingMinutes
}: Pick<OvenContent, 'loader' | 'handLoadingMinutes'>): number {
	return loader ? LOADER_MINUTES : handLoadingMinutes;
}

/** Lidded pots stand empty in the oven so long before they take the next load (our default). */
export const USUAL_REHEAT_MINUTES = 20;

/** The smallest side of a deck on which a roll has its place, in cm (our default). */
const LEAST_SIDE_CM = 12;

/** What a product needs of a deck. */
export interface OvenPiece {
	/** Its ground after proof; null where it is not known. */
	readonly footprint: Area | null;
	readonly spacingCm: number;
	/** A count the baker sets for every deck; null to have it worked out. */
	readonly piecesPerDeck: number | null;
}

/**
 * How many pieces one load of a deck takes.
 *
 * Model: a count that a baker set stands on every deck; otherwise rows of the footprint, on each shelf of a rack; a pot
 * takes one piece.
 * Range: any deck. Source: our default. Failures: none; 0 where nothing fits or no ground is known.
 * Example: a rack of 15 shelves that take 6 loaves each takes 90.
 */
export function piecesOn(deck: Deck, piece: OvenPiece): number {
	if (piece.piecesPerDeck !== null) return piece.piecesPerDeck;
	if (deck.kind === 'pots') return deck.count;
	if (piece.footprint === null) return 0;
	const { pieces } = layoutOn(deck, piece.footprint, piece.spacingCm);
	return deck.kind === 'rack' ? pieces * deck.count : pieces;
}

/** Loads of one size, and the decks that take them. */
export interface LoadSize {
	readonly pieces: number;
	readonly deckIds: readonly string[];
}

/**
 * The size of load that gets most pieces into the ovens at once, and the decks that take it.
 *
 * Model: loads of a product are of one size; a deck that takes less is left to others. Of two sizes that bake as many at
 * once the larger makes fewer loads.
 * Range: any decks. Source: our default. Failures: none; without a deck that takes a piece, 0 pieces on none.
 * Example: decks for 18, 18 and 8 loaves bake 36 at once in loads of 18, and 24 in loads of 8: loads of 18.
 */
export function loadSizeOn(decks: readonly Deck[], piece: OvenPiece): LoadSize {
	const each = decks.map((deck) => ({ id: deck.id, pieces: piecesOn(deck, piece) }));
	const sizes = [...new Set(each.map(({ pieces }) => pieces))]
		.filter((pieces) => pieces > 0)
		.map((pieces): LoadSize => ({
			pieces,
			deckIds: each.filter((deck) => deck.pieces >= pieces).map(({ id }) => id)
		}));
	return sizes.reduce<LoadSize>(
		(best, size) => {
			const gain = size.pieces * size.deckIds.length - best.pieces * best.deckIds.length;
			return gain > 0 || (gain === 0 && size.pieces > best.pieces) ? size : best;
		},
		{ pieces: 0, deckIds: [] }
	);
}

export function ovenProblems({ decks }: OvenContent): readonly EntryProblem[] {
	const problems: EntryProblem[] = [];
	if (decks.length === 0) problems.push({ kind: 'no-deck', field: 'decks' });
	for (const deck of decks) {
		if (deck.name === '') problems.push({ kind: 'nameless', field: 'decks' });
		const side = Math.min(deck.lengthCm, deck.widthCm);
		if (side < LEAST_SIDE_CM)
			problems.push({ kind: 'holds-nothing', field: 'decks', cm: side, leastCm: LEAST_SIDE_CM });
	}
	const names = decks.map(({ name }) => name);
	const twice = names.find((name, at) => name !== '' && names.indexOf(name) !== at);
	if (twice !== undefined) problems.push({ kind: 'same-name', field: 'decks', name: twice });
	return problems;
}
