import { MINUTE_MS } from '../time/index.ts';
import type { Lag, Mode, Window } from '../schedule/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import type { ChainEnd, ChainMaking, Holds, Standing, WrittenChain } from './chain-end.ts';
import type { CourseStep } from './course.ts';
import { unitsFilled } from './grid.ts';
import type { Hands } from './hands.ts';
import type { MixTrace, PlannedMixer } from './input.ts';
import { attendedOfMix, ONE_MIX } from './mixers.ts';
import type { NightProblem, OpenWait } from './night-problem.ts';
import { windowOn, type Softness } from './prices.ts';
import { itemsOf, runMinutes, type Run, type Wait } from './runs.ts';
import { pastOf, type Past } from './chain-past.ts';
import { TOUCH_MINUTES, touchesOf, touchId } from './touches.ts';
import type { RoomOfPlaces } from './room-of-places.ts';
import { aged, lessBy, overstayed, waitWindow, type WaitWindow } from './wait-window.ts';
import { UNTIL_MIXED, weighingRun } from './weighing.ts';
import type { Workplaces } from './workplaces.ts';

/** How long dough in hand may lie before the next step (our default, in minutes). */
const BENCH: WaitWindow = { least: 0, wish: 0, most: 15 };

/** How much later than told a fold or a move may come (our default, in minutes). */
const TOUCH_LATER_MINUTES = 10;

/** Writes chains of runs and waits as tasks and lags. */
export class ChainWriter {
	private lastLag = 0;

	constructor(
		private readonly night: NightProblem,
		private readonly hands: Hands,
		private readonly workplaces: Workplaces,
		private readonly places: RoomOfPlaces,
		private readonly mixers: readonly PlannedMixer[],
		private readonly weighMinutes: number
	) {}

	/** Writes a chain without a bake, as of a pre-ferment or a mix; null where it has no step that hands do. */
	write(batch: BatchRef, steps: readonly CourseStep[], making: ChainMaking): WrittenChain | null {
		const { begun } = making;
		const past = begun ? pastOf(steps, begun) : null;
		let first: string | null = null;
		let end: ChainEnd | null = null;
		for (const item of itemsOf(steps)) {
			if (item.kind === 'wait') {
				if (end) end = this.wait(batch, item, end, { holds: [], room: making.room }, past);
				continue;
			}
			if (item.kind === 'bake') continue;
			const began = past?.startOf(item) ?? null;
			const pinnedAt = began === null ? null : this.night.grid.nearest(began * MINUTE_MS);
			const id = this.run(batch, item, { ...making, pinnedAt });
			if (end) this.link(end, id, { ageMinutes: runMinutes(item), mixer: item.mixer });
			else if (pinnedAt === null && item.activities[0] === 'mix') this.weighing(batch, id);
			first ??= id;
			end = {
				...this.endOfRun(batch, item, id),
				mixedBy: item.mixer ? id : (end?.mixedBy ?? null)
			};
		}
		return first && end ? { first, end } : null;
	}

	/** What is mixed is weighed up before, where that is a task of its own. */
	private weighing(batch: BatchRef, mixed: string): void {
		if (this.weighMinutes === 0) return;
		const run = weighingRun(this.weighMinutes);
		const weighed = this.run(batch, run, { mixerIds: [], leaves: [], pinnedAt: null });
		this.lastLag += 1;
		this.night.lags.push({
			id: `lag ${this.lastLag}`,
			before: weighed,
			after: mixed,
			from: 'end',
			windows: [{ beforeMode: null, afterMode: null, window: UNTIL_MIXED }]
		});
	}

