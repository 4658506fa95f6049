<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import { bakeMarks, phasesOf } from '../../../core/baking/index.ts';
	import type { BakeStep } from '../../../core/formula/index.ts';
	import {
		fahrenheit,
		formatNumber,
		formatTemperature,
		inFahrenheit
	} from '../../../core/units/index.ts';
	import type { ChartScale } from '../../../ui/chart-scale.ts';
	import Chart from '../../../ui/Chart.svelte';
	import { markText } from '../../../wording/programme-text.ts';
	import { curveHandles, minuteOf, moved, settingOf, type CurveHandle } from './curve-handles.ts';

	interface Props {
		step: BakeStep;
		onSet: (step: BakeStep) => void;
	}
	let { step: kept, onSet }: Props = $props();
	const { units } = useRoom().bakery;

	/** What a hand holds, and the bake as it would be let go. */
	let held = $state.raw<{ readonly handle: CurveHandle; readonly step: BakeStep } | null>(null);
	const step = $derived(held?.step ?? kept);

	const inDegreesF = units.temperature === 'fahrenheit';
	const shown = (celsius: number) => Math.round(inDegreesF ? inFahrenheit({ celsius }) : celsius);
	const read = (value: number) => (inDegreesF ? fahrenheit(value).celsius : value);
	/** Ovens are set by fives. */
	const byFives = (celsius: number) => read(5 * Math.round(shown(celsius) / 5));
	/** It does not change under a hand. */
	const range = $derived.by(() => {
		const settings = phasesOf(kept).map(({ celsius }) => shown(celsius));
		const least = 20 * Math.floor((Math.min(...settings) - 40) / 20);
		const most = 20 * Math.ceil((Math.max(...settings) + 40) / 20);
		return { min: least, max: most };
	});
	const lasts = $derived(held?.handle.kind === 'out' ? kept.bakeMinutes : step.bakeMinutes);
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
			max: lasts,
			name: 'min',
			splitLine: { show: false }
		},
		yAxis: { type: 'value' as const, ...range, minInterval: 5 },
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

	const NAMES = { load: 'Load', turn: 'Turn', check: 'Look', out: 'Out' } as const;
	const nameOf = (handle: CurveHandle) =>
		handle.kind === 'change' ? `Change ${handle.at + 1}` : NAMES[handle.kind];
	const celsiusAt = (handle: CurveHandle) =>
		settingOf(step, handle) ?? at(minuteOf(step, handle))?.celsius ?? step.loadCelsius;
	function saidOf(handle: CurveHandle): string {
		const setting = settingOf(step, handle);
		const minute = `minute ${formatNumber(minuteOf(step, handle), 0)}`;
		return setting === null
			? minute
			: `${minute}, ${formatTemperature({ celsius: setting }, 0, units)}`;
	}

	let over: SVGSVGElement | undefined = $state();
	let scale: ChartScale | null = null;
	function grab(handle: CurveHandle, from: ChartScale, event: PointerEvent) {
		if (event.button !== 0) return;
		event.preventDefault();
		scale = from;
		held = { handle, step: kept };
	}
	function draw(event: PointerEvent) {
		if (!held || !scale || !over) return;
		const corner = over.getBoundingClientRect();
		const [minutes, value] = scale.valueAt(event.clientX - corner.left, event.clientY - corner.top);
		held = { ...held, step: moved(kept, held.handle, { minutes, celsius: read(value) }, byFives) };
	}
	function letGo() {
		const drawn = held;
		held = null;
		if (drawn && JSON.stringify(drawn.step) !== JSON.stringify(kept)) onSet(drawn.step);
	}
	const KEYS: Readonly<Record<string, readonly [minutes: number, degrees: number]>> = {
		ArrowLeft: [-1, 0],
		ArrowRight: [1, 0],
		ArrowUp: [0, 5],
		ArrowDown: [0, -5]
	};
	function press(handle: CurveHandle, event: KeyboardEvent) {
		const by = KEYS[event.key];
		if (!by) return;
		event.preventDefault();
		const to = {
			minutes: minuteOf(kept, handle) + by[0],
			celsius: read(shown(celsiusAt(handle)) + by[1])
		};
		onSet(moved(kept, handle, to, byFives));
	}
</script>

<svelte:window onpointermove={draw} onpointerup={letGo} onpointercancel={() => (held = null)} />

{#snippet handles(scale: ChartScale)}
	<svg
		bind:this={over}
		class="over"
		width={scale.width}
		height={scale.height}
		viewBox="0 0 {scale.width} {scale.height}"
	>
		{#each curveHandles(step) as handle (nameOf(handle))}
			{@const [cx, cy] = scale.pixelOf(
				Math.min(lasts, minuteOf(step, handle)),
				shown(celsiusAt(handle))
			)}
			<g
				class="handle"
				role="slider"
				tabindex="0"
				aria-label={nameOf(handle)}
				aria-valuenow={minuteOf(step, handle)}
				aria-valuetext={saidOf(handle)}
				data-handle={nameOf(handle)}
				onpointerdown={(event) => grab(handle, scale, event)}
				onkeydown={(event) => press(handle, event)}
			>
				<circle {cx} {cy} r="22" class="reach" />
				<circle {cx} {cy} r="7" class="knob" />
			</g>
		{/each}
		{#if held}
			<text x="48" y="18" class="said">{nameOf(held.handle)}: {saidOf(held.handle)}</text>
		{/if}
	</svg>
{/snippet}

<div class="curve"><Chart {option} {label} over={handles} /></div>

<style>
	.curve {
		max-width: 560px;
	}
	.over {
		position: absolute;
		inset: 0;
		pointer-events: none;
	}
	.handle {
		pointer-events: auto;
		cursor: grab;
		touch-action: none;
	}
	.reach {
		fill: transparent;
	}
	.knob {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 3;
	}
	.handle:focus-visible {
		outline: none;
	}
	.handle:focus-visible .knob {
		fill: var(--ink);
		r: 10px;
	}
	.said {
		fill: var(--ink);
		font-weight: 700;
	}
</style>
