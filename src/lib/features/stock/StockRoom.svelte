<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { StockRowView, StockView } from '../../contracts/stock-views.ts';
	import { formatBulk, formatMass } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { momentText, shortDateText } from '../../wording/time-text.ts';
	import CountAll from './CountAll.svelte';
	import ShoppingList from './ShoppingList.svelte';
	import StockEntry from './StockEntry.svelte';
	import StockKeeping from './StockKeeping.svelte';
	import { stockSentence } from './stock-sentence.ts';

	interface Props {
		view: StockView;
	}
	let { view }: Props = $props();
	const { bakery, now } = useRoom();

	const isWanted = ({ needs, onHandGrams }: StockRowView) =>
		needs.some((grams) => grams > 0) || onHandGrams !== null;
	/** What runs out first comes first, then what was never counted, then what lasts. */
	const rank = ({ ahead }: StockRowView) =>
		ahead === null ? 'm' : ahead.shortOn === null ? 'z' : ahead.shortOn;
	const wanted = $derived(
		view.rows
			.filter(isWanted)
			.sort((a, b) => (rank(a) < rank(b) ? -1 : rank(a) > rank(b) ? 1 : a.name < b.name ? -1 : 1))
	);
	const others = $derived(view.rows.filter((row) => !isWanted(row)));
	let countsAll = $state(false);
	let showsOthers = $state(false);
	let opened: string | null = $state(null);
	const shown = $derived(showsOthers ? [...wanted, ...others] : wanted);
	const mass = (grams: number) =>
		grams >= 1000 || grams <= -1000
			? formatBulk({ grams }, bakery.units)
			: formatMass({ grams }, grams % 1 === 0 ? 0 : 1, bakery.units);
	/** A few are named: flour stops nearly everything. */
	const stopsText = (stops: readonly string[]) =>
		stops.length <= 3
			? stops.join(', ')
			: `${stops.slice(0, 3).join(', ')} and ${stops.length - 3} more`;
	const lasts = ({ ahead }: StockRowView) =>
		ahead === null
			? 'not known'
			: ahead.shortOn === null
				? 'over the week'
				: `not for ${shortDateText(ahead.shortOn)}`;
</script>

<div class="print:hidden">
	<RoomHeading
		sentence={stockSentence(view)}
		note="From {shortDateText(view.date)} on, by the orders that stand."
	>
		{#snippet actions()}
			{#if view.rows.length > 0}
				<button
					type="button"
					class="action-lesser"
					aria-expanded={countsAll}
					onclick={() => (countsAll = !countsAll)}>Count everything</button
				>
			{/if}
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/doughs`)}
				>Doughs of {shortDateText(view.date)}</a
			>
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/bakery/suppliers`)}
				>Suppliers</a
			>
		{/snippet}
	</RoomHeading>

	{#if countsAll}<CountAll rows={view.rows} onDone={() => (countsAll = false)} />{/if}
	{#if view.rows.length === 0}
		<p class="mx-5">There is no ingredient in the book yet.</p>
	{:else}
		<div class="overflow-x-auto px-5">
			<table class="w-full border border-line bg-sheet" data-stock>
				<thead>
					<tr>
						<th scope="col">Ingredient</th>
						<th scope="col" class="number">On hand</th>
						<th scope="col">Lasts</th>
						<th scope="col"><span class="sr-only">What to do</span></th>
						{#each view.dates as date (date)}
							<th scope="col" class="number">{shortDateText(date)}</th>
						{/each}
					</tr>
				</thead>
				<tbody>
					{#each shown as row (row.ingredientId)}
						<tr data-stock-of={row.name} class:short={row.ahead?.shortOn}>
							<th scope="row">{row.name}</th>
							<td class="number">
								{#if row.onHandGrams === null}
									<span class="text-ink-2">not counted</span>
								{:else}
									<b>{mass(row.onHandGrams)}</b>
									{#if row.countedAtMs !== null}
										<span class="block text-note text-ink-2"
											>counted {momentText(row.countedAtMs, now.epochMs, bakery.timeZone)}</span
										>
									{/if}
								{/if}
							</td>
							<td>
								{#if row.ahead?.shortOn}<span class="act-now px-2 whitespace-nowrap"
										>{lasts(row)}</span
									>
									<span class="block text-note">{stopsText(row.ahead.stops)}</span>
								{:else}{lasts(row)}{/if}
							</td>
							<td>
								<button
									type="button"
									class="action-lesser"
									aria-expanded={opened === row.ingredientId}
									aria-label="Count or receive {row.name}"
									onclick={() => (opened = opened === row.ingredientId ? null : row.ingredientId)}
									>Count</button
								>
							</td>
							{#each row.needs as grams, at (at)}
								{@const left = row.ahead?.left[at]?.grams ?? null}
								<td class="number" data-short={left !== null && left < 0 && grams > 0}>
									{#if grams > 0}
										{mass(grams)}
										{#if left !== null && left < 0}
											<span class="block text-note font-bold">{mass(-left)} short by then</span>
										{/if}
									{:else}<span class="text-ink-2">·</span>{/if}
								</td>
							{/each}
						</tr>
						{#if opened === row.ingredientId}
							<tr>
								<td colspan={view.dates.length + 4}>
									<div class="flex flex-wrap gap-x-10 gap-y-4 p-2" data-stock-entry={row.name}>
										<StockEntry {row} onDone={() => (opened = null)} />
										<StockKeeping {row} suppliers={view.suppliers} />
									</div>
								</td>
							</tr>
						{/if}
					{/each}
				</tbody>
			</table>
		</div>
		{#if others.length > 0}
			<p class="mx-5 my-3">
				<button type="button" class="action-lesser" onclick={() => (showsOthers = !showsOthers)}
					>{showsOthers
						? 'Leave out what nothing takes'
						: `Show ${others.length === 1 ? 'one more that nothing takes' : `${others.length} more that nothing takes`}`}</button
				>
			</p>
		{/if}
	{/if}
</div>
<ShoppingList {view} />

<style>
	th,
	td {
		padding: 6px 10px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	thead th {
		border-bottom: 2px solid var(--ink);
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
	.short th {
		font-weight: 700;
	}
	tbody th {
		font-weight: 400;
	}
</style>
