<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { goto, invalidate } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../../client/room-context.ts';
	import type { ProductDetailView } from '../../../contracts/views.ts';
	import type { Step } from '../../../core/formula/index.ts';
	import { id, type ProductId } from '../../../core/identity.ts';
	import type { BakeryProduct } from '../../../core/production/index.ts';
	import { formatMass } from '../../../core/units/index.ts';
	import BookPage from '../BookPage.svelte';
	import EditHeading from '../fields/EditHeading.svelte';
	import RetireButton from '../fields/RetireButton.svelte';
	import { saveBook } from '../fields/save-book.ts';
	import StepsEditor from '../steps/StepsEditor.svelte';
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

	const edited = untrack(() => editProduct(view));
	let message = $state('');
	onMount(() => {
		if (edited.restore()) message = 'These changes were made before and are not saved yet.';
	});
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
		}))
	}));
	const scaledGrams = $derived(value.doughs.reduce((total, dough) => total + dough.scaledGrams, 0));
	const bakedTo = $derived(scaledGrams * (1 - value.bakeLossShare));
	const sentence = $derived.by(() => {
		const name = value.name || 'A new product';
		if (value.doughs.length === 0) return `${name} has no dough yet.`;
		const parts = value.doughs
			.map(
				(dough) =>
					`${formatMass({ grams: dough.scaledGrams }, 0, units)} of ${view.formulas.find((one) => one.id === dough.formulaId)?.name ?? 'a dough'}`
			)
			.join(' and ');
		return `${name}: ${parts}, about ${formatMass({ grams: bakedTo }, 0, units)} baked.`;
	});

	async function save() {
		message = '';
		const problem = await saveBook({
			kind: 'save-product',
			occurredAtMs: Math.round(room.now.epochMs),
			...value
		});
		if (problem !== null) {
			message = problem;
			return;
		}
		edited.forget();
		if (view.product) await invalidate('jovet:day');
		else await goto(resolve(`/bake/${view.date}/products/${value.productId}`));
	}
</script>

<EditHeading
	{sentence}
	note={view.revision === 0
		? value.name.trim() === ''
			? 'Not saved yet; it needs a name.'
			: 'Not saved yet.'
		: `Revision ${view.revision}.${view.retired ? ' Retired.' : ''}${edited.changed ? ' Changed, not saved yet.' : ''}`}
	saveLabel="Save as revision {view.revision + 1}"
	canSave={edited.changed && value.doughs.length > 0 && value.name.trim() !== ''}
	history={edited}
	onSave={save}
/>
<BookPage date={view.date} book={view.book} shelf="products" current={view.product?.id ?? null}>
	<p class="sticky top-0 z-10 mb-2 min-h-6 bg-ground py-1" role="status" data-book-message>
		{#if message}<span class="act-now px-2">Look</span> {message}{/if}
	</p>
	<div class="columns">
		<ProductPiece {view} {edited} {product} onProblem={(text: string) => (message = text)} />
		<ProductAround {view} {edited} />
	</div>
	{#if value.doughs.length > 0}
		<ProductScale {view} {product} dividerId={value.dividerId} />
	{/if}
	<StepsEditor
		title="From dividing to packing"
		steps={value.steps}
		onSet={(steps: readonly Step[]) => edited.set({ steps: [...steps] })}
	/>
	{#if view.product}
		<RetireButton
			what="product"
			entityId={view.product.id}
			name={view.product.name}
			retired={view.retired}
		/>
	{/if}
</BookPage>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(340px, 1fr));
		gap: 12px;
		align-items: start;
	}
</style>
