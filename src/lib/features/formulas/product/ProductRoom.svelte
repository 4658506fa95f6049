<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../../client/room-context.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import type { Step } from '../../../core/formula/index.ts';
	import { id, type ProductId } from '../../../core/identity.ts';
	import type { BakeryProduct } from '../../../core/production/index.ts';
	import { formatMass } from '../../../core/units/index.ts';
	import EditPage from '../fields/EditPage.svelte';
	import StepsEditor from '../steps/StepsEditor.svelte';
	import BakeTimeOffer from './BakeTimeOffer.svelte';
	import { editProduct } from './edited-product.ts';
	import ProductAround from './ProductAround.svelte';
	import ProductPiece from './ProductPiece.svelte';
	import ProductScale from './ProductScale.svelte';

	interface Props {
		view: ProductDetailView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const edited = untrack(() => editProduct(view, room.retries));
	let message = $state('');
	/** How many it is scaled and laid out for. */
	let pieces = $state(untrack(() => view.ordered || 30));
	const { value } = $derived(edited);
	const product = $derived.by((): BakeryProduct => ({
		id: id<ProductId>(value.productId),
		name: value.name || 'it',
		doughs: value.doughs.map((dough) => ({
			formulaId: dough.formulaId,
			scaledWeight: { grams: dough.scaledGrams }
		})),
		extras: value.extras.map((extra) => ({
			use: extra.use,
			material: extra.material,
			amount: { grams: extra.grams },
			forPieces: extra.forPieces
		})),
		sheet: value.sheet,
		spares: { share: value.sparesShare }
	}));
	const scaledGrams = $derived(value.doughs.reduce((total, dough) => total + dough.scaledGrams, 0));
	const bakedTo = $derived(scaledGrams * (1 - value.bakeLossShare));
	const sentence = $derived.by(() => {
		const name = value.name || 'A new product';
		if (value.doughs.length === 0) return `${name} has no dough yet.`;
		const parts = value.doughs
			.map(
				(dough) =>
					`${formatMass({ grams: dough.scaledGrams }, 0, units)} of ${view.formulas.find((known) => known.id === dough.formulaId)?.name ?? 'a dough'}`
			)
			.join(' and ');
		return `${name}: ${parts}, about ${formatMass({ grams: bakedTo }, 0, units)} baked.`;
	});

	const command = () => ({
		kind: 'save-product' as const,
		occurredAtMs: Math.round(room.now.epochMs),
		...value
	});
</script>

<EditPage
	date={view.date}
	book={view.book}
	shelf="products"
	what="product"
	saved={view.product && { ...view.product, retired: view.retired }}
	newId={value.productId}
	{sentence}
	state={`Revision ${view.revision}.`}
	saveLabel={`Save as revision ${view.revision + 1}`}
	sound={value.doughs.length > 0}
	{edited}
	bind:message
	{command}
>
	<div class="columns">
		<ProductPiece {view} {edited} {product} onProblem={(text: string) => (message = text)} />
		<ProductAround {view} {edited} />
	</div>
	{#if value.doughs.length > 0}
		<ProductScale {view} {product} dividerId={value.dividerId} bind:pieces />
	{/if}
	{#await import('./ProductSheet.svelte') then { default: ProductSheet }}
		<ProductSheet {view} {edited} {pieces} />
	{/await}
	<BakeTimeOffer {view} {edited} {scaledGrams} />
	<StepsEditor
		title="From dividing to packing"
		steps={value.steps}
		onSet={(steps: readonly Step[]) => edited.set({ steps: [...steps] })}
	/>
</EditPage>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
		gap: 12px;
		align-items: start;
	}
</style>
