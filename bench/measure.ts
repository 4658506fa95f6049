/**
 * The median times of one call of two pieces of work in milliseconds, after a warm-up. They are done in
 * turns, so that whatever else the machine does falls on both alike; short work is done many times in a
 * sample, so that a sample is far longer than the clock's step.
 */
export async function mediansInTurns(
	first: () => unknown,
	second: () => unknown,
	samples: number,
	inFirst = 1,
	inSecond = 1
): Promise<readonly [number, number]> {
	const times: [number[], number[]] = [[], []];
	for (let sample = -10; sample < samples; sample += 1)
		for (const [at, work, often] of [
			[0, first, inFirst],
			[1, second, inSecond]
		] as const) {
			const start = performance.now();
			for (let time = 0; time < often; time += 1) {
				const result = work();
				if (result instanceof Promise) await result;
			}
			if (sample >= 0) times[at].push((performance.now() - start) / often);
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
