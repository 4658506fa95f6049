<script lang="ts">
	import { outlinesOf, type SheetLayout, type SheetOfProduct } from '../core/sheeting/index.ts';

	interface Props {
		sheet: SheetOfProduct;
		layout: SheetLayout;
		/** What it shows, for those who hear it. */
		label: string;
	}
	let { sheet, layout, label }: Props = $props();

	const outlines = $derived(outlinesOf(sheet, layout));
	const { lengthCm, widthCm } = $derived(layout.size);
	/** Half of a line, so that none is cut off at the border. */
	const MARGIN = 0.4;
</script>

<svg
	role="img"
	preserveAspectRatio="xMinYMin meet"
	aria-label={label}
	viewBox="{-MARGIN} {-MARGIN} {lengthCm + 2 * MARGIN} {widthCm + 2 * MARGIN}"
	style:aspect-ratio="{lengthCm + 2 * MARGIN} / {widthCm + 2 * MARGIN}"
	data-sheet-drawing
>
	<rect class="trim" x="0" y="0" width={lengthCm} height={widthCm} />
	{#each outlines as outline, at (at)}
		{#if outline.kind === 'circle'}
			<circle class="piece" cx={outline.centre.x} cy={outline.centre.y} r={outline.radiusCm} />
		{:else}
			<polygon
				class={outline.isHalf ? 'half' : 'piece'}
				points={outline.points.map(({ x, y }) => `${x},${y}`).join(' ')}
			/>
		{/if}
	{/each}
</svg>

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 340px;
	}
	rect,
	polygon,
	circle {
		stroke: var(--ink);
		stroke-width: 1.5px;
		vector-effect: non-scaling-stroke;
	}
	.trim {
		fill: var(--ground);
	}
	.piece {
		fill: var(--sheet);
	}
	/* A half is told by its broken line, not by a shade alone. */
	.half {
		fill: none;
		stroke-dasharray: 4 4;
	}
	@media print {
		svg {
			max-height: 80mm;
		}
		.trim {
			fill: #ddd;
		}
		.piece {
			fill: #fff;
		}
	}
</style>
