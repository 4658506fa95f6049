<script lang="ts">
	import { resolve } from '$app/paths';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { DoughsView } from '../../contracts/dough-views.ts';
	import { ingredientsOfDay } from '../../core/production/index.ts';
	import { formatBulk } from '../../core/units/index.ts';
	import { unmadeText } from '../../wording/failure-text.ts';
	import { dateText } from '../../wording/time-text.ts';
	import BuildCard from './BuildCard.svelte';
	import DoughSection from './DoughSection.svelte';
	import IngredientsInAll from './IngredientsInAll.svelte';
	import { cardOfBuild, cardOfMix } from '../../sheets/weigh-up-card.ts';
	import WeighUpCards from '../../sheets/WeighUpCards.svelte';
	import OverNotices from '../../sheets/OverNotices.svelte';
	import PieceExtras from './PieceExtras.svelte';

	interface Props {
		view: DoughsView;
	}
	let { view }: Props = $props();
	const { bakery } = useRoom();

	const production = $derived(view.production);
	const mixes = $derived(production.doughs.flatMap((dough) => dough.mixes));
	const grams = $derived(mixes.reduce((total, mix) => total + mix.dough.value, 0));
	const nothing = $derived(production.doughs.length === 0 && production.unmade.length === 0);
	const count = (n: number, one: string, many: string) => (n === 1 ? `one ${one}` : `${n} ${many}`);
	const sentence = $derived(
		nothing
			? 'There is no dough to make: nothing is ordered for this date.'
			: `${formatBulk({ grams }, bakery.units)} of dough: ${count(production.doughs.length, 'formula', 'formulas')} in ${count(mixes.length, 'mix', 'mixes')}, ${count(production.builds.length, 'pre-ferment or preparation', 'pre-ferments and preparations')} before.`
	);
	const nameOf = $derived(
		(by: (typeof production.builds)[number]['uses'][number]['by']): string => {
			switch (by.kind) {
				case 'mix':
					return (
						production.doughs.find((dough) => dough.resolved.formula.id === by.formulaId)?.resolved
							.formula.name ?? ''
					);
				case 'build':
					return (
						production.builds.find((build) => build.preparation.id === by.preparationId)
							?.preparation.name ?? ''
					);
				case 'product':
					return production.extras.find((extra) => extra.productId === by.productId)?.product ?? '';
			}
		}
	);
	/** One card for every build, soaker and mix, in the order they are made. */
	const cards = $derived([
		...production.builds.map(cardOfBuild),
		...production.doughs.flatMap((dough) =>
			dough.mixes.map((mix) =>
				cardOfMix(
					mix,
					mix.portions
						.map(
							(portion) =>
								`${portion.pieces} ${dough.products.find((product) => product.product.id === portion.productId)?.product.name ?? ''}`
						)
						.join(', ')
				)
			)
		)
	]);
</script>

<div class="print:hidden">
	<RoomHeading {sentence} note={dateText(view.date)}>
		{#snippet actions()}
			{#if nothing}
				<a class="action no-underline!" href={resolve(`/bake/${view.date}/orders`)}
					>Go to the orders</a
				>
			{:else}
				<button class="action" onclick={() => window.print()}>Print weigh-up cards</button>
			{/if}
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/doughs/stock`)}
				>Stock</a
			>
		{/snippet}
	</RoomHeading>

	<OverNotices over={view.over} />
	{#each production.unmade as unmade, index (index)}
		<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
	{/each}

	{#if production.builds.length > 0}
		<section class="mb-6 px-5" aria-labelledby="builds">
			<h2 id="builds" class="mb-2">Before mixing: pre-ferments and preparations</h2>
			<div class="cards">
				{#each production.builds as build (`${build.preparation.id} ${build.ordinal}`)}
					<BuildCard
						{build}
						date={view.date}
						mixerMostGrams={view.mixerMostGrams}
						shared={build.ordinal === 1
							? (view.shared.find((one) => one.preparationId === build.preparation.id) ?? null)
							: null}
						users={[...new Set(build.uses.map((use) => nameOf(use.by)))]}
					/>
				{/each}
			</div>
		</section>
	{/if}

	{#each production.doughs as dough (dough.resolved.formula.id)}
		<DoughSection {dough} date={view.date} />
	{/each}
	<PieceExtras extras={production.extras} />
	<IngredientsInAll ingredients={ingredientsOfDay(production)} {production} drops={view.drops} />
</div>

<WeighUpCards {cards} date={view.date} />

<style>
	.cards {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(290px, 100%), 1fr));
		gap: 12px;
		align-items: start;
	}
</style>
