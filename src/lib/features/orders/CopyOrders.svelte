<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { parseBakeDate, type BakeDate } from '../../core/time/index.ts';
	import { shortDateText } from '../../wording/time-text.ts';

	interface Props {
		date: BakeDate;
		/** A date that has orders; null where none was found. */
		suggested: BakeDate | null;
	}
	let { date, suggested }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	let typed = $state('');
	const chosen = $derived.by(() => {
		if (typed === '') return suggested;
		const read = parseBakeDate(typed);
		return read.ok && read.value !== date ? read.value : null;
	});

	async function copy() {
		if (!chosen) return;
		await sending.send(
			{ kind: 'copy-orders', occurredAtMs: Math.round(room.now.epochMs), from: chosen, to: date },
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
</script>

<div class="flex flex-wrap items-end gap-3" data-copy-orders>
	<label class="flex flex-col">
		Orders of another date
		<input
			class="field"
			type="date"
			name="copy from"
			value={typed === '' ? (suggested ?? '') : typed}
			onchange={(event) => (typed = event.currentTarget.value)}
		/>
	</label>
	<button class="action-lesser" disabled={sending.busy || !chosen} onclick={copy}>
		{chosen ? `Copy the orders of ${shortDateText(chosen)}` : 'Copy its orders'}
	</button>
	{#if sending.message}<p role="alert">{sending.message}</p>{/if}
</div>
