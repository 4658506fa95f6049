<script lang="ts">
	import { USUAL_ROLLING, type RollingRange } from '../../../core/formula/index.ts';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';

	interface Props {
		rolling: RollingRange | null;
		onSet: (rolling: RollingRange | null) => void;
	}
	let { rolling, onSet }: Props = $props();

	const FIELDS = [
		{ key: 'fromCelsius', label: 'Rolls out from' },
		{ key: 'toCelsius', label: 'up to' },
		{ key: 'meltsAtCelsius', label: 'Runs out of the layers at' }
	] as const;
	let problem = $state('');

	function set(key: keyof RollingRange, celsius: number | null) {
		if (!rolling || celsius === null) return;
		const next = { ...rolling, [key]: celsius };
		const follows = next.fromCelsius < next.toCelsius && next.toCelsius < next.meltsAtCelsius;
		problem = follows ? '' : 'These three follow each other, from the coldest to the warmest.';
		if (follows) onSet(next);
	}
</script>

<h3 class="mt-3">Rolled into dough</h3>
<SwitchField
	label="It is said how warm it rolls out"
	checked={rolling !== null}
	onSet={(said: boolean) => onSet(said ? { ...USUAL_ROLLING } : null)}
/>
{#if rolling}
	{#each FIELDS as { key, label } (key)}
		<TemperatureField
			{label}
			celsius={rolling[key]}
			least={-20}
			most={60}
			onSet={(celsius: number | null) => set(key, celsius)}
		/>
	{/each}
	{#if problem}<p role="alert" class="font-bold">{problem}</p>{/if}
	<p class="text-note text-ink-2">The supplier’s own figures come first.</p>
{/if}
