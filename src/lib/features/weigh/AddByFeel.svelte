<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
	import type { WeighUpView } from '../../contracts/weighing-views.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { readWeight, typedUnit } from './typed-weight.ts';

	interface Props {
		view: WeighUpView;
		busy: boolean;
		onAdd: (ingredientId: string, name: string, grams: number) => void;
	}
	let { view, busy, onAdd }: Props = $props();
	const { units } = useRoom().bakery;
	/** What goes in by feel is a little. */
	const unit = $derived(typedUnit(500, units));
	let typed = $state('');
	let problem = $state('');
	const choices = $derived(
		view.feelable.filter(
			(one, at) =>
				view.feelable.findIndex(({ ingredientId }) => ingredientId === one.ingredientId) === at
		)
	);

	function add(ingredientId: string, name: string) {
		const read = readWeight(typed, unit, MOST_BATCH_GRAMS);
		if (!read.ok) {
			problem = parseFailureText(read.error);
			return;
		}
		problem = '';
		typed = '';
		onAdd(ingredientId, name, read.value);
	}
</script>

{#if choices.length > 0}
	<details class="mt-5" data-feel>
		<summary class="min-h-11 cursor-pointer py-2">Water or flour by feel</summary>
		<div class="flex flex-wrap items-end gap-3">
			<label>
				<span class="block">as much as</span>
				<input
					class="field w-28 text-right"
					type="text"
					inputmode="decimal"
					autocomplete="off"
					aria-label="By feel, as much as"
					bind:value={typed}
				/>
				<b>{unit.name}</b>
			</label>
			{#each choices as { ingredientId, name } (ingredientId)}
				<button
					type="button"
					class="action-lesser"
					disabled={busy}
					onclick={() => add(ingredientId, name)}>{name} went in</button
				>
			{/each}
		</div>
		{#if problem}<p class="mt-2" role="alert">{problem}</p>{/if}
	</details>
{/if}
