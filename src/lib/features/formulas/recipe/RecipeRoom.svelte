<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../../client/room-context.ts';
	import type { PreparationDetailView } from '../../../contracts/book-views.ts';
	import {
		isPerishable,
		allergensOf,
		buildFiguresOf,
		explainBuildFigure,
		firstStepsOf,
		PREPARATION_KINDS,
		resolveAlone,
		strengthOf as bathStrength,
		type BathUse,
		type BuildFigureKey,
		type Pantry,
		type Preparation,
		type PreparationKind,
		type PreparationLine,
		type Step,
		USUAL_BUILD_LOSS_SHARE
	} from '../../../core/formula/index.ts';
	import { id, type PreparationId } from '../../../core/identity.ts';
	import { formatNumber } from '../../../core/units/index.ts';
	import { formulaFailureText } from '../../../wording/failure-text.ts';
	import {
		CAUSTIC_CAUTION,
		PERISHABLE_CAUTION,
		PREPARATION_KIND_TEXT
	} from '../../../wording/kind-text.ts';
	import EditPage from '../fields/EditPage.svelte';
	import { Edited } from '../../../fields/edited.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import SeedRatio from '../SeedRatio.svelte';
	import StepsEditor from '../steps/StepsEditor.svelte';
	import PeakOffer from './PeakOffer.svelte';
	import RecipeLines from './RecipeLines.svelte';
	import Term from '../../../ui/Term.svelte';

	interface Props {
		view: PreparationDetailView;
	}
	let { view }: Props = $props();
	const room = useRoom();

	// A new one keeps its identity while it is being written, so that saving twice makes one.
	const edited = untrack(() => {
		const { preparation, revision, steps } = view;
		return new Edited(
			{
				preparationId: preparation?.id ?? crypto.randomUUID(),
				expectedRevision: revision,
				name: preparation?.name ?? '',
				preparationKind: preparation?.kind ?? ('build' as const),
				buildLossShare: preparation?.buildLoss.share ?? USUAL_BUILD_LOSS_SHARE,
				takeBackGrams: preparation?.takeBackGrams ?? 0,
				bath: preparation?.bath ?? null,
				lines: (preparation?.lines ?? []).map((line) => ({ ...line })),
				steps: [...steps]
			},
			`jovet.build.unsaved.${preparation?.id ?? 'new'}.${revision}`,
			async () => (await import('../kept-schemas.ts')).keptPreparation,
			room.retries
		);
	});
	let message = $state('');
	const { value } = $derived(edited);
	const preparation = $derived.by((): Preparation => {
		const { preparationId, name, preparationKind, lines, buildLossShare, takeBackGrams } = value;
		const { bath } = value;
		return {
			id: id<PreparationId>(preparationId),
			name: name || 'it',
			kind: preparationKind,
			lines,
			buildLoss: { share: buildLossShare },
			takeBackGrams,
			...(preparationKind === 'bath' && bath ? { bath } : {})
		};
	});
	const pantry = $derived<Pantry>({
		causticMost: view.causticMost,
		ingredients: new Map(view.ingredients.map((ingredient) => [ingredient.id, ingredient])),
		preparations: new Map(view.preparations.map((preparation) => [preparation.id, preparation]))
	});
	const alone = $derived(resolveAlone(preparation, pantry));
	/** As the revision that stands is made. */
	const before = $derived(view.preparation ? resolveAlone(view.preparation, pantry) : null);
	const percent = (number: number, decimals = 1) => `${formatNumber(number, decimals)} %`;
	const figures = $derived(alone.ok ? buildFiguresOf(alone.value) : null);
	const opened = $derived<readonly BuildFigureKey[]>(
		figures?.seedRatio ? ['hydration', 'inoculation'] : ['hydration']
	);
	const sentence = $derived.by(() => {
		const name = value.name || 'A new recipe';
		if (value.lines.length === 0) return `${name} has nothing in it yet.`;
		if (!alone.ok) return `${name} cannot be made as it stands.`;
		const kind = PREPARATION_KIND_TEXT[value.preparationKind];
		const strength = strengthOf();
		if (strength) return `${name}: ${strength}.`;
		if (!figures || figures.hydration === 0)
			return `${name}: a ${kind} of ${value.lines.length === 1 ? 'one line' : `${value.lines.length} lines`}.`;
		const seed = figures.seedRatio
			? `, seeded 1 : ${formatNumber(figures.seedRatio.flour, 1)} : ${formatNumber(figures.seedRatio.water, 1)}`
			: '';
		return `${name}: a ${kind} at ${percent(figures.hydration, 0)} water${seed}.`;
	});
	/** A bath is stated both ways, so that nobody takes the one for the other. */
	function strengthOf(): string | null {
		if (!alone.ok || value.preparationKind !== 'bath') return null;
		const [caustic, ...others] = alone.value.lines.filter(
			({ ingredient }) => ingredient.kind === 'caustic'
		);
		const water = alone.value.lines.find(({ ingredient }) => ingredient.kind === 'water');
		if (!caustic || !water || others.length > 0) return null;
		const told = bathStrength(
			{
				water: { grams: water.percentOfFlour },
				solid: { grams: caustic.percentOfFlour }
			},
			caustic.ingredient.purity
		);
		return `${percent(told.shareOfSolution * 100, 2)} of the solution, ${formatNumber(told.gramsPerKilogramOfWater, 1)} g to a kilogram of water`;
	}
	const caustic = $derived(
		alone.ok && alone.value.lines.some((line) => line.ingredient.kind === 'caustic')
	);
	const others = $derived(
		view.preparations.filter((preparation) => preparation.id !== value.preparationId)
	);

	const setLines = (lines: readonly PreparationLine[]) => edited.set({ lines: [...lines] });
	function setKind(kind: PreparationKind) {
		const untouched =
			JSON.stringify(value.steps) === JSON.stringify(firstStepsOf(value.preparationKind));
		edited.set({
			preparationKind: kind,
			...(untouched ? { steps: [...firstStepsOf(kind)] } : {})
		});
	}
	const command = () => ({
		kind: 'save-preparation' as const,
		occurredAtMs: Math.round(room.now.epochMs),
		...value
	});
