<script lang="ts">
	import type { ToldResults } from '../client/told-results.svelte.ts';
	import type { CountedPortion } from '../core/results/index.ts';
	import Stepper from '../ui/Stepper.svelte';
	import { countedText, LOST_BECAUSE } from '../wording/result-text.ts';

	interface Props {
		name: string;
		counted: CountedPortion;
		/** At the most so many in one go, a load of them. */
		most: number;
		results: ToldResults;
	}
	let { name, counted, most, results }: Props = $props();
	let second = $state(0);
	let lost = $state(0);
	let because = $state('');
	/** Typed, where it is not the rest of them. */
	let typedGood: number | null = $state(null);
	const there = $derived(Math.min(most, counted.left));
	const good = $derived(typedGood ?? Math.max(0, there - second - lost));
	const all = $derived(good + second + lost);

	async function keep() {
		const told = { kind: 'counted', good, second, lost, because } as const;
		const [what, goodAsTyped] = [`${name}: ${all} counted`, typedGood];
		// What is counted leaves its fields at once: the next is counted while it is on its way. What was not taken comes back,
		// unless something else was counted by then.
		second = 0;
		lost = 0;
		because = '';
		typedGood = null;
		if (await results.tell(counted.portion, told, what)) return;
		if (second > 0 || lost > 0 || typedGood !== null) return;
		second = told.second;
		lost = told.lost;
		because = told.because;
		typedGood = goodAsTyped;
	}
</script>

<section class="count" aria-label="Count of {name}" data-count={name}>
	<p>{name}: <b data-counted>{countedText(counted)}</b></p>
	{#if counted.left > 0}
		<div class="steps">
			<Stepper label="Good" value={good} onSet={(value: number) => (typedGood = value)} />
			<Stepper label="Second" value={second} onSet={(value: number) => (second = value)} />
			<Stepper label="Lost" value={lost} onSet={(value: number) => (lost = value)} />
		</div>
		{#if second + lost > 0}
			<div role="group" aria-label="Why they are second or lost">
				{#each LOST_BECAUSE as reason (reason)}
					<button
						type="button"
						class={because === reason ? 'action' : 'action-lesser'}
						aria-pressed={because === reason}
						onclick={() => (because = because === reason ? '' : reason)}>{reason}</button
					>
				{/each}
			</div>
		{/if}
		<button class="action-lesser keep" type="button" disabled={all === 0} onclick={keep}
			>Count {all}</button
		>
	{/if}
	{#if results.message}<p role="alert"><b>{results.message}</b></p>{/if}
</section>

<style>
	.count {
		display: grid;
		gap: 10px;
		padding-top: 12px;
		font-size: 19px;
	}
	.steps,
	[role='group'] {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 20px;
	}
	[role='group'] {
		gap: 8px;
	}
	button {
		min-height: 56px;
	}
	.keep {
		max-width: 22rem;
	}
</style>
