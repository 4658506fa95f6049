import { steamKey, workKey, type WorkState } from '../bench/index.ts';
import type { ClockStanding, ReadinessVerdict } from '../fermentation/index.ts';
import { batchKey, type BatchRef, type DayPlan, type DayTask } from '../planning/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { Evidence } from '../tracing/index.ts';
import { readinessOf, type PortionRef, type ResultEntry, type ResultTold } from './result-entry.ts';

/** What was measured, judged and weighed of a mix. */
export interface MixFacts {
	/** By the mix as a plan names it. */
	readonly mix: string;
	/** How much warmer than wanted it came out of the mixer; null where it was not measured. */
	readonly doughOffKelvins: number | null;
	/** As it was judged last; null where nobody did. */
	readonly judged: ReadinessVerdict | null;
	/** What was weighed, of what was wanted; null where nobody weighed. */
	readonly saltShare: number | null;
	readonly waterShare: number | null;
	readonly yeastShare: number | null;
	/** Its flour is of a lot that no batch of the nights before had; null where no lot was told. */
	readonly newFlourLot: boolean | null;
}

/** Steam given so long after the load still sets the crust (our default). */
const STEAM_MINUTES = 4;

/**
 * What a night's own log says of a portion, as evidence for what went wrong with it.
 *
 * Model: a wait really began when the work before it was over and ended when the work after it began; its share is that time in parts of the time its plan
 * gives it until ready. Several loads of a portion count as their mean, steam as the worst of them. Range: states of the plan's works. Source: definition.
 * Failures: what nobody tapped or read is null.
 * Example: a proof planned to be ready in 60 minutes, loaded 78 after shaping: 1.3.
 */
export function evidenceOf(
	portion: PortionRef,
	{ tasks }: Pick<DayPlan, 'tasks'>,
	states: ReadonlyMap<string, WorkState>,
	facts: MixFacts | null,
	/** What was told of the night's portions: how its pieces were judged in proof comes before how its dough was. */
	results: readonly ResultEntry[]
): Evidence {
	const mix = tasksOf(tasks, batchKey({ kind: 'mix', ...portion }));
	const own = tasksOf(tasks, batchKey({ kind: 'portion', ...portion }));
	const loads = new Map<string, DayTask[]>();
	for (const task of own)
		if (task.batch.kind === 'load') {
			const key = batchKey(task.batch);
			loads.set(key, [...(loads.get(key) ?? []), task]);
		}
	const portionOnly = own.filter(({ batch }) => batch.kind === 'portion');
	const chains =
		loads.size === 0
			? [[...mix, ...portionOnly]]
			: [...loads.values()].map((load) => [...mix, ...portionOnly, ...load]);
	const bakes = chains.flatMap((chain) => chain.filter(({ step }) => step.kind === 'bake'));
	const steam = bakes.flatMap((task) => steamOf(task, states) ?? []);
	return {
		doughOffKelvins: facts?.doughOffKelvins ?? null,
		bulkShare: mean(chains.map((chain) => waitShare(chain, 'bulk', states))),
		proofShare: mean(chains.map((chain) => waitShare(chain, 'proof', states))),
		spread: spreadSeen(portion, results),
		judged: judgedAs(piecesJudged(portion, results) ?? facts?.judged ?? null),
		foldsShare: foldsShare([...mix, ...portionOnly], states),
		steam: WORST_FIRST.find((one) => steam.includes(one)) ?? null,
		stoneOffKelvins: mean(bakes.map((task) => readOff(task, 'load', states))),
		coreOffKelvins: mean(bakes.map((task) => readOff(task, 'draw', states))),
		sound: lastOf(portion, results, 'drawn', ({ sound }) => sound !== null)?.sound ?? null,
		bakeShare: mean(bakes.map((task) => bakeShare(task, states))),
		saltShare: facts?.saltShare ?? null,
		waterShare: facts?.waterShare ?? null,
		yeastShare: facts?.yeastShare ?? null,
		newFlourLot: facts?.newFlourLot ?? null
	};
}

type Told<K extends ResultTold['kind']> = Extract<ResultTold, { readonly kind: K }>;

/** What was told last of a portion, of one kind and as asked; null where nobody told. */
function lastOf<K extends ResultTold['kind']>(
	portion: PortionRef,
	results: readonly ResultEntry[],
	kind: K,
	isAsked: (told: Told<K>) => boolean
): Told<K> | null {
	const key = batchKey({ kind: 'portion', ...portion });
	return (
		[...results]
			.sort((a, b) => a.atMs - b.atMs)
			.flatMap(({ portion: of, told }): readonly Told<K>[] =>
				told.kind === kind && batchKey({ kind: 'portion', ...of }) === key ? [told as Told<K>] : []
			)
			.findLast(isAsked) ?? null
	);
}

