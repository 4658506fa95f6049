<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { followUndoKeys } from '../../client/undo-keys.ts';
	import { saveBeforeLeaving } from '../../client/save-before-leaving.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { StandingView } from '../../contracts/views.ts';
	import { groupBy } from '../../core/group-by.ts';
	import type { DropId } from '../../core/identity.ts';
	import { piecesStanding } from '../../core/production/index.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import type { GridDrop } from './grid-drop.ts';
	import { keyOf, type SavedNumber } from './number-cell.ts';
	import NumberMessages from './NumberMessages.svelte';
	import OrderGrid from './OrderGrid.svelte';
	import OrdersFile from './OrdersFile.svelte';
	import { OrdersModel, type NumbersView } from './orders-model.svelte.ts';
	import { saveStanding, takeBackStanding } from './save-numbers.ts';
	import StepButtons from './StepButtons.svelte';

	interface Props {
		view: StandingView;
		/** The weekday whose numbers are shown, and those that what is typed goes for. */
		weekday: number;
		days: readonly number[];
		/** The night that the numbers are of. */
		first: BakeDate;
		fromDate: BakeDate;
		untilDate: BakeDate | null;
	}
	let { view, weekday, days, first, fromDate, untilDate }: Props = $props();
	const room = useRoom();

	const shown = $derived(view.drops.filter((drop) => drop.weekdays.includes(weekday)));
	const drops = $derived(
		shown.map((drop): GridDrop => ({
			...drop,
			notes: drop.customers.length > 0 ? [{ text: drop.customers.join(', ') }] : []
		}))
	);
	/** A drop is ordered for on the days on which it goes. */
	const weekdaysOf = (dropId: DropId) => {
		const goes = view.drops.find(({ id }) => id === dropId)?.weekdays ?? [];
		const of = days.filter((day) => goes.includes(day));
		return of.length > 0 ? of : [weekday];
	};
	const numbers = $derived.by((): NumbersView => {
		const versions = new Map(view.versions.map((one) => [keyOf(one), one.version] as const));
		const stretches = groupBy(
			view.stretches.filter((one) => one.weekday === weekday),
			keyOf,
			(stretch) => stretch
		);
		const cells = view.products.flatMap(({ id: productId }) =>
			shown.map(({ id: dropId }): SavedNumber => {
				const key = keyOf({ productId, dropId });
				return {
					productId,
					dropId,
					pieces: piecesStanding(stretches.get(key) ?? [], first),
					standing: 0,
					typed: true,
					version: versions.get(key) ?? 0
				};
			})
		);
		return { products: view.products, drops: shown, cells };
	});
	const model = untrack(
		() =>
			new OrdersModel(
				numbers,
				`standing.${weekday}.${fromDate}`,
				saveStanding(
					() => ({ fromDate, untilDate, weekdaysOf }),
					() => room.now.epochMs
				),
				room.retries,
				// One number stands for many weekdays and stretches: the server keeps what each of them was.
				takeBackStanding(() => room.now.epochMs)
			)
	);
	$effect(() => {
		const next = numbers;
		untrack(() => model.update(next));
	});
	onMount(() => {
		void model.restore();
		return followUndoKeys(() => model);
	});
	saveBeforeLeaving(model);
</script>

<div class="mx-5 mb-3 flex flex-wrap gap-3"><StepButtons products={view.products} {model} /></div>
{#if drops.length === 0}
	<p class="mx-5">No drop goes on this weekday.</p>
{:else}
	<OrderGrid
		products={view.products}
		{drops}
		{model}
		caption="Pieces of each product that stand ordered for each drop"
		canFollow={false}
	/>
	<NumberMessages products={view.products} {drops} {model} />
	<OrdersFile products={view.products} {drops} {model} date={null} />
{/if}
