<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import type { EChartsCoreOption, EChartsType } from 'echarts/core';
	import type { ChartScale } from './chart-scale.ts';

	interface Props {
		option: EChartsCoreOption;
		/** What the picture says, for those who do not see it. */
		label: string;
		/** What lies over the picture, by its scale. */
		over?: Snippet<[ChartScale]>;
	}
	let { option, label, over }: Props = $props();
	let scale: ChartScale | null = $state.raw(null);
	let place: HTMLDivElement;
	let chart: EChartsType | null = $state.raw(null);

	/** Ink on sheet: the chart takes its colours from the appearance. */
	function colours() {
		const style = getComputedStyle(document.documentElement);
		const read = (name: string) => style.getPropertyValue(name).trim();
		return { ink: read('--ink'), ink2: read('--ink-2'), line: read('--line') };
	}
	interface Axis {
		readonly axisLabel?: object;
	}
	/** What a chart says of its axis, in the ink of the appearance. */
	function inked(axis: Axis, own: Axis) {
		return { ...axis, ...own, axisLabel: { ...axis.axisLabel, ...own.axisLabel } };
	}

	function scaleOf(drawn: EChartsType): ChartScale {
		const pair = (found: readonly number[]) => [found[0] ?? 0, found[1] ?? 0] as const;
		return {
			width: drawn.getWidth(),
			height: drawn.getHeight(),
			pixelOf: (x, y) => pair(drawn.convertToPixel({ gridIndex: 0 }, [x, y])),
			valueAt: (left, top) => pair(drawn.convertFromPixel({ gridIndex: 0 }, [left, top]))
		};
	}

	/** Whether the appearance was changed since the chart was drawn. */
	let appearance = $state('');
	function draw(to: EChartsType, what: EChartsCoreOption) {
		const { ink, ink2, line } = colours();
		const axis = {
			axisLine: { lineStyle: { color: ink } },
			axisLabel: { color: ink2, fontFamily: 'inherit' },
			nameTextStyle: { color: ink2 },
			splitLine: { lineStyle: { color: line } }
		};
		to.setOption(
			{
				animation: false,
				color: [ink2, ink],
				textStyle: { fontFamily: 'inherit' },
				grid: { left: 48, right: 16, top: 32, bottom: 28 },
				...what,
				legend: {
					top: 0,
					left: 60,
					right: 0,
					itemGap: 20,
					textStyle: { color: ink },
					...(what.legend as object | undefined)
				},
				xAxis: inked(axis, what.xAxis as Axis),
				yAxis: inked(axis, what.yAxis as Axis)
			},
			true
		);
	}

	onMount(() => {
		let gone = false;
		let watcher: ResizeObserver | null = null;
		let look: MutationObserver | null = null;
		// The drawing library is large; it comes when a chart is opened, not with the page.
		void import('./echarts.ts').then(({ startChart }) => {
			if (gone) return;
			const started = startChart(place);
			look = new MutationObserver(() => {
				appearance = document.documentElement.dataset.appearance ?? '';
			});
			look.observe(document.documentElement, { attributeFilter: ['data-appearance'] });
			watcher = new ResizeObserver(() => {
				started.resize();
				if (over && chart) scale = scaleOf(started);
			});
			watcher.observe(place);
			chart = started;
		});
		return () => {
			gone = true;
			watcher?.disconnect();
			look?.disconnect();
			chart?.dispose();
		};
	});
	$effect(() => {
		// Asked for so that a change of appearance draws the chart anew in its colours.
		void appearance;
		if (!chart) return;
		draw(chart, option);
		if (over) scale = scaleOf(chart);
	});
</script>

<div class="relative">
	<div
		bind:this={place}
		class="place"
		role="img"
		aria-label={label}
		data-chart={chart ? 'drawn' : ''}
	></div>
	{#if over && scale}{@render over(scale)}{/if}
</div>

<style>
	.place {
		width: 100%;
		height: 220px;
		/* As wide as there is room: what is drawn in it must not keep a page wide when a tablet is turned. */
		contain: inline-size;
	}
</style>
