<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { cultureMass, type Telling } from '../../wording/culture-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import { weightOf } from '../../core/culture/index.ts';
	import { roundedFeed, type CultureNow } from './culture-model.svelte.ts';

	interface Props {
		culture: CultureNow;
		tell: Telling;
	}
	let { culture, tell }: Props = $props();
	const { units } = useRoom().bakery;
	const mass = (grams: number) => cultureMass(grams, units);

	interface Row {
		readonly atMs: number;
		readonly what: string;
		readonly note: string;
		readonly change: string;
		readonly leftGrams: number;
		readonly isShort: boolean;
	}
	const rows: readonly Row[] = $derived.by(() => {
		const { standing, view } = culture;
		if (!standing) return [];
		const { ahead } = standing;
		return [
			...ahead.feeds.map((feed): Row => ({
				atMs: feed.atMs,
				what: 'feed',
				note: `from ${mass(feed.seedGrams)} of it, ripe about ${momentText(feed.readyMs, tell.nowMs, tell.zone).replace(/^about /, '')}`,
				change: `to ${mass(weightOf(roundedFeed(feed)))}`,
				leftGrams: feed.grams,
				isShort: false
			})),
			...ahead.course.map(({ atMs, change, isReturn, leftGrams }): Row => {
				const use = view.uses.find((one) => one === change);
				return {
					atMs,
					what: 'by' in change ? change.by : `kept back from ${change.from}`,
					note: use && !use.isPlanned ? 'at the latest; no plan yet' : '',
					change: `${isReturn ? '+' : '−'} ${mass(change.grams)}`,
					leftGrams,
					isShort: ahead.short?.use === change
				};
			})
		].sort((a, b) => a.atMs - b.atMs);
	});
</script>

<section class="mt-4" aria-label="What is to come">
	<h3>What is to come</h3>
	{#if rows.length === 0}
		<p>Nothing takes from it within a week.</p>
	{:else}
		<table class="w-full" data-ahead>
			<thead>
				<tr>
					<th scope="col">When</th>
					<th scope="col">What</th>
					<th scope="col" class="number">How much</th>
					<th scope="col" class="number">Then there is</th>
				</tr>
			</thead>
			<tbody>
				{#each rows as row, index (index)}
					<tr data-short={row.isShort}>
						<td>{momentText(row.atMs, tell.nowMs, tell.zone)}</td>
						<td
							>{row.what}{#if row.note}<span class="block text-note text-ink-2">{row.note}</span
								>{/if}</td
						>
						<td class="number">{row.change}</td>
						<td class="number"
							>{#if row.isShort}<span class="act-now px-2">too little</span>{:else}{mass(
									row.leftGrams
								)}{/if}</td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
</section>

<style>
	th,
	td {
		padding: 6px 10px 6px 0;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
</style>
