<script lang="ts">
	import type { Deck } from '../../core/bakery/index.ts';
	import type { LyingPiece } from './lie-on-deck.ts';

	interface Props {
		deck: Deck;
		lying: readonly LyingPiece[];
		/** What is seen, for those who do not see it. */
		label: string;
		/** It is not in yet. */
		ahead: boolean;
	}
	let { deck, lying, label, ahead }: Props = $props();
</script>

<svg
	viewBox="-2 -2 {deck.lengthCm + 4} {deck.widthCm + 4}"
	role="img"
	aria-label={label}
	class:ahead
	data-lying={lying.length}
>
	<rect class="deck" width={deck.lengthCm} height={deck.widthCm} />
	{#each lying as { xCm, yCm, lengthCm, widthCm }, at (at)}
		<rect
			class="piece"
			x={xCm}
			y={yCm}
			width={lengthCm}
			height={widthCm}
			rx={Math.min(lengthCm, widthCm) / 2}
		/>
	{/each}
</svg>

<style>
	svg {
		width: 100%;
		max-height: 200px;
	}
	.deck {
		fill: var(--ground);
		stroke: var(--ink);
		stroke-width: 1.5;
	}
	.piece {
		fill: var(--ink-2);
		stroke: var(--sheet);
		stroke-width: 0.6;
	}
	.ahead .piece {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 0.9;
		stroke-dasharray: 2 2;
	}
</style>
