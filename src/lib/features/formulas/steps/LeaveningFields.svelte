<script lang="ts">
	import type { Leavening, RipenessClock } from '../../../core/formula/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';
	import { boundsOfCurve, FIRST_OF_KIND, OWN_FIELDS } from './leavening-of-clock.ts';

	interface Props {
		clock: RipenessClock;
		onSet: (clock: RipenessClock) => void;
	}
	let { clock, onSet }: Props = $props();

	const leavening = $derived(clock.leavening);
	const kind = $derived(typeof leavening === 'string' ? leavening : leavening.kind);
	const set = (leavening: Leavening) => onSet({ ...clock, leavening });
</script>

<label class="flex items-center justify-between gap-3">
	Raised by
	<select
		name="leavening"
		class="field"
		value={kind}
		onchange={(event) => set(FIRST_OF_KIND[event.currentTarget.value] ?? 'sourdough')}
	>
		<option value="sourdough">sourdough</option>
		<option value="bakers-yeast">baker’s yeast</option>
		<option value="mixed">both at once</option>
		<option value="own">a curve of its own</option>
	</select>
</label>
{#if typeof leavening !== 'string' && leavening.kind === 'mixed'}
	<NumberField
		label="Of the lift at that temperature, the yeast’s"
		value={leavening.yeastShare * 100}
		unit="%"
		decimals={0}
		least={1}
		most={99}
		onSet={(value: number | null) =>
			value !== null && set({ kind: 'mixed', yeastShare: value / 100 })}
	/>
{:else if typeof leavening !== 'string'}
	{#each OWN_FIELDS as { name, label } (name)}
		{@const bounds = boundsOfCurve(leavening, clock.referenceCelsius)[name]}
		<TemperatureField
			{label}
			celsius={leavening[name]}
			least={bounds.least}
			most={bounds.most}
			onSet={(value: number | null) => value !== null && set({ ...leavening, [name]: value })}
		/>
	{/each}
{/if}
