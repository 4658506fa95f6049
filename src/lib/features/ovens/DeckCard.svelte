<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { OvensView } from '../../contracts/views.ts';
	import type { Deck } from '../../core/bakery/index.ts';
	import {
		deckOutlook,
		type BakeDayInput,
		type DayPlan,
		type DeckLoad
	} from '../../core/planning/index.ts';
	import { formatMinutes, formatTemperature } from '../../core/units/index.ts';
	import { capital } from '../../wording/capital.ts';
	import { markText } from '../../wording/programme-text.ts';
	import { ovenActText } from '../../wording/list-entry.ts';
	import { subjectText } from '../../wording/task-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import CoreReading from './CoreReading.svelte';
	import DeckFromAbove from './DeckFromAbove.svelte';
	import { lieOnDeck } from './lie-on-deck.ts';

	interface Props {
		/** A deck by its name in the plan, with its ground where the bakery still has it. */
		id: string;
		name: string;
		deck: Deck | null;
		plan: DayPlan;
		input: BakeDayInput;
		pieces: OvensView['pieces'];
	}
	let { id, name, deck, plan, input, pieces }: Props = $props();
	const room = useRoom();
	const { timeZone: zone, units } = room.bakery;

	const nowMs = $derived(room.now.epochMs);
	const outlook = $derived(deckOutlook(plan, id, nowMs));
	const next = $derived(outlook.ahead[0] ?? null);
	const at = (ms: number) => clockText(ms, zone);
	/** Minutes to come are rounded up: what is due in 20 seconds is not due "in 0 min". */
	const inText = (ms: number) =>
		`in ${formatMinutes(Math.max(1, Math.ceil((ms - nowMs) / 60_000)))}`;
	const piecesOf = ({ batch }: DeckLoad['tasks'][number]) =>
		batch.kind === 'load' ? batch.pieces : 0;
	const loadText = ({ tasks }: DeckLoad) =>
		tasks.map((task) => `${piecesOf(task)} ${subjectText(task, input)}`).join(' and ');
	const lying = $derived.by(() => {
		const load = outlook.load ?? next;
		if (!deck || !load) return null;
		return lieOnDeck(
			deck,
			load.tasks.map((task) => ({
				piece: pieces.find(
					({ productId }) => task.batch.kind === 'load' && productId === task.batch.productId
				) ?? { footprint: null, spacingCm: 0, piecesPerDeck: null },
				pieces: piecesOf(task)
			}))
		);
	});
	/** What is done from now on: to the load, to the oven, and what goes in. */
	const steps = $derived(
		[
			...(outlook.load?.marks ?? [])
				.filter(({ atMs }) => atMs > nowMs)
				.map(({ atMs, mark, task }) => ({
					atMs,
					what:
						mark.kind === 'out'
							? `Out: ${subjectText(task, input)}`
							: `${capital(markText(mark, units))}: ${subjectText(task, input)}`
				})),
			...outlook.settings.map((task) => ({ atMs: task.atMs, what: ovenActText(task, units) })),
			...outlook.ahead.map((load) => ({ atMs: load.startMs, what: `In: ${loadText(load)}` }))
		].sort((a, b) => a.atMs - b.atMs)
	);
	const MOST_STEPS = 6;
</script>

<article class="card" data-deck={name}>
	<header>
		<h2>{name}</h2>
		<p class="setting">
			{outlook.celsius === null
				? 'off'
				: `set to ${formatTemperature({ celsius: outlook.celsius }, 0, units)}`}
		</p>
	</header>
	{#if deck && deck.hotSpots !== ''}<p class="text-note">Bakes hotter {deck.hotSpots}.</p>{/if}
	{#if outlook.load}
		<p class="now" data-deck-now>
			<b>{loadText(outlook.load)}</b>
			{#if nowMs < outlook.load.bakesMs}is loaded{:else}in since {at(outlook.load.bakesMs)}{/if}
		</p>
		<p class="next">Out at {at(outlook.load.endMs)}, <b>{inText(outlook.load.endMs)}</b></p>
	{:else if next}
		<p class="now" data-deck-now>Empty.</p>
		<p class="next">{loadText(next)} in at {at(next.startMs)}, <b>{inText(next.startMs)}</b></p>
	{:else}
		<p class="now" data-deck-now>Nothing more tonight.</p>
	{/if}
	{#if deck && lying}
		<DeckFromAbove
			{deck}
			{lying}
			ahead={outlook.load === null}
			label="{name} from above with {lying.length} pieces{outlook.load ? '' : ' that go in next'}"
		/>
	{/if}
	{#if steps.length > 0}
		<ol>
			{#each steps.slice(0, MOST_STEPS) as { atMs, what }, index (index)}
				<li><time>{at(atMs)}</time> <span>{what}</span> <span class="in">{inText(atMs)}</span></li>
			{/each}
		</ol>
	{/if}
	{#each outlook.load?.tasks ?? [] as task (task.id)}
		<CoreReading {task} bakesMs={outlook.load?.bakesMs ?? task.startMs} />
	{/each}
</article>

<style>
	.card {
		background: var(--sheet);
		border: 1px solid var(--line);
		padding: 14px 16px;
	}
	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: baseline;
		column-gap: 16px;
		border-bottom: 2px solid var(--ink);
	}
	h2 {
		font-size: 19px;
		font-weight: 800;
	}
	.setting {
		font-size: 19px;
		font-weight: 700;
	}
	.now {
		margin-top: 8px;
		font-size: 19px;
	}
	.next {
		font-size: 24px;
		line-height: 1.2;
		margin-bottom: 8px;
	}
	li {
		display: grid;
		grid-template-columns: 56px minmax(0, 1fr) auto;
		gap: 8px;
		padding: 5px 0;
		border-top: 1px solid var(--line);
	}
	time {
		font-weight: 700;
	}
	.in {
		color: var(--ink-2);
		white-space: nowrap;
	}
</style>
