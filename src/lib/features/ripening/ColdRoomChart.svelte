<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { ColdAir } from '../../core/ripening/index.ts';
	import { inFahrenheit } from '../../core/units/index.ts';
	import Chart from '../../ui/Chart.svelte';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		cold: ColdAir;
		/** The doughs in it, in the order in which they went in. */
		names: readonly string[];
		name: string;
	}
	let { cold, names, name }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const inF = $derived(units.temperature === 'fahrenheit');
	const shown = (celsius: number) =>
		Math.round((inF ? inFahrenheit({ celsius }) : celsius) * 10) / 10;
	const HOURS_SHOWN = 14;
	const moments = $derived(cold.moments.filter((moment) => moment.minutes <= HOURS_SHOWN * 60));
	/** Inked apart by their lines, not by colours. */
	const LINES = ['solid', 'dotted', [8, 3], [2, 6]] as const;
	const option = $derived({
		xAxis: {
			type: 'category' as const,
			boundaryGap: false,
			data: moments.map((moment) => clockText(cold.fromMs + moment.minutes * 60_000, timeZone)),
			axisLabel: { interval: 11 }
		},
		yAxis: { type: 'value' as const, scale: true, name: inF ? '°F' : '°C' },
		series: [
			{
				name: 'air',
				type: 'line' as const,
				symbol: 'none',
				lineStyle: { type: 'dashed' as const, width: 2 },
				data: moments.map((moment) => shown(moment.airCelsius))
			},
			...names.map((of, index) => ({
				name: of,
				type: 'line' as const,
				symbol: 'none',
				lineStyle: { type: LINES[index % LINES.length], width: 3 },
				data: moments.map((moment) => shown(moment.loads[index]?.celsius ?? 0))
			}))
		]
	});
</script>

<Chart
	{option}
	label="Air of the {name} and the core of what is in it over {HOURS_SHOWN} hours; the text above says how warm it gets and when"
/>
