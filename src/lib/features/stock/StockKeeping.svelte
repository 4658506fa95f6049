<script lang="ts">
	import { untrack } from 'svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
	import type { StockRowView, SupplierView } from '../../contracts/stock-views.ts';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import MassField from '../../fields/MassField.svelte';

	interface Props {
		row: StockRowView;
		suppliers: readonly SupplierView[];
	}
	let { row, suppliers }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	let kept = $state.raw(
		untrack(() => ({
			supplierId: row.supplierId,
			packGrams: row.packGrams,
			leastGrams: row.leastGrams
		}))
	);

	/** Each choice is saved as it is made. */
	async function set(change: Partial<typeof kept>) {
		kept = { ...kept, ...change };
		await sending.send(
			{
				kind: 'keep-stock',
				occurredAtMs: Math.round(room.now.epochMs),
				ingredientId: row.ingredientId,
				...kept,
				expectedVersion: row.keepingVersion
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
</script>

<section class="w-80" aria-label="{row.name}, how it is kept">
	<ChoiceField
		label="Comes from"
		name="{row.name} comes from"
		options={[
			{ value: '', label: 'nobody in particular' },
			...suppliers.map(({ id, name }) => ({ value: id, label: name }))
		]}
		value={kept.supplierId ?? ''}
		onSet={(supplierId: string) => set({ supplierId: supplierId === '' ? null : supplierId })}
	/>
	<MassField
		label="In packs of"
		grams={kept.packGrams}
		least={1}
		most={10_000_000}
		optional
		onSet={(packGrams: number | null) => set({ packGrams })}
	/>
	<MassField
		label="Kept at the least"
		grams={kept.leastGrams}
		least={0}
		most={MOST_STOCK_GRAMS}
		onSet={(grams: number | null) => set({ leastGrams: grams ?? 0 })}
	/>
	{#if row.lot}<p class="text-note">Newest lot: {row.lot}</p>{/if}
	{#if sending.message}<p role="alert">{sending.message}</p>{/if}
</section>
