<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/water-views.ts';
	import { baseInFahrenheit, WATER_SCHOOLS, type WaterSchool } from '../../core/heat/index.ts';
	import { formatNumber, formatTemperature } from '../../core/units/index.ts';
	import { SCHOOL_TEXT } from '../../wording/school-names.ts';
	import { schoolDifference } from './school-text.ts';
	import Term from '../../ui/Term.svelte';

	interface Props {
		water: NonNullable<MixWaterView['water']>;
		school: WaterSchool;
		title: string;
	}
	let { water, school, title }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;
	const degrees = (celsius: number) => formatTemperature({ celsius }, 1, units);
	/** A base is a sum of three readings, so it is converted as one. */
	const base = $derived(
		units.temperature === 'fahrenheit'
			? `${formatNumber(baseInFahrenheit(water.base.value), 1)} °F`
			: `${formatNumber(water.base.value, 1)} °C`
	);
	const note = $derived(schoolDifference(water, units));
</script>

<div class="mt-2 border-t border-line pt-2" data-schools>
	<ul class="flex flex-wrap gap-x-6 gap-y-1">
		{#each WATER_SCHOOLS as choice (choice)}
			{@const value = degrees(water.schools[choice].value)}
			<li class="flex flex-wrap items-baseline gap-x-1">
				<Term of={choice}>{SCHOOL_TEXT[choice]}</Term>
				<button
					class="cursor-pointer font-bold underline decoration-dotted underline-offset-4"
					aria-label="{title}, {SCHOOL_TEXT[choice]} {value}, open the arithmetic"
					onclick={() => room.explain(water.schools[choice], `${SCHOOL_TEXT[choice]} for ${title}`)}
					>{value}</button
				>{#if choice === 'base-temperature'}
					<span class="text-note text-ink-2">(base {base})</span>{/if}{#if choice === school}
					<span class="text-note text-ink-2">· this bakery’s</span>{/if}
			</li>
		{/each}
	</ul>
	<p class="text-note text-ink-2">{note}</p>
</div>
