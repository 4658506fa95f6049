<script lang="ts">
	import {
		decksFor,
		lackedByAll,
		loadSizeOn,
		USUAL_SPACING_CM,
		type DeckLack
	} from '../../../core/bakery/index.ts';
	import { asksOfDeck } from '../../../core/baking/index.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import type { Material } from '../../../core/formula/index.ts';
	import { EXTRA_USES, type ExtraUse } from '../../../core/production/index.ts';
	import { formatNumber } from '../../../core/units/index.ts';
	import { CAUSTIC_CAUTION, EXTRA_USE_TEXT } from '../../../wording/kind-text.ts';
	import ChoiceField from '../../../fields/ChoiceField.svelte';
	import MaterialSelect from '../fields/MaterialSelect.svelte';
	import NumberField from '../../../fields/NumberField.svelte';
	import type { EditedProduct } from './edited-product.ts';
	import { pantryOf } from './product-scale.ts';

	interface Props {
		view: ProductDetailView;
		edited: EditedProduct;
	}
	let { view, edited }: Props = $props();
	const { value } = $derived(edited);
	const pantry = $derived(pantryOf(view));

	const scaledGrams = $derived(value.doughs.reduce((total, dough) => total + dough.scaledGrams, 0));
	const vessel = $derived(view.vessels.find((vessel) => vessel.id === value.vesselId));
	const bath = $derived(
		value.extras.some(
			({ material }) =>
				material.kind === 'preparation' &&
				pantry.preparations
					.get(material.preparationId)
					?.lines.some(
						(line) =>
							line.material.kind === 'ingredient' &&
							pantry.ingredients.get(line.material.ingredientId)?.kind === 'caustic'
					)
		)
	);
	const vessels = $derived([
		{ value: '', label: 'none' },
		...view.vessels.map(({ id, name, owned }) => ({
			value: id,
			label: name,
			note: `${owned} of them`
		}))
	]);
	const dividers = $derived([
		{ value: '', label: 'by hand' },
		...view.dividers.map(({ id, name, heads, leastPiece, mostPiece }) => ({
			value: id,
			label: name,
			note: `${heads} heads, ${leastPiece.grams} to ${mostPiece.grams} g`
		}))
	]);
	const needs = $derived({
		...asksOfDeck(value.steps.filter((step) => step.kind === 'bake')),
		heightCm: value.heightCm ?? null
	});
	/** What its bake asks for and no deck has. */
	const lacked = $derived(lackedByAll(view.decks, needs));
	/** What one load is, from the decks there are or the count that was set. */
	const loadText = $derived.by(() => {
		if (view.decks.length === 0)
			return 'There is no oven yet: loads are sized when one is entered.';
		const { pieces, deckIds } = loadSizeOn(decksFor(view.decks, needs), {
			footprint: value.footprint,
			spacingCm: value.spacingCm ?? USUAL_SPACING_CM,
			piecesPerDeck: value.piecesPerDeck
		});
		if (lacked.includes('height')) return 'Nothing can be loaded.';
		if (pieces === 0) return 'Type its ground, or a count: no load can be sized yet.';
		const decks =
			deckIds.length === view.decks.length
				? deckIds.length === 1
					? 'the deck there is'
					: `each of the ${deckIds.length} decks`
				: `${deckIds.length} of ${view.decks.length} decks`;
		return `A load is ${pieces} on ${decks}${value.piecesPerDeck === null ? ', worked out from their sizes' : ', as it was set'}.`;
	});
	const LACK_TEXT: Readonly<Record<DeckLack, string>> = {
		height: 'is high enough for it',
		steam: 'gives the steam that its bake asks for: pour it by a tray, or say so in the bake',
		stone: 'has a stone for it to lie on',
		'top-and-bottom': 'has its heat from above and below set apart, as its bake asks',
		fan: 'has the fan that its bake asks for'
	};
	function setExtra(
		at: number,
		change: { use?: ExtraUse; material?: Material; grams?: number; forPieces?: number }
	) {
		edited.set({
			extras: value.extras.map((extra, index) => (index === at ? { ...extra, ...change } : extra))
		});
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="around">
	<h2 id="around" class="mb-2">On, in and around it</h2>
	{#each value.extras as extra, at (at)}
		<div class="border-b border-line py-2">
			<div class="flex flex-wrap items-center gap-2">
				<select
					name="Use {at + 1}"
					class="field"
					aria-label="Use {at + 1}"
					value={extra.use}
					onchange={(event) => setExtra(at, { use: event.currentTarget.value as ExtraUse })}
				>
					{#each EXTRA_USES as use (use)}<option value={use}>{EXTRA_USE_TEXT[use]}</option>{/each}
				</select>
				<span class="min-w-0 flex-1 basis-40">
					<MaterialSelect
						label="What for use {at + 1}"
						value={extra.material}
						ingredients={view.ingredients}
						preparations={view.preparations}
						onSet={(material: Material) => setExtra(at, { material })}
					/>
				</span>
				<button
					class="action-small ml-auto"
					aria-label="Remove use {at + 1}"
					onclick={() => edited.set({ extras: value.extras.filter((_, index) => index !== at) })}
					>Remove</button
				>
			</div>
			<div class="mt-1 flex flex-wrap items-center gap-2">
				<NumberField
					bare
					label="Grams of use {at + 1}"
					value={extra.grams}
					unit="g"
					least={0.01}
					most={1000000}
					onSet={(number: number | null) => setExtra(at, { grams: number ?? extra.grams })}
				/>
				<span>for</span>
				<NumberField
					bare
					label="Pieces of use {at + 1}"
					value={extra.forPieces}
					decimals={0}
					least={1}
					most={9999}
					whole
					onSet={(number: number | null) => setExtra(at, { forPieces: number ?? 1 })}
				/>
				<span
					>{extra.forPieces === 1 ? 'piece' : 'pieces'}{extra.use === 'bath'
						? ', made whole, never in part'
						: ''}</span
				>
			</div>
		</div>
	{/each}
	{#key value.extras.length}
		<div class="mt-2">
			<span>Add</span><MaterialSelect
				label="What to add to the piece"
				value={null}
				ingredients={view.ingredients}
				preparations={view.preparations}
				onSet={(material: Material) =>
					edited.set({
						extras: [...value.extras, { use: 'topping', material, grams: 5, forPieces: 1 }]
					})}
			/>
		</div>
	{/key}
	{#if bath}<p class="mt-3 border-2 border-ink p-3 font-bold">{CAUSTIC_CAUTION}</p>{/if}
	<h3 class="mt-4">What it stands in and on</h3>
	<ChoiceField
		label="Vessel"
		options={vessels}
		value={value.vesselId ?? ''}
		onSet={(vesselId: string) => edited.set({ vesselId: vesselId || null })}
	/>
	{#if vessel && vessel.millilitres !== null && scaledGrams > 0}
		<p class="text-note text-ink-2">
			{formatNumber(scaledGrams / (vessel.millilitres / 1000), 0)} g of dough for a litre of tin.
		</p>
	{/if}
	<ChoiceField
		label="Divider"
		options={dividers}
		value={value.dividerId ?? ''}
		onSet={(dividerId: string) => edited.set({ dividerId: dividerId || null })}
	/>
	<NumberField
		label="Footprint after proof, length"
		value={value.footprint?.lengthCm ?? null}
		unit="cm"
		least={0.5}
		most={300}
		optional
		onSet={(number: number | null) =>
			edited.set({
				footprint:
					number === null ? null : { lengthCm: number, widthCm: value.footprint?.widthCm ?? number }
			})}
	/>
	<NumberField
		label="and width"
		value={value.footprint?.widthCm ?? null}
		unit="cm"
		least={0.5}
		most={300}
		optional
		onSet={(number: number | null) =>
			edited.set({
				footprint:
					number === null
						? null
						: { lengthCm: value.footprint?.lengthCm ?? number, widthCm: number }
			})}
	/>
	<NumberField
		label="Height when baked"
		value={value.heightCm ?? null}
		unit="cm"
		least={0.5}
		most={150}
		optional
		onSet={(heightCm: number | null) => edited.set({ heightCm })}
	/>
	<NumberField
		label="Room around it"
		value={value.spacingCm ?? USUAL_SPACING_CM}
		unit="cm"
		least={0}
		most={50}
		onSet={(number: number | null) => edited.set({ spacingCm: number ?? USUAL_SPACING_CM })}
	/>
	<NumberField
		label="Pieces on a deck, where it is not worked out"
		value={value.piecesPerDeck}
		decimals={0}
		least={1}
		most={9999}
		whole
		optional
		onSet={(number: number | null) => edited.set({ piecesPerDeck: number })}
	/>
	<p data-load-size>{loadText}</p>
	{#each lacked as lack (lack)}
		<p data-lack={lack} class="border-2 border-ink p-2 font-bold">No deck {LACK_TEXT[lack]}.</p>
	{/each}
</section>
