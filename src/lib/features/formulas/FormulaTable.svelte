<script lang="ts">
	import { resolve } from '$app/paths';
	import {
		additionAfter,
		additionOrder,
		NAMED_ADDITIONS,
		stagesInOrder,
		type Addition,
		type Ingredient,
		type Material,
		type ResolvedFormula,
		type ResolvedStage
	} from '../../core/formula/index.ts';
	import { formatNumber, parseNumber, parseWeight } from '../../core/units/index.ts';
	import { additionText, laterText } from '../../wording/addition-text.ts';
	import RefusableField from '../../ui/RefusableField.svelte';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { PREPARATION_KIND_TEXT } from '../../wording/kind-text.ts';
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
	const KINDS = ['flour', 'culture', 'water', 'liquid', 'salt', 'yeast', 'fat', 'other', 'caustic'];
	/** Minutes into the mix that are offered; one that is set already is offered too. */
	const MINUTES = [2, 3, 4, 5, 6, 8, 10, 12, 15, 20];

	const stages = $derived(stagesInOrder(resolved.final));
	const rows = $derived.by(() => {
		const all: Row[] = [];
		for (const stage of [resolved.final, ...stages])
			for (const { ingredient, addition } of stage.lines) {
				const key = `${ingredient.id} ${addition}`;
				if (!all.some((row) => row.key === key)) all.push({ key, ingredient, addition });
			}
		const order = (row: Row) => KINDS.indexOf(row.ingredient.kind);
		return all.sort(
			(a, b) => order(a) - order(b) || additionOrder(a.addition) - additionOrder(b.addition)
		);
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
	const stageName = (stage: ResolvedStage) => (stage.kind === 'final' ? 'final dough' : stage.name);
	const labelOf = (row: Row) =>
		`${row.ingredient.name}${row.addition === 'start' ? '' : `, ${laterText(row.addition)}`}`;

	/** Gives why what was typed is refused, or nothing. */
	function set(stage: ResolvedStage, row: Row, text: string): string {
		const read =
			text.trim() === ''
				? ({ ok: true, value: 0 } as const)
				: unit === 'weight'
					? parseWeight(text, { gramsPerUnit: 1, density: row.ingredient.density })
					: parseNumber(text);
		if (!read.ok) return parseFailureText(read.error);
		const percentOfFlour = read.value / measure(stage);
		const grows = unit === 'weight' && row.ingredient.composition.flour > 0;
		const more = (percentOfFlour - percentOf(stage, row)) * row.ingredient.composition.flour;
		const refusal = model.edit({
			preparationId: stage.preparation?.id ?? null,
			ingredient: row.ingredient,
			addition: row.addition,
			percentOfFlour,
			flour: grows ? 'normalise' : 'balance'
		});
		if (grows && refusal === '') onFlour((100 + more) / 100);
		return refusal;
	}
	const offered = (addition: Addition): readonly Addition[] => {
		const [autolyse, start, ...later] = NAMED_ADDITIONS;
		const minutes = MINUTES.map(additionAfter);
		const after =
			addition.startsWith('after-') && !minutes.includes(addition)
				? [...minutes, addition]
				: minutes;
		return [
			autolyse,
			start,
			...[...after].sort((a, b) => additionOrder(a) - additionOrder(b)),
			...later
		];
	};
</script>

{#snippet when(material: Material, addition: Addition, name: string)}
	<select
		name="{name} goes in"
		class="when"
		aria-label="{name} goes in"
		value={addition}
		onchange={(event) =>
			model.moveAddition(material, addition, event.currentTarget.value as Addition)}
	>
		{#each offered(addition) as choice (choice)}<option value={choice}
				>{additionText(choice)}</option
			>{/each}
	</select>
{/snippet}

<div class="overflow-x-auto">
	<table class="sheet" data-sheet>
		<caption class="sr-only"
			>The stages of {resolved.formula.name} side by side, the total at the edge</caption
		>
		<thead>
			<tr>
				<th scope="col">Ingredient</th>
				{#each stages as stage (stage.preparation?.id ?? 'final')}
					<th scope="col" class="number stage">
						{#if stage.preparation}
							{#if model.isNew(stage.preparation.id)}{stage.name}{:else}<a
									href={resolve(`/bake/${model.view.date}/preparations/${stage.preparation.id}`)}
									>{stage.name}</a
								>{/if}
							<span class="block text-note font-normal text-ink-2"
								>{PREPARATION_KIND_TEXT[stage.preparation.kind]}</span
							>
						{:else}Final dough{/if}
					</th>
				{/each}
				<th scope="col" class="number edge">Total</th>
				<th scope="col">Goes in</th>
			</tr>
		</thead>
		<tbody>
			{#each rows as row (row.key)}
				<tr>
					<th scope="row">
						{row.ingredient.name}
						{#if row.addition !== 'start'}<span class="text-note text-ink-2">
								· {laterText(row.addition)}</span
							>{/if}
					</th>
					{#each stages as stage (stage.preparation?.id ?? 'final')}
						<td class="number">
							{#if !isOut(stage, row)}
								<RefusableField
									class="cell"
									label="{labelOf(row)}, {stageName(stage)}"
									value={shown(percentOf(stage, row), stage)}
									onSet={(text: string) => set(stage, row, text)}
								/>
							{/if}
						</td>
					{/each}
					<td class="number edge"><b>{whole(totalOf(row))}</b></td>
					<td>
						{#if percentOf(resolved.final, row) > 0}
							{@render when(
								{ kind: 'ingredient', ingredientId: row.ingredient.id },
								row.addition,
								labelOf(row)
							)}
						{/if}
					</td>
				</tr>
			{/each}
			{#each stages.filter((stage) => stage.stages.length > 0) as taker (taker.preparation?.id ?? 'final')}
				{#each taker.stages as inner (inner.preparation?.id)}
					<tr class="taken">
						<th scope="row">
							{inner.name}
							{#if taker.kind === 'final' && inner.preparation}
								{@const { preparation } = inner}
								<button
									class="out"
									aria-label="Remove {inner.name} from the dough"
									onclick={() => model.removePreparation(preparation)}>remove</button
								>
							{/if}
						</th>
						{#each stages as stage (stage.preparation?.id ?? 'final')}
							<td class="number">{stage === taker ? shown(inner.percentOfFlour, stage) : ''}</td>
						{/each}
						<td class="edge"></td>
						<td>
							{#if taker.kind === 'final' && inner.preparation}
								{@render when(
									{ kind: 'preparation', preparationId: inner.preparation.id },
									inner.addition,
									inner.name
								)}
							{/if}
						</td>
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
				<td></td>
			</tr>
		</tfoot>
	</table>
</div>

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
	tbody th {
		min-width: 150px;
		overflow-wrap: anywhere;
	}
	thead th {
		border-bottom: 2px solid var(--ink);
		padding: 8px 10px;
		font-weight: 700;
		vertical-align: bottom;
	}
	.stage {
		white-space: normal;
		max-width: 130px;
		overflow-wrap: anywhere;
	}
	.stage a {
		text-decoration: underline;
		text-underline-offset: 3px;
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
	td :global(.cell) {
		width: 78px;
		min-height: 34px;
		padding: 2px 6px;
		text-align: right;
		font-weight: 600;
		background: transparent;
		border: 1px solid transparent;
		border-bottom-color: var(--ink-2);
	}
	.when {
		min-height: 34px;
		padding: 2px 4px;
		background: var(--sheet);
		color: var(--ink);
		border: 1px solid var(--line);
	}
	.out {
		margin-left: 6px;
		padding: 0 6px;
		border: 1px solid var(--ink-2);
		color: var(--ink);
		cursor: pointer;
	}
	td :global(.cell:hover),
	td :global(.cell:focus) {
		border-color: var(--ink);
	}
	@media (pointer: coarse) {
		td :global(.cell),
		.when,
		.out {
			min-height: 48px;
		}
	}
</style>
