<script lang="ts">
	import { stagesInOrder, type ResolvedFormula } from '../../core/formula/index.ts';
	import { parseNumber } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { INGREDIENT_KIND_TEXT, PREPARATION_KIND_TEXT } from '../../wording/kind-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';
	import Choice from '../../ui/Choice.svelte';
	import SplitOffForm from './SplitOffForm.svelte';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();

	let ingredientId = $state('');
	let stageId = $state('');
	let recipeId = $state('');
	let recipePercent = $state('20');

	const stages = $derived(stagesInOrder(resolved.final));
	const stage = $derived(
		stages.find((stage) => (stage.preparation?.id ?? '') === stageId) ?? resolved.final
	);
	const ingredients = $derived(
		model.view.ingredients.filter(
			(ingredient) =>
				!ingredient.retired &&
				ingredient.kind !== 'caustic' &&
				!stage.lines.some(
					(line) => line.ingredient.id === ingredient.id && line.addition === 'start'
				)
		)
	);
	/** What goes into a dough; fillings, washes and baths belong to the product. */
	const INTO_DOUGH = ['build', 'dough', 'soaker', 'scald', 'porridge', 'fat'];
	const recipes = $derived(
		model.view.preparations.filter(
			({ preparation, retired }) =>
				!retired &&
				INTO_DOUGH.includes(preparation.kind) &&
				!resolved.final.stages.some((stage) => stage.preparation?.id === preparation.id)
		)
	);

	function addIngredient(event: SubmitEvent) {
		event.preventDefault();
		const ingredient = ingredients.find((ingredient) => ingredient.id === ingredientId);
		if (!ingredient) return;
		model.message = model.edit({
			preparationId: stage.preparation?.id ?? null,
			ingredient,
			addition: 'start',
			percentOfFlour: 1,
			flour: 'balance'
		});
		ingredientId = '';
	}
	function addRecipe(event: SubmitEvent) {
		event.preventDefault();
		const recipe = recipes.find(({ preparation }) => preparation.id === recipeId);
		const read = parseNumber(recipePercent);
		if (!read.ok) model.message = parseFailureText(read.error);
		else if (recipe && model.addPreparation(recipe.preparation.id, read.value)) recipeId = '';
	}
</script>

<form class="mt-2 flex flex-wrap items-center gap-2" onsubmit={addIngredient}>
	<span>Add</span>
	<div class="choice-box">
		<Choice
			label="Ingredient to add"
			placeholder="an ingredient, by its name"
			options={ingredients.map(({ id, name, kind }) => ({
				value: id,
				label: name,
				note: INGREDIENT_KIND_TEXT[kind]
			}))}
			value={ingredientId}
			onSet={(value: string) => (ingredientId = value)}
		/>
	</div>
	<label
		>to <select
			name="Stage to add it to"
			class="field"
			bind:value={stageId}
			aria-label="Stage to add it to"
		>
			<option value="">final dough</option>
			{#each stages as stage (stage.preparation?.id ?? 'final')}
				{#if stage.preparation}<option value={stage.preparation.id}>{stage.name}</option>{/if}
			{/each}
		</select></label
	>
	<button class="action-lesser" disabled={ingredientId === ''}>Add at 1 %</button>
	<span class="text-note text-ink-2">Clear a number to remove its line.</span>
</form>
{#if recipes.length > 0}
	<form class="mt-2 flex flex-wrap items-center gap-2" onsubmit={addRecipe}>
		<span>Add</span>
		<div class="choice-box">
			<Choice
				label="Pre-ferment or preparation to add"
				placeholder="a pre-ferment, soaker or fat"
				options={recipes.map(({ preparation: { id, name, kind } }) => ({
					value: id,
					label: name,
					note: PREPARATION_KIND_TEXT[kind]
				}))}
				value={recipeId}
				onSet={(value: string) => (recipeId = value)}
			/>
		</div>
		<label
			>at <input
				name="How much of it, percent of the total flour"
				class="field percent"
				inputmode="decimal"
				bind:value={recipePercent}
				aria-label="How much of it, percent of the total flour"
			/> % of the total flour</label
		>
		<button class="action-lesser" disabled={recipeId === ''}>Add it</button>
	</form>
{/if}
<SplitOffForm {model} {resolved} />

<style>
	.choice-box {
		width: 230px;
	}
	.percent {
		width: 72px;
		text-align: right;
	}
</style>
