<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { TraceSearchView } from '../../contracts/trace-views.ts';
	import { formatMass } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { dayText, shortDateText } from '../../wording/time-text.ts';
	import {
		listed,
		searchSentence,
		TRACED_KIND_TEXT,
		tracedName
	} from '../../wording/trace-text.ts';

	interface Props {
		view: TraceSearchView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	let typed = $derived(view.query);
	const sentence = $derived(searchSentence(view));
	const note =
		'Type a lot as its label says, an ingredient, a dough, a product, or a date as 2026-11-24. A lot leads to every drop that has it; a batch to every lot in it.';
	const lotPath = ({ ingredientId, lot }: TraceSearchView['lots'][number]) =>
		resolve(`/bake/${view.date}/trace/lot/${ingredientId}?lot=${encodeURIComponent(lot)}`);

	async function search(event: SubmitEvent) {
		event.preventDefault();
		await goto(resolve(`/bake/${view.date}/trace?q=${encodeURIComponent(typed.trim())}`), {
			keepFocus: true
		});
	}
</script>

<RoomHeading {sentence} {note} />
<form class="search" role="search" onsubmit={search}>
	<label for="trace-query">Lot, ingredient, dough, product or date</label>
	<input id="trace-query" class="field" type="text" autocomplete="off" bind:value={typed} />
	<button class="action">Trace</button>
</form>

{#if view.lots.length > 0}
	<section class="found" aria-label="Lots">
		<h2>Lots</h2>
		<ul>
			{#each view.lots as lot (`${lot.ingredientId} ${lot.lot}`)}
				<li data-found-lot={lot.lot}>
					<a href={lotPath(lot)}><b>{lot.lot}</b>, {lot.ingredient}</a>
					<span class="text-ink-2"
						>{lot.receivedAtMs === null
							? 'told at the scale'
							: `came ${dayText(lot.receivedAtMs, zone)}`}</span
					>
				</li>
			{/each}
		</ul>
	</section>
{/if}
{#snippet batchList(batches: TraceSearchView['batches'])}
	<ul>
		{#each batches as batch (batch.id)}
			<li data-found-batch={tracedName(batch)}>
				<a href={resolve(`/bake/${view.date}/trace/batch/${batch.id}`)}
					><b>{tracedName(batch)}</b>, {TRACED_KIND_TEXT[batch.kind]}</a
				>
				<span class="text-ink-2"
					>{shortDateText(batch.date)}{batch.grams !== null
						? `, ${formatMass({ grams: batch.grams }, 0, units)}`
						: ''}{batch.pieces !== null ? `, ${batch.pieces} pieces` : ''}{batch.state === 'planned'
						? ', planned'
						: ''}</span
				>
			</li>
		{/each}
	</ul>
{/snippet}
{#if view.batches.length > 0}
	<section class="found" aria-label="Batches">
		<h2>Batches</h2>
		{@render batchList(view.batches)}
	</section>
{/if}
{#if view.tookIt.length > 0}
	<section class="found" aria-label="Batches that took what has no lot" data-took-it>
		<h2>Took {listed(view.withoutLot)}, of which no lot was told</h2>
		{@render batchList(view.tookIt)}
	</section>
{/if}
{#if view.more}<p class="px-5 pb-4">There are more: type more of the name, or the lot.</p>{/if}

<style>
	.search {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 14px;
		padding: 0 20px 16px;
	}
	.search input {
		flex: 1 1 260px;
		max-width: 30rem;
		font-size: 19px;
	}
	.found {
		padding: 0 20px 20px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 20px;
		padding: 6px 0;
		border-bottom: 1px solid var(--line);
	}
</style>
