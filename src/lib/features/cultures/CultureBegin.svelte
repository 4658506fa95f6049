<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { BEGINNINGS, STARTING, type Beginning } from '../../core/culture/index.ts';
	import { BEGINNING_TEXT, startingStepText } from '../../wording/culture-text.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		tending: Tending;
	}
	let { tending }: Props = $props();
	const { units } = useRoom().bakery;

	function begin(beginning: Beginning) {
		const [first] = STARTING[beginning];
		return tending.feed(
			first ?? { seedGrams: 0, flourGrams: 0, waterGrams: 0 },
			{ celsius: null, beginning },
			`begun: ${BEGINNING_TEXT[beginning].name.toLowerCase()}`
		);
	}
</script>

<section class="mt-3" aria-label="Start a new one" data-begin>
	<h3>Is it there already? Weigh it below. Otherwise start one:</h3>
	<ul class="beginnings">
		{#each BEGINNINGS as beginning (beginning)}
			{@const [first] = STARTING[beginning]}
			<li class="border border-line p-3">
				<b>{BEGINNING_TEXT[beginning].name}</b>
				<p>{BEGINNING_TEXT[beginning].about}</p>
				<p class="text-ink-2">
					{beginning === 'fruit-water'
						? 'First: 100 g of raisins and a spoon of sugar in 300 g of water, in a jar twice as large, at 24 to 28 °C.'
						: first
							? `First: ${startingStepText(first, beginning, units)}`
							: ''}
				</p>
				<button
					class="action mt-2"
					disabled={tending.busy}
					aria-label="Begun now: {BEGINNING_TEXT[beginning].name}"
					onclick={() => begin(beginning)}>Begun now</button
				>
			</li>
		{/each}
	</ul>
</section>

<style>
	.beginnings {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
		gap: 12px;
		margin-top: 8px;
	}
</style>
