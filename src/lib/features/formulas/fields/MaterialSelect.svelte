<script lang="ts">
	import type { Ingredient, Material, Preparation } from '../../../core/formula/index.ts';
	import { id, type IngredientId, type PreparationId } from '../../../core/identity.ts';
	import { PREPARATION_KIND_TEXT } from '../../../wording/kind-text.ts';

	interface Props {
		label: string;
		value: Material | null;
		ingredients: readonly Ingredient[];
		preparations: readonly Preparation[];
		onSet: (material: Material) => void;
	}
	let { label, value, ingredients, preparations, onSet }: Props = $props();

	const key = $derived(
		value === null
			? ''
			: value.kind === 'ingredient'
				? `i ${value.ingredientId}`
				: `p ${value.preparationId}`
	);
	function choose(text: string) {
		const chosen = text.slice(2);
		if (text.startsWith('i '))
			onSet({ kind: 'ingredient', ingredientId: id<IngredientId>(chosen) });
		if (text.startsWith('p '))
			onSet({ kind: 'preparation', preparationId: id<PreparationId>(chosen) });
	}
</script>

<select
	class="field w-full max-w-full"
	aria-label={label}
	value={key}
	onchange={(event) => choose(event.currentTarget.value)}
>
	{#if value === null}<option value="">choose</option>{/if}
	<optgroup label="Ingredients">
		{#each ingredients.filter((ingredient) => !ingredient.retired || key === `i ${ingredient.id}`) as ingredient (ingredient.id)}<option
				value="i {ingredient.id}">{ingredient.name}</option
			>{/each}
	</optgroup>
	{#if preparations.length > 0}
		<optgroup label="Recipes of the book">
			{#each preparations as preparation (preparation.id)}<option value="p {preparation.id}"
					>{preparation.name}, {PREPARATION_KIND_TEXT[preparation.kind]}</option
				>{/each}
		</optgroup>
	{/if}
</select>
