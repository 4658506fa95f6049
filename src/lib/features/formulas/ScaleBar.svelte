<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaView } from '../../contracts/views.ts';
	import {
		mixedShare,
		stagesInOrder,
		totalFlourFrom,
		type Material,
		type ResolvedFormula,
		type ScaleStart
	} from '../../core/formula/index.ts';
	import { formatBulk, formatMass, parseNumber } from '../../core/units/index.ts';
	import { scaleFailureText } from '../../wording/failure-text.ts';

	import type { Explained } from '../../core/explain/index.ts';
	import type { MadePieces } from './scaled-sheet.ts';

	interface Props {
		view: FormulaView;
		resolved: ResolvedFormula;
		totalFlourGrams: number;
		mostDoughGrams: number | null;
		/** The total flour wanted, with its arithmetic. */
		onScale: (flour: Explained, made: readonly MadePieces[]) => void;
	}
	let { view, resolved, totalFlourGrams, mostDoughGrams, onScale }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const STARTS = [
		{ value: 'pieces', label: 'pieces' },
		{ value: 'baked-pieces', label: 'pieces by baked weight' },
		{ value: 'dough', label: 'an amount of dough' },
		{ value: 'total-flour', label: 'an amount of flour' },
		{ value: 'on-hand', label: 'what is on hand' },
		{ value: 'mixer-fill', label: "the mixer's fill" }
	] as const;
	type Start = (typeof STARTS)[number]['value'];
	let start: Start = $state('total-flour');
	let pieces = $state(untrack(() => view.products.map((product) => String(product.ordered))));
	let bakedGrams = $state(
		untrack(() =>
			view.products.map((product) =>
				String(Math.round(product.bakedGrams ?? product.scaledGrams * (1 - product.bakeLossShare)))
			)
		)
	);
	let bakeLoss = $state(
		untrack(() =>
			view.products.map((product) => String(Math.round(product.bakeLossShare * 1000) / 10))
		)
	);
	let kilograms = $state(untrack(() => String(totalFlourGrams / 1000)));
	let fill = $state('80');
	let material = $state('');

	const materials = $derived.by(() => {
		const all: { key: string; name: string; material: Material }[] = [];
		const add = (name: string, added: Material) => {
			const key = JSON.stringify(added);
			if (!all.some((other) => other.key === key)) all.push({ key, name, material: added });
		};
		for (const stage of stagesInOrder(resolved.final)) {
			if (stage.preparation)
				add(`${stage.name}, ripe`, { kind: 'preparation', preparationId: stage.preparation.id });
			for (const { ingredient } of stage.lines)
				add(ingredient.name, { kind: 'ingredient', ingredientId: ingredient.id });
		}
		return all;
	});
	const number = (text: string) => {
		const read = parseNumber(text);
		return read.ok ? read.value : Number.NaN;
	};
	const wanted = $derived.by((): ScaleStart => {
		const grams = number(kilograms) * 1000;
		switch (start) {
			case 'pieces':
				return {
					kind: 'pieces',
					products: view.products.map(({ name, scaledGrams }, at) => ({
						name,
						pieces: number(pieces[at] ?? '') || 0,
						scaledWeight: { grams: scaledGrams }
					}))
				};
			case 'baked-pieces':
				return {
					kind: 'baked-pieces',
					products: view.products.map(({ name }, at) => ({
						name,
						pieces: number(pieces[at] ?? '') || 0,
						bakedWeight: { grams: number(bakedGrams[at] ?? '') || 0 },
						bakeLoss: { share: Math.min(0.6, Math.max(0, (number(bakeLoss[at] ?? '') || 0) / 100)) }
					}))
				};
			case 'dough':
				return { kind: 'dough', dough: { grams } };
			case 'total-flour':
				return { kind: 'total-flour', flour: { grams } };
			case 'on-hand': {
				const chosen = materials.find((other) => other.key === material) ?? materials[0];
				return {
					kind: 'on-hand',
					material: chosen?.material ?? { kind: 'ingredient', ingredientId: '' as never },
					onHand: { grams }
				};
			}
			case 'mixer-fill':
				return {
					kind: 'mixer-fill',
					mostDough: { grams: most },
					fill: { share: (number(fill) || 0) / 100 }
				};
		}
	});
	const result = $derived(totalFlourFrom(wanted, resolved));
	const dough = $derived(
		result.ok ? (result.value.value * resolved.final.percentOfFlour) / 100 : 0
	);
	const most = $derived(Math.min(mostDoughGrams ?? Infinity, view.mixerMostGrams));
	const mixes = $derived(
		Math.max(1, Math.ceil((dough * mixedShare(resolved.final)) / most - 1e-9))
	);

	function apply() {
		if (!result.ok) return;
		const counted = start === 'pieces' || start === 'baked-pieces';
		onScale(
			result.value,
			counted
				? view.products.flatMap((product, at) => {
						const count = number(pieces[at] ?? '') || 0;
						return count > 0 ? [{ product, pieces: count }] : [];
					})
				: []
		);
	}
	function open() {
		if (result.ok && result.value.kind === 'worked')
			room.explain(
				result.value,
				`Total flour, ${formatMass({ grams: result.value.value }, 0, units)}`
			);
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="scale" data-scale>
	<h2 id="scale" class="mb-2">Scale</h2>
	<label class="block">
		from
		<select class="field" bind:value={start} aria-label="Scale from">
			{#each STARTS as start (start.value)}<option value={start.value}>{start.label}</option>{/each}
		</select>
	</label>
	{#if start === 'pieces' || start === 'baked-pieces'}
		{#if view.products.length === 0}<p class="mt-2">
				No product is made from this formula yet.
			</p>{/if}
		{#each view.products as product, at (product.name)}
			<div class="mt-2 flex flex-wrap items-center justify-between gap-2">
				<span>{product.name}</span>
				<span class="whitespace-nowrap">
					<input
						class="field small"
						inputmode="numeric"
						bind:value={pieces[at]}
						aria-label="Pieces of {product.name}"
					/>
					×
					{#if start === 'pieces'}{formatMass({ grams: product.scaledGrams }, 0, units)}
					{:else}<input
							class="field small"
							inputmode="numeric"
							bind:value={bakedGrams[at]}
							aria-label="Baked grams of {product.name}"
						/>
						g less
						<input
							class="field small"
							inputmode="decimal"
							bind:value={bakeLoss[at]}
							aria-label="Lost in the oven of {product.name}, percent"
						/> %{/if}
				</span>
				{#if product.alongside.length > 0}
					<span class="block w-full text-note text-ink-2"
						>with {product.alongside.join(', ')}; its own page scales all of it</span
					>
				{/if}
			</div>
		{/each}
	{:else if start === 'mixer-fill'}
		<label class="mt-2 block"
			>filled to <input
				class="field small"
				inputmode="decimal"
				bind:value={fill}
				aria-label="Mixer filled to, percent"
			/>
			% of {formatBulk({ grams: most }, units)}</label
		>
	{:else}
		{#if start === 'on-hand'}
			<label class="mt-2 block">
				<select class="field" bind:value={material} aria-label="What is on hand">
					{#each materials as material (material.key)}<option value={material.key}
							>{material.name}</option
						>{/each}
				</select>
			</label>
		{/if}
		<label class="mt-2 block"
			><input
				class="field small"
				inputmode="decimal"
				bind:value={kilograms}
				aria-label="Kilograms"
			/> kg</label
		>
	{/if}
	{#if result.ok}
		<p class="mt-3 text-lead" data-scaled>
			<button
				class="cursor-pointer font-bold underline decoration-dotted underline-offset-4"
				onclick={open}>{formatBulk({ grams: result.value.value }, units)} of flour</button
			>,
			{formatBulk({ grams: dough }, units)} of dough, {mixes === 1 ? 'one mix' : `${mixes} mixes`}
		</p>
		<button class="action-lesser mt-2" onclick={apply}>Show the sheet at this size</button>
	{:else}
		<p class="mt-3" role="status">{scaleFailureText(result.error)}</p>
	{/if}
	<p class="mt-2 text-note text-ink-2">
		The sheet in grams stands at {formatBulk({ grams: totalFlourGrams }, units)} of flour.
	</p>
</section>

<style>
	.small {
		width: 84px;
		text-align: right;
	}
</style>
