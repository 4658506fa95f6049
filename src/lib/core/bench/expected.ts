import { MINUTE_MS } from '../time/index.ts';
import type { Station } from '../planning/index.ts';
import { actsOf, chainOf, type Work } from './work.ts';
import type { WorkState } from './work-log.ts';

/** A work with when it is to be begun and will be over, by what happened before it. */
export interface ExpectedWork {
	readonly work: Work;
	readonly state: WorkState;
	/** When it is to be begun. */
	readonly dueMs: number;
	/** When it was or will be begun: what is due and not begun is not begun before now. */
	readonly fromMs: number;
	readonly toMs: number;
	/** The work before it in its chain that is neither done nor left out; null where nothing is in its way. */
	readonly waitsFor: string | null;
	/**
	 * Nobody tapped it, and it was done or never will be: what comes after it was begun, or its time was long over before anything was
	 * tapped at its station.
	 */
	readonly isPassed: boolean;
}

const OPEN: WorkState = { kind: 'open' };

/**
 * When each work of a night is due and will be over, by what was tapped.
 *
 * Model: what happened stands at its real times. What is to come keeps to its plan, moved by as much as the last work before it in
 * its chain ended later or sooner than planned; a work that is due and not begun is not begun before now. Where a station does not tap,
 * or did not yet, the plan's word is taken for what was due more than an hour before; where nobody ever taps (`waitsForTaps` is false), for
 * all whose time is over, until somebody does. Hands and ovens are not
 * shared out anew: that is what planning again is for. Range: works of one plan. Source: our default.
 * Failures: none. Example: a dough out of the mixer 20 minutes late is folded 20 minutes later.
 */
export function expectedOf(
	works: readonly Work[],
	states: ReadonlyMap<string, WorkState>,
	nowMs: number,
	waitsForTaps = true
): readonly ExpectedWork[] {
	const inOrder = [...works].sort((a, b) => a.atMs - b.atMs || a.endMs - b.endMs);
	/** The last of each batch that holds up what follows. */
	const lastOf = new Map<string, ExpectedWork[]>();
	const passed = passedBy(inOrder, states, nowMs, waitsForTaps || states.size > 0);
	return inOrder.map((work): ExpectedWork => {
		const state = states.get(work.key) ?? OPEN;
		const before = (work.batch ? chainOf(work.batch) : []).flatMap((key) => lastOf.get(key) ?? []);
		const last = before.reduce<ExpectedWork | null>(
			(found, one) => (found === null || one.work.endMs >= found.work.endMs ? one : found),
			null
		);
		const moved = last ? last.toMs - last.work.endMs : 0;
		const open = before.findLast(({ state, isPassed }) => isToCome(state) && !isPassed);
		const isPassed = isToCome(state) && (passed(work) || isTooLate(work, work.atMs + moved, nowMs));
		const found: ExpectedWork = {
			work,
			state,
			...timesOf(work, state, work.atMs + moved, isPassed ? -Infinity : nowMs),
			waitsFor: open && isToCome(state) ? open.work.key : null,
			isPassed
		};
		if (work.batch && actsOf(work) === 'holds-up') {
			const [own = ''] = chainOf(work.batch);
			lastOf.set(own, [...(lastOf.get(own) ?? []), found]);
		}
		return found;
	});
}

/** A crust that has set takes no steam any more: forgotten steam is caught while it can be (our default). */
const STEAM_TAKES_MS = 6 * MINUTE_MS;

function isTooLate({ kind }: Work, dueMs: number, nowMs: number): boolean {
	return kind === 'steam' && nowMs > dueMs + STEAM_TAKES_MS;
}

/** What was due so long before a station began to tap was done without it (our default). */
const UNTAPPED_MS = 60 * MINUTE_MS;

/** Whether a work that nobody tapped is gone by. */
function passedBy(
	inOrder: readonly Work[],
	states: ReadonlyMap<string, WorkState>,
	nowMs: number,
	waitsForTaps: boolean
): (work: Work) => boolean {
	/** The latest planned time of what was begun of each batch, what comes of it included. */
	const begunTo = new Map<string, number>();
	/** When each station tapped first. */
	const tapsFrom = new Map<Station, number>();
	for (const work of inOrder) {
		const state = states.get(work.key);
		if (!state || state.kind === 'open') continue;
		const { station, batch } = work;
		tapsFrom.set(station, Math.min(state.entry.atMs, tapsFrom.get(station) ?? nowMs));
		if (!batch || actsOf(work) !== 'holds-up' || (state.kind !== 'begun' && state.kind !== 'done'))
			continue;
		for (const key of chainOf(batch))
			begunTo.set(key, Math.max(work.atMs, begunTo.get(key) ?? -Infinity));
	}
	return ({ batch, station, atMs, endMs }) => {
		const [own = ''] = batch ? chainOf(batch) : [];
		return (
			atMs < (begunTo.get(own) ?? -Infinity) ||
			endMs < (tapsFrom.get(station) ?? nowMs) - (waitsForTaps ? UNTAPPED_MS : 0)
		);
	};
}

function isToCome({ kind }: WorkState): boolean {
	return kind === 'open' || kind === 'put-off';
}

function timesOf(
	{ atMs, endMs }: Work,
	state: WorkState,
	movedMs: number,
	nowMs: number
): Pick<ExpectedWork, 'dueMs' | 'fromMs' | 'toMs'> {
	const lasts = endMs - atMs;
	switch (state.kind) {
		case 'done':
			return {
				dueMs: movedMs,
				fromMs: state.fromMs ?? state.toMs - lasts,
				toMs: state.toMs
			};
		case 'begun':
			return {
				dueMs: movedMs,
				fromMs: state.sinceMs,
				toMs: Math.max(state.sinceMs + lasts, nowMs)
			};
		case 'left-out':
			// What was left out took no time, and keeps nothing waiting.
			return { dueMs: movedMs, fromMs: movedMs, toMs: movedMs + lasts };
		case 'open':
		case 'put-off': {
			const dueMs = state.kind === 'put-off' ? state.untilMs : movedMs;
			const fromMs = Math.max(dueMs, nowMs);
			return { dueMs, fromMs, toMs: fromMs + lasts };
		}
	}
}
