<script lang="ts">
	import {
		stagesInOrder,
		type Addition,
		type Ingredient,
		type ResolvedFormula,
		type ResolvedStage
	} from '../../core/formula/index.ts';
	import { formatNumber, parseNumber } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';
	import { measureOf, type SheetUnit } from './sheet-view.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
		unit: SheetUnit;
		totalFlourGrams: number;
		/** A typed weight of flour made the total flour this many times as much. */
		onFlour: (factor: number) => void;
	}
	let { model, resolved, unit, totalFlourGrams, onFlour }: Props = $props();

	interface Row {
		readonly key: string;
		readonly ingredient: Ingredient;
		readonly addition: Addition;
	}
	const ADDITIONS = { start: '', 'held-back': 'held back', late: 'late' } as const;
	const KINDS = ['flour', 'culture', 'water', 'salt', 'yeast', 'fat', 'other'];

	const stages = $derived(stagesInOrder(resolved.final));
	const rows = $derived.by(() => {
		const all: Row[] = [];
		for (const stage of [resolved.final, ...stages])
			for (const { ingredient, addition } of stage.lines) {
				const key = `${ingredient.id} ${addition}`;
				if (!all.some((row) => row.key === key)) all.push({ key, ingredient, addition });
			}
		const order = (row: Row) => KINDS.indexOf(row.ingredient.kind);
		return all.sort((a, b) => order(a) - order(b));
	});
	const percentOf = (stage: ResolvedStage, row: Row) =>
		stage.lines
			.filter((line) => line.ingredient.id === row.ingredient.id && line.addition === row.addition)
			.reduce((total, line) => total + line.percentOfFlour, 0);
	const totalOf = (row: Row) => stages.reduce((total, stage) => total + percentOf(stage, row), 0);
	const measure = $derived((stage: ResolvedStage) =>
		measureOf(unit, stage, resolved.final, totalFlourGrams)
	);
	const decimals = $derived((value: number) =>
		unit === 'weight' ? (value < 100 ? 1 : 0) : value < 10 ? 2 : 1
	);
	const shown = (percent: number, stage: ResolvedStage) => {
		const value = percent * measure(stage);
		return value === 0 ? '' : formatNumber(value, decimals(value));
	};
	const whole = (percent: number) => {
		const value = percent * (unit === 'weight' ? totalFlourGrams / 100 : 1);
		return value === 0 ? '' : formatNumber(value, decimals(value));
	};
	const isOut = (stage: ResolvedStage, row: Row) =>
		row.addition !== 'start' && stage.kind !== 'final';

	function set(stage: ResolvedStage, row: Row, text: string) {
		const read = text.trim() === '' ? ({ ok: true, value: 0 } as const) : parseNumber(text);
		if (!read.ok) {
			model.message = parseFailureText(read.error);
			return;
		}
		// Typed as it was shown: nothing was meant.
		if (text === shown(percentOf(stage, row), stage)) return;
		const percentOfFlour = read.value / measure(stage);
		const grows = unit === 'weight' && row.ingredient.composition.flour > 0;
		const more = (percentOfFlour - percentOf(stage, row)) * row.ingredient.composition.flour;
		const before = model.draft;
		model.edit({
			preparationId: stage.preparation?.id ?? null,
			ingredient: row.ingredient,
			addition: row.addition,
			percentOfFlour,
			flour: grows ? 'normalise' : 'balance'
		});
		if (grows && model.draft !== before) onFlour((100 + more) / 100);
	}

	let added = $state('');
	let addedTo = $state('');
	const addable = $derived(
		model.view.ingredients.filter((one) => !rows.some((row) => row.ingredient.id === one.id))
	);
	function add() {
		const ingredient = model.view.ingredients.find((one) => one.id === added);
		if (!ingredient) return;
		const stage = stages.find((one) => (one.preparation?.id ?? '') === addedTo);
		const preparationId = stage?.preparation?.id ?? null;
		model.edit({
			preparationId,
			ingredient,
			addition: 'start',
			percentOfFlour: 1,
			flour: 'balance'
		});
		added = '';
	}
</script>

