/** What a batch's own log says of it; null for what nobody wrote down. */
export interface Evidence {
	/** How much warmer than wanted its dough came out of the mixer, in degrees. */
	readonly doughOffKelvins: number | null;
	/** How much of its bulk it had, its ready time as 1. */
	readonly bulkShare: number | null;
	/** How much of its proof it had when it was loaded, its ready time as 1. */
	readonly proofShare: number | null;
	/** How its pieces lay on the bench when they were looked at last before they were shaped. */
	readonly spread: 'stands' | 'spreads-a-little' | 'runs' | null;
	/** How it was judged last before it was baked. */
	readonly judged: 'early' | 'ready' | 'late' | null;
	/** Fold sets done, of those planned. */
	readonly foldsShare: number | null;
	/** Not told where its load was tapped, and its steam never. */
	readonly steam: 'given' | 'late' | 'left-out' | 'not-told' | null;
	/** How much hotter than its programme the stone was at loading, in degrees. */
	readonly stoneOffKelvins: number | null;
	/** How much hotter than wanted its core was when it was drawn, in degrees. */
	readonly coreOffKelvins: number | null;
	/** How its bottom answered a knock as it was drawn. */
	readonly sound: 'dull' | 'hollow' | null;
	/** How long it baked, of what its programme says. */
	readonly bakeShare: number | null;
	/** What went in, of what was wanted. */
	readonly saltShare: number | null;
	readonly waterShare: number | null;
	readonly yeastShare: number | null;
	/** Whether its flour was of a lot that no batch of the nights before had. */
	readonly newFlourLot: boolean | null;
}

export type EvidenceKey = keyof Evidence;

/** Nothing is known of it. */
export const NO_EVIDENCE: Evidence = {
	doughOffKelvins: null,
	bulkShare: null,
	proofShare: null,
	spread: null,
	judged: null,
	foldsShare: null,
	steam: null,
	stoneOffKelvins: null,
	coreOffKelvins: null,
	sound: null,
	bakeShare: null,
	saltShare: null,
	waterShare: null,
	yeastShare: null,
	newFlourLot: null
};
