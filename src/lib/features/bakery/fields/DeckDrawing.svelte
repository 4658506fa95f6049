<script lang="ts">
	import { layoutOn, type Deck, type OvenPiece } from '../../../core/bakery/index.ts';

	interface Props {
		deck: Pick<Deck, 'lengthCm' | 'widthCm' | 'kind' | 'name'>;
		piece: OvenPiece & { readonly name: string };
	}
	let { deck, piece }: Props = $props();

	/** Its pieces from above, each in the middle of its ground, all in cm. */
	const drawn = $derived.by(() => {
		const { footprint, spacingCm } = piece;
		if (footprint === null || deck.kind === 'pots') return [];
		const layout = layoutOn(deck, footprint, spacingCm);
		const [length, width] = layout.turned
			? [footprint.widthCm, footprint.lengthCm]
			: [footprint.lengthCm, footprint.widthCm];
		// What is left over is shared out at the walls.
		const [restLength, restWidth] = [
			deck.lengthCm - layout.along * (length + spacingCm),
			deck.widthCm - layout.across * (width + spacingCm)
		];
		return Array.from({ length: layout.pieces }, (_, at) => ({
			x: restLength / 2 + (at % layout.along) * (length + spacingCm) + spacingCm / 2,
			y: restWidth / 2 + Math.floor(at / layout.along) * (width + spacingCm) + spacingCm / 2,
			length,
			width
		}));
	});
</script>

<svg
	viewBox="-1 -1 {deck.lengthCm + 2} {deck.widthCm + 2}"
	role="img"
	aria-label="{drawn.length} {piece.name} on {deck.name}, to scale"
	data-drawn={drawn.length}
>
	<rect class="ground" width={deck.lengthCm} height={deck.widthCm} />
	{#each drawn as { x, y, length, width }, at (at)}
		<rect class="piece" {x} {y} width={length} height={width} rx={Math.min(length, width) / 2.2} />
	{/each}
</svg>
{#if piece.footprint === null}
	<p class="text-note text-ink-2">{piece.name} has no ground yet: its page asks for it.</p>
{/if}

<style>
	svg {
		display: block;
		width: 100%;
		max-height: 220px;
		margin: 8px 0;
	}
	.ground {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 2;
		vector-effect: non-scaling-stroke;
	}
	.piece {
		fill: var(--sheet);
		stroke: var(--ink);
		stroke-width: 1;
		vector-effect: non-scaling-stroke;
	}
</style>
