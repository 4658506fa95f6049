<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import {
		costOf,
		costOfPiece,
		explainFigure,
		figureMove,
		yeastInForm,
		type FigureKey,
		type ResolvedFormula
	} from '../../core/formula/index.ts';
	import type { Explained } from '../../core/explain/index.ts';
	import { formatNumber, parseNumber } from '../../core/units/index.ts';
	import { figureFailureText, parseFailureText } from '../../wording/failure-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';
	import RefusableField from '../../ui/RefusableField.svelte';
	import Term from '../../ui/Term.svelte';
	import type { GlossaryKey } from '../../wording/glossary.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	const room = useRoom();

	const FIGURES: readonly {
		readonly key: FigureKey;
		readonly name: string;
		readonly decimals: number;
		readonly term?: GlossaryKey;
	}[] = [
		{ key: 'hydration', name: 'Hydration', decimals: 1, term: 'hydration' },
		{
			key: 'hydrationWithoutSoakers',
			name: 'without soakers',
			decimals: 1,
			term: 'hydration-without-soakers'
		},
		{ key: 'effectiveHydration', name: 'effective', decimals: 1, term: 'effective-hydration' },
		{ key: 'salt', name: 'Salt', decimals: 2 },
		{ key: 'yeastFreshEquivalent', name: 'Yeast as fresh', decimals: 2, term: 'yeast-as-fresh' },
		{
			key: 'prefermentedFlour',
			name: 'Pre-fermented flour',
			decimals: 1,
			term: 'pre-fermented-flour'
		},
		{ key: 'wholegrain', name: 'Wholegrain', decimals: 1, term: 'wholegrain' },
		{ key: 'doughPercent', name: 'Dough', decimals: 1 }
	];
	const yeast = $derived(model.figures?.yeastFreshEquivalent ?? 0);
	const cost = $derived(costOf(resolved));
	const money = (value: number) =>
		`${model.view.currency ? `${model.view.currency}\u00a0` : ''}${formatNumber(value, 2)}`;
	const pieces = $derived(
		cost.perKilogram === null
			? []
			: model.view.products.map(({ name, scaledGrams }) => ({
					name,
					cost: costOfPiece(cost.perKilogram as Explained, { grams: scaledGrams }, name)
				}))
	);
	/** Brings a figure to what was typed; gives why it is refused, or nothing. */
	function set(key: FigureKey, text: string): string {
		const read = parseNumber(text.replace('%', ''));
		if (!read.ok) return parseFailureText(read.error);
		const move = figureMove(resolved, key, read.value);
		if (!move.ok) return figureFailureText(move.error);
		return move.value.kind === 'line'
			? model.edit(move.value.edit)
			: model.rebalance(move.value.preparationId, move.value.move);
	}
	const open = (explained: Explained, title: string, notes: readonly string[] = []) =>
		room.explain(explained, title, notes);
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="figures" data-figures>
	<h2 id="figures" class="mb-2">Figures</h2>
	<dl class="pairs">
		{#each FIGURES as { key, name, decimals, term } (key)}
			{@const value = `${formatNumber(model.figures?.[key] ?? 0, decimals)} %`}
			<dt>
				{#if term}<Term of={term}>{name}</Term>{:else}{name}{/if}
			</dt>
			<dd>
				{#if figureMove(resolved, key, model.figures?.[key] ?? 0).ok}
					<RefusableField
						class="typed"
						label="{name}, percent"
						value={formatNumber(model.figures?.[key] ?? 0, decimals)}
						onSet={(text: string) => set(key, text)}
					/>
				{/if}
				<button
					class="figure"
					aria-label="{name} {value}, open the arithmetic"
					onclick={() => open(explainFigure(resolved, key), `${name}, ${value} of the flour`)}
					>{figureMove(resolved, key, model.figures?.[key] ?? 0).ok ? '%' : value}</button
				>
			</dd>
		{/each}
	</dl>
	{#if yeast > 0}
		<p class="text-note text-ink-2" data-yeast-forms>
			That much yeast is {formatNumber(yeastInForm(yeast, 'fresh', 'activeDry'), 2)} % active dry, or
			{formatNumber(yeastInForm(yeast, 'fresh', 'instant'), 2)} % instant.
		</p>
	{/if}
	<p class="mt-2">
		<b>Allergens:</b>
		{model.figures?.allergens.join(', ') || 'none named'}.
		<span class="text-note text-ink-2">The site's own list comes first.</span>
	</p>
	{#if cost.perKilogram}
		{@const each = cost.perKilogram}
		<h3 class="mt-3">Ingredients cost</h3>
		<dl class="pairs">
			<dt>a kilogram of dough</dt>
			<dd>
				<button
					class="figure"
					aria-label="A kilogram of dough {money(each.value)}, open the arithmetic"
					onclick={() => open(each, `A kilogram of dough, ${money(each.value)}`)}
					>{money(each.value)}</button
				>
			</dd>
			{#each pieces as piece (piece.name)}
				<dt>{piece.name}, its dough</dt>
				<dd>
					<button
						class="figure"
						aria-label="{piece.name} {money(piece.cost.value)}, open the arithmetic"
						onclick={() => open(piece.cost, `${piece.name}, ${money(piece.cost.value)}`)}
						>{money(piece.cost.value)}</button
					>
				</dd>
			{/each}
		</dl>
		{#if cost.unpriced.length > 0}
			<p class="mt-1 text-note text-ink-2">Without a price: {cost.unpriced.join(', ')}.</p>
		{/if}
	{/if}
</section>

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
	dt {
		align-self: center;
	}
	dd :global(.typed) {
		width: 64px;
		min-height: 30px;
		padding: 0 4px;
		border: 0;
		border-bottom: 1px solid var(--ink-2);
		background: transparent;
		color: var(--ink);
		font-weight: 700;
		text-align: right;
	}
	@media (pointer: coarse) {
		dd :global(.typed) {
			min-height: 44px;
		}
	}
	.figure {
		cursor: pointer;
		font-weight: 700;
		text-decoration: underline dotted;
		text-underline-offset: 4px;
	}
</style>
