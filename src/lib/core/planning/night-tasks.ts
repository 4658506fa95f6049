import type { BatchRef } from './batch-ref.ts';
import type { CourseStep } from './course.ts';

/** What a task of the engine is in the night, to tell its place in time by. */
export type NightTask =
	/** Hands-on steps of a chain in one go. */
	| {
			readonly kind: 'run';
			readonly id: string;
			readonly batch: BatchRef;
			readonly at: number;
			readonly steps: readonly CourseStep[];
	  }
	/** A fold within a wait, or the move of what waits to its next place. */
	| {
			readonly kind: 'touch';
			readonly id: string;
			readonly batch: BatchRef;
			readonly what: 'fold' | 'move';
			/** The wait it comes in, and the step that this is in the chain. */
			readonly waitAt: number;
	  }
	/** One load of a bake. */
	| {
			readonly kind: 'bake';
			readonly id: string;
			readonly batch: BatchRef;
			readonly at: number;
			readonly step: CourseStep;
	  };

/** A wait of a chain with what stands before and after it. */
export interface NightWait {
	readonly batch: BatchRef;
	readonly at: number;
	readonly step: CourseStep;
	/** The engine's task after whose end it begins. */
	readonly after: string;
	/** The tasks one of which ends it by starting; none where nothing follows. */
	readonly until: readonly string[];
	/** Folds and moves within it. */
	readonly touches: readonly string[];
}

/** A window that may be used outside, to tell where it was; in units of the grid. */
export interface SoftWindow {
	readonly before: string;
	readonly after: string;
	readonly least: number;
	readonly most: number | null;
}
