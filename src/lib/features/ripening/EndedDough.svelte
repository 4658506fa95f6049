<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import type { RipeningDoughView } from '../../contracts/ripening-views.ts';
	import { formatMinutes } from '../../core/units/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { clockText, momentText } from '../../wording/time-text.ts';
	import type { RipeningModel } from './ripening-model.svelte.ts';

	interface Props {
		dough: RipeningDoughView;
		model: RipeningModel;
	}
	let { dough, model }: Props = $props();
	const room = useRoom();
	const { timeZone } = $derived(room.bakery);
	const proof = $derived(model.proofOf(dough));
	const entry = new BenchEntry(room.outbox);

	async function takeBack() {
		if (dough.lastMoveId === null) return;
		await entry.send(
			{
				kind: 'strike-entry',
				occurredAtMs: Math.round(room.now.epochMs),
				entryId: dough.lastMoveId
			},
			`${mixTitle(dough)}: it did not go on`,
			async (answer) => {
				if (answer) await readAnew('jovet:moment');
			}
		);
	}
</script>

<li
	class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-2"
	data-ended={mixTitle(dough)}
>
	<span>
		<b>{mixTitle(dough)}</b>
		{dough.lastMoveId === null && dough.kind !== 'mix' ? 'was all taken at' : 'went on at'}
		{clockText(dough.endedAtMs ?? 0, timeZone)}.
		{#if proof && dough.proof}
			Proof of {dough.proof.product}: ready about
			<b
				>{proof.card.marks.ripe === null
					? 'later than three days'
					: momentText(proof.card.marks.ripe, model.nowMs, timeZone)}</b
			>{Math.abs(proof.carriedMinutes) >= 1
				? `, ${formatMinutes(Math.abs(proof.carriedMinutes))} ${proof.carriedMinutes > 0 ? 'longer for what the bulk left undone' : 'shorter for what the bulk overdid'}`
				: ''}.
		{/if}
	</span>
	{#if dough.lastMoveId !== null}
		<button class="action-lesser" onclick={takeBack}>Take that back</button>
	{/if}
	{#if entry.message}<p role="alert">{entry.message}</p>{/if}
</li>
