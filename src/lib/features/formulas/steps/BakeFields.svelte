<script lang="ts">
	import type { BakeStep } from '../../../core/formula/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import BakeCurve from './BakeCurve.svelte';
	import ProgrammeFields from './ProgrammeFields.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';

	interface Props {
		step: BakeStep;
		onSet: (step: BakeStep) => void;
	}
	let { step, onSet }: Props = $props();
	const set = (change: Partial<BakeStep>) => onSet({ ...step, ...change });
</script>

<div class="grid max-w-3xl gap-1">
	<div class="max-w-md">
		<TemperatureField
			label="Load at"
			celsius={step.loadCelsius}
			decimals={0}
			least={60}
			most={400}
			onSet={(value: number | null) => set({ loadCelsius: value ?? 230 })}
		/>
		<NumberField
			label="Bake for"
			value={step.bakeMinutes}
			unit="min"
			least={1}
			most={600}
			onSet={(value: number | null) => set({ bakeMinutes: value ?? 30 })}
		/>
		<NumberField
			label="Steam"
			value={step.steamSeconds}
			unit="s"
			decimals={0}
			least={0}
			most={600}
			onSet={(value: number | null) => set({ steamSeconds: value ?? 0 })}
		/>
		<TemperatureField
			label="Done when the core is at"
			celsius={step.coreCelsius}
			decimals={0}
			least={50}
			most={105}
			onSet={(value: number | null) => set({ coreCelsius: value ?? 97 })}
		/>
	</div>
	<BakeCurve {step} {onSet} />
	<ProgrammeFields {step} {onSet} />
	<p class="text-note text-ink-2">
		Hot decks, steam, lids and water on a tray: gloves to the elbow, stand aside when the door
		opens. The maker’s manual and the site’s own rules come first.
	</p>
</div>
