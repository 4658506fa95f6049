<script lang="ts">
	import { SvelteMap } from 'svelte/reactivity';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
	import type { StockRowView } from '../../contracts/stock-views.ts';
	import { formatBulk } from '../../core/units/index.ts';
	import MassField from '../../fields/MassField.svelte';

	interface Props {
		rows: readonly StockRowView[];
		onDone: () => void;
	}
	let { rows, onDone }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	/** What was counted so far, by the ingredient; what is left open stays as it was. */
	const counted = new SvelteMap<string, number>();
	const byName = $derived([...rows].sort((a, b) => (a.name < b.name ? -1 : 1)));

	async function save() {
		if (counted.size === 0) return void (sending.message = 'Nothing was counted yet.');
		await sending.send(
			{
				kind: 'count-stock',
				occurredAtMs: Math.round(room.now.epochMs),
				lines: [...counted].map(([ingredientId, grams]) => ({ ingredientId, grams }))
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				room.tell(`${counted.size} counted.`);
				onDone();
				await readAnew('jovet:day');
			}
		);
	}
</script>

<form
	class="mx-5 mb-4 border border-line bg-sheet p-4"
	aria-label="Count everything"
	data-count-all
	onsubmit={(event) => {
		event.preventDefault();
		void save();
	}}
>
	<p class="mb-2">
		One walk through the store: what is left open stays as it was. {counted.size} of {rows.length} counted.
	</p>
	<div class="fields">
		{#each byName as row (row.ingredientId)}
			<div>
				<MassField
					label={row.name}
					grams={counted.get(row.ingredientId) ?? null}
					least={0}
					most={MOST_STOCK_GRAMS}
					optional
					onSet={(grams: number | null) => {
						if (grams === null) counted.delete(row.ingredientId);
						else counted.set(row.ingredientId, grams);
					}}
				/>
				{#if row.onHandGrams !== null}
					<p class="text-note text-ink-2">
						by the book {formatBulk({ grams: row.onHandGrams }, room.bakery.units)}
					</p>
				{/if}
			</div>
		{/each}
	</div>
	<button class="action mt-3" disabled={sending.busy}>Write all of it down</button>
	{#if sending.message}<p class="mt-2" role="alert">{sending.message}</p>{/if}
</form>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(280px, 100%), 1fr));
		gap: 6px 28px;
	}
</style>
