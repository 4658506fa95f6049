/** Takes all steps of something that could be left between them, and gives what it comes to. */
export function inOneGo<Result>(steps: Generator<void, Result>): Result {
	for (;;) {
		const step = steps.next();
		if (step.done) return step.value;
	}
}
