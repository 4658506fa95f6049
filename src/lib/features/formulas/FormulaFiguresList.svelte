<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import {
		buildFiguresOf,
		flourOf,
		type RebalanceMove,
		type ResolvedFormula,
		type ResolvedStage
	} from '../../core/formula/index.ts';
	import { formatNumber, formatTemperature, parseNumber } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
		targetCelsius: number;
	}
	let { model, resolved, targetCelsius }: Props = $props();
	const { bakery } = useRoom();

	const percent = (value: number, decimals = 1) => `${formatNumber(value, decimals)} %`;
	const figures = $derived.by(() => {
		const { figures: all } = model;
		if (!all) return [];
		return [
			['Hydration', percent(all.hydration)],
			['without soakers', percent(all.hydrationWithoutSoakers)],
			['effective', percent(all.effectiveHydration)],
			['Salt', percent(all.salt, 2)],
			['Yeast as fresh', percent(all.yeastFreshEquivalent, 2)],
			['Pre-fermented flour', percent(all.prefermentedFlour)],
			['Wholegrain', percent(all.wholegrain)],
			['Dough', percent(all.doughPercent)],
			['Dough temperature wanted', formatTemperature({ celsius: targetCelsius }, 1, bakery.units)]
		] as const;
	});
	const builds = $derived(resolved.final.stages.filter((stage) => stage.kind === 'build'));

	interface Dial {
		readonly kind: RebalanceMove['kind'];
		readonly name: string;
		readonly value: number;
	}
	function dialsOf(stage: ResolvedStage): readonly Dial[] {
		const own = buildFiguresOf(stage);
		return [
			{ kind: 'prefermented-flour', name: 'its flour, of all flour', value: flourOf(stage) },
			{ kind: 'hydration', name: 'its hydration', value: own.hydration },
			...(stage.lines.some((line) => line.ingredient.kind === 'culture')
				? [{ kind: 'inoculation' as const, name: 'its inoculation', value: own.inoculation }]
				: [])
		];
	}
	function move(stage: ResolvedStage, dial: Dial, text: string) {
		const read = parseNumber(text.replace('%', ''));
		if (!read.ok) model.message = parseFailureText(read.error);
		else if (stage.preparation && text !== formatNumber(dial.value, 1))
			model.rebalance(stage.preparation.id, { kind: dial.kind, percent: read.value });
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="figures">
	<h2 id="figures" class="mb-2">Figures</h2>
	<dl class="pairs">
		{#each figures as [name, value] (name)}
			<dt>{name}</dt>
			<dd>{value}</dd>
		{/each}
	</dl>
	<p class="mt-2">
		<b>Allergens:</b>
		{model.figures?.allergens.join(', ') || 'none named'}.
		<span class="text-note text-ink-2">The site's own list comes first.</span>
	</p>
</section>

{#if builds.length > 0}
	<section class="border border-line bg-sheet p-4" aria-labelledby="rebalance" data-rebalance>
		<h2 id="rebalance">Rebalance</h2>
		<p class="mb-2 text-note text-ink-2">
			Flour and water move between the build and the final dough; the total stands as it is.
		</p>
		{#each builds as stage (stage.preparation?.id)}
			<h3 class="mt-2">{stage.name}</h3>
			{#each dialsOf(stage) as dial (dial.kind)}
				<label class="flex items-center justify-between gap-3 py-1">
					{dial.name}
					<span>
						<input
							class="field dial"
							type="text"
							inputmode="decimal"
							autocomplete="off"
							aria-label="{stage.name}, {dial.name}"
							value={formatNumber(dial.value, 1)}
							onchange={(event) => {
								move(stage, dial, event.currentTarget.value);
								event.currentTarget.value = formatNumber(
									dialsOf(stage).find((one) => one.kind === dial.kind)?.value ?? 0,
									1
								);
							}}
							onfocus={(event) => event.currentTarget.select()}
						/> %
					</span>
				</label>
			{/each}
		{/each}
	</section>
{/if}

<style>
	.pairs {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 2px 12px;
	}
	dd {
		text-align: right;
		font-weight: 700;
	}
	.dial {
		width: 88px;
		text-align: right;
		font-weight: 700;
	}
</style>
