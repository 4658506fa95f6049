/** What is wrong with an entry of the bakery beyond the range of a single figure; `field` says where. */
export type EntryProblem =
	| { readonly kind: 'least-above-most'; readonly field: string }
	| { readonly kind: 'no-deck'; readonly field: string }
	/** Two decks of an oven, or two shifts, cannot be told apart. */
	| { readonly kind: 'same-name'; readonly field: string; readonly name: string }
	| { readonly kind: 'nameless'; readonly field: string }
	/** Smaller than the smallest thing that is baked. */
	| {
			readonly kind: 'holds-nothing';
			readonly field: string;
			readonly cm: number;
			readonly leastCm: number;
	  }
	/** More than can stand around it. */
	| { readonly kind: 'too-many-hands'; readonly field: string; readonly most: number }
	/** An oven that serves as a prover is one, is cool enough, and has room for so many trays. */
	| { readonly kind: 'oven-is-no-room' | 'oven-without-room'; readonly field: string }
	| { readonly kind: 'too-hot-to-prove'; readonly field: string; readonly most: number }
	| { readonly kind: 'division-beyond-capacity'; readonly field: string }
	| { readonly kind: 'no-weekday'; readonly field: string }
	/** Orders would be taken when the bread has left. */
	| { readonly kind: 'cut-off-after-due'; readonly field: string }
	| { readonly kind: 'ends-before-it-begins'; readonly field: string }
	| { readonly kind: 'shifts-overlap'; readonly field: string; readonly weekday: number }
	| { readonly kind: 'break-outside-shift'; readonly field: string; readonly weekday: number };
