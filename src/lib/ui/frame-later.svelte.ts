import { untrack } from 'svelte';

/**
 * What something was a frame ago, so that two drawings of the same news are not made in one go. Made while a component is
 * set up.
 */
export class FrameLater<Value> {
	value: Value = $state.raw() as Value;

	constructor(valueOf: () => Value) {
		this.value = untrack(valueOf);
		$effect(() => {
			const next = valueOf();
			if (next === untrack(() => this.value)) return;
			const frame = requestAnimationFrame(() => {
				this.value = next;
			});
			return () => cancelAnimationFrame(frame);
		});
	}
}