	/** Writes a run as a task; gives its id. */
	run(
		batch: BatchRef,
		run: Run,
		making: {
			readonly mixerIds: readonly string[];
			readonly leaves: readonly MixTrace[];
			readonly pinnedAt: number | null;
			readonly holds?: Holds;
			readonly dividerId?: string | null;
		}
	): string {
		const id = `${batchKey(batch)}:${run.at}`;
		const minutes = runMinutes(run);
		const length = unitsFilled(minutes);
		const { pinnedAt, dividerId = null } = making;
		const told = { kind: 'run' as const, id, batch, at: run.at, steps: run.steps };
		if (pinnedAt !== null) {
			const mode: Mode = { id: 'done', length, demands: [], machine: null, batch: null };
			this.night.add(told, [mode], { start: pinnedAt, mode: null, unit: null }, null);
			return id;
		}
		const relaxed = this.night.isRelaxed(batch);
		const held = (to: number) =>
			(making.holds ?? []).map(({ pool, amount }) => ({ pools: [pool], amount, from: 0, to }));
		const machines = run.mixer ? making.mixerIds : [];
		const modes: readonly Mode[] =
			machines.length === 0
				? this.hands.paces(run.activities, minutes).map((pace) => ({
						id: pace.way,
						length: pace.length,
						demands: [
							...pace.demands,
							// In relaxed batches benches and sheeters have to be found too.
							...(relaxed ? [] : this.workplaces.demandsOf(run, dividerId, pace.times)),
							...held(pace.length)
						],
						machine: null,
						batch: null
					}))
				: machines.map((mixerId) => ({
						id: mixerId,
						length,
						demands: [
							...attendedOfMix(length).flatMap((span) => this.hands.forSteps(run.activities, span)),
							...held(length)
						],
						machine: { id: mixerId, size: ONE_MIX, family: this.night.family(making.leaves) },
						batch: null
					}));
		this.night.add(
			told,
			// Whoever is found for it takes as long as is usual.
			modes.flatMap((mode, at) =>
				this.hands.ways(mode, relaxed && (machines.length > 0 || at === 0))
			),
			null,
			null
		);
		return id;
	}

	endOfRun(batch: BatchRef, run: Run, id: string): ChainEnd {
		return { ...this.endOf(batch, id, BENCH), ageMinutes: runMinutes(run) };
	}

	/** A task after which nothing waits yet, but for how long it may lie. */
	endOf(batch: BatchRef, task: string, window: WaitWindow): ChainEnd {
		return {
			task,
			batch,
			window,
			wait: null,
			guard: null,
			ageMinutes: 0,
			mixedBy: null,
			stays: [],
			isSoft: this.night.isSoft(batch),
			isRelaxed: this.night.isRelaxed(batch)
		};
	}

	/** Writes what is done within waits, folds and moves, and gives where the chain has come to. */
	wait(
		batch: BatchRef,
		item: Wait,
		from: ChainEnd,
		standing: Standing,
		past: Past | null = null
	): ChainEnd {
		let end = from;
		for (const [index, course] of item.steps.entries()) {
			const at = item.at + index;
			// Whoever takes it from one wait to the next begins the next.
			if (index > 0)
				end = {
					...this.touch(batch, 'move', at, 0, end, standing.holds),
					ageMinutes: from.ageMinutes
				};
			end = this.oneWait(batch, at, course, end, standing, past);
		}
		return end;
	}

	private oneWait(
		batch: BatchRef,
		at: number,
		course: CourseStep,
		from: ChainEnd,
		{ holds, room }: Standing,
		past: Past | null
	): ChainEnd {
		const legs = course.step.kind === 'wait' ? course.step.legs : [];
		const staysIn = (leg: number) => {
			const place = legs[leg];
			if (!place) return [];
			return this.night.isRelaxed(batch)
				? this.places.heldAnyway(place)
				: this.places.heldIn(place, room);
		};
		let leg = 0;
		const window = past?.endedAfter ?? waitWindow(course);
		const wait: OpenWait = {
			batch,
			at,
			step: course,
			after: from.task,
			until: [],
			touches: []
		};
		this.night.waits.push(wait);
		let end: ChainEnd = { ...from, window, wait, guard: null, stays: staysIn(leg) };
		let passed = 0;
		for (const { what, minute } of past?.endedAfter ? [] : touchesOf(course)) {
			const id = touchId(batch, what, at, wait.touches.length);
			if (what === 'move') leg += 1;
			if (past && !this.night.isDone(id) && this.isPast(past.mixedAtMs + minute * MINUTE_MS)) {
				end = { ...end, stays: staysIn(leg) };
				continue;
			}
			const next = {
				least: minute - passed,
				wish: minute - passed,
				most: minute - passed + TOUCH_LATER_MINUTES
			};
			const touched = this.touch(
				batch,
				what,
				at,
				wait.touches.length,
				{
					...end,
					window: next,
					guard: null,
					wait: null
				},
				holds
			);
			wait.touches.push(touched.task);
			passed = minute + TOUCH_MINUTES;
			end = {
				...touched,
				window: lessBy(window, passed),
				wait,
				guard: { task: from.task, window },
				stays: staysIn(leg),
				ageMinutes: from.ageMinutes,
				mixedBy: from.mixedBy
			};
		}
		return end;
	}

	private isPast(ms: number): boolean {
		const { now, grid } = this.night;
		return now !== null && grid.nearest(ms) < now;
	}

