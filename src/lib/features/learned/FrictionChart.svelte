<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BeliefThen } from '../../core/learning/index.ts';
	import Chart from '../../ui/Chart.svelte';
	import { dayText } from '../../wording/time-text.ts';
	import { chartScale } from './chart-scale.ts';

	interface Props {
		mixes: readonly BeliefThen[];
		/** What the book says, in degrees of dough. */
		bookKelvins: number;
		name: string;
	}
	let { mixes, bookKelvins, name }: Props = $props();
	const room = useRoom();
	const scale = $derived(chartScale(room.bakery.units));
	/** A wild reading is drawn at the edge, or it would press all others flat. */
	const most = $derived(
		1.15 *
			Math.max(
				bookKelvins,
				...mixes.flatMap((mix) => [
					mix.believed.high,
					...(mix.counted ? [mix.frictionKelvins] : [])
				])
			)
	);
	const line = { type: 'line' as const, symbol: 'none' };
	const option = $derived({
		xAxis: {
			type: 'category' as const,
			data: mixes.map((mix) => dayText(mix.occurredAtMs, room.bakery.timeZone))
		},
		yAxis: { type: 'value' as const, scale: true, name: scale.name },
		legend: { data: ['the book', 'learned', 'each mix'] },
		series: [
			// The band: an unseen floor, and the height above it.
			{
				...line,
				name: 'band from',
				stack: 'band',
				lineStyle: { opacity: 0 },
				data: mixes.map((mix) => scale.difference(mix.believed.low))
			},
			{
				...line,
				name: 'band',
				stack: 'band',
				lineStyle: { opacity: 0 },
				areaStyle: { opacity: 0.18 },
				data: mixes.map((mix) => scale.difference(mix.believed.high - mix.believed.low))
			},
			{
				...line,
				name: 'the book',
				lineStyle: { type: 'dashed' as const },
				data: mixes.map(() => scale.difference(bookKelvins))
			},
			{
				...line,
				name: 'learned',
				lineStyle: { width: 3 },
				data: mixes.map((mix) => scale.difference(mix.believed.kelvins))
			},
			{
				name: 'each mix',
				type: 'scatter' as const,
				symbolSize: 9,
				data: mixes.map((mix) => ({
					value: scale.difference(Math.min(most, mix.frictionKelvins)),
					symbol: mix.counted ? 'circle' : 'emptyCircle'
				}))
			}
		]
	});
</script>

<Chart
	{option}
	label="Friction of {name} in degrees of dough: each mix, what was learned after it, and the band that holds the truth eight times in ten; open circles do not count"
/>
