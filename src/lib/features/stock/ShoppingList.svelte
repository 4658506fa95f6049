<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { StockView, SupplierView } from '../../contracts/stock-views.ts';
	import { lastDelivery, nextDelivery, toOrder, type ToOrder } from '../../core/stock/index.ts';
	import { wallTimeOf } from '../../core/time/index.ts';
	import { formatBulk, formatMass } from '../../core/units/index.ts';
	import { shortDateText } from '../../wording/time-text.ts';

	interface Props {
		view: StockView;
	}
	let { view }: Props = $props();
	const { bakery, now } = useRoom();
	const today = $derived(wallTimeOf({ epochMs: now.epochMs }, bakery.timeZone).date);

	interface Basket {
		readonly supplier: SupplierView | null;
		readonly orders: readonly ToOrder[];
	}
	const baskets = $derived.by((): readonly Basket[] => {
		const suppliers: readonly (SupplierView | null)[] = [...view.suppliers, null];
		return suppliers.flatMap((supplier) => {
			const orders = toOrder(
				view.rows
					.filter(
						(row) => (view.suppliers.find(({ id }) => id === row.supplierId) ?? null) === supplier
					)
					.flatMap(({ ahead, ...row }) =>
						ahead
							? [{ ...row, leftGrams: ahead.left.at(-1)?.grams ?? 0, shortOn: ahead.shortOn }]
							: []
					)
			);
			return orders.length > 0 ? [{ supplier, orders }] : [];
		});
	});
	const mass = (grams: number) =>
		grams >= 1000 ? formatBulk({ grams }, bakery.units) : formatMass({ grams }, 0, bakery.units);
	const amount = ({ packs, orderGrams }: ToOrder) =>
		packs === null
			? mass(orderGrams)
			: `${packs} × ${mass(orderGrams / packs)}, ${mass(orderGrams)}`;
	/** When the supplier has to be told, so that the first of it is there in time. */
	function deliveryText(supplier: SupplierView, orders: readonly ToOrder[]): string {
		const first = orders.flatMap(({ shortOn }) => shortOn ?? []).sort()[0];
		const next = nextDelivery(supplier, today);
		if (!first)
			return next
				? `Comes ${shortDateText(next.comesOn)} next; tell them by ${shortDateText(next.orderBy)}.`
				: '';
		const inTime = lastDelivery(supplier, first, today);
		if (inTime)
			return `Comes ${shortDateText(inTime.comesOn)}, in time; tell them by ${shortDateText(inTime.orderBy)}.`;
		return next
			? `Comes ${shortDateText(next.comesOn)} at the earliest, too late for ${shortDateText(first)}.`
			: '';
	}
</script>

{#if baskets.length > 0}
	<section class="mx-5 my-6" aria-labelledby="to-order" data-shopping>
		<div class="mb-2 flex flex-wrap items-center gap-4">
			<h2 id="to-order">
				To order, so that it lasts until {shortDateText(view.dates.at(-1) ?? view.date)}
			</h2>
			<button type="button" class="action-lesser print:hidden" onclick={() => window.print()}
				>Print the list</button
			>
		</div>
		<div class="flex flex-wrap gap-6">
			{#each baskets as { supplier, orders } (supplier?.id ?? '')}
				<div
					class="min-w-72 border border-line bg-sheet p-4"
					data-basket={supplier?.name ?? 'Nobody'}
				>
					<h3 class="font-bold">{supplier?.name ?? 'Of nobody in particular'}</h3>
					{#if supplier}
						<p class="text-note">{deliveryText(supplier, orders)}</p>
						{#if supplier.note}<p class="text-note text-ink-2">{supplier.note}</p>{/if}
					{/if}
					<ul class="mt-2">
						{#each orders as order (order.ingredientId)}
							<li class="py-1">
								<b>{order.name}</b>
								<span class="tabular-nums">{amount(order)}</span>
								<span class="block text-note text-ink-2"
									>{order.shortOn
										? `${mass(-order.leftGrams)} missing, first on ${shortDateText(order.shortOn)}`
										: `${mass(order.leftGrams)} would be left, less than is kept`}</span
								>
							</li>
						{/each}
					</ul>
				</div>
			{/each}
		</div>
	</section>
{/if}
