import type {
	ScheduleReply,
	ScheduleRequest
} from '../../../src/lib/contracts/schedule-protocol.ts';
import { solve, type Plan } from '../../../src/lib/core/schedule/index.ts';
import { ScheduleTeam, type ScheduleWorker } from '../../../src/lib/workers/schedule-team.ts';
import { generateDay, type DaySize } from '../generate-day.ts';
import { problemOf } from '../neutral-case.ts';
import { replanNights, type Replanned } from '../replan-nights.ts';
import { warmUp, WORKERS } from '../timed.ts';

function browserWorker(): Worker {
	return new Worker(new URL('../../../src/lib/workers/schedule.worker.ts', import.meta.url), {
		type: 'module'
	});
}

/** The time on the clock of what is cancelled. */
const CANCELLED_MS = 500;

/** What is asked of this page from outside. */
export interface EngineInBrowser {
	readonly solve: (size: DaySize, day: number, seed: number, moves: number) => Plan;
	readonly replanNights: () => Promise<Replanned>;
	/**
	 * How long after it was sent a cancel is answered by a warmed worker, in milliseconds; sent at moments spread from the
	 * question to the answer of a large day, so that what is done before and after the search is met too.
	 */
	readonly cancels: (times: number) => Promise<readonly number[]>;
}

const engine: EngineInBrowser = {
	solve: (size, day, seed, moves) => {
		const solved = solve(problemOf(generateDay(size, day)), { seed, moves });
		if (!solved.ok) throw new Error(JSON.stringify(solved.error));
		return solved.value;
	},
	replanNights: async () => {
		const team = new ScheduleTeam(() => browserWorker() as unknown as ScheduleWorker, WORKERS);
		await warmUp(team, problemOf(generateDay('medium', 1)));
		const replanned = await replanNights(team);
		team.close();
		return replanned;
	},
	cancels: async (times) => {
		const worker = browserWorker();
		const post = (request: ScheduleRequest) => worker.postMessage(request);
		const problem = problemOf(generateDay('large', 1));
		/** From the cancel, if one is sent, until the worker's last word; null where that came first. */
		const ask = (id: number, cancelAfterMs: number) =>
			new Promise<number | null>((answered) => {
				let sent: number | null = null;
				const cancel = setTimeout(() => {
					sent = performance.now();
					post({ kind: 'cancel', id });
				}, cancelAfterMs);
				worker.onmessage = ({ data }: MessageEvent<ScheduleReply>) => {
					if (data.id !== id || data.kind === 'better') return;
					clearTimeout(cancel);
					answered(sent === null ? null : performance.now() - sent);
				};
				post({ kind: 'solve', id, problem, inForce: null, seed: id, budgetMs: CANCELLED_MS });
			});
		for (let id = 1; id <= 3; id += 1) await ask(id, 2 * CANCELLED_MS);
		const took: number[] = [];
		for (let at = 0; at < times; at += 1) {
			const answered = await ask(4 + at, (CANCELLED_MS * at) / times);
			if (answered !== null) took.push(answered);
		}
		worker.terminate();
		return took;
	}
};
Object.assign(window, { engine });
