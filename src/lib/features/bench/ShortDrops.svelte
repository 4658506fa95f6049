<script lang="ts">
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import type { AcceptedPlanView } from '../../contracts/views.ts';
	import { rescueOf, type Short } from '../../core/results/index.ts';
	import { shortText } from '../../wording/result-text.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		short: Short;
		accepted: AcceptedPlanView;
		results: ToldResults;
		nowMs: number;
		zone: string;
	}
	let { short, accepted, results, nowMs, zone }: Props = $props();
	const rescue = $derived(
		rescueOf(accepted.document.input, accepted.document.plan, short.portion.portion, nowMs)
	);
	const bears = $derived(short.drops.filter(({ gets }) => gets > 0));
	const rescued = $derived(
		rescue ? short.drops.filter(({ dropId }) => rescue.drops.includes(dropId)) : []
	);
	const portion = $derived(short.portion.portion);
	const answered = $derived(short.drops.filter(({ gets, ordered }) => gets < ordered));
</script>

<section
	class="short"
	class:open={short.open > 0}
	data-short={short.name}
	aria-label="{short.name} is short"
>
	<p class:act-now={short.open > 0} data-short-text><b>{shortText(short)}</b></p>
	{#if answered.length > 0}
		<p data-short-answered>
			{answered.map(({ name, gets, ordered }) => `${name} gets ${gets} of ${ordered}`).join('; ')}.
		</p>
	{/if}
	{#if short.open > 0}
		<p>Who gets fewer? The one that goes last stands first.</p>
		<div class="ways" role="group" aria-label="Who gets fewer">
			{#each bears as drop (drop.dropId)}
				{@const pieces = Math.min(short.open, drop.gets)}
				<button
					class="action-lesser"
					onclick={() =>
						void results.tell(
							portion,
							{ kind: 'less', dropId: drop.dropId, pieces },
							`${short.name}: ${drop.name} gets ${pieces} fewer`
						)}>{drop.name} gets {drop.gets - pieces} of {drop.ordered}</button
				>
			{/each}
		</div>
		{#if rescue && rescued.length > 0}
			<p data-rescue>
				Mixed now, {short.open} more would be packed about <b>{clockText(rescue.readyMs, zone)}</b>,
				in time for {rescued.map(({ name }) => name).join(', ')}, where hands and an oven are free{rescue
					.takes.length > 0
					? `; it takes ${rescue.takes.join(', ')}`
					: ''}.
			</p>
			<div class="ways">
				<button
					class="action-lesser"
					onclick={() =>
						void results.tell(
							portion,
							{ kind: 'again', pieces: short.open },
							`${short.name}: ${short.open} made again`
						)}>Make {short.open} again</button
				>
			</div>
		{:else if rescue}
			<p data-rescue>
				Mixed now, more would be packed about {clockText(rescue.readyMs, zone)}: too late for all of
				them.
			</p>
		{/if}
	{/if}
</section>

<style>
	.short {
		margin: 0 20px 12px;
		padding: 10px 14px;
		border: 2px solid var(--ink);
		font-size: 19px;
		display: grid;
		gap: 8px;
	}
	.short:not(.open) {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 14px;
		padding: 0;
		border: 0;
	}
	.act-now {
		justify-self: start;
		padding: 2px 8px;
	}
	.ways {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.ways button {
		min-height: 56px;
	}
</style>
