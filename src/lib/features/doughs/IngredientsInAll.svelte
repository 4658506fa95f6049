<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { DayIngredient, IngredientUse } from '../../core/production/index.ts';
	import { formatMass } from '../../core/units/index.ts';

	interface Props {
		ingredients: readonly DayIngredient[];
	}
	let { ingredients }: Props = $props();
	const { units } = useRoom().bakery;

	/** As many decimals as the finest of its weights has, so that they add up to what is shown. */
	const decimalsOf = ({ uses }: DayIngredient) =>
		uses.every(({ amount }) => Math.abs(amount.grams - Math.round(amount.grams)) < 0.05) ? 0 : 1;
	const useText = ({ in: into, kind, times, amount }: IngredientUse, decimals: number) =>
		`${into} ${formatMass(amount, decimals, units)}${kind === 'mix' && times > 1 ? ` in ${times} mixes` : ''}`;
</script>

{#if ingredients.length > 0}
	<section class="mb-6 px-5" aria-labelledby="in-all" data-ingredients>
		<h2 id="in-all" class="mb-1">In all: what has to be there</h2>
		<p class="mb-2 text-note text-ink-2">
			The sum of what will be weighed; large weights are rounded where they are shown. What was
			begun was weighed already and is left out.
		</p>
		<table class="w-full border border-line bg-sheet">
			<thead>
				<tr>
					<th scope="col">Ingredient</th>
					<th scope="col" class="number">To have</th>
					<th scope="col">For</th>
				</tr>
			</thead>
			<tbody>
				{#each ingredients as ingredient (ingredient.ingredientId)}
					{@const decimals = decimalsOf(ingredient)}
					<tr data-ingredient={ingredient.name}>
						<th scope="row">{ingredient.name}</th>
						<td class="number"><b>{formatMass(ingredient.amount, decimals, units)}</b></td>
						<td>{ingredient.uses.map((use) => useText(use, decimals)).join(' · ')}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	</section>
{/if}

<style>
	th,
	td {
		padding: 4px 10px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	tbody th {
		font-weight: 400;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
</style>
