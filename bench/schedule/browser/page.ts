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

/** What is asked of this page from outside. */
export interface EngineInBrowser {
	readonly solve: (size: DaySize, day: number, seed: number, moves: number) => Plan;
	readonly replanNights: () => Promise<Replanned>;
	/** How long after it was sent a cancel is answered by a worker that searches, in milliseconds. */
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
		const took: number[] = [];
		for (let id = 1; id <= times; id += 1) {
			let sent = 0;
			await new Promise<void>((heard) => {
				worker.onmessage = ({ data }: MessageEvent<ScheduleReply>) => {
					if (data.id !== id) return;
					if (data.kind === 'better' && sent === 0) {
						sent = performance.now();
						post({ kind: 'cancel', id });
					} else if (data.kind === 'cancelled') heard();
				};
				post({ kind: 'solve', id, problem, inForce: null, seed: id, budgetMs: 60_000 });
			});
			took.push(performance.now() - sent);
		}
		worker.terminate();
		return took;
	}
};
Object.assign(window, { engine });