/** How its pieces stood when they were looked at last in proof; null where nobody did. */
function piecesJudged(
	portion: PortionRef,
	results: readonly ResultEntry[]
): ReadinessVerdict | null {
	const last = lastOf(portion, results, 'judged', ({ at }) => at === 'proof');
	return last && readinessOf(last).verdict;
}

/** How its pieces lay on the bench when they were looked at last before they were shaped; null where nobody did. */
function spreadSeen(portion: PortionRef, results: readonly ResultEntry[]): Evidence['spread'] {
	const last = lastOf(
		portion,
		results,
		'judged',
		({ at, sightings }) => at === 'rest' && sightings.some(({ kind }) => kind === 'spread')
	);
	const found = last?.sightings.find((one) => one.kind === 'spread');
	return found?.kind === 'spread' ? found.seen : null;
}

function judgedAs(verdict: ReadinessVerdict | null): Evidence['judged'] {
	return verdict === null ? null : JUDGED[verdict];
}

const JUDGED = { 'not-yet': 'early', nearly: 'early', ready: 'ready', late: 'late' } as const;
const WORST_FIRST = ['left-out', 'not-told', 'late', 'given'] as const;

function tasksOf(tasks: readonly DayTask[], key: string): readonly DayTask[] {
	const isOf = (batch: BatchRef) =>
		batchKey(batch.kind === 'load' ? { ...batch, kind: 'portion' } : batch) === key;
	return tasks.filter(({ batch }) => isOf(batch)).sort((a, b) => a.startMs - b.startMs);
}

/** The works of some tasks that hold up what follows, in order of time. */
function worksIn(tasks: readonly DayTask[]) {
	return tasks
		.flatMap((task) =>
			task.attended.map(({ what, fromMs, toMs }, index) => ({
				key: workKey(task.id, what, index),
				what,
				fromMs,
				toMs
			}))
		)
		.filter(({ what }) => what !== 'fold' && what !== 'move')
		.sort((a, b) => a.fromMs - b.fromMs);
}

function beganMs(state: WorkState | undefined, plannedMs: number): number | null {
	if (state?.kind === 'begun') return state.sinceMs;
	return state?.kind === 'done' ? (state.fromMs ?? state.toMs - plannedMs) : null;
}

/** A wait of a chain with the works around it, and when it really began; null where it has none, or none with a clock. */
function waitOf(
	chain: readonly DayTask[],
	activity: 'bulk' | 'proof',
	states: ReadonlyMap<string, WorkState>
) {
	const waits = chain.filter(
		({ step, marks }) => step.kind === 'wait' && step.activity === activity && marks !== null
	);
	const [first] = waits;
	const last = waits.at(-1);
	if (!first || !last?.marks) return null;
	const works = worksIn(chain);
	const before = works.findLast(({ toMs }) => toMs <= first.startMs + MINUTE_MS);
	const after = works.find(({ fromMs }) => fromMs >= last.endMs - MINUTE_MS);
	const from = before ? states.get(before.key) : undefined;
	return {
		startMs: first.startMs,
		marks: last.marks,
		began: from?.kind === 'done' ? from.toMs : null,
		after
	};
}

/**
 * Where the proof of a portion, or of one of its loads, stands by the clock.
 *
 * Model: as far as it is in parts of the time its plan gives it until ready, from when it was really shaped; as planned where nobody tapped that. Range: states of the
 * plan's works. Source: definition. Failures: null where it has no proof with a clock, or has not begun it.
 * Example: 45 of 60 minutes: 0.75.
 */
export function proofStanding(
	portion: PortionRef,
	{ tasks }: Pick<DayPlan, 'tasks'>,
	load: string | null,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): ClockStanding | null {
	const own = tasksOf(tasks, batchKey({ kind: 'portion', ...portion })).filter(
		({ batch }) => batch.kind === 'portion' || batchKey(batch) === load
	);
	const wait = waitOf(own, 'proof', states);
	if (!wait) return null;
	const { startMs, marks, began } = wait;
	const ripe = marks.ripeMs - startMs;
	const since = nowMs - (began ?? startMs);
	if (ripe <= 0 || since < 0) return null;
	return {
		share: since / ripe,
		earlyShare: Math.min(0.99, (marks.earlyMs - startMs) / ripe),
		lateShare: Math.max(1.01, ((marks.lateMs ?? marks.ripeMs + ripe / 2) - startMs) / ripe)
	};
}

/** Pieces that rest before they are shaped are slack from here on, and stiffen again after so much more, in parts of their rest (our default). */
const RESTED_SHARES = { earlyShare: 0.75, lateShare: 2 } as const;

