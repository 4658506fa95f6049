/** What a made-up day costs at least, as a complete solver proved it: the bound has come up to the cost. */
export interface ProvenOptimum {
	readonly size: 'small';
	readonly seed: number;
	readonly cost: number;
	readonly bound: number;
}
