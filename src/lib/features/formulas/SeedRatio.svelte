<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { explainSeedRatio, type ResolvedStage } from '../../core/formula/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import Term from '../../ui/Term.svelte';

	interface Props {
		stage: ResolvedStage;
	}
	let { stage }: Props = $props();
	const room = useRoom();
	const sides = $derived(
		(['flour', 'water'] as const).flatMap((of) => {
			const explained = explainSeedRatio(stage, of);
			return explained ? [{ of, explained, text: formatNumber(explained.value, 1) }] : [];
		})
	);
</script>

{#if sides.length > 0}
	<span class="text-note text-ink-2" data-seed-ratio>
		<Term of="seed-ratio">seed : flour : water</Term> 1{#each sides as { of, explained, text } (of)}&nbsp;:
			<button
				class="cursor-pointer underline decoration-dotted underline-offset-4"
				aria-label="{stage.name}, {text} of {of} to one of seed, open the arithmetic"
				onclick={() => room.explain(explained, `${stage.name}, ${text} of ${of} to one of seed`)}
				>{text}</button
			>{/each}
	</span>
{/if}
