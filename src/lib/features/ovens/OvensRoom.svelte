<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { OvensView } from '../../contracts/views.ts';
	import { deckOutlook } from '../../core/planning/index.ts';
	import { formatMinutes } from '../../core/units/index.ts';
	import OutOfDate from '../../sheets/OutOfDate.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { SITE_RULES, STATION_CAUTION } from '../../wording/sheet-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { decksOf } from '../../wording/task-text.ts';
	import DeckCard from './DeckCard.svelte';

	interface Props {
		view: OvensView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { timeZone: zone } = room.bakery;

	const document = $derived(view.accepted?.document ?? null);
	/** The decks of the plan that bake in it: a deck that the bakery has given up since is told too. */
	const decks = $derived(
		document
			? decksOf(document.input).filter(({ id }) =>
					document.plan.tasks.some(({ machineId }) => machineId === id)
				)
			: []
	);
	/** The next thing to do at the ovens: a load to put in or to draw. */
	const sentence = $derived.by(() => {
		if (!document) return 'There is no accepted plan for this date yet.';
		const nowMs = room.now.epochMs;
		const next = decks
			.flatMap(({ id, name }) => {
				const { load, ahead } = deckOutlook(document.plan, id, nowMs);
				return [
					...(load ? [{ atMs: load.endMs, what: `${name} is drawn` }] : []),
					...(ahead[0] ? [{ atMs: ahead[0].startMs, what: `${name} is loaded` }] : [])
				];
			})
			.sort((a, b) => a.atMs - b.atMs)[0];
		if (!next) return 'Nothing more goes in or comes out.';
		const minutes = Math.max(1, Math.ceil((next.atMs - nowMs) / 60_000));
		return `${next.what} at ${clockText(next.atMs, zone)}, in ${formatMinutes(minutes)}.`;
	});
	const note = $derived(
		view.accepted
			? `By plan version ${view.accepted.number}: nothing here was read from an oven, and what the crumb says comes first.`
			: 'What is in the ovens is told by the plan you accept.'
	);
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/plan`)}>
			{document ? 'Plan' : 'Go to the plan'}
		</a>
		{#if document}
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/run-sheet/ovens`)}>
				Sheet to print
			</a>
		{/if}
	{/snippet}
</RoomHeading>
{#if document && view.accepted}
	{#if !view.accepted.current}<OutOfDate date={view.date} />{/if}
	<div class="decks">
		{#each decks as { id, name } (id)}
			<DeckCard
				{id}
				{name}
				deck={view.decks.find((deck) => deck.id === id) ?? null}
				plan={document.plan}
				input={document.input}
				pieces={view.pieces}
			/>
		{/each}
	</div>
	<p class="mx-5 mb-5 text-note text-ink-2">{STATION_CAUTION.oven} {SITE_RULES}</p>
{/if}

<style>
	.decks {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(100%, 400px), 1fr));
		gap: 12px;
		align-items: start;
		padding: 0 20px 16px;
	}
	@media (min-width: 1200px) {
		.decks {
			grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
		}
	}
</style>
