<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { DoughsView } from '../../contracts/dough-views.ts';
	import {
		ordersBehind,
		type DayIngredient,
		type DayProduction,
		type IngredientUse
	} from '../../core/production/index.ts';
	import { formatMass } from '../../core/units/index.ts';

	interface Props {
		ingredients: readonly DayIngredient[];
		production: DayProduction;
		drops: DoughsView['drops'];
	}
	let { ingredients, production, drops }: Props = $props();
	let opened: string | null = $state(null);
	const dropName = (id: string) => drops.find((drop) => drop.id === id)?.name ?? '';
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
						<td class="number">
							<button
								type="button"
								class="figure"
								aria-expanded={opened === ingredient.ingredientId}
								aria-label="{ingredient.name}, {formatMass(
									ingredient.amount,
									decimals,
									units
								)}, for whom"
								onclick={() =>
									(opened = opened === ingredient.ingredientId ? null : ingredient.ingredientId)}
								>{formatMass(ingredient.amount, decimals, units)}</button
							>
						</td>
						<td>{ingredient.uses.map((use) => useText(use, decimals)).join(' · ')}</td>
					</tr>
					{#if opened === ingredient.ingredientId}
						{@const behind = ordersBehind(production, ingredient.ingredientId)}
						<tr data-orders-behind={ingredient.name}>
							<td></td>
							<td colspan="2">
								<ul class="columns-2">
									{#each behind.orders as order (order.productId + order.dropId)}
										<li>
											{dropName(order.dropId)}: {order.pieces}
											{order.product}
											<b>{formatMass({ grams: order.grams }, 0, units)}</b>
										</li>
									{/each}
									{#if behind.otherGrams >= 0.5}
										<li>
											kept back, or over: <b>{formatMass({ grams: behind.otherGrams }, 0, units)}</b
											>
										</li>
									{/if}
								</ul>
							</td>
						</tr>
					{/if}
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
	.figure {
		min-height: 44px;
		font-weight: 700;
		text-decoration: underline dotted;
		cursor: pointer;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
</style>
