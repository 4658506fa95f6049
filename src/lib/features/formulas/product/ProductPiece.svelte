<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import type { ProductDetailView } from '../../../contracts/book-views.ts';
	import {
		allergensOf,
		costOf,
		costOfAlone,
		costOfIngredient,
		resolveAlone,
		resolveFormula,
		scaledForBaked,
		type DoughCost,
		type Material
	} from '../../../core/formula/index.ts';
	import { id, type FormulaId } from '../../../core/identity.ts';
	import type { BakeryProduct } from '../../../core/production/index.ts';
	import { formatMass } from '../../../core/units/index.ts';
	import { EXTRA_USE_TEXT } from '../../../wording/kind-text.ts';
	import Choice from '../../../ui/Choice.svelte';
	import NumberField from '../../../fields/NumberField.svelte';
	import type { EditedProduct } from './edited-product.ts';
	import PieceParts from './PieceParts.svelte';
	import { pantryOf } from './product-scale.ts';

	interface Props {
		view: ProductDetailView;
		edited: EditedProduct;
		product: BakeryProduct;
		onProblem: (text: string) => void;
	}
	let { view, edited, product, onProblem }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;
	const { value } = $derived(edited);

	const scaledGrams = $derived(value.doughs.reduce((total, dough) => total + dough.scaledGrams, 0));
	const bakedTo = $derived(scaledGrams * (1 - value.bakeLossShare));
	const doughs = $derived(view.formulas.map(({ id, name }) => ({ value: id, label: name })));
	const pantry = $derived(pantryOf(view));
	const resolved = $derived(
		value.doughs.flatMap(({ formulaId, scaledGrams: grams }) => {
			const formula = view.formulas.find((known) => known.id === formulaId);
			const result = formula ? resolveFormula(formula, pantry) : null;
			return result?.ok ? [{ grams, resolved: result.value }] : [];
		})
	);
	const allergens = $derived.by(() => {
		const found = resolved.flatMap((part) => allergensOf(part.resolved.final));
		for (const { material } of value.extras) {
			if (material.kind === 'ingredient')
				found.push(...(pantry.ingredients.get(material.ingredientId)?.allergens ?? []));
			else {
				const recipe = pantry.preparations.get(material.preparationId);
				const alone = recipe ? resolveAlone(recipe, pantry) : null;
				if (alone?.ok) found.push(...allergensOf(alone.value));
			}
		}
		return found.filter((allergen, at) => found.indexOf(allergen) === at).sort();
	});
	/** Everything one piece takes, with what a kilogram of it costs. */
	const parts = $derived([
		...resolved.map((part) => ({
			name: part.resolved.formula.name,
			what: 'dough',
			grams: part.grams,
			cost: costOf(part.resolved)
		})),
		...value.extras.map(({ use, material, grams, forPieces }) => ({
			...costOfMaterial(material),
			what: EXTRA_USE_TEXT[use],
			grams: grams / forPieces
		}))
	]);
	function costOfMaterial(material: Material): { name: string; cost: DoughCost } {
		const unknown = { name: '', cost: { perKilogram: null, unpriced: [] } };
		if (material.kind === 'ingredient') {
			const ingredient = pantry.ingredients.get(material.ingredientId);
			return ingredient ? { name: ingredient.name, cost: costOfIngredient(ingredient) } : unknown;
		}
		const recipe = pantry.preparations.get(material.preparationId);
		const alone = recipe ? resolveAlone(recipe, pantry) : null;
		if (!recipe || !alone?.ok) return { ...unknown, name: recipe?.name ?? '' };
		return { name: recipe.name, cost: costOfAlone(alone.value) };
	}

	function setDough(at: number, change: { formulaId?: FormulaId; scaledGrams?: number }) {
		edited.set({
			doughs: value.doughs.map((dough, index) => (index === at ? { ...dough, ...change } : dough))
		});
	}
	/** The label's weight asks for what to scale; the first dough takes the difference. */
	function scaleForLabel() {
		const [first] = value.doughs;
		if (value.bakedGrams === null || !first) return;
		const wanted = scaledForBaked({ grams: value.bakedGrams }, { share: value.bakeLossShare });
		const grams = Math.ceil(wanted.grams - (scaledGrams - first.scaledGrams));
		if (grams > 0) setDough(0, { scaledGrams: grams });
		else onProblem('The other doughs alone are more than that. Change them first.');
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="piece">
	<h2 id="piece" class="mb-2">The piece</h2>
	<label class="mb-1 block">
		Name
		<input
			name="name"
			class="field w-full"
			value={value.name}
			maxlength="200"
			onchange={(event) => edited.set({ name: event.currentTarget.value.trim() })}
		/>
	</label>
	<label class="mb-1 block">
		Shape
		<input
			name="shape"
			class="field w-full"
			value={value.shape}
			maxlength="200"
			onchange={(event) => edited.set({ shape: event.currentTarget.value.trim() })}
		/>
	</label>
	<div class="flex flex-wrap items-end gap-3">
		<label class="mb-1 block min-w-0 flex-1">
			Score
			<input
				name="score"
				class="field w-full"
				value={value.score}
				maxlength="200"
				placeholder="one cut along, at a flat angle"
				onchange={(event) => edited.set({ score: event.currentTarget.value.trim() })}
			/>
		</label>
		<NumberField
			label="Depth of the score, mm"
			value={value.scoreMm}
			decimals={1}
			least={0.5}
			most={50}
			optional
			onSet={(scoreMm: number | null) => edited.set({ scoreMm })}
		/>
	</div>
	<h3 class="mt-2">Doughs</h3>
	{#each value.doughs as dough, at (at)}
		<div class="flex flex-wrap items-center justify-between gap-2 py-1">
			<div class="min-w-0 flex-1">
				<Choice
					label="Dough {at + 1}"
					options={doughs}
					value={dough.formulaId}
					onSet={(formulaId: string) => setDough(at, { formulaId: id<FormulaId>(formulaId) })}
				/>
			</div>
			<NumberField
				bare
				label="Dough {at + 1}, grams"
				value={dough.scaledGrams}
				unit="g"
				least={0.1}
				most={100000}
				onSet={(number: number | null) =>
					setDough(at, { scaledGrams: number ?? dough.scaledGrams })}
			/>
			<button
				class="action-small"
				aria-label="Remove dough {at + 1}"
				onclick={() => edited.set({ doughs: value.doughs.filter((_, index) => index !== at) })}
				>Remove</button
			>
		</div>
	{/each}
	{#if view.formulas.length > 0 && value.doughs.length < 6}
		{#key value.doughs.length}
			<Choice
				label="Dough to add"
				placeholder={value.doughs.length === 0 ? 'choose its dough' : 'add another dough'}
				options={doughs}
				value=""
				onSet={(formulaId: string) =>
					edited.set({
						doughs: [...value.doughs, { formulaId: id<FormulaId>(formulaId), scaledGrams: 100 }]
					})}
			/>
		{/key}
	{/if}
	{#if value.doughs.length > 1}
		<p class="mt-1 text-note text-ink-2">
			The first dough carries the piece through its steps; the others join it where the doughs are
			brought together. One dough may stand here twice, inside and outside: it is made as one mix.
		</p>
	{/if}
	<h3 class="mt-3">Weights</h3>
	<p class="py-1">Scaled at <b>{formatMass({ grams: scaledGrams }, 0, units)}</b> in all.</p>
	<NumberField
		label="Lost in the oven"
		term="loss-in-the-oven"
		value={value.bakeLossShare * 100}
		unit="%"
		least={0}
		most={59}
		onSet={(number: number | null) => edited.set({ bakeLossShare: (number ?? 0) / 100 })}
	/>
	<NumberField
		label="Spares and breakage"
		term="spares"
		value={value.sparesShare * 100}
		unit="%"
		least={0}
		most={50}
		onSet={(number: number | null) => edited.set({ sparesShare: (number ?? 0) / 100 })}
	/>
	<NumberField
		label="Weight on the label"
		value={value.bakedGrams}
		unit="g"
		decimals={0}
		least={1}
		most={100000}
		optional
		onSet={(number: number | null) => edited.set({ bakedGrams: number })}
	/>
	{#if value.bakedGrams !== null && value.doughs.length > 0}
		{@const short = bakedTo < value.bakedGrams - 0.5}
		<p class="py-1">
			{#if short}<b
					>Short of the label by {formatMass({ grams: value.bakedGrams - bakedTo }, 0, units)}.</b
				>{/if}
			<button class="action-small" onclick={scaleForLabel}>Scale for the label</button>
		</p>
	{/if}
	{#if parts.length > 0}
		<PieceParts {parts} currency={view.currency} name={product.name} />
	{/if}
	<p class="mt-2">
		<b>Allergens:</b>
		{allergens.join(', ') || 'none named'}.
		<span class="text-note text-ink-2"
			>Shared benches and tools carry others; the site’s own list comes first.</span
		>
	</p>
</section>
