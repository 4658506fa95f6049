<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import { momentText } from '../../wording/time-text.ts';

	interface Props {
		view: OrdersView;
	}
	let { view }: Props = $props();
	const { bakery, now } = useRoom();
	const product = (id: string) => view.products.find((one) => one.id === id)?.name ?? '';
	const drop = (id: string) => view.drops.find((one) => one.id === id)?.name ?? '';
</script>

{#if view.changes.length > 0}
	<details class="mx-5 my-4" data-order-changes>
		<summary class="min-h-11 cursor-pointer py-2 font-bold"
			>What was typed for this date, and by whom</summary
		>
		<ul>
			{#each view.changes as change (change.id)}
				<li class="py-1">
					<span class="tabular-nums">{momentText(change.atMs, now.epochMs, bakery.timeZone)}</span>
					{change.by}: <b>{product(change.productId)}</b>, {drop(change.dropId)},
					<span class="tabular-nums">{change.before} → {change.after}</span>
					{#if change.leftToStanding}as the standing order{/if}
					{#if change.afterCutOff}<b>after its orders were closed</b>{/if}
				</li>
			{/each}
		</ul>
	</details>
{/if}
