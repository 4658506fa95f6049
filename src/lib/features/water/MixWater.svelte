<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView, WaterView } from '../../contracts/water-views.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';
	import { clockText } from '../../wording/time-text.ts';
	import LearnedFriction from './LearnedFriction.svelte';
	import LiquidsOfDough from './LiquidsOfDough.svelte';
	import MeasureDough from './MeasureDough.svelte';
	import SchoolsRow from './SchoolsRow.svelte';
	import StagesOfMix from './StagesOfMix.svelte';
	import WaterOfBowl from './WaterOfBowl.svelte';
	import BackwardsQuestion from './BackwardsQuestion.svelte';
	import BaseOfDough from './BaseOfDough.svelte';
	import WaysOut from './WaysOut.svelte';

	interface Props {
		mix: MixWaterView;
		title: string;
		tap: string;
		view: WaterView;
		roomCelsius: number | null;
		onKept: () => void;
		next: { readonly title: string; readonly go: () => void } | null;
	}
	let { mix, title, tap, view, roomCelsius, onKept, next }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
</script>

<article class="border border-line bg-sheet px-5 py-4" data-mix={title}>
	<header class="flex flex-wrap items-baseline justify-between gap-x-4">
		<h2 class="title">{title}</h2>
		<p class="text-lead text-ink-2">
			{#if mix.startMs !== null}<b class="text-ink">{clockText(mix.startMs, timeZone)}</b> ·{/if}
			{formatMass({ grams: mix.doughGrams }, 0, units)} · wants
			<b class="text-ink">{formatTemperature({ celsius: mix.targetCelsius }, 1, units)}</b> out of the
			bowl
		</p>
	</header>
	{#if mix.water}
		<WaterOfBowl
			water={mix.water}
			{title}
			{tap}
			school={view.school}
			iceMostShare={mix.iceMostShare}
		/>
		<WaysOut
			of={{ ...mix, ferments: mix.bulk, isPreferment: false }}
			key="{view.date}:{mix.formulaId}:{mix.ordinal}"
		/>
		<StagesOfMix {mix} />
		<BackwardsQuestion water={mix.water} {title} />
	{:else}
		<p class="my-3">
			This dough takes no water or milk at the mixer: there is none to warm or cool.
		</p>
	{/if}
	<div class="mt-3">
		<MeasureDough
			{mix}
			{title}
			{roomCelsius}
			date={view.date}
			probes={view.doughProbes}
			mixers={view.mixers}
			{onKept}
			{next}
		/>
	</div>
	{#if mix.water}
		<div class="mt-4 border-t border-line pt-1">
			<LearnedFriction {mix} date={view.date} />
			<SchoolsRow water={mix.water} school={view.school} {title} />
			<LiquidsOfDough {mix} poured={mix.water.poured} />
			<BaseOfDough {mix} />
		</div>
	{/if}
</article>

<style>
	.title {
		font-size: 34px;
		line-height: 1.15;
	}
</style>
