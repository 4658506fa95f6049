<script lang="ts">
	import {
		batchKey,
		canGoToTheCold,
		MOST_LOADS,
		type BakeDayInput,
		type DayPlan,
		type DayTask,
		type PlanWish
	} from '../../core/planning/index.ts';
	import { USUAL_DOUGH_CELSIUS } from '../../core/formula/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { withoutBatch } from './wish-list.ts';

	interface Props {
		task: DayTask;
		plan: DayPlan;
		/** What its plan was made from. */
		input: BakeDayInput;
		model: PlanModel;
	}
	let { task, plan, input, model }: Props = $props();

	/** The dough, or the pieces of one product of it, whatever load of them was chosen. */
	const keyOf = ({ batch }: Pick<DayTask, 'batch'>) =>
		batchKey(batch.kind === 'load' ? { ...batch, kind: 'portion' } : batch);
	const key = $derived(keyOf(task));
	const mix = $derived.by(() => {
		const { batch } = task;
		if (batch.kind === 'preparation') return null;
		return (
			input.doughs
				.find(({ formulaId }) => formulaId === batch.formulaId)
				?.mixes.find(({ ordinal }) => ordinal === batch.ordinal) ?? null
		);
	});
	const portion = $derived.by(() => {
		const { batch } = task;
		return batch.kind === 'load'
			? (mix?.portions.find(({ productId }) => productId === batch.productId) ?? null)
			: null;
	});

	const wished = $derived(
		model.wishes.filter((wish) => 'batch' in wish && wish.batch === key) as Extract<
			PlanWish,
			{ readonly batch: string }
		>[]
	);
	const inCold = $derived(wished.find((wish) => wish.kind === 'to-the-cold'));
	/** Where it ferments last: a dough in bulk, its pieces in their proof. */
	const wait = $derived(
		plan.tasks.findLast(
			(one) => keyOf(one) === key && one.step.kind === 'wait' && one.step.clock !== null
		)
	);
	const colds = $derived.by(() => {
		if (wait?.step.kind !== 'wait' || mix?.begun !== null) return [];
		const { step, celsius } = wait;
		return inCold
			? input.bakery.coldPlaces.filter(({ id }) => id === inCold.placeId)
			: input.bakery.coldPlaces.filter((place) =>
					canGoToTheCold(step, celsius[0] ?? USUAL_DOUGH_CELSIUS, place)
				);
	});
	const coldLabel = $derived(
		task.batch.kind === 'mix' ? 'Send the dough to the cold' : 'Send the pieces to the cold'
	);
	const loads = $derived(
		task.step.kind === 'bake' && task.batch.kind === 'load' ? task.batch.loads : 0
	);
	const leastLoads = $derived.by(() => {
		const { batch } = task;
		if (batch.kind !== 'load' || !portion) return 1;
		const product = input.products.find(({ id }) => id === batch.productId);
		return Math.max(1, Math.ceil(portion.pieces / Math.max(1, product?.piecesPerDeck ?? 1)));
	});
	const mostLoads = $derived(Math.min(portion?.pieces ?? 1, MOST_LOADS));

	const want = (wish: Extract<PlanWish, { readonly batch: string }>) =>
		void model.wish([...withoutBatch(model.wishes, wish.batch, wish.kind), wish]);
	function bakeIn(count: number) {
		if (count > leastLoads) want({ kind: 'in-loads', batch: key, loads: count });
		else void model.wish(withoutBatch(model.wishes, key, 'in-loads'));
	}
</script>

{#if inCold}
	<p class="mt-2" data-cold>
		<button
			class="action-lesser"
			onclick={() => void model.wish(withoutBatch(model.wishes, key, 'to-the-cold'))}
			>Not to the {colds[0]?.name.toLowerCase() ?? 'cold'}</button
		>
	</p>
{:else if colds.length > 0}
	<div class="mt-2" data-cold>
		<Choice
			label={coldLabel}
			placeholder={coldLabel}
			options={colds.map(({ id, name }) => ({ value: id, label: name }))}
			value=""
			onSet={(placeId: string) => want({ kind: 'to-the-cold', batch: key, placeId })}
		/>
	</div>
{/if}
{#if loads > 0 && mostLoads > leastLoads}
	<div class="mt-2 flex items-center gap-2" data-loads>
		<button
			class="action-lesser"
			disabled={loads <= leastLoads}
			onclick={() => bakeIn(loads - 1)}
			aria-label="Fewer loads">Fewer</button
		>
		<span class="grow text-center">{loads === 1 ? 'in one load' : `in ${loads} loads`}</span>
		<button
			class="action-lesser"
			disabled={loads >= mostLoads}
			onclick={() => bakeIn(loads + 1)}
			aria-label="More loads">More</button
		>
	</div>
{/if}
