<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { ToldResults } from '../../client/told-results.svelte.ts';
	import type { NightLogView } from '../../contracts/bench-views.ts';
	import type { AcceptedPlanView } from '../../contracts/views.ts';
	import { workStates, type WorkEntry } from '../../core/bench/index.ts';
	import { batchKey } from '../../core/planning/index.ts';
	import { evidenceOf, type CountedPortion } from '../../core/results/index.ts';
	import { subjectText } from '../../wording/task-text.ts';
	import { shortText, toldText } from '../../wording/result-text.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import PortionResults from './PortionResults.svelte';

	interface Props {
		view: NightLogView;
		accepted: AcceptedPlanView;
		/** What was tapped, and what is known beside it. */
		entries: readonly WorkEntry[];
	}
	let { view, accepted, entries }: Props = $props();
	const room = useRoom();
	const { timeZone: zone } = $derived(room.bakery);
	const results = new ToldResults(
		() => ({ date: view.date, accepted, results: view.results }),
		() => room.now.epochMs,
		() => room.bakery.actor.name,
		room.outbox,
		() => readAnew('jovet:moment')
	);
	const states = $derived(workStates(entries));
	const input = $derived(accepted.document.input);
	const dropName = (dropId: string) =>
		input.drops.find(({ id }) => id === dropId)?.name ?? 'A drop';
	const nameOf = ({ portion }: CountedPortion) =>
		subjectText({ batch: { kind: 'portion', ...portion } }, input);
	const evidence = ({ portion }: CountedPortion) =>
		evidenceOf(
			portion,
			accepted.document.plan,
			states,
			view.facts.find(({ mix }) => mix === batchKey({ kind: 'mix', ...portion })) ?? null,
			results.all
		);
	const scaledGrams = ({ portion }: CountedPortion) =>
		input.products.find(({ id }) => id === portion.productId)?.scaledGrams ?? 0;
	const sums = $derived(
		results.counted.reduce(
			(all, { good, second, lost, left }) => ({
				good: all.good + good,
				second: all.second + second,
				lost: all.lost + lost,
				left: all.left + left
			}),
			{ good: 0, second: 0, lost: 0, left: 0 }
		)
	);
	const sentence = $derived(
		sums.good + sums.second + sums.lost === 0
			? 'Nothing is counted yet.'
			: `${sums.good} good, ${sums.second} second, ${sums.lost} lost${sums.left > 0 ? `; ${sums.left} not counted` : ''}.`
	);
</script>

<section class="results" aria-label="What came out" data-results>
	<h2>What came out</h2>
	<p data-results-sentence>{sentence}</p>
	{#each results.shorts as short (short.productId)}
		<p data-log-short={short.name}>
			<b class:act-now={short.open > 0}>{shortText(short)}</b>
			{short.drops
				.filter(({ gets, ordered }) => gets < ordered)
				.map(({ name, gets, ordered }) => `${name} gets ${gets} of ${ordered}.`)
				.join(' ')}
		</p>
	{/each}
	<div class="portions">
		{#each results.counted as counted (counted.key)}
			<PortionResults
				date={view.date}
				name={nameOf(counted)}
				{counted}
				scaledGrams={scaledGrams(counted)}
				{results}
				evidence={evidence(counted)}
				{dropName}
			/>
		{/each}
	</div>
	{#if view.struckResults.length > 0}
		<h3>Not so</h3>
		<ul data-struck-results>
			{#each view.struckResults as entry (entry.id)}
				<li>
					<s
						>{toldText(entry.told, dropName, room.bakery.units)}
						{dayText(entry.atMs, zone)}
						{clockText(entry.atMs, zone)}, {entry.by}</s
					>, taken back {clockText(entry.struck.atMs, zone)} by {entry.struck.by}
				</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
	.results {
		padding: 0 20px 20px;
	}
	.portions {
		margin-top: 8px;
		border: 1px solid var(--line);
		background: var(--sheet);
	}
	.act-now {
		padding: 2px 8px;
	}
	@media print {
		.results {
			padding: 0 0 4mm;
		}
	}
</style>
