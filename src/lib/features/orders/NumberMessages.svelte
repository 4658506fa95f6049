<script lang="ts">
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		products: readonly { readonly id: string; readonly name: string }[];
		drops: readonly { readonly id: string; readonly name: string }[];
		model: OrdersModel;
	}
	let { products, drops, model }: Props = $props();
	/** Beyond these they are counted: a block that was not saved is one matter. */
	const MOST_TOLD = 6;
	const told = $derived(model.unsaved.slice(0, MOST_TOLD));
	const others = $derived(model.unsaved.slice(MOST_TOLD));
	const nameIn = (all: Props['products'], id: string) =>
		all.find((one) => one.id === id)?.name ?? '';
</script>

<div class="mx-5 my-3" role="status" aria-live="polite" data-order-messages>
	{#if model.message}<p class="mb-2">{model.message}</p>{/if}
	{#each told as cell (cell.productId + cell.dropId)}
		<p class="mb-2 flex flex-wrap items-center gap-3">
			<span class="act-now px-2 py-1">{cell.state === 'invalid' ? 'Check' : 'Not saved'}</span>
			<span>
				<b>{nameIn(products, cell.productId)}, {nameIn(drops, cell.dropId)}:</b>
				{cell.message}
			</span>
			<button class="action-lesser" onclick={() => model.discard(cell.productId, cell.dropId)}>
				Keep {cell.saved}
			</button>
		</p>
	{/each}
	{#if others.length > 0}
		<p class="mb-2 flex flex-wrap items-center gap-3">
			<span class="act-now px-2 py-1">Not saved</span>
			<span>{others.length === 1 ? 'One more number' : `${others.length} more numbers`}.</span>
			<button
				class="action-lesser"
				onclick={() => {
					for (const { productId, dropId } of others) model.discard(productId, dropId);
				}}>Keep what is saved of them</button
			>
		</p>
	{/if}
</div>
