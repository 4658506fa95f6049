<script lang="ts">
	import type { FormulaModel } from './formula-model.svelte.ts';
	import FlourDeliveries from './FlourDeliveries.svelte';
	import NumberField from '../../fields/NumberField.svelte';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import type { ResolvedFormula } from '../../core/formula/index.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	const { draft } = $derived(model);
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="settings" data-settings>
	<h2 id="settings" class="mb-2">The dough</h2>
	<label class="block">
		Name
		<input
			name="name"
			class="field w-full"
			value={draft.formula.name}
			maxlength="200"
			onchange={(event) => {
				const name = event.currentTarget.value.trim();
				if (name === '') {
					model.message = 'A formula needs a name.';
					event.currentTarget.value = draft.formula.name;
				} else if (name !== draft.formula.name) model.set({ name });
			}}
		/>
	</label>
	<TemperatureField
		label="Dough temperature wanted"
		celsius={draft.targetCelsius}
		least={0}
		most={45}
		onSet={(value: number | null) => model.set({ targetCelsius: value ?? draft.targetCelsius })}
	/>
	<NumberField
		label="Lost before the pieces"
		term="loss-before-the-pieces"
		value={draft.formula.doughLoss.share * 100}
		unit="%"
		least={0}
		most={90}
		onSet={(value: number | null) => model.set({ doughLossShare: (value ?? 0) / 100 })}
	/>
	<NumberField
		label="Most in the mixer (empty for its own limit)"
		value={draft.mostDoughGrams === null ? null : draft.mostDoughGrams / 1000}
		unit="kg"
		least={0.1}
		most={10000}
		optional
		onSet={(value: number | null) =>
			model.set({ mostDoughGrams: value === null ? null : value * 1000 })}
	/>
	<FlourDeliveries {model} {resolved} />
</section>
