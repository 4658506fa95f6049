<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import type { MovedBatch } from '../../core/planning/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import { momentText } from '../../wording/time-text.ts';

	interface Props {
		date: OrdersView['date'];
		since: NonNullable<OrdersView['sincePlan']>;
		/** Whether a number came when the orders of its drop were closed. */
		isLate: (productId: string, dropId: string) => boolean;
	}
	let { date, since, isLate }: Props = $props();
	const { bakery, now } = useRoom();
	const mass = (grams: number) => formatMass({ grams }, 2, bakery.units);
	const named = ({ kind, name, ordinal, count }: Omit<MovedBatch, 'beforeGrams' | 'afterGrams'>) =>
		kind === 'mix'
			? `${name}, mix ${ordinal} of ${count}`
			: `${name}${count > 1 ? ` ${ordinal} of ${count}` : ''}`;
	function movedText({ beforeGrams, afterGrams }: MovedBatch): string {
		if (beforeGrams === null && afterGrams !== null) return `${mass(afterGrams)}, one more`;
		if (beforeGrams !== null && afterGrams === null) return `${mass(beforeGrams)} less, not made`;
		const by = (afterGrams ?? 0) - (beforeGrams ?? 0);
		return `${mass(beforeGrams ?? 0)} → ${mass(afterGrams ?? 0)}, ${by > 0 ? `${mass(by)} more` : `${mass(-by)} less`}`;
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
			{#each since.batches as batch (batch.kind + batch.name + batch.ordinal)}
				<li data-moved-batch={named(batch)}><b>{named(batch)}</b>: {movedText(batch)}</li>
			{/each}
			{#each since.begun as batch (batch.kind + batch.name + batch.ordinal)}
				<li data-begun-batch={named(batch)}>
					<b>{named(batch)}</b>: begun, it stays as it is
				</li>
			{/each}
		</ul>
	</div>
	<p class="mt-3">
		<a class="action no-underline!" href={resolve(`/bake/${date}/plan`)}>Plan the night again</a>
	</p>
</section>
