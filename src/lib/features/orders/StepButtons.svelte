<script lang="ts">
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		products: readonly { readonly id: string; readonly name: string }[];
		model: OrdersModel;
	}
	let { products, model }: Props = $props();
	const undoLabel = $derived.by(() => {
		const last = model.undoable;
		const [first] = last ?? [];
		if (!last || !first) return '';
		if (last.length > 1) return `${last.length} numbers`;
		const name = products.find(({ id }) => first.key.startsWith(id))?.name ?? '';
		return `${name}, ${first.after.pieces} back to ${first.before.pieces}`;
	});
</script>

{#if model.undoable}
	<button class="action-lesser" onclick={() => model.undo()}>Undo: {undoLabel}</button>
{/if}
{#if model.canRedo}
	<button class="action-lesser" onclick={() => model.redo()}>Redo</button>
{/if}
{#if model.unsaved.length > 0}
	<button class="action" onclick={() => model.retryAll()}>
		Save {model.unsaved.length} again
	</button>
{/if}
