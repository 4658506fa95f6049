<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { id, type DeliveryId, type IngredientId } from '../../core/identity.ts';
	import {
		stagesInOrder,
		type Delivery,
		type Ingredient,
		type ResolvedFormula
	} from '../../core/formula/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	const room = useRoom();

	const flours = $derived.by(() => {
		const all: Ingredient[] = [];
		for (const stage of stagesInOrder(resolved.final))
			for (const { ingredient } of stage.lines)
				if (ingredient.kind === 'flour' && !all.some((flour) => flour.id === ingredient.id))
					all.push(ingredient);
		return all.flatMap((ingredient) => {
			const deliveries = model.view.deliveries.filter(
				(delivery) => delivery.ingredientId === ingredient.id
			);
			return deliveries.length > 0 ? [{ ingredient, deliveries }] : [];
		});
	});
	const chosen = (ingredientId: IngredientId) =>
		model.draft.formula.deliveries.find((delivery) => delivery.ingredientId === ingredientId)
			?.deliveryId ?? '';
	const signed = (value: number, decimals: number) =>
		`${value > 0 ? '+' : ''}${formatNumber(value, decimals)}`;
	const text = (delivery: Delivery) => {
		const { absorptionPoints } = delivery.properties;
		const drinks = absorptionPoints === null ? '' : `, water ${signed(absorptionPoints, 1)} points`;
		return `${delivery.lot}, ${delivery.receivedOn}${drinks}`;
	};
	const proposal = $derived(model.proposal);
</script>

{#if flours.length > 0}
	<h3 class="mt-3">The water is set for</h3>
	{#each flours as { ingredient, deliveries } (ingredient.id)}
		<label class="mt-1 block">
			{ingredient.name}
			<select
				name="Delivery of {ingredient.name}"
				class="field w-full"
				aria-label="Delivery of {ingredient.name}"
				value={chosen(ingredient.id)}
				onchange={(event) => {
					const { value } = event.currentTarget;
					model.useDelivery(ingredient.id, value === '' ? null : id<DeliveryId>(value));
				}}
			>
				<option value="">the house flour</option>
				{#each deliveries as delivery (delivery.id)}<option value={delivery.id}
						>{text(delivery)}</option
					>{/each}
			</select>
		</label>
	{/each}
{/if}
{#if proposal}
	<div class="mt-2 border-2 border-ink p-3" role="status" data-proposal>
		<p>
			For this {proposal.flour} the water would change by
			<button
				class="cursor-pointer font-bold underline decoration-dotted underline-offset-4"
				onclick={() => room.explain(proposal.water, `Water for another ${proposal.flour}`)}
				>{signed(proposal.water.value, 1)} %</button
			> of the flour.
		</p>
		<div class="mt-2 flex flex-wrap gap-2">
			<button class="action" onclick={() => model.answerProposal(true)}>Change the water</button>
			<button class="action-lesser" onclick={() => model.answerProposal(false)}
				>Leave the water</button
			>
		</div>
	</div>
{/if}
