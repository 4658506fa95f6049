<script lang="ts">
	import { onMount } from 'svelte';
	import { preloadData } from '$app/navigation';
	import { resolve } from '$app/paths';
	import type { PlanView } from '../../contracts/views.ts';
	import type { WorkEntry } from '../../core/bench/index.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import PlannedAgain from './PlannedAgain.svelte';

	interface Props {
		date: BakeDate;
		/** It was accepted, or left. */
		onClose: () => void;
	}
	let { date, onClose }: Props = $props();
	interface PageOfPlan {
		readonly view: PlanView;
		readonly tapped: readonly WorkEntry[];
	}
	let read: PageOfPlan | 'reading' | 'failed' = $state.raw('reading');

	/** Reads what the page of the plan is made from, as it is now: nothing on this page has it. */
	async function look() {
		read = 'reading';
		try {
			const address = `${resolve(`/bake/${date}/plan`)}?from=taps&at=${Date.now()}`;
			const answer = await preloadData(address);
			read =
				answer.type === 'loaded' && answer.status === 200
					? (answer.data as unknown as PageOfPlan)
					: 'failed';
		} catch {
			read = 'failed';
		}
	}
	onMount(() => void look());
</script>

<section class="again" aria-label="Plan again" data-plan-again>
	{#if read === 'reading'}
		<p>Reading what was done so far.</p>
	{:else if read === 'failed'}
		<p role="alert">Jovet does not answer: it cannot be planned again yet.</p>
		<button class="action" onclick={() => void look()}>Try again</button>
		<button class="action-lesser" onclick={onClose}>Leave it</button>
	{:else}
		<PlannedAgain view={read.view} tapped={read.tapped} {onClose} />
	{/if}
</section>

<style>
	.again {
		margin: 0 20px 12px;
		padding: 12px 16px;
		border: 2px solid var(--ink);
		background: var(--sheet);
		font-size: 19px;
	}
	.again :global(button) {
		min-height: 56px;
	}
</style>
