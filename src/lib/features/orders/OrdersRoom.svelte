<script lang="ts">
	import OverNotices from '../../sheets/OverNotices.svelte';
	import Notice from '../../ui/Notice.svelte';
	import { unmadeText } from '../../wording/failure-text.ts';
	import { onMount, untrack } from 'svelte';
	import { resolve } from '$app/paths';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { followUndoKeys } from '../../client/undo-keys.ts';
	import { saveBeforeLeaving } from '../../client/save-before-leaving.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import { formatBulk, formatNumber } from '../../core/units/index.ts';
	import { clockText, dateText, momentText } from '../../wording/time-text.ts';
	import CopyOrders from './CopyOrders.svelte';
	import DoughsOfOrders from './DoughsOfOrders.svelte';
	import type { GridDrop } from './grid-drop.ts';
	import { limitText } from './limit-text.ts';
	import NumberMessages from './NumberMessages.svelte';
	import OrderChanges from './OrderChanges.svelte';
	import OrderGrid from './OrderGrid.svelte';
	import OrdersFile from './OrdersFile.svelte';
	import { OrdersModel } from './orders-model.svelte.ts';
	import { saveForDate } from './save-numbers.ts';
	import SincePlan from './SincePlan.svelte';
	import StepButtons from './StepButtons.svelte';

	interface Props {
		view: OrdersView;
	}
	let { view: read }: Props = $props();
	const room = useRoom();
	// The room is made anew for each date; what others write meanwhile arrives in it.
	const model = untrack(
		() =>
			new OrdersModel(
				read,
				read.date,
				saveForDate(read.date, () => room.now.epochMs),
				room.retries
			)
	);
	/** What the model has taken in: a drop that is new in what was read has no numbers before that. */
	let view = $state.raw(untrack(() => read));
	$effect(() => {
		const next = read;
		untrack(() => {
			model.update(next);
			view = next;
		});
	});
	onMount(() => {
		void model.restore();
		return followUndoKeys(() => model);
	});
	const drops = $derived(
		view.drops.map((drop): GridDrop => {
			const { cutOffMs } = drop;
			const closed = cutOffMs !== null && cutOffMs <= room.now.epochMs;
			return {
				...drop,
				notes: [
					...(drop.readyByMs === null
						? []
						: [{ text: `packed by ${clockText(drop.readyByMs, room.bakery.timeZone)}` }]),
					...(drop.customers.length > 0 ? [{ text: drop.customers.join(', ') }] : []),
					...(cutOffMs === null
						? []
						: [
								{
									text: `${closed ? 'closed since' : 'orders until'} ${momentText(cutOffMs, room.now.epochMs, room.bakery.timeZone)}`,
									isStrong: closed
								}
							])
				]
			};
		})
	);
	const isLate = (productId: string, dropId: string) =>
		view.changes.some(
			(change) => change.afterCutOff && change.productId === productId && change.dropId === dropId
		);
	const moved = $derived(
		view.sincePlan && (view.sincePlan.orders.length > 0 || view.sincePlan.recipes.length > 0)
			? view.sincePlan
			: null
	);

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
	saveBeforeLeaving(model);
</script>

<RoomHeading {sentence} note={totals.pieces === 0 ? '' : dateText(view.date)}>
	{#snippet actions()}
		<StepButtons products={view.products} {model} />
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/orders/standing`)}
			>Standing orders</a
		>
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
		<p>Type the first number below, or start from another date.</p>
		<CopyOrders date={view.date} suggested={view.copyFrom} />
	</div>
{/if}

{#if moved}
	<SincePlan date={view.date} since={moved} {isLate} />
{/if}
{#each view.limits as limit, index (index)}
	{@const { about, text } = limitText(limit, {
		nowMs: room.now.epochMs,
		zone: room.bakery.timeZone,
		units: room.bakery.units
	})}
	{#if limit.kind === 'vessels'}
		<p class="mx-5 mb-3" data-limit><b>{about}:</b> {text}</p>
	{:else}
		<Notice label="Limit" {about} {text} />
	{/if}
{/each}

{#if view.products.length > 0 && view.drops.length > 0}
	<OrderGrid
		products={view.products}
		{drops}
		{model}
		caption="Pieces of each product for each drop"
		canFollow
	/>
{/if}

<NumberMessages products={view.products} drops={view.drops} {model} />
{#if view.products.length > 0 && view.drops.length > 0}
	<DoughsOfOrders {view} {model} />
	{#if totals.pieces > 0}
		<div class="mx-5 my-4"><CopyOrders date={view.date} suggested={null} /></div>
	{/if}
	<OrdersFile products={view.products} drops={view.drops} {model} date={view.date} />
	<OrderChanges {view} />
{/if}
