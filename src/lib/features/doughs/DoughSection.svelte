<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { mixedShare } from '../../core/formula/index.ts';
	import { fitsMixer, type Dough, type Mix } from '../../core/production/index.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { formatBulk, formatMass, formatNumber } from '../../core/units/index.ts';
	import WeighUpTable from '../../sheets/WeighUpTable.svelte';
	import Term from '../../ui/Term.svelte';

	interface Props {
		dough: Dough;
		date: BakeDate;
	}
	let { dough, date }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const formula = $derived(dough.resolved.formula);
	/** Mixes that are weighed alike; what was begun stands for itself. */
	const groups = $derived.by(() => {
		const found: Mix[][] = [];
		for (const mix of dough.mixes) {
			const alike = found.find(([one]) => one && one.lines === mix.lines && one.made === mix.made);
			if (alike) alike.push(mix);
			else found.push([mix]);
		}
		return found.flatMap((mixes) => (mixes[0] ? [{ first: mixes[0], mixes }] : []));
	});
	const mass = (grams: number) => formatMass({ grams }, 0, units);
	const percent = (value: number, decimals = 1) => `${formatNumber(value, decimals)} %`;
	const figures = $derived([
		{ name: 'Hydration', term: 'hydration' as const, value: percent(dough.figures.hydration) },
		{
			name: 'without soakers',
			term: 'hydration-without-soakers' as const,
			value: percent(dough.figures.hydrationWithoutSoakers)
		},
		{
			name: 'effective',
			term: 'effective-hydration' as const,
			value: percent(dough.figures.effectiveHydration)
		},
		{
			name: 'Pre-fermented flour',
			term: 'pre-fermented-flour' as const,
			value: percent(dough.figures.prefermentedFlour)
		},
		{ name: 'Wholegrain', term: 'wholegrain' as const, value: percent(dough.figures.wholegrain) },
		{ name: 'Salt', term: null, value: percent(dough.figures.salt) },
		...(dough.figures.yeastFreshEquivalent > 0
			? [
					{
						name: 'Yeast as fresh',
						term: 'yeast-as-fresh' as const,
						value: percent(dough.figures.yeastFreshEquivalent, 2)
					}
				]
			: [])
	]);
	const tooSmall = (mix: Mix) =>
		!mix.made && !fitsMixer(dough.limits, mix.dough.value * mixedShare(mix.resolved.final));
	/** "5 to 32 kg", one for each mixer. */
	const ranges = $derived(
		dough.limits
			.map(({ least, most }) => `${formatBulk(least, units)} to ${formatBulk(most, units)}`)
			.join(', or ')
	);
	/** "30 round", and of one wrapped in itself what each part is scaled at. */
	function portionText({ productId, pieces }: Mix['portions'][number]): string {
		const found = dough.products.find(({ product }) => product.id === productId)?.product;
		const parts = found?.parts ?? [];
		const scaled = parts.map(({ grams }) => mass(grams)).join(' and ');
		return `${pieces} ${found?.name ?? ''}${parts.length > 1 ? ` (${scaled} each)` : ''}`;
	}
	const numbers = (mixes: readonly Mix[]) => mixes.map((mix) => mix.ordinal).join(' and ');
</script>

{#if groups.length > 0}
	<section class="mb-6 px-5" aria-labelledby="dough-{formula.id}" data-dough={formula.name}>
		<div class="card">
			<div>
				<header class="mb-2">
					<h2 id="dough-{formula.id}">{formula.name}</h2>
					{#each groups as { first, mixes } (first.ordinal)}
						<p class="text-figure leading-tight font-bold" data-mixes>
							{mixes.length} ×
							<button
								class="cursor-pointer underline decoration-dotted underline-offset-4"
								onclick={() =>
									room.explain(first.dough, `${formula.name}, ${mass(first.dough.value)} a mix`)}
								aria-label="{formula.name} {mass(first.dough.value)} a mix, open the arithmetic"
							>
								{mass(first.dough.value)}
							</button>
							{#if first.made}<span class="text-note">begun</span>{/if}
						</p>
						{#if tooSmall(first)}
							<p class="mt-1">
								No mixer catches so little of it ({ranges}): mix it by hand, or bring orders
								together.
							</p>
						{/if}
					{/each}
					<p class="text-note text-ink-2">
						At the mixer: {ranges}.
					</p>
				</header>
				<ul class="mb-3">
					{#each dough.mixes as mix (mix.ordinal)}
						<li>
							<b>Mix {mix.ordinal}:</b>
							{mix.portions.map(portionText).join(', ')}
							<a
								class="action-lesser no-underline!"
								aria-label="Weigh up {formula.name}, mix {mix.ordinal}"
								href={resolve(`/bake/${date}/doughs/weigh/mix/${formula.id}/${mix.ordinal}`)}
								>Weigh up</a
							>
						</li>
					{/each}
					{#each dough.products.filter(({ spares }) => spares > 0) as { product, pieces, spares } (product.id)}
						<li class="text-ink-2" data-spares>
							{pieces}
							{product.name}, {spares} of them spare
						</li>
					{/each}
				</ul>
				<dl class="figures">
					{#each figures as figure (figure.name)}
						<dt>
							{#if figure.term}<Term of={figure.term}>{figure.name}</Term>{:else}{figure.name}{/if}
						</dt>
						<dd>{figure.value}</dd>
					{/each}
				</dl>
				<p class="mt-3">
					<b>Allergens:</b>
					{dough.figures.allergens.length > 0
						? dough.figures.allergens.join(', ')
						: 'none named in the formula'}.
					<span class="text-ink-2"
						>Shared benches and tools carry others; the site's own list comes first.</span
					>
				</p>
			</div>
			<div>
				{#each groups as { first, mixes } (first.ordinal)}
					<h3 class="mb-1">
						{dough.mixes.length === 1
							? 'Weigh-up of the mix'
							: mixes.length === dough.mixes.length
								? `Weigh-up of each of the ${mixes.length} mixes`
								: `Weigh-up of mix ${numbers(mixes)}`}{first.made ? ', as it was made' : ''}
					</h3>
					<WeighUpTable
						lines={first.lines}
						base="total flour"
						caption="Weigh-up of {formula.name}{groups.length > 1 ? `, mix ${numbers(mixes)}` : ''}"
					/>
				{/each}
			</div>
		</div>
	</section>
{/if}

<style>
	.card {
		display: grid;
		grid-template-columns: minmax(260px, 2fr) minmax(320px, 3fr);
		gap: 16px 32px;
		background: var(--sheet);
		border: 1px solid var(--line);
		padding: 16px;
	}
	.figures {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 1px 16px;
		max-width: 320px;
	}
	.figures dd {
		text-align: right;
		font-weight: 700;
	}
	@media (max-width: 800px) {
		.card {
			grid-template-columns: 1fr;
		}
	}
</style>
