<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import {
		buildFiguresOf,
		explainBuildFigure,
		explainFlourOf,
		flourOf,
		stagesInOrder,
		type RebalanceMove,
		type ResolvedFormula,
		type ResolvedStage
	} from '../../core/formula/index.ts';
	import { formatNumber, parseNumber } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import RefusableField from '../../ui/RefusableField.svelte';
	import type { FormulaModel } from './formula-model.svelte.ts';
	import SeedRatio from './SeedRatio.svelte';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	const room = useRoom();

	const builds = $derived(
		stagesInOrder(resolved.final).filter((stage) => stage.kind === 'build' && flourOf(stage) > 0)
	);

	interface Dial {
		readonly kind: RebalanceMove['kind'];
		readonly name: string;
		readonly value: number;
	}
	function dialsOf(stage: ResolvedStage): readonly Dial[] {
		const own = buildFiguresOf(stage);
		return [
			{ kind: 'prefermented-flour', name: 'its flour, of the total flour', value: flourOf(stage) },
			{ kind: 'hydration', name: 'its hydration', value: own.hydration },
			...(own.seedRatio
				? [{ kind: 'inoculation' as const, name: 'its inoculation', value: own.inoculation }]
				: [])
		];
	}
	/** Gives why what was typed is refused, or nothing. */
	function move(stage: ResolvedStage, dial: Dial, text: string): string {
		const read = parseNumber(text.replace('%', ''));
		if (!read.ok) return parseFailureText(read.error);
		return stage.preparation
			? model.rebalance(stage.preparation.id, { kind: dial.kind, percent: read.value })
			: '';
	}
	function explain(stage: ResolvedStage, dial: Dial) {
		room.explain(
			dial.kind === 'prefermented-flour'
				? explainFlourOf(stage)
				: explainBuildFigure(stage, dial.kind),
			`${stage.name}, ${dial.name} ${formatNumber(dial.value, 1)} %`
		);
	}
</script>

{#if builds.length > 0}
	<section class="border border-line bg-sheet p-4" aria-labelledby="rebalance" data-rebalance>
		<h2 id="rebalance">Rebalance</h2>
		<p class="mb-2 text-note text-ink-2">
			Flour and water move between the pre-ferment and the final dough; the total stands as it is.
		</p>
		{#each builds as stage (stage.preparation?.id)}
			<h3 class="mt-2">{stage.name}</h3>
			<SeedRatio {stage} />
			{#each dialsOf(stage) as dial (dial.kind)}
				<div class="flex items-center justify-between gap-3 py-1">
					<button
						class="cursor-pointer underline decoration-dotted underline-offset-4"
						aria-label="{stage.name}, {dial.name}, open the arithmetic"
						onclick={() => explain(stage, dial)}>{dial.name}</button
					>
					<span>
						<RefusableField
							class="field dial"
							label="{stage.name}, {dial.name}"
							value={formatNumber(dial.value, 1)}
							onSet={(text: string) => move(stage, dial, text)}
						/> %
					</span>
				</div>
			{/each}
		{/each}
	</section>
{/if}

<style>
	span :global(.dial) {
		width: 88px;
		text-align: right;
		font-weight: 700;
	}
</style>
