<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaView } from '../../contracts/views.ts';
	import {
		mixedShare,
		scaledWithin,
		stagesInOrder,
		type Material,
		type ResolvedFormula,
		type ScaleStart
	} from '../../core/formula/index.ts';
	import { sheetShare } from '../../core/sheeting/index.ts';
	import { formatBulk, formatMass, formatNumber, parseNumber } from '../../core/units/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { scaleFailureText } from '../../wording/failure-text.ts';
	import type { Explained } from '../../core/explain/index.ts';
	import type { MadePieces } from './scaled-sheet.ts';

	interface Props {
		view: FormulaView;
		resolved: ResolvedFormula;
		totalFlourGrams: number;
		/** The flour as a weight typed into the sheet made it; null while it follows what is scaled from here. */
		typedFlour: { readonly grams: number } | null;
		mostDoughGrams: number | null;
		/** The total flour wanted, with its arithmetic. */
		onScale: (flour: Explained, made: readonly MadePieces[]) => void;
	}
	let { view, resolved, totalFlourGrams, typedFlour, mostDoughGrams, onScale }: Props = $props();
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
	/** What stands in the box for a flour that is no whole gram. */
	let exact: { readonly text: string; readonly grams: number } | null = $state.raw(null);
	let fill = $state('80');
	let material = $state('');
	/** What there is at most of some materials, beside what is scaled from. */
	let limits: { readonly key: string; readonly kilograms: string }[] = $state([]);

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
	const piecesAt = (at: number) => number(pieces[at] ?? '') || 0;
	const wanted = $derived.by((): ScaleStart => {
		const grams = kilograms === exact?.text ? exact.grams : number(kilograms) * 1000;
		switch (start) {
			case 'pieces':
				return {
					kind: 'pieces',
					products: view.products.map(({ name, scaledGrams, sheet }, at) => ({
						name,
						pieces: piecesAt(at),
						scaledWeight: { grams: scaledGrams },
						sheetShare: sheetShare(sheet, piecesAt(at))
					}))
				};
			case 'baked-pieces':
				return {
					kind: 'baked-pieces',
					products: view.products.map(({ name, sheet }, at) => ({
						name,
						pieces: piecesAt(at),
						sheetShare: sheetShare(sheet, piecesAt(at)),
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
	const result = $derived(
		scaledWithin(
			wanted,
			limits.flatMap(({ key, kilograms }) => {
				const found = materials.find((material) => material.key === key);
				const grams = number(kilograms) * 1000;
				return found && grams >= 0
					? [{ material: found.material, name: found.name, most: { grams } }]
					: [];
			}),
			resolved
		)
	);
	const free = $derived(materials.filter(({ key }) => !limits.some((limit) => limit.key === key)));
	function setLimit(at: number, change: Partial<(typeof limits)[number]>) {
		limits = limits.map((limit, index) => (index === at ? { ...limit, ...change } : limit));
	}
	const dough = $derived(
		result.ok ? (result.value.flour.value * resolved.final.percentOfFlour) / 100 : 0
	);
	const most = $derived(Math.min(mostDoughGrams ?? Infinity, view.mixerMostGrams));
	const mixes = $derived(
		Math.max(1, Math.ceil((dough * mixedShare(resolved.final)) / most - 1e-9))
	);

	const counted = $derived.by(() => start === 'pieces' || start === 'baked-pieces');
	/** The pieces it makes: whole ones, where a limit leaves room for fewer than were asked for. */
	const made = $derived.by((): readonly MadePieces[] => {
		if (!counted || !result.ok) return [];
		const { fits } = result.value;
		return view.products.flatMap((product, at) => {
			const count = Math.floor((number(pieces[at] ?? '') || 0) * fits + 1e-9);
			return count > 0 ? [{ product, pieces: count }] : [];
		});
	});
	/** The sheet follows what is asked for here at once. */
	$effect(() => {
		if (result.ok) onScale(result.value.flour, made);
	});
	/** A weight that was typed into the sheet is an amount of flour asked for. */
	$effect(() => {
		if (typedFlour === null) return;
		start = 'total-flour';
		limits = [];
		kilograms = String(Math.round(typedFlour.grams) / 1000);
		exact = { text: kilograms, grams: typedFlour.grams };
	});
	function open() {
		if (result.ok && result.value.flour.kind === 'worked')
			room.explain(
				result.value.flour,
				`Total flour, ${formatMass({ grams: result.value.flour.value }, 0, units)}`
			);
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="scale" data-scale>
	<h2 id="scale" class="mb-2">Scale</h2>
	<label class="block">
		from
		<select name="Scale from" class="field" bind:value={start} aria-label="Scale from">
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
						name="Pieces of {product.name}"
						class="field small"
						inputmode="numeric"
						bind:value={pieces[at]}
						aria-label="Pieces of {product.name}"
					/>
					×
					{#if start === 'pieces'}{formatMass({ grams: product.scaledGrams }, 0, units)}
					{:else}<input
							name="Baked grams of {product.name}"
							class="field small"
							inputmode="numeric"
							bind:value={bakedGrams[at]}
							aria-label="Baked grams of {product.name}"
						/>
						g less
						<input
							name="Lost in the oven of {product.name}, percent"
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
				name="Mixer filled to, percent"
				class="field small"
				inputmode="decimal"
				bind:value={fill}
				aria-label="Mixer filled to, percent"
			/>
			% of {formatBulk({ grams: most }, units)}</label
		>
	{:else}
		{#if start === 'on-hand'}
			<div class="mt-2">
				<Choice
					label="What is on hand"
					options={materials.map(({ key, name }) => ({ value: key, label: name }))}
					value={material === '' ? (materials[0]?.key ?? '') : material}
					onSet={(key: string) => (material = key)}
				/>
			</div>
		{/if}
		<label class="mt-2 block"
			><input
				name="Kilograms"
				class="field small"
				inputmode="decimal"
				bind:value={kilograms}
				aria-label="Kilograms"
			/> kg</label
		>
	{/if}
	{#each limits as limit, at (limit.key)}
		{@const name = materials.find(({ key }) => key === limit.key)?.name ?? ''}
		<div class="mt-2 flex flex-wrap items-center gap-2" data-limit={name}>
			<span>at most</span>
			<input
				name="At most, {name}, kilograms"
				class="field small"
				inputmode="decimal"
				value={limit.kilograms}
				oninput={(event) => setLimit(at, { kilograms: event.currentTarget.value })}
				aria-label="At most, {name}, kilograms"
			/>
			<span>kg of {name}</span>
			<button
				type="button"
				class="action-small"
				aria-label="Remove the limit of {name}"
				onclick={() => (limits = limits.filter((_, index) => index !== at))}>Remove</button
			>
		</div>
	{/each}
	<div class="mt-2">
		<Choice
			label="A limit to add"
			placeholder="and at most so much of"
			options={free.map(({ key, name }) => ({ value: key, label: name }))}
			value=""
			onSet={(key: string) => (limits = [...limits, { key, kilograms: '' }])}
		/>
	</div>
	{#if result.ok}
		<p class="mt-3 text-lead" data-scaled>
			<button
				class="cursor-pointer font-bold underline decoration-dotted underline-offset-4"
				onclick={open}>{formatMass({ grams: result.value.flour.value }, 0, units)} of flour</button
			>,
			{formatMass({ grams: dough }, 0, units)} of dough, {mixes === 1
				? 'one mix'
				: `${mixes} mixes`}
		</p>
		{#if result.value.gives}
			<p data-gives>
				<b>{result.value.gives.name} gives:</b>
				{formatMass(result.value.gives.most, 0, units)} of it are enough for {formatNumber(
					Math.floor(result.value.fits * 1000) / 10,
					1
				)} % of what was asked for{counted
					? `, ${made.map(({ product, pieces }) => `${pieces} ${product.name}`).join(', ')}`
					: ''}.
			</p>
		{/if}
	{:else}
		<p class="mt-3" role="status">{scaleFailureText(result.error)}</p>
	{/if}
	{#if !result.ok}
		<p class="mt-2 text-note text-ink-2">
			The sheet in grams stays at {formatMass({ grams: totalFlourGrams }, 0, units)} of flour.
		</p>
	{/if}
</section>

<style>
	.small {
		width: 84px;
		text-align: right;
	}
</style>
