<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { WATER_LIMITS } from '../../contracts/limits.ts';
	import { doughByWater, type WaterOfMix } from '../../core/mixing/index.ts';
	import { formatDifference, formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';

	interface Props {
		water: WaterOfMix;
		title: string;
	}
	let { water, title }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const id = $props.id();
	const liquid = $derived(water.liquid.toLowerCase());
	let typed = $state('');
	const read = $derived(typed.trim() === '' ? null : parseTemperature(typed, units, WATER_LIMITS));
</script>

<div class="mt-2 flex flex-wrap items-center gap-x-2 gap-y-1" data-backwards>
	<label for={id}>And with {liquid} at</label>
	<input
		{id}
		class="field w-24 text-right font-bold"
		inputmode="decimal"
		autocomplete="off"
		aria-invalid={read !== null && !read.ok}
		aria-label="{title}, {liquid} at another temperature"
		aria-describedby="{id}-answer"
		bind:value={typed}
	/>
	{units.temperature === 'fahrenheit' ? '°F' : '°C'}
	<output id="{id}-answer" for={id}>
		{#if read === null}
			<span class="text-note text-ink-2">type it, and see which dough it gives</span>
		{:else if read.ok}
			the dough comes out at
			<b>{formatTemperature(doughByWater(water, read.value), 1, units)}</b>
			± {formatDifference(water.expectedSpread, 1, units)}, by the balance of heat
		{:else}
			<span class="act-now px-2">Check</span> {parseFailureText(read.error)}
		{/if}
	</output>
</div>
