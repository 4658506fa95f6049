// Keeps something running: started again by itself whenever it ends, with a pause that grows while it does not stay.
import { setTimeout as pause } from 'node:timers/promises';
import { say } from './progress.mjs';

/**
 * @typedef {{ ended: Promise<string>, stop: () => Promise<void> }} Running what runs; `ended` says how it ended
 * @typedef {{ firstMs: number, longestMs: number, steadyMs: number }} Pauses `steadyMs`: having run for so long, it
 *   is taken to stay, and the next pause is short again
 */

/** @type {Pauses} */
const PAUSES = { firstMs: 500, longestMs: 30_000, steadyMs: 60_000 };

/**
 * Starts something and keeps it running until it is stopped. What goes wrong at the first start is thrown; later it
 * is told, and tried again.
 * @template {Running} R
 * @param {string} what its name, as a sentence begins with it
 * @param {() => Promise<R>} start
 * @param {{ until?: AbortSignal, pauses?: Pauses }} [options] `until` is told when all is to end: what ends from then
 *   on is left, since a terminal tells its children to end as well
 * @returns {Promise<{ now: () => R, running: () => R | null, stop: () => Promise<void> }>} `now`: what was started last;
 *   `running`: the same, null while it is not there
 */
export async function keepRunning(what, start, { until, pauses = PAUSES } = {}) {
	let now = await start();
	/** @type {R | null} */
	let running = null;
	const runs = () => {
		const started = now;
		running = started;
		void started.ended.then(() => {
			if (running === started) running = null;
		});
	};
	runs();
	const stopped = new AbortController();
	const signal = until ? AbortSignal.any([until, stopped.signal]) : stopped.signal;
	/** @type {Promise<string>} */
	const asked = new Promise((resolve) =>
		signal.addEventListener('abort', () => resolve('it was asked to'))
	);
	const watch = async () => {
		let pauseMs = pauses.firstMs;
		for (;;) {
			const since = performance.now();
			const how = await Promise.race([now.ended, asked]);
			if (signal.aborted) return;
			if (performance.now() - since > pauses.steadyMs) pauseMs = pauses.firstMs;
			let trouble = `${what} ended (${how})`;
			for (let again = true; again;) {
				say(`${trouble}; it is started again in ${(pauseMs / 1000).toFixed(1)} s`);
				await pause(pauseMs, undefined, { signal }).catch(() => undefined);
				pauseMs = Math.min(pauseMs * 2, pauses.longestMs);
				if (signal.aborted) return;
				try {
					now = await start();
					runs();
					say(`${what} runs again`);
					again = false;
				} catch (error) {
					trouble = `${what} did not start: ${error instanceof Error ? error.message : String(error)}`;
				}
			}
		}
	};
	const watching = watch();
	return {
		now: () => now,
		running: () => running,
		stop: async () => {
			stopped.abort();
			await watching;
			await now.stop();
		}
	};
}
