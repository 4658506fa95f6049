<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BuildWaterView, WaterView } from '../../contracts/water-views.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';
	import { PERISHABLE_CAUTION } from '../../wording/kind-text.ts';
	import { favourText } from '../../wording/readiness-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import MeasureBuild from './MeasureBuild.svelte';
	import { mixTitle } from '../../wording/mix-title.ts';
	import ScaldOfBuild from './ScaldOfBuild.svelte';
	import SchoolsRow from './SchoolsRow.svelte';
	import BackwardsQuestion from './BackwardsQuestion.svelte';
	import WaysOut from './WaysOut.svelte';
	import WaterOfBowl from './WaterOfBowl.svelte';

	interface Props {
		build: BuildWaterView;
		tap: string;
		school: WaterView['school'];
		date: string;
		probe: WaterView['doughProbes']['core'];
		onKept: () => void;
	}
	let { build, tap, school, date, probe, onKept }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const title = $derived(mixTitle({ ...build, kind: 'pre-ferment' }));
</script>

<article class="border border-line bg-sheet px-5 py-4" data-build={title}>
	<header class="flex flex-wrap items-baseline justify-between gap-x-4">
		<h2 class="title">{title}</h2>
		<p class="text-lead text-ink-2">
			{#if build.startMs !== null}<b class="text-ink">{clockText(build.startMs, timeZone)}</b> ·{/if}
			{formatMass({ grams: build.grams }, 0, units)} · wants
			<b class="text-ink">{formatTemperature({ celsius: build.targetCelsius }, 1, units)}</b>
			when it is stirred
		</p>
	</header>
	{#if build.water}
		<WaterOfBowl water={build.water} {title} {tap} {school} iceMostShare={build.iceMostShare} />
		<WaysOut
			of={{ ...build, isPreferment: true }}
			key="{date}:{build.preparationId}:{build.ordinal}"
		/>
		<BackwardsQuestion water={build.water} {title} />
		<SchoolsRow water={build.water} {school} {title} />
	{:else if build.scald}
		<ScaldOfBuild scald={build.scald} wantedCelsius={build.targetCelsius} {title} />
	{:else}
		<p class="my-3">This pre-ferment takes no water of its own.</p>
	{/if}
	<MeasureBuild {build} {date} {title} {probe} {onKept} />
	{#if build.favour}
		<p class="mt-2" data-favour>As it is planned, this stage grows {favourText(build.favour)}.</p>
	{/if}
	{#if build.isPerishable}<p class="mt-2 font-bold" data-perishable>{PERISHABLE_CAUTION}</p>{/if}
	{#if !build.scald}<p class="mt-2 text-note text-ink-2">
			A closed jar of live culture can burst: leave lids loose.
		</p>{/if}
</article>

<style>
	.title {
		font-size: 34px;
		line-height: 1.15;
	}
</style>
