<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_BATCHES } from '../../contracts/limits.ts';
	import type { BuildBatchesView } from '../../contracts/dough-views.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { formatMinutes } from '../../core/units/index.ts';

	interface Props {
		shared: BuildBatchesView;
		name: string;
		date: BakeDate;
	}
	let { shared, name, date }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	const isApart = $derived(shared.apartMinutes > shared.usableMinutes);
	const canMore = $derived(shared.batches < Math.min(MOST_BATCHES, shared.takers));

	async function make(batches: number) {
		await sending.send(
			{
				kind: 'set-batches',
				occurredAtMs: Math.round(room.now.epochMs),
				date,
				preparationId: shared.preparationId,
				batches: batches > 1 ? batches : null,
				expectedVersion: shared.version
			},
			() => readAnew('jovet:day')
		);
	}
</script>

{#if isApart || shared.batches > 1}
	<div class="my-2 border-2 border-ink p-3" data-batches={name}>
		{#if isApart}
			<p>
				<span class="act-now px-2">Far apart</span>
				The mixes that take {shared.batches > 1 ? 'one batch of it' : 'it'} lie {formatMinutes(
					Math.round(shared.apartMinutes)
				)} apart, and it is usable for {formatMinutes(Math.round(shared.usableMinutes))}: the later
				ones are mixed earlier for it, or it is made more than once.
			</p>
		{:else}
			<p>In {shared.batches} batches, each for what is due together.</p>
		{/if}
		<div class="mt-2 flex flex-wrap gap-2">
			{#if isApart && canMore}
				<button
					class="action"
					disabled={sending.busy}
					aria-label="Make it in {shared.batches + 1} batches: {name}"
					onclick={() => make(shared.batches + 1)}>Make it in {shared.batches + 1} batches</button
				>
			{/if}
			{#if shared.batches > 1}
				<button
					class="action-lesser"
					disabled={sending.busy}
					aria-label="In one batch for all: {name}"
					onclick={() => make(1)}>In one batch for all</button
				>
			{/if}
		</div>
		{#if sending.message}<p role="alert">{sending.message}</p>{/if}
	</div>
{/if}
