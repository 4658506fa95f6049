<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../../client/room-context.ts';
	import type { IngredientDetailView } from '../../../contracts/book-views.ts';
	import {
		INGREDIENT_KINDS,
		type IngredientKind,
		type RollingRange
	} from '../../../core/formula/index.ts';
	import { id, type IngredientId, type PlaceId } from '../../../core/identity.ts';
	import { formatNumber, formatTemperature } from '../../../core/units/index.ts';
	import Choice from '../../../ui/Choice.svelte';
	import { CAUSTIC_CAUTION, INGREDIENT_KIND_TEXT } from '../../../wording/kind-text.ts';
	import EditPage from '../fields/EditPage.svelte';
	import { Edited } from '../../../fields/edited.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import DeliveryForm from './DeliveryForm.svelte';
	import RollingFields from './RollingFields.svelte';
	import { usualOf } from '../../../core/mixing/index.ts';

	interface Props {
		view: IngredientDetailView;
	}
	let { view }: Props = $props();
	const room = useRoom();

	const edited = untrack(() => {
		const { ingredient, version } = view;
		const usual = usualOf('flour');
		return new Edited(
			{
				ingredientId: ingredient?.id ?? id<IngredientId>(crypto.randomUUID()),
				expectedVersion: version,
				name: ingredient?.name ?? '',
				ingredientKind: ingredient?.kind ?? ('flour' as const),
				composition: { ...(ingredient?.composition ?? usual.composition) },
				yeastFreshEquivalent: ingredient?.yeastFreshEquivalent ?? usual.yeastFreshEquivalent,
				allergens: [...(ingredient?.allergens ?? [])],
				heatCapacity: ingredient?.heatCapacity.kilojoulesPerKilogramKelvin ?? usual.heatCapacity,
				density: ingredient?.density?.kilogramsPerLitre ?? null,
				purityShare: ingredient?.purity.share ?? 1,
				rolling: ingredient?.rolling ? { ...ingredient.rolling } : null,
				pricePerKilogram: ingredient?.pricePerKilogram ?? null,
				weighedOn: ingredient?.weighedOn ?? null,
				placeId: ingredient?.placeId ?? null
			},
			`jovet.ingredient.unsaved.${ingredient?.id ?? 'new'}.${version}`,
			async () => (await import('../kept-schemas.ts')).keptIngredient,
			room.retries
		);
	});
	let message = $state('');
	const { value } = $derived(edited);
	const { composition } = $derived(value);
	const named = $derived(
		composition.flour + composition.water + composition.fat + composition.sugar
	);
	const overfull = $derived(named > 1 + 1e-6);
	const sentence = $derived.by(() => {
		const name = value.name || 'A new ingredient';
		const counts =
			composition.flour > 0
				? composition.flour === 1
					? ', all of it counted as flour'
					: `, ${formatNumber(composition.flour * 100, 0)} % of it counted as flour`
				: '';
		return `${name}: ${INGREDIENT_KIND_TEXT[value.ingredientKind]}${counts}.`;
	});

	/** A new ingredient takes what is usual for its kind; one that is there keeps its figures. */
	function setKind(kind: IngredientKind) {
		if (view.ingredient) edited.set({ ingredientKind: kind });
		else {
			const usual = usualOf(kind);
			edited.set({
				ingredientKind: kind,
				composition: { ...usual.composition },
				yeastFreshEquivalent: usual.yeastFreshEquivalent,
				heatCapacity: usual.heatCapacity
			});
		}
	}
	/** Where its kind stands unless it says otherwise, and the bakery's places. */
	const standings = $derived.by(() => {
		const { places, units } = room.bakery;
		const role = value.ingredientKind === 'flour' ? 'flour' : 'bakehouse';
		const usual = places.find((place) => place.role === role);
		const note = (celsius: number) => formatTemperature({ celsius }, 1, units);
		return [
			{ value: '', label: `${usual?.name ?? 'the room'}, as usual` },
			...places
				.filter((place) => place !== usual)
				.map(({ id: value, name, celsius }) => ({ value, label: name, note: note(celsius) }))
		];
	});
	const SHARES = [
		{ key: 'flour', name: 'Counts as flour' },
		{ key: 'wholegrainOfFlour', name: 'of that flour, wholegrain' },
		{ key: 'water', name: 'Water' },
		{ key: 'fat', name: 'Fat' },
		{ key: 'sugar', name: 'Sugar' }
	] as const;
	const setShare = (key: keyof typeof composition, number: number | null) =>
		edited.set({ composition: { ...composition, [key]: (number ?? 0) / 100 } });
	const command = () => ({
		kind: 'save-ingredient' as const,
		occurredAtMs: Math.round(room.now.epochMs),
		...value
	});
</script>

<EditPage
	date={view.date}
	book={view.book}
	shelf="ingredients"
	what="ingredient"
	saved={view.ingredient}
	newId={value.ingredientId}
	{sentence}
	state="Saved."
	saveLabel="Save the ingredient"
	sound={!overfull}
	{edited}
	bind:message
	{command}
