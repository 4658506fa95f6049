<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/views.ts';
	import { inFahrenheit } from '../../core/units/index.ts';
	import Chart from '../../ui/Chart.svelte';
	import { clockText, dayText } from '../../wording/time-text.ts';

	interface Props {
		mix: MixWaterView;
	}
	let { mix }: Props = $props();
	const { bakery } = useRoom();
	const inF = bakery.units.temperature === 'fahrenheit';
	const shown = (celsius: number) =>
		Math.round((inF ? inFahrenheit({ celsius }) : celsius) * 10) / 10;
	/** Oldest first, as time runs. */
	const readings = $derived([...mix.friction.readings].reverse());
	const option = $derived({
		xAxis: {
			type: 'category' as const,
			data: readings.map(
				(one) =>
					`${dayText(one.occurredAtMs, bakery.timeZone)} ${clockText(one.occurredAtMs, bakery.timeZone)}`
			)
		},
		yAxis: { type: 'value' as const, scale: true, name: inF ? '°F' : '°C' },
		series: [
			{
				name: 'wanted',
				type: 'line' as const,
				step: 'middle' as const,
				symbol: 'none',
				lineStyle: { type: 'dashed' as const },
				data: readings.map((one) => shown(one.targetCelsius))
			},
			{
				name: 'measured',
				type: 'line' as const,
				symbolSize: 9,
				data: readings.map((one) => ({
					value: shown(one.doughCelsius),
					symbol: one.ignored || one.leftOut ? 'emptyCircle' : 'circle'
				}))
			}
		]
	});
</script>

<Chart
	{option}
	label="Dough temperature of {mix.name}, wanted and measured, over its last {readings.length} mixes; open circles do not count"
/>
