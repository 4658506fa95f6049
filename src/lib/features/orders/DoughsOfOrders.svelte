<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { OrdersView } from '../../contracts/views.ts';
	import { fewestMixes, sparePieces } from '../../core/production/index.ts';
	import { sheetShare } from '../../core/sheeting/index.ts';
	import { formatBulk, formatMass } from '../../core/units/index.ts';
	import type { OrdersModel } from './orders-model.svelte.ts';

	interface Props {
		view: OrdersView;
		model: OrdersModel;
	}
	let { view, model }: Props = $props();
	const { bakery } = useRoom();

	type Product = OrdersView['products'][number];
	const withSpares = (product: Product, pieces: number) =>
		pieces + sparePieces(pieces, product.spares);
	const typed = (product: Product) =>
		view.drops.reduce((total, drop) => total + model.pieces(product.id, drop.id), 0);
	const saved = (product: Product) =>
		view.cells
			.filter(
				(cell) =>
					cell.productId === product.id && view.drops.some((drop) => drop.id === cell.dropId)
			)
			.reduce((total, cell) => total + cell.pieces, 0);
	/** As the server made it, or reckoned from what is being typed. */
	const doughs = $derived(
		view.doughs.flatMap((dough) => {
			const takers = view.products.flatMap((product) => {
				const part = product.doughs.find(({ formulaId }) => formulaId === dough.formulaId);
				return part ? [{ product, grams: part.grams, pieces: typed(product) }] : [];
			});
			const isAsSaved = takers.every(({ product, pieces }) => pieces === saved(product));
			const asked = takers.map(({ product, grams, pieces: ordered }) => {
				const pieces = withSpares(product, ordered);
				return { grams: grams * sheetShare(product.sheet, pieces), pieces };
			});
			const inPieces = asked.reduce((total, one) => total + one.grams * one.pieces, 0);
			const mixes = isAsSaved ? dough.mixes : fewestMixes({ ...dough, products: asked });
			const grams = isAsSaved ? dough.grams : inPieces / (1 - dough.doughLossShare);
			return mixes > 0 ? [{ ...dough, mixes, grams, isAsSaved }] : [];
		})
	);
</script>

{#if doughs.length > 0}
	<section class="mx-5 my-4" aria-label="Doughs of these orders">
		<h2 class="mb-2">Doughs of these orders</h2>
		<ul class="flex flex-wrap gap-x-8 gap-y-2">
			{#each doughs as dough (dough.formulaId)}
				<li data-dough-of-orders={dough.name}>
					<b>{dough.name}</b>
					<span class="tabular-nums"
						>{formatBulk({ grams: dough.grams }, bakery.units)} ·
						{dough.mixes === 1 ? 'one mix' : `${dough.mixes} mixes`}</span
					>
					{#if dough.tooSmall && dough.isAsSaved}
						<span class="block text-note" data-too-small
							>{formatMass({ grams: dough.tooSmall.grams }, 1, bakery.units)} a mix, less than a mixer
							takes ({formatMass({ grams: dough.tooSmall.leastGrams }, 1, bakery.units)})</span
						>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}
