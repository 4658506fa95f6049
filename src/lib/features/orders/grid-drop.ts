import type { DropId } from '../../core/identity.ts';
import type { WallTime } from '../../core/time/index.ts';

/** A column of the grid. */
export interface GridDrop {
	readonly id: DropId;
	readonly name: string;
	readonly dueTime: WallTime;
	/** What there is to say of it; what asks for attention is strong. */
	readonly notes: readonly { readonly text: string; readonly isStrong?: boolean }[];
}
