<script lang="ts">
	import { PLATE_EDGE_CM, type TurnSize } from '../core/sheeting/index.ts';

	interface Props {
		size: TurnSize;
		/** The length that takes all of the width there is: what is drawn beside one another has one scale. */
		scaleCm: number;
		label: string;
	}
	let { size, scaleCm, label }: Props = $props();

	const { lengthCm, widthCm } = $derived(size.rolled);
	const parts = $derived(Math.round(lengthCm / size.folded.lengthCm));
	const folds = $derived(
		Array.from({ length: Math.max(0, parts - 1) }, (_, at) => ((at + 1) * lengthCm) / parts)
	);
	const edge = $derived(
		size.plate ? Math.min(PLATE_EDGE_CM, (widthCm - size.plate.widthCm) / 2) : 0
	);
	const MARGIN = 0.4;
</script>

<svg
	role="img"
	preserveAspectRatio="xMinYMin meet"
	aria-label={label}
	viewBox="{-MARGIN} {-MARGIN} {lengthCm + 2 * MARGIN} {widthCm + 2 * MARGIN}"
	style:width="{Math.min(100, (lengthCm / scaleCm) * 100)}%"
	style:aspect-ratio="{lengthCm + 2 * MARGIN} / {widthCm + 2 * MARGIN}"
>
	<rect class="dough" x="0" y="0" width={lengthCm} height={widthCm} />
	{#if size.plate}
		<rect
			class="fat"
			x={edge}
			y={(widthCm - size.plate.widthCm) / 2}
			width={size.plate.lengthCm}
			height={size.plate.widthCm}
		/>
	{/if}
	{#each folds as at (at)}
		<line class="fold" x1={at} x2={at} y1="0" y2={widthCm} />
	{/each}
</svg>

<style>
	svg {
		display: block;
		max-height: 150px;
	}
	rect,
	line {
		stroke: var(--ink);
		stroke-width: 1.5px;
		vector-effect: non-scaling-stroke;
	}
	.dough {
		fill: var(--sheet);
	}
	.fat {
		fill: var(--ground);
		stroke-width: 3px;
	}
	.fold {
		stroke-dasharray: 6 5;
	}
	@media print {
		svg {
			max-height: 38mm;
		}
		.fat {
			fill: #ddd;
		}
	}
</style>
