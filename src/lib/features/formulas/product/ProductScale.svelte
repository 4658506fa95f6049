<script lang="ts">
	import { hasOwnFlour, type Material } from '../../../core/formula/index.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import { divide, type BakeryProduct, type ExtraNeed } from '../../../core/production/index.ts';
	import { formatMass } from '../../../core/units/index.ts';
	import WeighUpTable from '../../../sheets/WeighUpTable.svelte';
	import { unmadeText } from '../../../wording/failure-text.ts';
	import { EXTRA_USE_TEXT } from '../../../wording/kind-text.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import { scaledProduct } from './product-scale.ts';

	interface Props {
		view: ProductDetailView;
		product: BakeryProduct;
		dividerId: string | null;
		pieces: number;
	}
	let { view, product, dividerId, pieces = $bindable() }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const scaled = $derived(scaledProduct(view, product, pieces));
	const idOf = (material: Material) =>
		material.kind === 'ingredient' ? material.ingredientId : material.preparationId;
	/** How many more pieces what is made whole would do for. */
	function roomFor({ use, material, pieces: asked }: ExtraNeed): number {
		const bath = product.extras.find(
			(one) => use === 'bath' && one.use === use && idOf(one.material) === idOf(material)
		);
		return bath ? Math.ceil(asked / bath.forPieces) * bath.forPieces - asked : 0;
	}
	const divider = $derived(view.dividers.find((divider) => divider.id === dividerId));
	const piece = $derived({
		grams: product.doughs.reduce((total, dough) => total + dough.scaledWeight.grams, 0)
	});
	const division = $derived(divider ? divide(pieces, piece, divider) : null);
</script>

<section class="mt-3 border border-line bg-sheet p-4" aria-labelledby="scale" data-product-scale>
	<h2 id="scale" class="mb-2">Scale it as one</h2>
	<div class="max-w-xs">
		<NumberField
			label="Pieces"
			value={pieces}
			decimals={0}
			least={1}
			most={9999}
			whole
			onSet={(value: number | null) => (pieces = value ?? pieces)}
		/>
	</div>
	{#if divider && division}
		<p class="mt-1" data-division>
			<b>{divider.name}:</b>
			{#if division.ok}
				{division.value.presses} presses of {formatMass(
					division.value.press,
					0,
					units
				)}{#if division.value.byHand > 0},
					{division.value.byHand} left to scale by hand, or one more press with {division.value
						.spareWithOneMore} to spare{/if}.
			{:else}
				{formatMass(piece, 0, units)} is outside what it takes ({divider.leastPiece.grams} to {divider
					.mostPiece.grams} g). Scale by hand, or change the weight.
			{/if}
		</p>
	{/if}
	{#if scaled}
		{#each scaled.unmade as missing (missing.name)}
			<p role="alert">
				<span class="act-now px-2">Not made</span>
				{missing.name}: {unmadeText(missing)}.
			</p>
		{/each}
		<div class="stages mt-3">
			{#each scaled.builds as build (build.preparation.id)}
				<div>
					<h3>{build.preparation.name}, {formatMass({ grams: build.gross.value }, 0, units)}</h3>
					<WeighUpTable
						lines={build.lines}
						base={hasOwnFlour(build.preparation.kind) ? 'its flour' : 'all of it'}
						caption="Weigh-up of {build.preparation.name}"
					/>
				</div>
			{/each}
			{#each scaled.doughs as dough (dough.resolved.formula.id)}
				{@const [mix] = dough.mixes}
				{#if mix}
					<div>
						<h3>
							{dough.resolved.formula.name}, {mix.count > 1
								? `${mix.count} mixes of `
								: ''}{formatMass({ grams: mix.dough.value }, 0, units)}
						</h3>
						<WeighUpTable
							lines={mix.lines}
							base="total flour"
							caption="Weigh-up of {dough.resolved.formula.name}"
						/>
					</div>
				{/if}
			{/each}
			{#if scaled.extras.length > 0}
				<div>
					<h3>At the piece</h3>
					<ul>
						{#each scaled.extras as extra, at (at)}
							<li class="flex justify-between gap-3 border-b border-line py-1">
								<span>{extra.name}, {EXTRA_USE_TEXT[extra.use]}</span>
								<b class="whitespace-nowrap">{formatMass(extra.amount, 0, units)}</b>
							</li>
							{#if roomFor(extra) > 0}
								<li class="text-note text-ink-2" data-room={extra.name}>
									Made whole: {roomFor(extra)} more could go in.
								</li>
							{/if}
						{/each}
					</ul>
				</div>
			{/if}
		</div>
	{/if}
</section>

<style>
	.stages {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(270px, 100%), 1fr));
		gap: 16px 28px;
		align-items: start;
	}
</style>
