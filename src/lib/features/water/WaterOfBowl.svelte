<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { WaterOfMix } from '../../core/mixing/index.ts';
	import type { WaterSchool } from '../../core/heat/index.ts';
	import type { Worked } from '../../core/explain/index.ts';
	import { formatDifference, formatTemperature } from '../../core/units/index.ts';
	import { sentenceText } from '../../ui/arithmetic/sentence.ts';
	import { pullsText } from './pulls-text.ts';
	import { missText, plainTapText, poursOf } from '../../wording/order-text.ts';

	interface Props {
		water: WaterOfMix;
		title: string;
		tap: string;
		school: WaterSchool;
		iceMostShare: number;
	}
	let { water, title, tap, school, iceMostShare }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);

	const wanted = $derived(
		formatTemperature({ celsius: water.order.temperature.celsius }, 1, units)
	);
	const figure = $derived(wanted.replace(/ °.$/, ''));
	const degrees = $derived(wanted.slice(-2));
	const pours = $derived(poursOf(water.order, tap, units));
	const miss = $derived(missText(water.order, iceMostShare, units));
	const plain = $derived(
		plainTapText(water.order, water.wanted.value, water.waterDegreesPerDough, units)
	);
	/** The rules are said as their bakers say them; the balance in degrees of dough, its long sum on the slip. */
	const sentence = $derived(
		water.wanted === water.schools['heat-balance'] && water.pulls.length > 0
			? pullsText(water, units)
			: sentenceText(water.wanted as Worked, units)
	);
	const ice = $derived(
		water.order.kind === 'ice'
			? water.order.ice
			: water.order.kind === 'too-cold-for-ice'
				? water.order.wantedIce
				: null
	);
</script>

<div class="figures">
	<p>
		<span class="name">{water.liquid.toLowerCase()} at</span>
		<span class="large" data-water-temperature>{figure}</span>
		<span class="unit">{degrees}</span>
	</p>
	{#each pours as pour (pour.name)}
		<p data-pour={pour.name}>
			<span class="name">{pour.name}</span>
			<span class="middle">{pour.figure}</span>
			<span class="unit">{pour.unit}</span>
		</p>
	{/each}
	<p data-expected>
		<span class="name">dough expected at</span>
		<button
			class="middle"
			aria-label="Dough expected at {formatTemperature(
				{ celsius: water.expected.value },
				1,
				units
			)}, open the arithmetic"
			onclick={() =>
				room.explain(water.expected, `Dough expected of ${title}`, [
					'By the balance of heat, whatever the school: it is what the thermometer should show.'
				])}
			>{formatTemperature({ celsius: water.expected.value }, 1, units).replace(/ °.$/, '')}</button
		>
		<span class="unit">± {formatDifference(water.expectedSpread, 1, units)}</span>
	</p>
</div>
{#if miss}
	<p class="my-2" role="alert"><span class="act-now px-2 py-1">Out of reach</span> {miss}</p>
{/if}
{#if plain}
	<p data-plain-tap>{plain}</p>
{/if}
<p class="flex flex-wrap gap-x-6 gap-y-1">
	<button
		class="cursor-pointer text-left underline decoration-dotted underline-offset-4"
		data-water-sentence
		onclick={() =>
			room.explain(
				water.wanted,
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

<style>
	.figures {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 4px 36px;
		margin: 2px 0 8px;
	}
	.name {
		display: block;
		color: var(--ink-2);
		font-size: 19px;
	}
	.large {
		font-size: 104px;
		font-weight: 800;
		line-height: 0.95;
		letter-spacing: -2px;
	}
	.middle {
		font-size: 54px;
		font-weight: 800;
		line-height: 1.05;
	}
	button.middle {
		cursor: pointer;
		text-decoration: underline dotted 3px;
		text-underline-offset: 8px;
	}
	.unit {
		font-size: 24px;
		font-weight: 700;
	}
	@media (max-width: 1100px) {
		.figures {
			gap: 4px 20px;
		}
		.name {
			font-size: 15px;
		}
		.large {
			font-size: 84px;
		}
		.middle {
			font-size: 34px;
		}
		.unit {
			font-size: 19px;
		}
	}
</style>
