<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/views.ts';
	import type { WaterSchool } from '../../core/heat/index.ts';
	import type { Worked } from '../../core/explain/index.ts';
	import { formatDifference, formatMass, formatTemperature } from '../../core/units/index.ts';
	import { sentenceText } from '../../ui/arithmetic/sentence.ts';
	import DoughCardPanel from './DoughCardPanel.svelte';
	import LearnedFriction from './LearnedFriction.svelte';
	import MeasureDough from './MeasureDough.svelte';
	import { missText, poursOf } from './order-text.ts';
	import SchoolsRow from './SchoolsRow.svelte';
	import WaysOut from './WaysOut.svelte';

	interface Props {
		mix: MixWaterView;
		tap: string;
		date: string;
		school: WaterSchool;
		roomCelsius: number | null;
	}
	let { mix, tap, date, school, roomCelsius }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const title = $derived(
		mix.count > 1 ? `${mix.name}, mix ${mix.ordinal} of ${mix.count}` : mix.name
	);
	const target = $derived(formatTemperature({ celsius: mix.targetCelsius }, 1, units));
	/** How far the dough may miss, by what is known of its friction. */
	const spread = $derived(
		mix.water
			? ` ± ${formatDifference({ kelvins: mix.friction.spreadKilojoulesPerKilogram / mix.doughKilojoulesPerKilogramKelvin }, 1, units)}`
			: ''
	);
	const wanted = $derived(
		mix.water ? formatTemperature({ celsius: mix.water.order.temperature.celsius }, 1, units) : ''
	);
	const figure = $derived(wanted.replace(/ °.$/, ''));
	const degrees = $derived(wanted.slice(-2));
	const pours = $derived(mix.water ? poursOf(mix.water.order, `tap at ${tap}`, units) : []);
	const miss = $derived(mix.water ? missText(mix.water.order, mix.iceMostShare, units) : null);
	const sentence = $derived(mix.water ? sentenceText(mix.water.wanted as Worked) : '');
	const ice = $derived(
		mix.water?.order.kind === 'ice'
			? mix.water.order.ice
			: mix.water?.order.kind === 'too-cold-for-ice'
				? mix.water.order.wantedIce
				: null
	);
</script>

<article class="mb-3 border border-line bg-sheet p-4" data-mix={title}>
	<header class="flex flex-wrap items-baseline justify-between gap-x-4">
		<h2>{title}</h2>
		<p class="text-ink-2">
			{formatMass({ grams: mix.doughGrams }, 0, units)} · wants
			<b class="text-ink">{target}</b>{spread} when mixed
		</p>
	</header>
	{#if mix.water}
		<div class="figures">
			<p>
				<span class="name">water at</span>
				<span class="large" data-water-temperature>{figure}</span>
				<span class="unit">{degrees}</span>
			</p>
			{#each pours as one (one.name)}
				<p data-pour={one.name}>
					<span class="name">{one.name}</span>
					<span class="middle">{one.figure}</span>
					<span class="unit">{one.unit}</span>
				</p>
			{/each}
		</div>
		{#if miss}
			<p class="my-2" role="alert"><span class="act-now px-2 py-1">Out of reach</span> {miss}</p>
			<WaysOut {mix} />
		{/if}
		<p class="flex flex-wrap gap-x-6 gap-y-1">
			<button
				class="cursor-pointer text-left underline decoration-dotted underline-offset-4"
				onclick={() =>
					mix.water &&
					room.explain(
						mix.water.wanted,
						`Water for ${title}`,
						school === 'factor-rule'
							? ['The factor rule weighs every part alike, however small the pre-ferment is.']
							: []
					)}
			>
				{sentence}
			</button>
			{#if ice}
				<button
					class="cursor-pointer underline decoration-dotted underline-offset-4"
					onclick={() =>
						room.explain(ice, `Ice for ${title}`, [
							'Never put ice or ice water straight onto dry yeast.'
						])}
				>
					how much ice
				</button>
			{/if}
		</p>
		<SchoolsRow water={mix.water} {school} {title} />
		<LearnedFriction {mix} />
		<MeasureDough {mix} {date} {title} />
		<DoughCardPanel {mix} {title} {roomCelsius} />
	{:else}
		<p class="mt-2">This dough adds no water at the mixer, so there is none to warm or cool.</p>
	{/if}
</article>

<style>
	.figures {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 4px 40px;
		margin: 4px 0 8px;
	}
	.name {
		display: block;
		color: var(--ink-2);
	}
	.large {
		font-size: 54px;
		font-weight: 800;
		line-height: 1;
	}
	.middle {
		font-size: 34px;
		font-weight: 800;
		line-height: 1.1;
	}
	.unit {
		font-size: 19px;
		font-weight: 700;
	}
</style>
