<script lang="ts">
	import { stagesInOrder, type ResolvedFormula } from '../../core/formula/index.ts';
	import { parseNumber } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	let name = $state('');
	let percent = $state('15');
	let into = $state('');
	const stages = $derived(stagesInOrder(resolved.final));

	function split(event: SubmitEvent) {
		event.preventDefault();
		const read = parseNumber(percent);
		if (!read.ok) {
			model.message = parseFailureText(read.error);
			return;
		}
		const stage = stages.find((stage) => (stage.preparation?.id ?? '') === into);
		if (model.splitOff(stage?.preparation?.id ?? null, name, read.value)) name = '';
	}
</script>

<form class="mt-2 flex flex-wrap items-center gap-2" onsubmit={split}>
	<label>
		Move flour into a new pre-ferment
		<input
			name="Name of the new pre-ferment"
			class="field"
			bind:value={name}
			maxlength="200"
			placeholder="its name"
			aria-label="Name of the new pre-ferment"
		/>
	</label>
	<label>
		with
		<input
			name="Flour of the new pre-ferment, percent of the total flour"
			class="field percent"
			inputmode="decimal"
			bind:value={percent}
			aria-label="Flour of the new pre-ferment, percent of the total flour"
		/>
		% of the total flour
	</label>
	<label>
		from
		<select
			name="Stage to split it from"
			class="field"
			bind:value={into}
			aria-label="Stage to split it from"
		>
			<option value="">final dough</option>
			{#each stages as stage (stage.preparation?.id ?? 'final')}
				{#if stage.preparation?.kind === 'build'}<option value={stage.preparation.id}
						>{stage.name}</option
					>{/if}
			{/each}
		</select>
	</label>
	<button class="action-lesser">Move it</button>
</form>

<style>
	.percent {
		width: 72px;
		text-align: right;
	}
</style>
