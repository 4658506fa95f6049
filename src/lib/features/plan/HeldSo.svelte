<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeDayInput, DayPlan } from '../../core/planning/index.ts';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { wishText } from './wish-text.ts';

	interface Props {
		plan: DayPlan;
		input: BakeDayInput;
		model: PlanModel;
	}
	let { plan, input, model }: Props = $props();
	const zone = useRoom().bakery.timeZone;
</script>

<ul class="wishes" aria-label="Held so" data-wishes>
	{#each model.wishes as wish (JSON.stringify(wish))}
		{@const told = wishText(wish, plan, input, zone)}
		<li>
			{told}
			<button
				class="action-small"
				onclick={() => model.wish(model.wishes.filter((one) => one !== wish))}
				aria-label="Let go: {told}">Let go</button
			>
		</li>
	{/each}
</ul>

<style>
	.wishes {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 16px;
		padding: 0 20px 10px;
	}
	li {
		display: flex;
		gap: 8px;
		align-items: center;
		border-bottom: 2px solid var(--ink);
	}
</style>
