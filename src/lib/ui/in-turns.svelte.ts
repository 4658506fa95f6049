/**
 * How much of a long drawing stands: some of it at once, and more with every frame, so that a hand never waits for all of
 * it. Made while a component is set up. What stands already stays when the whole grows or changes.
 */
export class InTurns {
	drawn: number = $state(0);

	constructor(
		private readonly wholeOf: () => number,
		private readonly perFrame: number,
		first = perFrame
	) {
		this.drawn = first;
		$effect(() => {
			if (this.drawn >= this.wholeOf()) return;
			const frame = requestAnimationFrame(() => {
				this.drawn += this.perFrame;
			});
			return () => cancelAnimationFrame(frame);
		});
	}
}
