<script lang="ts">
	import type { Ingredient, Material, Preparation } from '../../../core/formula/index.ts';
	import { id, type IngredientId, type PreparationId } from '../../../core/identity.ts';
	import Choice from '../../../ui/Choice.svelte';
	import { INGREDIENT_KIND_TEXT, PREPARATION_KIND_TEXT } from '../../../wording/kind-text.ts';

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
	const options = $derived([
		...ingredients
			.filter((ingredient) => !ingredient.retired || key === `i ${ingredient.id}`)
			.map(({ id, name, kind }) => ({
				value: `i ${id}`,
				label: name,
				note: INGREDIENT_KIND_TEXT[kind]
			})),
		...preparations.map(({ id, name, kind }) => ({
			value: `p ${id}`,
			label: name,
			note: PREPARATION_KIND_TEXT[kind]
		}))
	]);
	function choose(text: string) {
		const chosen = text.slice(2);
		if (text.startsWith('i '))
			onSet({ kind: 'ingredient', ingredientId: id<IngredientId>(chosen) });
		if (text.startsWith('p '))
			onSet({ kind: 'preparation', preparationId: id<PreparationId>(chosen) });
	}
</script>

<Choice {label} {options} value={key} placeholder="type to choose" onSet={choose} />
