<script lang="ts">
	import OverNotices from '../../sheets/OverNotices.svelte';
	import Notice from '../../ui/Notice.svelte';
	import { unmadeText } from '../../wording/failure-text.ts';
	import { onMount, untrack } from 'svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { readAnew } from '../../client/read-anew.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { Sending } from '../../client/sending.svelte.ts';
	import { followUndoKeys } from '../../client/undo-keys.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import { formatBulk, formatNumber } from '../../core/units/index.ts';
	import { dateText, shortDateText } from '../../wording/time-text.ts';
	import OrderGrid from './OrderGrid.svelte';
	import { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		view: OrdersView;
	}
	let { view: read }: Props = $props();
	const room = useRoom();
	// The room is made anew for each date; what others write meanwhile arrives in it.
	const model = untrack(() => new OrdersModel(read, () => room.now.epochMs, room.retries));
	$effect(() => {
		const next = read;
		untrack(() => model.update(next));
	});
	/** What the model has taken in: a drop that is new in what was read has no numbers before that. */
	const view = $derived(model.view);
	onMount(() => {
		void model.restore();
		return followUndoKeys(() => model);
	});

	const totals = $derived.by(() => {
		let pieces = 0;
		let grams = 0;
		for (const product of view.products)
			for (const drop of view.drops) {
				const count = model.pieces(product.id, drop.id);
				pieces += count;
				grams += count * product.scaledGrams;
			}
		return { pieces, grams };
	});
	const dropsWithOrders = $derived(
		view.drops.filter((drop) =>
			view.products.some((product) => model.pieces(product.id, drop.id) > 0)
		).length
	);
	const sentence = $derived.by(() => {
		if (view.products.length === 0)
			return 'There is no product in the book yet: orders are for products.';
		if (view.drops.length === 0)
			return view.notToday.length > 0
				? 'No drop goes on this weekday.'
				: 'There is no drop yet: orders are for a drop.';
		if (totals.pieces === 0) return `Nothing is ordered for ${dateText(view.date)} yet.`;
		const drops = dropsWithOrders === 1 ? 'one drop' : `${dropsWithOrders} drops`;
		return `${formatNumber(totals.pieces, 0)} pieces for ${drops}, ${formatBulk({ grams: totals.grams }, room.bakery.units)} of dough in pieces.`;
	});
	const copying = new Sending(room.retries);

	async function copy() {
		if (!view.copyFrom) return;
		await copying.send(
			{
				kind: 'copy-orders',
				occurredAtMs: Math.round(room.now.epochMs),
				from: view.copyFrom,
				to: view.date
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}

	// A number on its way is saved before the next room reads it.
	beforeNavigate((navigation) => {
		if (!model.saving || navigation.willUnload || !navigation.to) return;
		const { url } = navigation.to;
		navigation.cancel();
		// eslint-disable-next-line svelte/no-navigation-without-resolve -- it is the address that was asked for
		void model.settled.then(() => goto(url));
	});

	const undoLabel = $derived.by(() => {
		const last = model.undoable;
		if (!last) return '';
		const [productId] = last.key.split(' ');
		const name = view.products.find((product) => product.id === productId)?.name ?? '';
		return `${name}, ${last.after} back to ${last.before}`;
	});
</script>

<RoomHeading {sentence} note={totals.pieces === 0 ? '' : dateText(view.date)}>
	{#snippet actions()}
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
	{/snippet}
</RoomHeading>
{#if view.closed !== null}
	<Notice
		label="Closed"
		about={view.closed}
		text="nothing is baked on this date. What is typed here is baked all the same."
	/>
{/if}
{#if view.notToday.length > 0}
	<p class="mx-5 mb-3 text-ink-2" data-not-today>
		Not on this weekday: {view.notToday.join(', ')}.
	</p>
{/if}
<OverNotices over={view.over} />
{#each view.unmade as unmade, index (index)}
	<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
{/each}

{#if view.products.length === 0}
	<p class="mx-5 mb-4 flex flex-wrap gap-3">
		<a class="action no-underline!" href={resolve(`/bake/${view.date}/formulas`)}>Begin a formula</a
		>
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/products/new`)}
			>Begin a product</a
		>
	</p>
{:else if view.drops.length === 0}
	<p class="mx-5 mb-4">
		<a class="action no-underline!" href={resolve(`/bake/${view.date}/bakery/drops`)}
			>{view.notToday.length > 0 ? 'Look at the drops' : 'Add a drop'}</a
		>
	</p>
{:else if totals.pieces === 0}
	<div class="mx-5 mb-4 flex flex-wrap items-center gap-4 border-2 border-ink bg-sheet p-4">
		<p>Type the first number below{view.copyFrom ? ', or start from another date.' : '.'}</p>
		{#if view.copyFrom}
			<button class="action" disabled={copying.busy} onclick={copy}>
				Copy the orders of {shortDateText(view.copyFrom)}
			</button>
		{/if}
		{#if copying.message}<p role="alert">{copying.message}</p>{/if}
	</div>
{/if}

{#if view.products.length > 0 && view.drops.length > 0}
	<OrderGrid {view} {model} />
{/if}

<div class="mx-5 my-3" role="status" aria-live="polite" data-order-messages>
	{#if model.message}<p class="mb-2">{model.message}</p>{/if}
	{#each model.unsaved as cell (cell.productId + cell.dropId)}
		<p class="mb-2 flex flex-wrap items-center gap-3">
			<span class="act-now px-2 py-1">{cell.state === 'invalid' ? 'Check' : 'Not saved'}</span>
			<span>
				<b>
					{view.products.find((product) => product.id === cell.productId)?.name},
					{view.drops.find((drop) => drop.id === cell.dropId)?.name}:
				</b>
				{cell.message}
			</span>
			<button class="action-lesser" onclick={() => model.discard(cell.productId, cell.dropId)}>
				Keep {cell.saved}
			</button>
		</p>
	{/each}
</div>