<div class="overflow-x-auto">
	<table class="sheet" data-sheet>
		<caption class="sr-only"
			>The stages of {resolved.formula.name} side by side, the total at the edge</caption
		>
		<thead>
			<tr>
				<th scope="col">Ingredient</th>
				{#each stages as stage (stage.preparation?.id ?? 'final')}
					<th scope="col" class="number">{stage.kind === 'final' ? 'Final dough' : stage.name}</th>
				{/each}
				<th scope="col" class="number edge">Total</th>
			</tr>
		</thead>
		<tbody>
			{#each rows as row (row.key)}
				<tr>
					<th scope="row">
						{row.ingredient.name}
						{#if row.addition !== 'start'}<span class="text-note text-ink-2">
								· {ADDITIONS[row.addition]}</span
							>{/if}
					</th>
					{#each stages as stage (stage.preparation?.id ?? 'final')}
						<td class="number">
							{#if !isOut(stage, row)}
								<input
									class="cell"
									type="text"
									inputmode="decimal"
									autocomplete="off"
									aria-label="{row.ingredient.name}{ADDITIONS[row.addition]
										? `, ${ADDITIONS[row.addition]}`
										: ''}, {stage.kind === 'final' ? 'final dough' : stage.name}"
									value={shown(percentOf(stage, row), stage)}
									onchange={(event) => {
										set(stage, row, event.currentTarget.value);
										event.currentTarget.value = shown(percentOf(stage, row), stage);
									}}
									onfocus={(event) => event.currentTarget.select()}
								/>
							{/if}
						</td>
					{/each}
					<td class="number edge"><b>{whole(totalOf(row))}</b></td>
				</tr>
			{/each}
			{#each stages.filter((stage) => stage.stages.length > 0) as taker (taker.preparation?.id ?? 'final')}
				{#each taker.stages as inner (inner.preparation?.id)}
					<tr class="taken">
						<th scope="row">{inner.name}</th>
						{#each stages as stage (stage.preparation?.id ?? 'final')}
							<td class="number">{stage === taker ? shown(inner.percentOfFlour, stage) : ''}</td>
						{/each}
						<td class="edge"></td>
					</tr>
				{/each}
			{/each}
		</tbody>
		<tfoot>
			<tr>
				<th scope="row">Together</th>
				{#each stages as stage (stage.preparation?.id ?? 'final')}
					<td class="number"><b>{shown(stage.percentOfFlour, stage)}</b></td>
				{/each}
				<td class="number edge"><b data-sheet-total>{whole(resolved.final.percentOfFlour)}</b></td>
			</tr>
		</tfoot>
	</table>
</div>
<form
	class="mt-2 flex flex-wrap items-center gap-2"
	onsubmit={(event) => {
		event.preventDefault();
		add();
	}}
>
	<label
		>Add <select class="field" bind:value={added} aria-label="Ingredient to add">
			<option value="">an ingredient</option>
			{#each addable as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
		</select></label
	>
	<label
		>to <select class="field" bind:value={addedTo} aria-label="Stage to add it to">
			<option value="">final dough</option>
			{#each stages as stage (stage.preparation?.id ?? 'final')}
				{#if stage.preparation}<option value={stage.preparation.id}>{stage.name}</option>{/if}
			{/each}
		</select></label
	>
	<button class="action-lesser" disabled={added === ''}>Add at 1 %</button>
	<span class="text-note text-ink-2">An emptied number takes its line out.</span>
</form>

<style>
	.sheet {
		width: 100%;
		border-collapse: collapse;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	th,
	td {
		padding: 2px 10px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		font-weight: 400;
	}
	thead th {
		border-bottom: 2px solid var(--ink);
		padding: 8px 10px;
		font-weight: 700;
		vertical-align: bottom;
	}
	tfoot th,
	tfoot td {
		border-top: 2px solid var(--ink);
		padding: 6px 10px;
	}
	.number {
		text-align: right;
		white-space: nowrap;
	}
	.edge {
		border-left: 2px solid var(--ink);
	}
	.taken {
		color: var(--ink-2);
	}
	.taken th,
	.taken td {
		padding-block: 5px;
	}
	.cell {
		width: 82px;
		min-height: 34px;
		padding: 2px 6px;
		text-align: right;
		font-weight: 600;
		background: transparent;
		border: 1px solid transparent;
		border-bottom-color: var(--ink-2);
	}
	.cell:hover,
	.cell:focus {
		border-color: var(--ink);
	}
	@media (pointer: coarse) {
		.cell {
			min-height: 48px;
		}
	}
</style>
