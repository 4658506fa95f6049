<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_STOCK_GRAMS } from '../../contracts/limits.ts';
	import type { StockRowView } from '../../contracts/stock-views.ts';
	import MassField from '../../fields/MassField.svelte';
	import TextField from '../../fields/TextField.svelte';

	interface Props {
		row: StockRowView;
		onDone: () => void;
	}
	let { row, onDone }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	const WHATS = [
		{ what: 'counted', label: 'Counted', about: 'all there is' },
		{ what: 'received', label: 'Came', about: 'a delivery' },
		{ what: 'taken-out', label: 'Taken out', about: 'spilled, sold, given away' }
	] as const;
	let what: (typeof WHATS)[number]['what'] = $state('counted');
	let grams: number | null = $state(null);
	let lot = $state('');
	let note = $state('');

	async function send() {
		if (grams === null) {
			sending.message = 'Type how much it is.';
			return;
		}
		await sending.send(
			{
				kind: 'take-stock',
				occurredAtMs: Math.round(room.now.epochMs),
				ingredientId: row.ingredientId,
				what,
				grams,
				lot: what === 'received' ? lot : '',
				note
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				room.tell(`${row.name}: written down.`);
				onDone();
				await readAnew('jovet:day');
			}
		);
	}
</script>

<form
	class="w-80"
	aria-label="{row.name}, stock"
	onsubmit={(event) => {
		event.preventDefault();
		void send();
	}}
>
	<fieldset class="mb-2 flex flex-wrap gap-1">
		<legend class="sr-only">What it is</legend>
		{#each WHATS as each (each.what)}
			<button
				type="button"
				class="what"
				aria-pressed={what === each.what}
				title={each.about}
				onclick={() => (what = each.what)}>{each.label}</button
			>
		{/each}
	</fieldset>
	<MassField
		label={what === 'counted' ? 'There is' : what === 'received' ? 'Came' : 'Taken out'}
		{grams}
		least={0}
		most={MOST_STOCK_GRAMS}
		optional
		onSet={(value: number | null) => (grams = value)}
	/>
	{#if what === 'received'}
		<TextField
			label="Lot"
			value={lot}
			most={100}
			placeholder="as the sack says it"
			onSet={(text: string) => (lot = text)}
		/>
	{/if}
	<TextField
		label="Note"
		value={note}
		most={500}
		placeholder=""
		onSet={(text: string) => (note = text)}
	/>
	<button class="action mt-2" disabled={sending.busy}>Write it down</button>
	{#if sending.message}<p class="mt-2" role="alert">{sending.message}</p>{/if}
</form>

<style>
	.what {
		min-height: 44px;
		padding: 0 12px;
		border: 2px solid var(--line);
		cursor: pointer;
	}
	.what[aria-pressed='true'] {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
</style>
