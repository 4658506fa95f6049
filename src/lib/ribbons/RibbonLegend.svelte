<script lang="ts">
	import RampLegend from '../ui/ribbon/RampLegend.svelte';
	import { formatTemperature, type UnitChoice } from '../core/units/index.ts';

	interface Props {
		units: UnitChoice;
		/** Whether work of other dates is drawn too. */
		others?: boolean;
		/** Whether the ribbons are a night as it went, with its plan under them. */
		went?: boolean;
	}
	let { units, others = false, went = false }: Props = $props();
	const degrees = (celsius: number) => formatTemperature({ celsius }, 0, units);
</script>

<p class="flex flex-wrap items-center gap-x-4 gap-y-1 text-note text-ink-2">
	<span class="inline-flex items-center gap-2">
		dough temperature
		<RampLegend format={degrees} />
	</span>
	<span><span class="swatch hands"></span> hands on it</span>
	<span><span class="swatch waiting"></span> waiting</span>
	<span><span class="swatch cold"></span> kept cold</span>
	<span><span class="swatch oven"></span> in the oven</span>
	<span>
		<svg class="inline" width="46" height="12" aria-hidden="true">
			<path d="M2 11 L7 3 L12 11" fill="none" stroke="var(--ink)" stroke-width="2" />
			<path d="M18 11 L23 3 L28 11 Z" fill="var(--ink)" />
			<path d="M34 11 L39 3 L44 11" fill="none" stroke="var(--ink)" stroke-width="2" />
		</svg>
		early, ready, late
	</span>
	<span>
		<svg class="inline" width="10" height="14" aria-hidden="true">
			<line x1="5" x2="5" y1="3" y2="14" stroke="var(--ink)" stroke-width="2.5" />
			<circle cx="5" cy="4" r="4" fill="var(--ink)" />
		</svg>
		drop
	</span>
	{#if went}
		<span><span class="swatch forecast"></span> paler: expected, or nobody told</span>
		<span><span class="swatch line"></span> hands and oven as planned</span>
	{/if}
	{#if others}<span><span class="swatch others"></span> for another date</span>{/if}
</p>

<style>
	.swatch {
		display: inline-block;
		vertical-align: middle;
		width: 22px;
		border: 1px solid var(--ink);
		background: #dd8a52;
		print-color-adjust: exact;
		-webkit-print-color-adjust: exact;
	}
	.hands {
		height: 15px;
		border-width: 2px;
	}
	.others {
		height: 10px;
		border-color: var(--ink-2);
		background: var(--line);
	}
	.forecast {
		height: 10px;
		opacity: 0.55;
	}
	.line {
		height: 4px;
		border: 0;
		background: var(--ink-2);
	}
	.waiting {
		height: 8px;
	}
	.cold {
		height: 8px;
		background: repeating-linear-gradient(90deg, #3f6296 0 3px, #ffffff 3px 5px);
	}
	.oven {
		height: 15px;
		border-width: 2px;
		background: repeating-linear-gradient(135deg, #14191a 0 2px, #ffd27a 2px 5px);
	}
</style>
