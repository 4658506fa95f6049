<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { layersAfter, type ResolvedFormula } from '../../core/formula/index.ts';
	import { percentForShare, rolledInOf, turnsOf } from '../../core/sheeting/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import NumberField from '../../fields/NumberField.svelte';
	import { capital } from '../../wording/capital.ts';
	import { layersText } from '../../wording/layers-text.ts';
	import { rollingText } from '../../wording/sheeting-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		model: FormulaModel;
		resolved: ResolvedFormula;
	}
	let { model, resolved }: Props = $props();
	const { units } = useRoom().bakery;

	const fat = $derived(rolledInOf(resolved.final));
	const layers = $derived(layersAfter(turnsOf(model.draft.steps).map(({ turn }) => turn)));
	const rolling = $derived(fat ? rollingText(fat, units) : null);
	/** What of the formula is rolled in, where it is one line: only then a number moves it. */
	const isOne = $derived(
		model.draft.formula.lines.filter(({ addition }) => addition === 'roll-in').length === 1
	);

	function setPercent(percent: number | null) {
		if (percent !== null) model.setRolledIn(percent);
	}
	function setShare(percent: number | null) {
		if (fat && percent !== null)
			setPercent(percentForShare(resolved.final, fat, { share: percent / 100 }));
	}
</script>

{#if fat}
	<section class="border border-line bg-sheet p-4" aria-labelledby="lamination" data-lamination>
		<h2 id="lamination" class="mb-2">Lamination</h2>
		{#if isOne}
			<NumberField
				label="{fat.names.join(' and ')}, of the flour"
				value={fat.percentOfFlour}
				unit="%"
				least={0.1}
				most={200}
				onSet={setPercent}
			/>
			<NumberField
				label="or of the whole dough"
				value={fat.shareOfDough.share * 100}
				unit="%"
				least={0.1}
				most={60}
				onSet={setShare}
			/>
		{:else}
			<p>
				{fat.names.join(' and ')}: {formatNumber(fat.percentOfFlour, 1)} % of the flour,
				{formatNumber(fat.shareOfDough.share * 100, 1)} % of the whole dough.
			</p>
		{/if}
		{#if layers}
			<p class="mt-2" data-layers>{capital(layersText(layers))}.</p>
		{:else}
			<p class="mt-2" data-layers>
				No step locks it in yet: add “laminate” to how the dough is made, with rests in the cold
				between its turns.
			</p>
		{/if}
		{#if rolling}
			<p class="mt-2" data-rolling>{rolling}</p>
		{:else}
			<p class="mt-2 text-note text-ink-2">
				How warm it rolls out is not said: write it on the fat’s own page.
			</p>
		{/if}
	</section>
{/if}