</script>

<EditPage
	date={view.date}
	book={view.book}
	shelf="preparations"
	what="build"
	saved={view.preparation && { ...view.preparation, retired: view.retired }}
	newId={value.preparationId}
	{sentence}
	state={`Revision ${view.revision}.`}
	saveLabel={`Save as revision ${view.revision + 1}`}
	sound={alone.ok}
	{edited}
	bind:message
	{command}
>
	{#if view.usedBy.length > 0}
		<p class="mb-2">
			<b>In {view.usedBy.join(', ')}.</b> Saving changes it in all of them, and each dough keeps its total
			as far as it can; what was baked stays as it was.
		</p>
	{/if}
	<div class="columns">
		<section class="border border-line bg-sheet p-4" aria-labelledby="recipe">
			<h2 id="recipe" class="mb-2">The recipe</h2>
			<label class="mb-1 block">
				Name
				<input
					name="name"
					class="field w-full"
					value={value.name}
					maxlength="200"
					onchange={(event) => edited.set({ name: event.currentTarget.value.trim() })}
				/>
			</label>
			<label class="mb-2 flex items-center justify-between gap-3">
				It is a
				<select
					name="preparationKind"
					class="field"
					value={value.preparationKind}
					onchange={(event) => setKind(event.currentTarget.value as PreparationKind)}
				>
					{#each PREPARATION_KINDS as kind (kind)}<option value={kind}
							>{PREPARATION_KIND_TEXT[kind]}</option
						>{/each}
				</select>
			</label>
			<RecipeLines
				lines={value.lines}
				alone={alone.ok ? alone.value : null}
				ingredients={view.ingredients}
				preparations={others}
				onLines={setLines}
				onProblem={(text: string) => (message = text)}
			/>
			{#if !alone.ok && value.lines.length > 0}
				<p class="mt-2" role="alert">
					<span class="act-now px-2">Not possible</span>
					{formulaFailureText(alone.error)}.
				</p>
			{/if}
			{#if value.preparationKind === 'build' && alone.ok && isPerishable(alone.value)}
				<p class="mt-3 font-bold" data-perishable>{PERISHABLE_CAUTION}</p>
			{/if}
			{#if caustic}<p class="mt-3 border-2 border-ink p-3 font-bold">{CAUSTIC_CAUTION}</p>{/if}
		</section>
		<section class="border border-line bg-sheet p-4" aria-labelledby="making">
			<h2 id="making" class="mb-2">Making it</h2>
			<NumberField
				label={value.preparationKind === 'fat' ? 'Lost when it is prepared' : 'Left in the tub'}
				value={value.buildLossShare * 100}
				unit="%"
				least={0}
				most={90}
				onSet={(number: number | null) => edited.set({ buildLossShare: (number ?? 0) / 100 })}
			/>
			{#if value.preparationKind === 'build'}
				<NumberField
					label="Ripe starter kept back for the next feed"
					value={value.takeBackGrams}
					unit="g"
					decimals={0}
					least={0}
					most={1000000}
					onSet={(number: number | null) => edited.set({ takeBackGrams: number ?? 0 })}
				/>
				{#if value.takeBackGrams > 0}<p class="text-note text-ink-2">
						Taking it is a task before mixing. Close the jar loosely: live culture can burst a
						closed one.
					</p>{/if}
			{/if}
			{#if value.preparationKind === 'fat' && value.buildLossShare > 0}
				<p class="text-note text-ink-2" data-yield>
					1 kg taken leaves {formatNumber((1 - value.buildLossShare) * 1000, 0)} g; for 1 kg of it take
					{formatNumber(1000 / (1 - value.buildLossShare), 0)} g. Fat that is clarified loses its water
					and milk solids.
				</p>
			{/if}
			{#if alone.ok && figures && figures.hydration > 0}
				{@const stage = alone.value}
				<dl class="pairs mt-2">
					{#each opened as key (key)}
						{@const name = key === 'hydration' ? 'Hydration' : 'Inoculation'}
						<dt><Term of={key}>{name}</Term></dt>
						<dd>
							<button
								class="cursor-pointer underline decoration-dotted underline-offset-4"
								aria-label="{name} {percent(figures[key])}, open the arithmetic"
								onclick={() =>
									room.explain(
										explainBuildFigure(stage, key),
										`${stage.name}, ${name.toLowerCase()} ${percent(figures[key])}`
									)}>{percent(figures[key])}</button
							>
						</dd>
					{/each}
				</dl>
				<SeedRatio {stage} />
			{/if}
			<p class="mt-2">
				<b>Allergens:</b>
				{(alone.ok ? allergensOf(alone.value) : []).join(', ') || 'none named'}.
				<span class="text-note text-ink-2">The site’s own list comes first.</span>
			</p>
		</section>
	</div>
	{#if value.preparationKind === 'bath'}
		{#await import('./BathPanel.svelte') then { default: BathPanel }}
			<BathPanel
				{view}
				lines={value.lines}
				bath={value.bath}
				onLines={setLines}
				onBath={(bath: BathUse) => edited.set({ bath })}
			/>
		{/await}
	{/if}
	{#if alone.ok && value.preparationKind === 'build'}
		<PeakOffer
			before={before?.ok ? before.value : null}
			stepsBefore={view.steps}
			now={alone.value}
			steps={value.steps}
			onSet={(steps: Step[]) => edited.set({ steps })}
		/>
	{/if}
	<StepsEditor
		title="How it is made"
		steps={value.steps}
		onSet={(steps: readonly Step[]) => edited.set({ steps: [...steps] })}
	/>
</EditPage>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
		gap: 12px;
		align-items: start;
	}
	.pairs {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 2px 12px;
	}
	dd {
		font-weight: 700;
		text-align: right;
	}
</style>
