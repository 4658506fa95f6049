/** What a tap says of a work. */
export const WORK_ACTS = ['begun', 'ended', 'left-out', 'put-off'] as const;
export type WorkAct = (typeof WORK_ACTS)[number];

/** One tap, at the time at which it really happened. */
export interface WorkEntry {
	readonly id: string;
	/** The key of the work. */
	readonly work: string;
	readonly act: WorkAct;
	readonly atMs: number;
	/** Who tapped it, by name. */
	readonly by: string;
	/** Until when it was put off; null for anything else. */
	readonly untilMs: number | null;
	/** Why it was put off or left out; empty where nobody said. */
	readonly because: string;
	/** What was read as it was done, in degrees Celsius; null where nothing was. */
	readonly celsius: number | null;
}

/** Where a work stands. */
export type WorkState =
	| { readonly kind: 'open' }
	| {
			readonly kind: 'put-off';
			readonly untilMs: number;
			readonly because: string;
			readonly entry: WorkEntry;
	  }
	| { readonly kind: 'begun'; readonly sinceMs: number; readonly entry: WorkEntry }
	| {
			readonly kind: 'done';
			/** Null where nobody tapped its beginning. */
			readonly fromMs: number | null;
			readonly toMs: number;
			readonly entry: WorkEntry;
	  }
	| {
			readonly kind: 'left-out';
			/** Null where it was not begun before. */
			readonly fromMs: number | null;
			readonly atMs: number;
			readonly entry: WorkEntry;
	  };

const OPEN: WorkState = { kind: 'open' };

/**
 * Where each work stands by the taps on it, whatever order they came in: what is not in the answer is open.
 *
 * Model: in order of the times at which they happened, a beginning counts on what is open, an end on what is not done, what is
 * put off on what is open, what is left out on what is not done; any other tap says nothing new. Range: any entries, struck
 * ones left out. Source: our default. Failures: none.
 * Example: ended at 02:20 and, told later, begun at 02:05: done from 02:05 to 02:20.
 */
export function workStates(entries: readonly WorkEntry[]): ReadonlyMap<string, WorkState> {
	const found = new Map<string, WorkState>();
	for (const entry of [...entries].sort((a, b) => a.atMs - b.atMs))
		found.set(entry.work, after(found.get(entry.work) ?? OPEN, entry));
	return found;
}

/**
 * Whether a tap says anything new beside those before it: a second tap on what is done says nothing.
 * Range: entries of any works. Source: `workStates`. Failures: none.
 * Example: two people tap the end of one mix: the second changes nothing.
 */
export function changesAnything(entries: readonly WorkEntry[], tap: WorkEntry): boolean {
	const of = entries.filter(({ work }) => work === tap.work);
	const without = workStates(of).get(tap.work) ?? OPEN;
	const having = workStates([...of, tap]).get(tap.work) ?? OPEN;
	return JSON.stringify(without) !== JSON.stringify(having);
}

function after(state: WorkState, entry: WorkEntry): WorkState {
	const over = state.kind === 'done' || state.kind === 'left-out';
	switch (entry.act) {
		case 'begun':
			return over || state.kind === 'begun' ? state : { kind: 'begun', sinceMs: entry.atMs, entry };
		case 'ended':
			return over
				? state
				: {
						kind: 'done',
						fromMs: state.kind === 'begun' ? state.sinceMs : null,
						toMs: entry.atMs,
						entry
					};
		case 'left-out':
			return over
				? state
				: {
						kind: 'left-out',
						fromMs: state.kind === 'begun' ? state.sinceMs : null,
						atMs: entry.atMs,
						entry
					};
		case 'put-off':
			return over || state.kind === 'begun' || entry.untilMs === null
				? state
				: { kind: 'put-off', untilMs: entry.untilMs, because: entry.because, entry };
	}
}