/**
 * Where the rest of a portion on the bench stands by the clock, before it is shaped.
 *
 * Model: as far as it is in parts of the rest that its plan gives it, from when it was really pre-shaped or divided; as planned where nobody tapped that. Range: states of the
 * plan's works. Source: definition; early and late our default. Failures: null where it does not rest before it is shaped, or has not begun to.
 * Example: 15 of 20 minutes: 0.75.
 */
export function restStanding(
	portion: PortionRef,
	{ tasks }: Pick<DayPlan, 'tasks'>,
	shaping: string,
	states: ReadonlyMap<string, WorkState>,
	nowMs: number
): ClockStanding | null {
	const own = tasksOf(tasks, batchKey({ kind: 'portion', ...portion }));
	const shape = own.find(({ id }) => id === shaping);
	const rest = shape && own.findLast(({ endMs }) => endMs <= shape.startMs + MINUTE_MS);
	if (rest?.step.kind !== 'wait' || rest.step.activity !== 'rest') return null;
	const before = worksIn(own).findLast(({ toMs }) => toMs <= rest.startMs + MINUTE_MS);
	const state = before && states.get(before.key);
	const since = nowMs - (state?.kind === 'done' ? state.toMs : rest.startMs);
	const lasts = rest.endMs - rest.startMs;
	return lasts <= 0 || since < 0 ? null : { share: since / lasts, ...RESTED_SHARES };
}

function waitShare(
	chain: readonly DayTask[],
	activity: 'bulk' | 'proof',
	states: ReadonlyMap<string, WorkState>
): number | null {
	const wait = waitOf(chain, activity, states);
	if (!wait) return null;
	const { startMs, marks, began, after } = wait;
	const ended = after ? beganMs(states.get(after.key), after.toMs - after.fromMs) : null;
	const ripe = marks.ripeMs - startMs;
	return began === null || ended === null || ripe <= 0 ? null : (ended - began) / ripe;
}

function foldsShare(
	tasks: readonly DayTask[],
	states: ReadonlyMap<string, WorkState>
): number | null {
	const folds = tasks.flatMap((task) =>
		task.attended.flatMap(({ what }, index) =>
			what === 'fold' ? [states.get(workKey(task.id, what, index))?.kind ?? 'open'] : []
		)
	);
	const told = folds.filter((kind) => kind === 'done' || kind === 'left-out');
	return told.length === 0 ? null : told.filter((kind) => kind === 'done').length / folds.length;
}

function stretchOf(task: DayTask, what: 'load' | 'draw', states: ReadonlyMap<string, WorkState>) {
	const index = task.attended.findIndex((one) => one.what === what);
	const stretch = task.attended[index];
	if (!stretch) return null;
	return { stretch, state: states.get(workKey(task.id, what, index)) };
}

function steamOf(task: DayTask, states: ReadonlyMap<string, WorkState>): Evidence['steam'] {
	if (task.step.kind !== 'bake' || task.step.steamSeconds <= 0) return null;
	const loaded = stretchOf(task, 'load', states)?.state;
	const steam = states.get(steamKey(task.id));
	if (steam?.kind === 'left-out') return 'left-out';
	if (loaded?.kind !== 'done') return null;
	if (steam?.kind !== 'done') return 'not-told';
	return steam.toMs - loaded.toMs > STEAM_MINUTES * MINUTE_MS ? 'late' : 'given';
}

/** How much hotter than its programme something was read as it was loaded or drawn. */
function readOff(
	task: DayTask,
	what: 'load' | 'draw',
	states: ReadonlyMap<string, WorkState>
): number | null {
	const state = stretchOf(task, what, states)?.state;
	const read = state?.kind === 'done' ? state.entry.celsius : null;
	if (read === null || task.step.kind !== 'bake') return null;
	return read - (what === 'load' ? task.step.loadCelsius : task.step.coreCelsius);
}

function bakeShare(task: DayTask, states: ReadonlyMap<string, WorkState>): number | null {
	const load = stretchOf(task, 'load', states);
	const draw = stretchOf(task, 'draw', states);
	if (!load || !draw || load.state?.kind !== 'done') return null;
	const drawn = beganMs(draw.state, draw.stretch.toMs - draw.stretch.fromMs);
	const planned = draw.stretch.fromMs - load.stretch.toMs;
	return drawn === null || planned <= 0 ? null : (drawn - load.state.toMs) / planned;
}

function mean(values: readonly (number | null)[]): number | null {
	const known = values.filter((value) => value !== null);
	return known.length === 0 ? null : known.reduce((all, one) => all + one, 0) / known.length;
}
