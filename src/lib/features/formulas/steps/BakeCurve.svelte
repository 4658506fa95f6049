<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import { bakeMarks, phasesOf } from '../../../core/baking/index.ts';
	import type { BakeStep } from '../../../core/formula/index.ts';
	import { formatNumber, formatTemperature, inFahrenheit } from '../../../core/units/index.ts';
	import Chart from '../../../ui/Chart.svelte';
	import { markText } from '../../../wording/programme-text.ts';

	interface Props {
		step: BakeStep;
	}
	let { step }: Props = $props();
	const { units } = useRoom().bakery;

	const shown = (celsius: number) =>
		Math.round(units.temperature === 'fahrenheit' ? inFahrenheit({ celsius }) : celsius);
	const phases = $derived(phasesOf(step));
	const at = (minutes: number) =>
		phases.find(({ fromMinutes, toMinutes }) => minutes >= fromMinutes && minutes < toMinutes) ??
		phases.at(-1);
	/** The setting from loading to the end: a corner where it changes. */
	const setting = $derived([
		...phases.map(({ fromMinutes, celsius }) => [fromMinutes, shown(celsius)]),
		[step.bakeMinutes, shown(phases.at(-1)?.celsius ?? step.loadCelsius)]
	]);
	const marks = $derived(
		bakeMarks(step)
			.filter(({ kind }) => kind === 'turn' || kind === 'check')
			.map((mark) => ({
				value: [mark.atMinutes, shown(at(mark.atMinutes)?.celsius ?? step.loadCelsius)],
				name: markText(mark)
			}))
	);
	const steam = $derived(
		phases
			.filter(({ steamSeconds }) => steamSeconds > 0)
			.map(({ fromMinutes, celsius }) => ({
				value: [fromMinutes, shown(celsius)],
				name: 'steam'
			}))
	);
	const option = $derived({
		grid: { left: 44, right: 64, top: 30, bottom: 40 },
		xAxis: {
			type: 'value' as const,
			min: 0,
			max: step.bakeMinutes,
			name: 'min',
			splitLine: { show: false }
		},
		yAxis: { type: 'value' as const, scale: true, minInterval: 5 },
		series: [
			{
				type: 'line' as const,
				step: 'end' as const,
				symbol: 'none',
				lineStyle: { width: 3 },
				data: setting
			},
			...[
				{ points: steam, symbol: 'triangle' },
				{ points: marks, symbol: 'circle' }
			].map(({ points, symbol }) => ({
				type: 'scatter' as const,
				symbol,
				symbolSize: 12,
				// Steam is named below the line that it stands on.
				label: {
					show: true,
					formatter: '{b}',
					// In the ink of the appearance, without the light edge that the library gives it.
					color: 'inherit',
					textBorderWidth: 0,
					position: points === steam ? [6, 14] : ('top' as const)
				},
				data: points
			}))
		]
	});
	const label = $derived(
		`The oven's setting over the bake: ${phases
			.map(
				({ fromMinutes, celsius }) =>
					`${formatTemperature({ celsius }, 0, units)} from minute ${formatNumber(fromMinutes, 0)}`
			)
			.join(', ')}; out at minute ${formatNumber(step.bakeMinutes, 0)}`
	);
</script>

<div class="curve"><Chart {option} {label} /></div>

<style>
	.curve {
		max-width: 560px;
	}
</style>