>
	{#if view.usedBy.length > 0}
		<p class="mb-2">
			<b>In {view.usedBy.join(', ')}.</b> Saving changes what they come to; their amounts stay.
		</p>
	{/if}
	<div class="columns">
		<section class="border border-line bg-sheet p-4" aria-labelledby="what">
			<h2 id="what" class="mb-2">What it is</h2>
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
			<label class="mb-1 flex items-center justify-between gap-3">
				Kind
				<select
					name="ingredientKind"
					class="field"
					value={value.ingredientKind}
					onchange={(event) => setKind(event.currentTarget.value as IngredientKind)}
				>
					{#each INGREDIENT_KINDS as kind (kind)}<option value={kind}
							>{INGREDIENT_KIND_TEXT[kind]}</option
						>{/each}
				</select>
			</label>
			<label class="mb-1 block">
				Allergens, with commas
				<input
					name="allergens"
					class="field w-full"
					value={value.allergens.join(', ')}
					maxlength="600"
					onchange={(event) =>
						edited.set({
							allergens: event.currentTarget.value
								.split(',')
								.map((word) => word.trim())
								.filter((word) => word !== '')
						})}
				/>
			</label>
			<p class="text-note text-ink-2">The site’s own allergen list comes first.</p>
			<NumberField
				label="Price of a kilogram{view.currency ? `, ${view.currency}` : ''}"
				value={value.pricePerKilogram}
				decimals={3}
				least={0}
				most={100000}
				optional
				onSet={(number: number | null) => edited.set({ pricePerKilogram: number })}
			/>
			<label class="flex items-center justify-between gap-3">
				Weighed on
				<select
					name="weighedOn"
					class="field"
					value={value.weighedOn ?? ''}
					onchange={(event) => edited.set({ weighedOn: event.currentTarget.value || null })}
				>
					<option value="">the finest scale that carries it</option>
					{#each view.scales as scale (scale.name)}<option value={scale.name}>{scale.name}</option
						>{/each}
				</select>
			</label>
			<div class="mt-1 flex items-center justify-between gap-3">
				<span class="whitespace-nowrap">Stands in</span>
				<Choice
					label="Where it stands"
					options={standings}
					value={value.placeId ?? ''}
					onSet={(place: string) =>
						edited.set({ placeId: place === '' ? null : id<PlaceId>(place) })}
				/>
			</div>
			<p class="text-note text-ink-2">
				Until it is weighed it is as warm as that place, and so goes into the bowl.
			</p>
			{#if value.ingredientKind === 'caustic'}
				<NumberField
					label="Pure"
					value={value.purityShare * 100}
					unit="%"
					least={1}
					most={100}
					onSet={(number: number | null) => edited.set({ purityShare: (number ?? 100) / 100 })}
				/>
				<p class="mt-3 border-2 border-ink p-3 font-bold">{CAUSTIC_CAUTION}</p>
			{/if}
		</section>
		<section class="border border-line bg-sheet p-4" aria-labelledby="made-of">
			<h2 id="made-of" class="mb-2">What it is made of</h2>
			{#each SHARES as { key, name } (key)}
				<NumberField
					label={name}
					value={composition[key] * 100}
					unit="%"
					least={0}
					most={100}
					onSet={(number: number | null) => setShare(key, number)}
				/>
			{/each}
			{#if overfull}
				<p role="alert">
					<span class="act-now px-2">Too much</span> Flour, water, fat and sugar come to
					{formatNumber(named * 100, 1)} %. Remove some.
				</p>
			{/if}
			<NumberField
				label="Fresh yeast that one gram stands for"
				value={value.yeastFreshEquivalent}
				unit="g"
				decimals={2}
				least={0}
				most={10}
				onSet={(number: number | null) => edited.set({ yeastFreshEquivalent: number ?? 0 })}
			/>
			<NumberField
				label="Heat capacity"
				value={value.heatCapacity}
				unit="kJ/(kg K)"
				decimals={3}
				least={0.1}
				most={10}
				onSet={(number: number | null) =>
					edited.set({ heatCapacity: number ?? value.heatCapacity })}
			/>
			<NumberField
				label="Density, for recipes in litres"
				value={value.density}
				unit="kg/l"
				decimals={3}
				least={0.01}
				most={5}
				optional
				onSet={(number: number | null) => edited.set({ density: number })}
			/>
			{#if value.ingredientKind === 'fat'}
				<RollingFields
					rolling={value.rolling}
					onSet={(rolling: RollingRange | null) => edited.set({ rolling })}
				/>
			{/if}
		</section>
	</div>
	{#if view.ingredient && view.ingredient.kind === 'flour'}
		<DeliveryForm {view} ingredient={view.ingredient} />
	{/if}
</EditPage>

<style>
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(320px, 100%), 1fr));
		gap: 12px;
		align-items: start;
	}
</style>
