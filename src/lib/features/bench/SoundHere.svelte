<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { BenchTone } from '../../client/bench-tone.svelte.ts';
	import type { BoardWork } from '../../core/bench/index.ts';
	import { STATIONS } from '../../core/planning/index.ts';
	import { STATION_TEXT } from '../../wording/bench-text.ts';

	interface Props {
		/** What is due at any station and was not begun. */
		due: readonly BoardWork[];
	}
	let { due }: Props = $props();
	const tone = new BenchTone();
	onMount(() => tone.start());
	$effect(() => {
		// Chosen stations are read too: one that is let sound rings for what is due already.
		void tone.stations;
		const rings = due.map(({ work }) => ({ key: work.key, station: work.station }));
		untrack(() => tone.ring(rings));
	});
</script>

<div class="sound" data-ringing={tone.ringing.length}>
	{#if tone.ringing.length > 0}
		<button class="act-now quiet" onclick={() => tone.silence()}>Quiet on this screen</button>
	{/if}
	<details>
		<summary>
			{tone.stations.length === 0
				? 'No sound here'
				: `Sounds for ${tone.stations.map((station) => STATION_TEXT[station].toLowerCase()).join(', ')}`}
			{#if tone.stations.length > 0 && !tone.isAllowed}<b>: touch to let it sound</b>{/if}
		</summary>
		<div class="stations" role="group" aria-label="What sounds on this screen">
			{#each STATIONS as station (station)}
				{@const on = tone.stations.includes(station)}
				<button
					class={on ? 'action' : 'action-lesser'}
					aria-pressed={on}
					onclick={() => void tone.choose(station, !on)}>{STATION_TEXT[station]}</button
				>
			{/each}
			{#if tone.stations.length > 0 && !tone.isAllowed}
				<button class="action-lesser" onclick={() => void tone.allow()}>Let it sound</button>
			{/if}
		</div>
	</details>
</div>

<style>
	.sound {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
		align-items: start;
	}
	summary {
		display: flex;
		align-items: center;
		min-height: 56px;
		padding: 0 16px;
		border: 2px solid var(--line);
		cursor: pointer;
	}
	.stations {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.stations button,
	.quiet {
		min-height: 56px;
		padding: 0 18px;
	}
	.quiet {
		cursor: pointer;
	}
</style>
