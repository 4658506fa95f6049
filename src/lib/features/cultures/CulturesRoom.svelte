<script lang="ts">
	import { resolve } from '$app/paths';
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { CulturesView } from '../../contracts/culture-views.ts';
	import ListRow from '../../ui/ListRow.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { announcementText, cultureMass } from '../../wording/culture-text.ts';
	import { clockText, momentText, shortDateText } from '../../wording/time-text.ts';
	import CultureCard from './CultureCard.svelte';
	import { CultureModel, type CultureNow } from './culture-model.svelte.ts';
	import { culturesSentence } from './culture-sentence.ts';

	interface Props {
		view: CulturesView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const model = untrack(() => new CultureModel(() => view, room));
	const tell = $derived({ nowMs: model.nowMs, zone, units });

	const pressing = (one: CultureNow) =>
		one.told.map((told) => announcementText(told, tell)).find(({ presses }) => presses) ?? null;
	/** The one that presses stands open at first, and stays so when it presses no more. */
	let chosen: string | null = $state(
		untrack(
			() =>
				(model.cultures.find((one) => pressing(one) !== null) ?? model.cultures[0])?.view
					.ingredientId ?? null
		)
	);
	const selected = $derived(
		model.cultures.find((one) => one.view.ingredientId === chosen) ?? model.cultures[0] ?? null
	);
	/** What is said of it beside its name. */
	function stateText({ view: culture, standing, start }: CultureNow): string {
		if (!culture.keeping) return 'not set up';
		if (start) return `being started, day ${start.day}`;
		const grams = culture.grams === null ? 'not weighed' : cultureMass(culture.grams, units);
		const ripe = standing?.followed?.card.marks.ripe ?? null;
		if (ripe === null) return grams;
		return `${grams}, ripe ${ripe <= model.nowMs ? 'since ' : ''}${momentText(ripe, model.nowMs, zone)}`;
	}
</script>

<RoomHeading
	sentence={culturesSentence(model.cultures, tell)}
	note="What is taken of them follows from the orders that stand, and from accepted plans."
>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/fermentation`)}
			>Fermentation</a
		>
	{/snippet}
</RoomHeading>

{#if model.cultures.length === 0}
	<p class="mx-5">
		<a href={resolve(`/bake/${view.date}/formulas`)}>The book of formulas and ingredients</a>
	</p>
{:else}
	<div class="cultures">
		<nav aria-label="Cultures" class="border border-line bg-sheet print:hidden">
			{#each model.cultures as one (one.view.ingredientId)}
				{@const next = one.view.uses[0]}
				{@const presses = pressing(one)}
				<ListRow
					name={one.view.name}
					current={one === selected}
					onSelect={() => (chosen = one.view.ingredientId)}
				>
					<span>
						<b>{one.view.name}</b>
						<span class="block text-ink-2">{stateText(one)}</span>
						{#if next}<span class="block text-ink-2"
								>taken at {Math.abs(next.atMs - model.nowMs) < 12 * 3_600_000
									? clockText(next.atMs, zone)
									: momentText(next.atMs, model.nowMs, zone)}</span
							>{/if}
					</span>
					{#if presses}<span class="act-now ml-auto px-2 py-1">{presses.label}</span>{/if}
				</ListRow>
			{/each}
		</nav>
		{#if selected}
			{#key selected.view.ingredientId}
				<CultureCard culture={selected} {view} {tell} />
			{/key}
		{/if}
	</div>
{/if}

{#if view.sours.length > 0}
	<nav class="mx-5 my-4 flex flex-wrap items-center gap-3" aria-label="Staged sours">
		<span>Staged sours of {shortDateText(view.date)}:</span>
		{#each view.sours as sour (sour.preparationId)}
			<a
				class="action-lesser no-underline!"
				href={resolve(`/bake/${view.date}/fermentation/sours/${sour.preparationId}`)}
				>{sour.name}: {sour.stages} stages, for {sour.bread}</a
			>
		{/each}
	</nav>
{/if}

<style>
	.cultures {
		display: grid;
		grid-template-columns: 300px minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		padding: 0 20px 16px;
	}
	@media (max-width: 850px) {
		.cultures {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		.cultures {
			display: block;
		}
	}
</style>
