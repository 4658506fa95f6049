<script lang="ts">
	import { onMount, tick, untrack } from 'svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaView } from '../../contracts/views.ts';
	import { given, type Explained } from '../../core/explain/index.ts';
	import { sanityNotes, type ResolvedFormula, type Step } from '../../core/formula/index.ts';
	import { scaledBatch } from '../../core/production/index.ts';
	import { littleYeastForTimes } from '../../core/ripening/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import { cardOfBuild, cardOfMix } from '../../sheets/weigh-up-card.ts';
	import type WeighUpCards from '../../sheets/WeighUpCards.svelte';
	import { unmadeText } from '../../wording/failure-text.ts';
	import { littleYeastText, sanityText } from '../../wording/sanity-text.ts';
	import AddToSheet from './AddToSheet.svelte';
	import BookPage from './BookPage.svelte';
	import DoughSettings from './DoughSettings.svelte';
	import EditHeading from '../../fields/EditHeading.svelte';
	import RetireButton from './fields/RetireButton.svelte';
	import FormulaFiguresList from './FormulaFiguresList.svelte';
	import { FormulaModel } from './formula-model.svelte.ts';
	import HandOn from './HandOn.svelte';
	import FormulaTable from './FormulaTable.svelte';
	import ScaleBar from './ScaleBar.svelte';
	import { dividedPieces, type MadePieces } from './scaled-sheet.ts';
	import { keepSheetUnit, readSheetUnit, SHEET_UNITS, type SheetUnit } from './sheet-view.ts';
	import SharedBuildChoice from './SharedBuildChoice.svelte';
	import StepsEditor from './steps/StepsEditor.svelte';

	interface Props {
		view: FormulaView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	// The room is made anew for each formula and revision.
	const model = untrack(() => new FormulaModel(view, room.retries));

	const DEFAULT_FLOUR_GRAMS = 10_000;
	let unit: SheetUnit = $state('total');
	let totalFlour: Explained = $state.raw(flourOfGrams(DEFAULT_FLOUR_GRAMS));
	/** As a weight that was typed into the sheet made it. */
	let typedFlour: { readonly grams: number } | null = $state.raw(null);
	let made: readonly MadePieces[] = $state.raw([]);
	/** What the printer is given: the formula sheet, or a weigh-up card for each build and mix. */
	let printed: 'sheet' | 'cards' = $state('sheet');

	onMount(() => {
		void model.restore();
		unit = readSheetUnit();
	});

	const resolved = $derived(typeof model.resolved === 'string' ? null : model.resolved);
	const sentence = $derived.by(() => {
		const { figures, draft } = model;
		if (!figures) return `${draft.formula.name} cannot be made as it stands.`;
		const percent = (value: number) => `${formatNumber(value, 1)} %`;
		// A dough of milk and eggs is not as dry as its water says.
		const hidden = figures.effectiveHydration - figures.hydration > 8;
		const water = hidden
			? `${percent(figures.hydration)} water (${percent(figures.effectiveHydration)} effective)`
			: `${percent(figures.hydration)} water`;
		return `${draft.formula.name}: ${water}, ${percent(figures.prefermentedFlour)} pre-fermented flour, ${percent(figures.salt)} salt.`;
	});
	const standing = $derived(
		model.changed
			? `changed since revision ${view.revision}, not saved`
			: `revision ${view.revision}`
	);
	const note = $derived(
		`Revision ${view.revision}, by ${view.madeBy}.${view.retired ? ' Retired.' : ''}${model.changed ? ' Changed, not saved yet.' : ''}`
	);
	const scaled = $derived.by(() => {
		if (!resolved) return null;
		const most = Math.min(model.draft.mostDoughGrams ?? Infinity, view.mixerMostGrams);
		return scaledBatch(
			resolved,
			totalFlour,
			[{ least: { grams: 0 }, most: { grams: most > 0 ? most : Infinity } }],
			view.scales
		);
	});
	/** What a baker would look at twice. */
	const notesOn = (resolved: ResolvedFormula): readonly string[] => {
		if (!model.figures) return [];
		const little = littleYeastForTimes(resolved, model.draft.steps);
		return [
			...sanityNotes(resolved, model.figures).map(sanityText),
			...(little ? [littleYeastText(little, room.bakery.units)] : [])
		];
	};
	const batch = $derived(scaled?.ok ? scaled.value : null);
	const cards = $derived.by(() => {
		if (!resolved || !batch) return [];
		const makes = made.map((product) => `${product.pieces} ${product.product.name}`).join(', ');
		return [
			...batch.builds.map(cardOfBuild),
			...batch.mixes.map((mix) => cardOfMix(mix, makes || standing))
		];
	});

	function flourOfGrams(grams: number): Explained {
		return given({ key: 'total-flour' }, grams, 'g', { kind: 'bakery' });
	}
	const save = () =>
		model.save(room.now.epochMs, async (answer) => {
			const { name } = model.draft.formula;
			await readAnew('jovet:day');
			if (answer.kind === 'saved') room.tell(`${name} is saved as revision ${answer.revision}.`);
		});
	function scaleTo(flour: Explained, pieces: readonly MadePieces[]) {
		totalFlour = flour;
		made = pieces;
	}
	/** A flour that is typed as a weight makes more flour; the other weights stay as they are. */
	function growFlour(factor: number) {
		typedFlour = { grams: totalFlour.value * factor };
	}
	/** What prints the cards: fetched with the first that are printed. */
	let Cards: typeof WeighUpCards | null = $state.raw(null);
	async function print(what: typeof printed) {
		if (what === 'cards') Cards ??= (await import('../../sheets/WeighUpCards.svelte')).default;
		printed = what;
		await tick();
		window.print();
	}
</script>

<div class="print:hidden">
	<EditHeading
		{sentence}
		{note}
		saveLabel="Save as revision {view.revision + 1}"
		canSave={model.changed && !model.saving && resolved !== null && model.undecided.length === 0}
		history={model}
		onSave={save}
	/>

	<BookPage date={view.date} book={view.book} shelf="formulas" current={view.formula.id}>
		<p class="sticky top-0 z-10 mb-2 min-h-6 bg-ground py-1" role="status" data-formula-message>
			{#if model.message}<span class="act-now px-2">Look</span> {model.message}{/if}
		</p>
		{#if view.drafts.length > 0}
			{#await import('./DraftsBeside.svelte') then { default: DraftsBeside }}
				<DraftsBeside {model} drafts={view.drafts} />
			{/await}
		{/if}
		{#if resolved}
			<SharedBuildChoice {model} />
			<div class="sheet-and-figures">
				<div class="min-w-0">
					<fieldset class="my-2 flex flex-wrap gap-x-5 gap-y-1">
						<legend class="sr-only">Read and type in</legend>
						{#each SHEET_UNITS as choice (choice.value)}
							<label class="flex items-center gap-2">
								<input
									type="radio"
									name="unit"
									value={choice.value}
									bind:group={unit}
									onchange={() => keepSheetUnit(unit)}
								/>
								{choice.label}
							</label>
						{/each}
					</fieldset>
					<FormulaTable
						{model}
						{resolved}
						{unit}
						totalFlourGrams={totalFlour.value}
						onFlour={growFlour}
					/>
					<AddToSheet {model} {resolved} />
					{#each notesOn(resolved) as note (note)}
						<p class="mt-2" data-note><b>Worth a second look:</b> {note}</p>
					{/each}
				</div>
				<div class="column beside">
					<FormulaFiguresList {model} {resolved} />
					<ScaleBar
						{view}
						{resolved}
						totalFlourGrams={totalFlour.value}
						{typedFlour}
						mostDoughGrams={model.draft.mostDoughGrams}
						onScale={scaleTo}
					/>
				</div>
			</div>
			<div class="below">
				{#await import('./RebalancePanel.svelte') then { default: RebalancePanel }}
					<RebalancePanel {model} {resolved} />
				{/await}
				{#if model.draft.formula.lines.some(({ addition }) => addition === 'roll-in')}
					{#await import('./LaminationPanel.svelte') then { default: LaminationPanel }}
						<LaminationPanel {model} {resolved} />
					{/await}
				{/if}
				<DoughSettings {model} {resolved} />
				{#await import('./RevisionHistory.svelte') then { default: RevisionHistory }}
					<RevisionHistory {view} {model} />
				{/await}
			</div>
			{#if scaled && !scaled.ok}
				<p class="mt-3" role="alert" data-unscaled>
					<span class="act-now px-2 py-1">Not made</span>
					{unmadeText({ name: resolved.formula.name, reason: scaled.error })}.
				</p>
			{/if}
			{#if batch}
				{#await import('./ScaledWeighUp.svelte') then { default: ScaledWeighUp }}
					<ScaledWeighUp {batch} divided={dividedPieces(made)} name={resolved.formula.name} />
				{/await}
			{/if}
			<p class="mt-3 flex flex-wrap gap-3">
				<button class="action" onclick={() => print('cards')}>Print weigh-up cards</button>
				<button class="action-lesser" onclick={() => print('sheet')}>Print the formula sheet</button
				>
			</p>
			<StepsEditor
				title="How the dough is made"
				steps={model.draft.steps}
				onSet={(steps: readonly Step[]) => model.set({ steps })}
			/>
			<HandOn date={view.date} formulaId={view.formula.id} />
			<RetireButton
				what="formula"
				entityId={view.formula.id}
				name={view.formula.name}
				retired={view.retired}
			/>
		{:else}
			<p role="alert">
				<span class="act-now px-2 py-1">Not possible</span>
				{model.resolved}. Undo brings back what was.
			</p>
		{/if}
	</BookPage>
</div>

{#if printed === 'cards' && Cards}
	<Cards {cards} date={view.date} />
{:else if resolved}
	{#await import('./FormulaPrint.svelte') then { default: FormulaPrint }}
		<FormulaPrint
			{resolved}
			steps={model.draft.steps}
			targetCelsius={model.draft.targetCelsius}
			totalFlourGrams={totalFlour.value}
			date={view.date}
			{standing}
		/>
	{/await}
{/if}

<style>
	.below {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(280px, 100%), 1fr));
		gap: 12px;
		margin-top: 12px;
		align-items: start;
	}
	.sheet-and-figures {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 270px;
		gap: 12px 16px;
		align-items: start;
	}
	/* What a number does is seen while it is typed. */
	.beside {
		position: sticky;
		top: 8px;
	}
	@media (max-width: 1150px) {
		.sheet-and-figures {
			grid-template-columns: minmax(0, 1fr);
		}
		.beside {
			position: static;
			grid-template-columns: repeat(auto-fit, minmax(min(270px, 100%), 1fr));
			align-items: start;
		}
	}
	.column {
		display: grid;
		gap: 12px;
		min-width: 0;
	}
</style>
