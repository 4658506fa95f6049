<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeDayInput, DayPlan, HeldTo } from '../../core/planning/index.ts';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { askedText, heldText, thenText } from './ways-out-text.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		model: PlanModel;
	}
	let { plan, input, model }: Props = $props();
	const { timeZone: zone } = useRoom().bakery;
	const ways = $derived(model.waysOut);
	const clashes = $derived(
		ways !== null && ways !== 'looked for' && ways.kind === 'clash' ? ways.clashes : []
	);
	const alone = $derived(clashes.flatMap((clash) => (clash.length === 1 ? clash : [])));
	const together = $derived(clashes.filter((clash) => clash.length > 1));
</script>

{#if ways !== null && (ways === 'looked for' || ways.kind !== 'holds')}
	<section aria-labelledby="ways-out" data-frees class="mb-4" aria-live="polite">
		<h2 id="ways-out">What would free it</h2>
		{#if ways === 'looked for'}
			<p class="text-ink-2">Looking for the fewest things that do not go together.</p>
		{:else if ways.kind === 'clash'}
			{#if alone.length > 0}
				<p>No plan was found that keeps {alone.length > 1 ? 'any of these' : 'this'}:</p>
				{@render list(alone)}
			{/if}
			{#each together as clash (JSON.stringify(clash))}
				<p>No plan was found that keeps all of these:</p>
				{@render list(clash)}
			{/each}
			{#if ways.ways.length > 0}
				<p>
					{ways.ways.length > 1 ? 'Any one of these frees it:' : 'This frees it:'}
				</p>
			{:else}
				<p>No plan was found without one of them either. Look at what is ordered.</p>
			{/if}
			<ul>
				{#each ways.ways as { givenUp, found } (JSON.stringify(givenUp))}
					<li class="way">
						<button class="action-lesser" onclick={() => model.take(found)}
							>{askedText(givenUp, found, model.wishes, input, zone)}</button
						>
						<span class="block text-note text-ink-2">{thenText(found)}</span>
					</li>
				{/each}
			</ul>
			{#if ways.ways.length > 0}
				<p class="mt-1 text-note text-ink-2">
					Settle it with whoever it concerns before the plan is accepted. Undo takes it back.
				</p>
			{/if}
		{:else if ways.kind === 'beyond'}
			<p>
				Later drops, longer hours and letting go of what is held here do not free it. Look at what
				is ordered, and at what finds no place.
			</p>
		{/if}
	</section>
{/if}

{#snippet list(clash: readonly HeldTo[])}
	<ul class="held">
		{#each clash as held (JSON.stringify(held))}
			<li>{heldText(held, plan, input, zone)}</li>
		{/each}
	</ul>
{/snippet}

<style>
	.held {
		margin: 4px 0 8px;
		border-left: 6px solid var(--act);
		padding-left: 10px;
		font-weight: 700;
	}
	.way {
		padding: 6px 0;
		border-bottom: 1px solid var(--line);
	}
	.way button {
		width: 100%;
		height: auto;
		min-height: 44px;
		padding-block: 6px;
		text-align: left;
		white-space: normal;
	}
	@media (pointer: coarse) {
		.way button {
			min-height: 56px;
		}
	}
</style>