	private touch(
		batch: BatchRef,
		what: 'fold' | 'move',
		waitAt: number,
		index: number,
		from: ChainEnd,
		holds: Holds
	): ChainEnd {
		const id = touchId(batch, what, waitAt, index);
		const length = unitsFilled(TOUCH_MINUTES);
		const span = { from: 0, to: length };
		const demands = [
			...this.hands.forChore(what, span),
			...holds.map(({ pool, amount }) => ({ pools: [pool], amount, ...span }))
		];
		this.night.add(
			{ kind: 'touch', id, batch, what, waitAt },
			this.hands.ways(
				{ id: 'hands', length, demands, machine: null, batch: null },
				this.night.isRelaxed(batch)
			),
			null,
			null
		);
		this.link(from, id, { holds });
		return { ...from, task: id, window: BENCH, wait: null, guard: null, stays: [], ageMinutes: 0 };
	}

	/** Ties a task to where a chain has come to. */
	link(
		end: ChainEnd,
		task: string,
		how: {
			/** How long the task goes on for the last of what it works on, in minutes. */
			readonly ageMinutes?: number;
			readonly mixer?: boolean;
			readonly holds?: Holds;
		} = {}
	): void {
		const { ageMinutes = 0, mixer = false } = how;
		const holds = [...(how.holds ?? []), ...end.stays];
		this.places.endsWith(end.stays, task);
		end.wait?.until.push(task);
		// Only what ferments by its clock is told how old it gets in the hands of whoever works on it.
		const ages = end.wait !== null && end.wait.step.marks !== null ? ageMinutes : 0;
		const own = aged(end.window, ages);
		const mixedBy = mixer ? end.mixedBy : null;
		// Where tasks stand within a wait its whole window is what it is told to be outside of.
		this.lag(end, end.task, task, { window: own, holds, mixedBy, isTold: !end.guard });
		if (!end.guard) return;
		const whole = aged(end.guard.window, ages);
		this.lag(end, end.guard.task, task, {
			window: whole,
			holds: [],
			mixedBy: null,
			isTold: true,
			isGuard: true
		});
	}

	private lag(
		end: ChainEnd,
		before: string,
		after: string,
		how: {
			readonly window: WaitWindow;
			readonly holds: Holds;
			readonly mixedBy: string | null;
			/** Whether it is told where it is used outside. */
			readonly isTold: boolean;
			/** It only bounds: what it is wished to be is priced elsewhere. */
			readonly isGuard?: boolean;
		}
	): void {
		this.lastLag += 1;
		// Nothing is taken on before it is ready, unless that is what happened.
		const happened = this.night.isPinned(before) && this.night.isPinned(after);
		const softness: Softness = happened ? 'happened' : end.isSoft ? 'may-overstay' : 'hard';
		const told = windowOn(how.window, softness, how.holds);
		const given = end.isRelaxed ? windowOn(overstayed(how.window), softness, how.holds) : told;
		const window = how.isGuard ? { ...given, price: 0, wish: null } : given;
		this.night.lags.push({
			id: `lag ${this.lastLag}`,
			before,
			after,
			from: 'end',
			windows: this.windowsBy(before, after, window, how.mixedBy)
		});
		if (how.isTold && (end.isSoft || end.isRelaxed))
			this.night.soft.push({ before, after, least: told.least, most: told.most });
	}

	/** A dough goes back to the mixer it came from, which stands still meanwhile where it has one bowl. */
	private windowsBy(
		before: string,
		after: string,
		window: Window,
		mixedBy: string | null
	): Lag['windows'] {
		const modesOf = (task: string) =>
			this.night.modesOf(task).filter(({ machine }) => machine !== null);
		const pairs = modesOf(before).flatMap((one) =>
			modesOf(after)
				.filter((other) => other.machine?.id === one.machine?.id)
				.map((other) => ({ one, other }))
		);
		if (mixedBy !== before || pairs.length === 0)
			return [{ beforeMode: null, afterMode: null, window }];
		return [
			...pairs.map(({ one, other }) => {
				const mixer = this.mixers.find(({ id }) => id === one.machine?.id);
				return {
					beforeMode: one.id,
					afterMode: other.id,
					window:
						mixer?.bowls === 1
							? { ...window, holds: [...window.holds, { pool: mixer.id, amount: 1 }] }
							: window
				};
			}),
			{ beforeMode: null, afterMode: null, window: null }
		];
	}
}
