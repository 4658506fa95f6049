<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { FormulaId } from '../../core/identity.ts';
	import type { BakeDayInput } from '../../core/planning/index.ts';
	import type { PlanModel } from './plan-model.svelte.ts';

	interface Props {
		/** The dough of the chosen task. */
		formulaId: FormulaId;
		input: BakeDayInput;
		model: PlanModel;
	}
	let { formulaId, input, model }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);

	const mixes = $derived(
		input.doughs.find((dough) => dough.formulaId === formulaId)?.mixes.length ?? 0
	);
	const choices = $derived(model.view.doughs.find((dough) => dough.formulaId === formulaId));

	async function make(count: number) {
		if (!choices || sending.busy) return;
		await sending.send(
			{
				kind: 'set-mixes',
				occurredAtMs: Math.round(room.now.epochMs),
				date: model.view.date,
				formulaId,
				// As few as fit is no decision: tomorrow's orders may fit one mixer.
				mixes: count <= choices.fewest ? null : count,
				expectedVersion: choices.version
			},
			() => readAnew('jovet:day')
		);
	}
</script>

{#if choices && mixes > 0 && (choices.oneMore || mixes > choices.fewest)}
	<div class="mt-2 flex items-center gap-2" data-mixes>
		<button
			class="action-lesser"
			disabled={sending.busy || mixes <= choices.fewest}
			onclick={() => make(mixes - 1)}
			aria-label="Fewer mixes">Fewer</button
		>
		<span class="grow text-center">{mixes === 1 ? 'in one mix' : `in ${mixes} mixes`}</span>
		<button
			class="action-lesser"
			disabled={sending.busy || !choices.oneMore}
			onclick={() => make(mixes + 1)}
			aria-label="More mixes">More</button
		>
	</div>
	{#if sending.message}<p role="alert">{sending.message}</p>{/if}
{/if}
