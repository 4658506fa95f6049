import type { Explained } from '../../core/explain/index.ts';

/** An arithmetic that was asked for. */
export interface Slip {
	readonly explained: Explained;
	readonly title: string;
	readonly notes: readonly string[];
}
