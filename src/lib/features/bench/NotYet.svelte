<script lang="ts">
	import type { BoardWork } from '../../core/bench/index.ts';
	import TimeField from '../../fields/TimeField.svelte';
	import { BECAUSE } from '../../wording/bench-text.ts';
	import { clockText, lastShowing } from '../../wording/time-text.ts';
	import type { WallTime } from '../../core/time/index.ts';

	interface Props {
		one: BoardWork;
		nowMs: number;
		zone: string;
		onPutOff: (minutes: number, because: string) => void;
		onLeaveOut: (because: string) => void;
		/** It was done, at another time than now. */
		onDoneAt: (atMs: number) => void;
	}
	let { one, nowMs, zone, onPutOff, onLeaveOut, onDoneAt }: Props = $props();
	const MINUTES = [5, 10, 20, 30];
	let because = $state('');
	/** Nobody typed a time yet: the one at which it was to be over. */
	let typed: WallTime | null = $state(null);
	const doneAt = $derived(
		typed ??
			(clockText(Math.min(nowMs, one.dueMs + one.work.endMs - one.work.atMs), zone) as WallTime)
	);
</script>

<div class="not-yet" data-not-yet>
	<div role="group" aria-label="Why it is not yet">
		{#each BECAUSE as reason (reason)}
			<button
				class={because === reason ? 'action' : 'action-lesser'}
				aria-pressed={because === reason}
				onclick={() => (because = because === reason ? '' : reason)}>{reason}</button
			>
		{/each}
	</div>
	<div role="group" aria-label="How long it is put off">
		{#each MINUTES as minutes (minutes)}
			<button class="action-lesser" onclick={() => onPutOff(minutes, because)}
				>In {minutes} min</button
			>
		{/each}
		<button class="action-lesser" onclick={() => onLeaveOut(because)}>Leave it out</button>
	</div>
	<div class="at">
		<TimeField label="It was done at" value={doneAt} onSet={(time: WallTime) => (typed = time)} />
		<button class="action-lesser" onclick={() => onDoneAt(lastShowing(doneAt, nowMs, zone))}
			>Write that down</button
		>
	</div>
</div>

<style>
	.not-yet {
		display: grid;
		gap: 10px;
		padding-top: 10px;
	}
	.not-yet > div {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.not-yet button {
		min-height: 56px;
	}
	.at {
		align-items: center;
	}
</style>
