<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { LotTraceView } from '../../contracts/trace-views.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { dayText, shortDateText } from '../../wording/time-text.ts';
	import {
		KNOWN_TEXT,
		recallSentence,
		TRACED_KIND_TEXT,
		tracedName
	} from '../../wording/trace-text.ts';
	import TracedDrops from './TracedDrops.svelte';

	interface Props {
		view: LotTraceView;
		date: BakeDate;
	}
	let { view, date }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const sentence = $derived(recallSentence(view));
	const note = $derived(
		view.lot.receivedAtMs === null
			? 'No delivery of this lot was written down: only what was told at the scale is known.'
			: `It came ${dayText(view.lot.receivedAtMs, zone)}. Where no lot was told at the scale, every delivery that can have lain there counts as possible.`
	);
	const made = $derived(view.batches.filter(({ kind }) => kind !== 'portion'));
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		<button class="action-lesser" onclick={() => window.print()}>Print on A4</button>
		<a class="action-lesser no-underline!" href={resolve(`/bake/${date}/trace`)}>Trace another</a>
	{/snippet}
</RoomHeading>
<p class="px-5 pb-3">
	A recall follows the site's own plan and the food authority's word first; this page says what
	Jovet knows.
</p>
<TracedDrops drops={view.drops} unplanned={view.unplanned} withKnown />
{#each view.cultures as culture (culture.name)}
	<p class="caution" data-traced-culture={culture.name}>
		<b>{culture.name}</b> was fed with it {dayText(culture.sinceMs, zone)}
		({culture.known === 'told' ? 'told' : 'possible'}): everything made with that culture since
		carries a trace of it.
	</p>
{/each}
<section class="batches" aria-label="Batches that have it">
	<h2>What has it</h2>
	<ul>
		{#each made as batch (batch.id)}
			<li data-traced-batch={tracedName(batch)}>
				<a href={resolve(`/bake/${date}/trace/batch/${batch.id}`)}
					><b>{tracedName(batch)}</b>, {TRACED_KIND_TEXT[batch.kind]}</a
				>
				<span
					>{shortDateText(batch.date)}{batch.grams !== null
						? `, ${formatMass({ grams: batch.grams }, 0, units)}`
						: ''}</span
				>
				<span class="text-ink-2"
					>{KNOWN_TEXT[batch.known]}{batch.firstHand ? '' : '; by what went into it'}</span
				>
			</li>
		{/each}
	</ul>
</section>

<style>
	.caution {
		margin: 0 20px 14px;
		padding: 8px 12px;
		border: 2px solid var(--ink);
	}
	.batches {
		padding: 0 20px 20px;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 20px;
		padding: 6px 0;
		border-bottom: 1px solid var(--line);
	}
	@media print {
		.batches {
			padding: 0;
		}
		.caution {
			margin: 0 0 4mm;
		}
		li {
			padding: 1mm 0;
			break-inside: avoid;
		}
	}
</style>
