<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import type { MovedRecipe } from '../../core/planning/index.ts';
	import { formatBulk } from '../../core/units/index.ts';
	import { momentText } from '../../wording/time-text.ts';

	interface Props {
		date: OrdersView['date'];
		since: NonNullable<OrdersView['sincePlan']>;
		/** Whether a number came when the orders of its drop were closed. */
		isLate: (productId: string, dropId: string) => boolean;
	}
	let { date, since, isLate }: Props = $props();
	const { bakery, now } = useRoom();
	const mass = (grams: number) => formatBulk({ grams }, bakery.units);
	function byText({ before, after }: MovedRecipe): string {
		const by = after.grams - before.grams;
		return by >= 0 ? `${mass(by)} more` : `${mass(-by)} less`;
	}
	/** Its batches are told where they are several, or where one stays as it was begun. */
	const isTold = ({ batches }: MovedRecipe) =>
		batches.length > 1 || batches.some(({ begun }) => begun);
	function batchText({ beforeGrams, afterGrams, begun }: MovedRecipe['batches'][number]): string {
		if (afterGrams === null) return 'not made any more';
		if (begun) return `${mass(afterGrams)}, begun: it stays as it is`;
		if (beforeGrams === null) return `${mass(afterGrams)}, one more`;
		const [was, is] = [mass(beforeGrams), mass(afterGrams)];
		return was === is ? is : `${was} → ${is}`;
	}
</script>

<section class="mx-5 mb-4 border-2 border-ink bg-sheet p-4" aria-labelledby="since" data-since-plan>
	<h2 id="since">
		Changed since plan {since.number} was accepted
		<span class="text-note font-normal text-ink-2"
			>{since.acceptedBy}, {momentText(since.acceptedAtMs, now.epochMs, bakery.timeZone)}</span
		>
	</h2>
	<div class="mt-2 flex flex-wrap gap-x-10 gap-y-3">
		<ul>
			{#each since.orders as order (order.productId + order.dropId)}
				<li data-moved-order={order.product}>
					<b>{order.product}</b>, {order.drop}:
					<span class="tabular-nums">{order.before} → {order.after}</span>
					{#if isLate(order.productId, order.dropId)}
						<span class="text-note">after its orders were closed</span>
					{/if}
				</li>
			{:else}
				<li>No number of pieces; something that the mixes follow from.</li>
			{/each}
		</ul>
		<ul>
			{#each since.recipes as recipe (recipe.kind + recipe.name)}
				<li class="pb-1" data-moved-recipe={recipe.name}>
					<b>{recipe.name}</b>: {mass(recipe.before.grams)} → {mass(recipe.after.grams)},
					<b>{byText(recipe)}</b>
					{#if isTold(recipe)}
						<ul class="text-note">
							{#each recipe.batches as batch (batch.ordinal)}
								<li>
									{recipe.kind === 'mix' ? `mix ${batch.ordinal}` : batch.ordinal}: {batchText(
										batch
									)}
								</li>
							{/each}
						</ul>
					{/if}
				</li>
			{/each}
		</ul>
	</div>
	<p class="mt-3">
		<a class="action no-underline!" href={resolve(`/bake/${date}/plan`)}>Plan the night again</a>
	</p>
</section>
