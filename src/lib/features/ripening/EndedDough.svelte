<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { sendCommand } from '../../client/send-command.ts';
	import type { RipeningDoughView, RipeningView } from '../../contracts/ripening-views.ts';
	import { formatMinutes } from '../../core/units/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { outcomeProblem } from '../../wording/outcome-text.ts';
	import { clockText, momentText } from '../../wording/time-text.ts';
	import type { RipeningModel } from './ripening-model.svelte.ts';

	interface Props {
		dough: RipeningDoughView;
		model: RipeningModel;
		view: RipeningView;
	}
	let { dough, model, view }: Props = $props();
	const room = useRoom();
	const { timeZone } = $derived(room.bakery);
	const proof = $derived(model.proofOf(dough));
	const leg = $derived(dough.step?.legs[0]);
	let message = $state('');

	async function takeBack() {
		if (!leg) return;
		const result = await sendCommand({
			kind: 'move-dough',
			occurredAtMs: Math.round(room.now.epochMs),
			date: view.date,
			formulaId: dough.formulaId,
			ordinal: dough.ordinal,
			place: leg.place,
			ambientCelsius: leg.place === 'room' ? view.roomCelsius : leg.ambientCelsius,
			timeConstantMinutes: leg.timeConstantMinutes,
			retarderId: null,
			ended: false
		});
		message = outcomeProblem(result, 'Try again in a moment.');
		await readAnew('jovet:moment');
	}
</script>

<li
	class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-2"
	data-ended={mixTitle(dough)}
>
	<span>
		<b>{mixTitle(dough)}</b> went on at {clockText(dough.endedAtMs ?? 0, timeZone)}.
		{#if proof && dough.proof}
			Proof of {dough.proof.product}: ripe about
			<b
				>{proof.card.marks.ripe === null
					? 'later than three days'
					: momentText(proof.card.marks.ripe, model.nowMs, timeZone)}</b
			>{Math.abs(proof.carriedMinutes) >= 1
				? `, ${formatMinutes(Math.abs(proof.carriedMinutes))} ${proof.carriedMinutes > 0 ? 'longer for what the bulk left undone' : 'shorter for what the bulk overdid'}`
				: ''}.
		{/if}
	</span>
	<button class="action-lesser" onclick={takeBack}>Take that back</button>
	{#if message}<p role="alert">{message}</p>{/if}
</li>
