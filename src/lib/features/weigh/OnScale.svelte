<script lang="ts">
	import type { BenchScale } from '../../client/bench-scale.svelte.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { formatMass } from '../../core/units/index.ts';

	interface Props {
		scale: BenchScale;
		/** Still to go in of the line that is weighed. */
		leftGrams: number;
		decimals: number;
		busy: boolean;
		onTake: (grams: number) => void;
	}
	let { scale, leftGrams, decimals, busy, onTake }: Props = $props();
	const { units } = useRoom().bakery;
	const mass = (grams: number) => formatMass({ grams }, decimals, units);
	const net = $derived(scale.net);
	const share = $derived(
		net && leftGrams > 0 ? Math.max(0, Math.min(1, net.grams / leftGrams)) : 0
	);
	const still = $derived(net ? leftGrams - net.grams : 0);
</script>

<div class="mt-3 border-t border-line pt-3" data-on-scale>
	{#if scale.isSilent || !net}
		<p role="status">
			<span class="act-now px-2">Silent</span>
			{scale.chosen?.name ?? 'The scale'} does not speak. Type what it shows.
		</p>
	{:else}
		<p class="text-figure leading-tight font-bold tabular-nums" data-shown={net.stable}>
			{mass(net.grams)}
			<span class="text-lead font-normal"
				>on {scale.chosen?.name}{net.stable ? '' : ', still swinging'}</span
			>
		</p>
		<progress class="bar" max="1" value={share} aria-label="How much of it is in"></progress>
		<p class="text-lead">
			{#if still > 0.05}{mass(still)} to go{:else if still < -0.05}{mass(-still)} too much{:else}as
				wanted{/if}
		</p>
		<div class="mt-2 flex flex-wrap gap-3">
			<button
				type="button"
				class="action take"
				disabled={busy || !net.stable || net.grams <= 0}
				onclick={() => onTake(net.grams)}>Take {mass(Math.max(0, net.grams))}</button
			>
			<button type="button" class="action-lesser" onclick={() => scale.tare()}>Tare</button>
		</div>
	{/if}
</div>

<style>
	.bar {
		display: block;
		width: 100%;
		height: 18px;
		margin: 6px 0;
		border: 2px solid var(--ink);
		background: var(--sheet);
		appearance: none;
	}
	.bar::-webkit-progress-bar {
		background: var(--sheet);
	}
	.bar::-webkit-progress-value {
		background: var(--ink);
	}
	.bar::-moz-progress-bar {
		background: var(--ink);
	}
	.take {
		min-height: 64px;
		font-size: 22px;
	}
</style>
