<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BeliefThen } from '../../core/learning/index.ts';
	import Chart from '../../ui/Chart.svelte';
	import { dayText } from '../../wording/time-text.ts';
	import { chartScale } from './chart-scale.ts';

	interface Props {
		mixes: readonly BeliefThen[];
		name: string;
	}
	let { mixes, name }: Props = $props();
	const room = useRoom();
	const scale = $derived(chartScale(room.bakery.units));
	const option = $derived({
		xAxis: {
			type: 'category' as const,
			data: mixes.map((mix) => dayText(mix.occurredAtMs, room.bakery.timeZone))
		},
		yAxis: { type: 'value' as const, scale: true, name: scale.name },
		series: [
			{
				name: 'wanted',
				type: 'line' as const,
				step: 'middle' as const,
				symbol: 'none',
				lineStyle: { type: 'dashed' as const },
				data: mixes.map((mix) => scale.point(mix.targetCelsius))
			},
			{
				name: 'measured',
				type: 'line' as const,
				symbolSize: 9,
				data: mixes.map((mix) => ({
					value: scale.point(mix.doughCelsius),
					symbol: mix.counted ? 'circle' : 'emptyCircle'
				}))
			}
		]
	});
</script>

<Chart
	{option}
	label="Dough temperature of {name}, wanted and measured, over its last {mixes.length} mixes; open circles do not count"
/>
