<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { invalidate } from '$app/navigation';
	import { resolve } from '$app/paths';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaView } from '../../contracts/views.ts';
	import { sanityNotes } from '../../core/formula/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import { sanityText } from '../../wording/sanity-text.ts';
	import FormulaFiguresList from './FormulaFiguresList.svelte';
	import FormulaTable from './FormulaTable.svelte';
	import RevisionChanges from './RevisionChanges.svelte';
	import NewFormulaForm from './NewFormulaForm.svelte';
	import ScaleBar from './ScaleBar.svelte';
	import SplitOffForm from './SplitOffForm.svelte';
	import { FormulaModel } from './formula-model.svelte.ts';
	import { SHEET_UNITS, type SheetUnit } from './sheet-view.ts';

	interface Props {
		view: FormulaView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	// The room is made anew for each formula and revision.
	const model = untrack(() => new FormulaModel(view));
	onMount(() => model.restore());

	const DEFAULT_FLOUR_GRAMS = 10_000;
	let unit: SheetUnit = $state('total');
	let totalFlourGrams = $state(DEFAULT_FLOUR_GRAMS);

	const resolved = $derived(typeof model.resolved === 'string' ? null : model.resolved);
	const sentence = $derived.by(() => {
		const { figures } = model;
		if (!figures) return `${view.formula.name} cannot be made as it stands.`;
		const percent = (value: number) => `${formatNumber(value, 1)} %`;
		return `${view.formula.name}: ${percent(figures.hydration)} water, ${percent(figures.prefermentedFlour)} pre-fermented flour, ${percent(figures.salt)} salt.`;
	});
	const note = $derived(
		`Revision ${view.revision}, by ${view.madeBy}.${model.changed ? ' Changed, not saved yet.' : ''}`
	);
	const shared = $derived(
		model.changedPreparations.flatMap((one) => {
			const others =
				view.preparations.find(({ preparation }) => preparation.id === one.id)?.sharedWith ?? [];
			return others.length > 0 ? [`${one.name} is also in ${others.join(', ')}`] : [];
		})
	);

	async function save() {
		if (await model.save(room.now.epochMs)) await invalidate('jovet:day');
	}
	function keys(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
		if (event.target instanceof HTMLInputElement) return;
		event.preventDefault();
		if (event.shiftKey) model.redo();
		else model.undo();
	}
	function scaleTo(grams: number) {
		totalFlourGrams = grams;
	}
	/** A flour that is typed as a weight makes more flour; the other weights stay as they are. */
	function growFlour(factor: number) {
		totalFlourGrams *= factor;
	}
</script>

<svelte:window onkeydown={keys} />

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		<button class="action-lesser" disabled={!model.canUndo} onclick={() => model.undo()}
			>Undo</button
		>
		<button class="action-lesser" disabled={!model.canRedo} onclick={() => model.redo()}
			>Redo</button
		>
		<button class="action" disabled={!model.changed || model.saving || !resolved} onclick={save}>
			Save as revision {view.revision + 1}
		</button>
	{/snippet}
</RoomHeading>

<div class="formulas">
	<nav aria-label="Formulas">
		{#each view.formulas as one (one.id)}
			<a
				class="entry"
				href={resolve(`/bake/${view.date}/formulas/${one.id}`)}
				aria-current={one.id === view.formula.id ? 'page' : undefined}
			>
				<b>{one.name}</b>
				<span class="block text-note">{one.products.join(', ') || 'no product yet'}</span>
			</a>
		{/each}
		<NewFormulaForm date={view.date} />
	</nav>
	<div class="min-w-0">
		<p class="mb-2 min-h-6" role="status" data-formula-message>
			{#if model.message}<span class="act-now px-2">Look</span> {model.message}{/if}
		</p>
		{#if resolved}
			<fieldset class="mb-2 flex flex-wrap gap-x-5 gap-y-1">
				<legend class="sr-only">Read and type in</legend>
				{#each SHEET_UNITS as one (one.value)}
					<label class="flex items-center gap-2">
						<input type="radio" name="unit" value={one.value} bind:group={unit} />
						{one.label}
					</label>
				{/each}
			</fieldset>
			<FormulaTable {model} {resolved} {unit} {totalFlourGrams} onFlour={growFlour} />
			<SplitOffForm {model} {resolved} />
			{#each shared as one (one)}
				<p class="mt-2"><b>{one}.</b> Saving changes it there too.</p>
			{/each}
			{#each model.figures ? sanityNotes(model.figures) : [] as one (one.kind)}
				<p class="mt-2"><b>Worth a second look:</b> {sanityText(one)}</p>
			{/each}
			<div class="below">
				<FormulaFiguresList {model} {resolved} targetCelsius={view.targetCelsius} />
				<ScaleBar {view} {resolved} {totalFlourGrams} onScale={scaleTo} />
				<RevisionChanges {view} />
			</div>
		{:else}
			<p role="alert">
				<span class="act-now px-2 py-1">Not possible</span>
				{model.resolved}. Undo brings back what was.
			</p>
		{/if}
	</div>
</div>

<style>
	.formulas {
		display: grid;
		grid-template-columns: 190px minmax(0, 1fr);
		gap: 20px;
		padding: 0 20px 24px;
		align-items: start;
	}
	.entry {
		display: block;
		padding: 8px 10px;
		border-bottom: 1px solid var(--line);
		background: var(--sheet);
	}
	.entry[aria-current] {
		background: var(--ink);
		color: var(--sheet);
	}
	.below {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
		gap: 12px;
		margin-top: 12px;
		align-items: start;
	}
	@media (max-width: 900px) {
		.formulas {
			grid-template-columns: 1fr;
		}
	}
</style>
