<script lang="ts">
	import {
		batchKey,
		canGoToTheCold,
		MOST_LOADS,
		type BakeDayInput,
		type DayTask,
		type PlanWish
	} from '../../core/planning/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { withoutBatch } from './wish-list.ts';

	interface Props {
		task: DayTask;
		/** What its plan was made from. */
		input: BakeDayInput;
		model: PlanModel;
	}
	let { task, input, model }: Props = $props();

	/** The dough, or the pieces of one product of it, whatever load of them was chosen. */
	const key = $derived(
		batchKey(task.batch.kind === 'load' ? { ...task.batch, kind: 'portion' } : task.batch)
	);
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
	const colds = $derived.by(() => {
		const { step, batch, celsius } = task;
		if (step.kind !== 'wait' || batch.kind === 'preparation' || mix?.begun !== null) return [];
		if (inCold) return input.bakery.coldPlaces.filter(({ id }) => id === inCold.placeId);
		const isTheWait = step.activity === (batch.kind === 'mix' ? 'bulk' : 'proof');
		return isTheWait
			? input.bakery.coldPlaces.filter((place) => canGoToTheCold(step, celsius[0] ?? 25, place))
			: [];
	});
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
			label="Send it to the cold"
			placeholder="Send it to the cold"
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
			aria-label="One load less">−1</button
		>
		<span class="grow text-center">{loads === 1 ? 'in one load' : `in ${loads} loads`}</span>
		<button
			class="action-lesser"
			disabled={loads >= mostLoads}
			onclick={() => bakeIn(loads + 1)}
			aria-label="One load more">+1</button
		>
	</div>
{/if}
