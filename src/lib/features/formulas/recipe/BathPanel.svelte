<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../../client/room-context.ts';
	import type { PreparationDetailView } from '../../../contracts/book-views.ts';
	import {
		madeUp,
		solidFor,
		strengthOf,
		type BathUse,
		type PreparationLine,
		type Strength
	} from '../../../core/formula/index.ts';
	import { formatMass, formatNumber } from '../../../core/units/index.ts';
	import MassField from '../../../fields/MassField.svelte';
	import NumberField from '../../../fields/NumberField.svelte';

	interface Props {
		view: PreparationDetailView;
		lines: readonly PreparationLine[];
		bath: BathUse | null;
		onLines: (lines: readonly PreparationLine[]) => void;
		onBath: (bath: BathUse) => void;
	}
	let { view, lines, bath, onLines, onBath }: Props = $props();
	const { units } = useRoom().bakery;
	const use = $derived(bath ?? { dipSeconds: null, renewAfterMinutes: null });

	/** Water and the one thing that is dissolved in it; null for a bath that is not so plain. */
	const parts = $derived.by(() => {
		const named = lines.flatMap((line) => {
			const { material } = line;
			const ingredient =
				material.kind === 'ingredient'
					? view.ingredients.find(({ id }) => id === material.ingredientId)
					: undefined;
			return ingredient ? [{ line, ingredient }] : [];
		});
		const water = named.filter(({ ingredient }) => ingredient.kind === 'water');
		const solid = named.filter(({ ingredient }) => ingredient.kind !== 'water');
		const [onlyWater] = water;
		const [onlySolid] = solid;
		return named.length === lines.length &&
			onlyWater &&
			onlySolid &&
			water.length === 1 &&
			solid.length === 1
			? { water: onlyWater, solid: onlySolid, purity: onlySolid.ingredient.purity }
			: null;
	});
	const strength = $derived(
		parts &&
			strengthOf(
				{ water: { grams: parts.water.line.parts }, solid: { grams: parts.solid.line.parts } },
				parts.purity
			)
	);
	const isCaustic = $derived(parts?.solid.ingredient.kind === 'caustic');
	/** How much is made up at once: what its products ask for, until somebody says otherwise. */
	let batchGrams = $state(
		untrack(() => Math.max(0, ...view.dips.map(({ grams }) => grams)) || 4000)
	);
	const batch = $derived(
		parts && strength
			? madeUp(
					{ grams: batchGrams },
					{ kind: 'share-of-solution', share: strength.shareOfSolution },
					parts.purity
				)
			: null
	);
	const mass = (grams: number) => formatMass({ grams }, 0, units);
	const most = $derived(view.causticMost.share);

	/** The strongest that the form takes: a share that its solid could never reach has no amount. */
	const mostShare = $derived(parts ? Math.min(0.5, parts.purity.share * 0.9) : 0.5);
	function setStrength(wanted: Strength) {
		if (!parts) return;
		const solid = solidFor({ grams: 1000 }, wanted, parts.purity).grams;
		onLines(
			lines.map((line) =>
				line === parts.water.line
					? { ...line, parts: 1000 }
					: line === parts.solid.line
						? { ...line, parts: solid }
						: line
			)
		);
	}
</script>

<section class="mt-3 border border-line bg-sheet p-4" aria-labelledby="bath" data-bath>
	<h2 id="bath" class="mb-2">The bath</h2>
	<div class="columns">
		<div class="max-w-md">
			<h3>Strength</h3>
			{#if parts && strength}
				<NumberField
					label="Of the solution"
					value={strength.shareOfSolution * 100}
					decimals={2}
					unit="%"
					least={0.01}
					most={mostShare * 100}
					onSet={(percent: number | null) =>
						percent !== null && setStrength({ kind: 'share-of-solution', share: percent / 100 })}
				/>
				<NumberField
					label="or to a kilogram of water"
					value={strength.gramsPerKilogramOfWater}
					decimals={1}
					unit="g"
					least={0.1}
					most={500}
					onSet={(grams: number | null) =>
						grams !== null && setStrength({ kind: 'per-kilogram-of-water', grams })}
				/>
				<p class="text-note text-ink-2">
					Both by weight of the solid itself{parts.purity.share < 1
						? `; ${parts.solid.ingredient.name} is ${formatNumber(parts.purity.share * 100, 1)} % pure`
						: ''}.
				</p>
				{#if isCaustic}
					<p class="mt-1" data-site-most>
						No stronger than <b>{formatNumber(most * 100, 1)} % of the solution</b> here ({formatNumber(
							(most / (1 - most)) * 1000,
							1
						)} g of pure solid to a kilogram of water). A stronger one is refused.
					</p>
				{/if}
			{:else}
				<p>
					A strength is told for water and one thing dissolved in it. Keep one line of water and one
					of what goes in.
				</p>
			{/if}
			<h3 class="mt-3">How it is used</h3>
			<NumberField
				label="Each piece stays in for"
				value={use.dipSeconds}
				unit="s"
				decimals={0}
				least={1}
				most={600}
				optional
				onSet={(dipSeconds: number | null) => onBath({ ...use, dipSeconds })}
			/>
			<NumberField
				label="Made anew after"
				value={use.renewAfterMinutes}
				unit="min"
				decimals={0}
				least={1}
				most={1440}
				whole
				optional
				onSet={(renewAfterMinutes: number | null) => onBath({ ...use, renewAfterMinutes })}
			/>
		</div>
		<div class="min-w-0">
			<h3>Make it up</h3>
			<MassField
				label="The whole bath"
				grams={batchGrams}
				least={100}
				most={200000}
				fine
				onSet={(grams: number | null) => (batchGrams = grams ?? batchGrams)}
			/>
			{#if batch && parts}
				<ol class="make" data-make-up>
					<li>
						<b>{mass(batch.water.grams)}</b> of cold {parts.water.ingredient.name.toLowerCase()}
					</li>
					<li>
						<b>{formatMass(batch.solid, 1, units)}</b> of {parts.solid.ingredient.name}, slowly into
						it
					</li>
				</ol>
			{/if}
			{#each view.dips as dip (dip.product)}
				<p class="mt-2" data-dips={dip.product}>
					<b>{dip.product}:</b>
					{mass(dip.grams)} for up to {dip.forPieces} pieces, then a new one.
					{#if dip.ordered > 0}
						{dip.ordered} are ordered: {Math.ceil(dip.ordered / dip.forPieces)} × {mass(dip.grams)}.
					{/if}
				</p>
			{:else}
				<p class="mt-2">
					No product is dipped into it yet: a product says on its page how much it takes for how
					many pieces.
				</p>
			{/each}
		</div>
	</div>
</section>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
		gap: 12px 28px;
		align-items: start;
	}
	.make {
		margin-top: 8px;
		padding-left: 24px;
		list-style: decimal;
		font-size: 20px;
	}
</style>
