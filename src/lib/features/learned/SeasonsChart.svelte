<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { TemperatureDayView } from '../../contracts/learned-views.ts';
	import Chart from '../../ui/Chart.svelte';
	import { monthText } from '../../wording/time-text.ts';
	import { chartScale } from './chart-scale.ts';

	interface Props {
		days: readonly TemperatureDayView[];
	}
	let { days }: Props = $props();
	const room = useRoom();
	const scale = $derived(chartScale(room.bakery.units));
	const dates = $derived([...new Set(days.map((day) => day.day))].sort());
	const LINES = [
		['room', 'room', 'solid'],
		['flour', 'flour', 'dashed'],
		['tap', 'cold tap', 'dotted']
	] as const;
	const means = (quantity: string) => {
		const found = new Map(
			days.filter((day) => day.quantity === quantity).map((day) => [day.day, day.meanCelsius])
		);
		return dates.map((day) => {
			const celsius = found.get(day);
			return celsius === undefined ? null : scale.point(celsius);
		});
	};
	const option = $derived({
		xAxis: {
			type: 'category' as const,
			boundaryGap: false,
			data: dates,
			axisLabel: {
				interval: (_: number, day: string) => day.endsWith('-01'),
				formatter: monthText
			},
			axisTick: { interval: (_: number, day: string) => day.endsWith('-01') }
		},
		yAxis: { type: 'value' as const, scale: true, name: scale.name },
		series: LINES.map(([quantity, name, type]) => ({
			name,
			type: 'line' as const,
			symbol: 'none',
			lineStyle: { type, width: 2 },
			data: means(quantity)
		}))
	});
</script>

<Chart
	{option}
	label="The mean of each day in the room, the flour and the cold tap over the last {dates.length} days"
/>
