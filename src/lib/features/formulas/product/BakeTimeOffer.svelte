<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import { BAKE_EXPONENT, bakeOver, bakeTimeOf } from '../../../core/baking/index.ts';
	import type { BakeStep } from '../../../core/formula/index.ts';
	import { formatMass, formatNumber } from '../../../core/units/index.ts';
	import type { EditedProduct } from './edited-product.ts';

	interface Props {
		view: ProductDetailView;
		edited: EditedProduct;
		scaledGrams: number;
	}
	let { view, edited, scaledGrams }: Props = $props();
	const { units } = useRoom().bakery;
	const mass = (grams: number) => formatMass({ grams }, 0, units);
	const bakeOf = (steps: ProductDetailView['steps']) =>
		steps.find((step): step is BakeStep => step.kind === 'bake') ?? null;

	/** The weight and the bake of the revision that stands: they are known to go together. */
	const knownGrams = $derived(
		(view.product?.doughs ?? []).reduce((total, { scaledWeight }) => total + scaledWeight.grams, 0)
	);
	const known = $derived(bakeOf(view.steps));
	const now = $derived(bakeOf(edited.value.steps));
	const isOffered = $derived(
		known !== null &&
			now !== null &&
			knownGrams > 0 &&
			Math.abs(scaledGrams - knownGrams) > 0.005 * knownGrams &&
			now.bakeMinutes === known.bakeMinutes
	);
	const offer = $derived(
		bakeTimeOf(
			{ piece: { grams: knownGrams }, time: { minutes: known?.bakeMinutes ?? 0 } },
			{ grams: scaledGrams }
		)
	);
	const told = (value: number) => formatNumber(value, 1).replace(/\.0$/, '');
	/** An oven clock is set to the half minute. */
	const minutes = $derived(offer.ok ? Math.round(offer.value.minutes * 2) / 2 : 0);

	function take() {
		edited.set({
			steps: edited.value.steps.map((step) =>
				step.kind === 'bake' ? bakeOver(step, { minutes }) : step
			)
		});
	}
</script>

{#if isOffered && known}
	<p class="mt-3 border-2 border-ink bg-sheet p-4" data-bake-offer>
		<b
			>The piece weighs {mass(scaledGrams)} instead of {mass(knownGrams)}; its bake still says
			{told(known.bakeMinutes)} min.</b
		>
		{#if offer.ok}
			By weight<sup>{BAKE_EXPONENT}</sup> it would be about
			{formatNumber(offer.value.minutes, 1)} min. A shorter piece of the same thickness keeps its time.
			The core says when it is done.
			<button class="action-lesser ml-2" onclick={take}>Bake it {told(minutes)} min</button>
		{:else}
			That is too far to tell a time from: it is told between {mass(offer.error.least.grams)} and
			{mass(offer.error.most.grams)}. Bake one, and go by its core.
		{/if}
	</p>
{/if}
