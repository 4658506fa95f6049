<script lang="ts">
	import {
		flourOf,
		type Ingredient,
		type Material,
		type Preparation,
		type PreparationLine,
		type ResolvedStage
	} from '../../../core/formula/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import MaterialSelect from '../fields/MaterialSelect.svelte';

	interface Props {
		lines: readonly PreparationLine[];
		/** The recipe as it is made; null while it cannot be. */
		alone: ResolvedStage | null;
		ingredients: readonly Ingredient[];
		/** What it can take from. */
		preparations: readonly Preparation[];
		onLines: (lines: readonly PreparationLine[]) => void;
		/** Says why a number is refused; nothing where it was taken. */
		onProblem: (text: string) => void;
	}
	let { lines, alone, ingredients, preparations, onLines, onProblem }: Props = $props();

	const all = $derived(lines.reduce((total, line) => total + line.parts, 0));
	const hundred = $derived.by(() => {
		const flour = alone ? flourOf(alone) : 0;
		return flour > 0 ? { parts: (flour / 100) * all, of: 'its flour' } : { parts: all, of: 'all' };
	});

	function setLine(at: number, change: { material?: Material; parts?: number }) {
		onLines(lines.map((line, index) => (index === at ? { ...line, ...change } : line)));
	}
	/** How much of what stands at 100 one part of a line brings: its flour, or all of it. */
	function shareOfHundred({ material }: { readonly material: Material }): number {
		if (!alone || flourOf(alone) === 0) return 1;
		if (material.kind === 'ingredient')
			return (
				ingredients.find((ingredient) => ingredient.id === material.ingredientId)?.composition
					.flour ?? 0
			);
		const stage = alone.stages.find((stage) => stage.preparation?.id === material.preparationId);
		return stage ? flourOf(stage) / stage.percentOfFlour : 0;
	}
	/** The other lines keep their weight; this one becomes the percentage that was typed. */
	function setPercent(at: number, wanted: number) {
		const line = lines[at];
		if (!line) return;
		const share = shareOfHundred(line);
		const others = hundred.parts - line.parts * share;
		const left = 100 - wanted * share;
		const grows = others > 0 && left > 0;
		if (!grows && share > 0) {
			onProblem('It cannot be all of it beside other lines. Type less, or take a line out.');
			return;
		}
		onProblem('');
		setLine(at, { parts: (wanted * others) / left });
	}
	function addLine(material: Material) {
		onLines([...lines, { material, parts: all > 0 ? all / 10 : 100 }]);
	}
</script>

<table class="recipe w-full" data-recipe>
	<thead>
		<tr><th scope="col">What</th><th scope="col" class="right">% of {hundred.of}</th><td></td></tr>
	</thead>
	<tbody>
		{#each lines as line, at (at)}
			<tr>
				<td>
					<MaterialSelect
						label="Line {at + 1}"
						value={line.material}
						{ingredients}
						{preparations}
						onSet={(material: Material) => setLine(at, { material })}
					/>
				</td>
				<td class="right">
					<NumberField
						bare
						label="Line {at + 1}, percent"
						value={hundred.parts > 0 ? (line.parts / hundred.parts) * 100 : 0}
						decimals={2}
						least={0.0001}
						most={100000}
						onSet={(number: number | null) => setPercent(at, number ?? 0)}
					/>
				</td>
				<td class="right">
					<button
						class="action-small"
						aria-label="Remove line {at + 1}"
						onclick={() => onLines(lines.filter((_, index) => index !== at))}>Remove</button
					>
				</td>
			</tr>
		{/each}
		<tr>
			<td colspan="3">
				{#key lines.length}<MaterialSelect
						label="Line to add"
						value={null}
						{ingredients}
						{preparations}
						onSet={addLine}
					/>{/key}
			</td>
		</tr>
	</tbody>
</table>

<style>
	th,
	td {
		text-align: left;
		padding: 3px 6px 3px 0;
		border-bottom: 1px solid var(--line);
		font-weight: 400;
	}
	.recipe {
		table-layout: fixed;
	}
	.recipe th:nth-child(2) {
		width: 110px;
	}
	.recipe td:last-child {
		width: 84px;
	}
	.right {
		text-align: right;
		white-space: nowrap;
	}
</style>
