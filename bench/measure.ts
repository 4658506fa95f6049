/** The median time of one call in milliseconds, after a warm-up, from many short rounds. */
export async function medianMs(work: () => unknown, rounds: number): Promise<number> {
	for (let warm = 0; warm < Math.min(20, rounds); warm += 1) await work();
	const times: number[] = [];
	for (let round = 0; round < rounds; round += 1) {
		const start = performance.now();
		await work();
		times.push(performance.now() - start);
	}
	times.sort((a, b) => a - b);
	return times[Math.floor(times.length / 2)] ?? 0;
}

/**
 * The medians of two pieces of work done in turns, so that whatever else the machine does falls on both
 * alike.
 */
export async function mediansInTurns(
	first: () => Promise<unknown>,
	second: () => Promise<unknown>,
	rounds: number
): Promise<readonly [number, number]> {
	const times: [number[], number[]] = [[], []];
	for (let round = -10; round < rounds; round += 1)
		for (const [at, work] of [first, second].entries()) {
			const start = performance.now();
			await work();
			if (round >= 0) times[at as 0 | 1].push(performance.now() - start);
		}
	const median = (all: number[]) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;
	return [median(times[0]), median(times[1])];
}

export interface Figure {
	readonly what: string;
	readonly ms: number;
	readonly baseline: string;
	readonly baselineMs: number;
	/** The ratio that was committed; a fifth above it fails the run. Null while it is only watched. */
	readonly committedRatio: number | null;
}

/** Prints the figures side by side; true when none is a fifth above its committed ratio. */
export function report(title: string, figures: readonly Figure[]): boolean {
	console.log(`\n${title}`);
	let good = true;
	for (const { what, ms, baseline, baselineMs, committedRatio } of figures) {
		const ratio = ms / baselineMs;
		const passed = committedRatio === null || ratio <= committedRatio * 1.2;
		good &&= passed;
		const limit =
			committedRatio === null ? '' : `, committed ${committedRatio}${passed ? '' : '  TOO SLOW'}`;
		console.log(
			`  ${what.padEnd(44)} ${ms.toFixed(3).padStart(9)} ms   ${ratio.toFixed(1).padStart(7)} x  ${baseline} (${baselineMs.toFixed(3)} ms)${limit}`
		);
	}
	return good;
}
