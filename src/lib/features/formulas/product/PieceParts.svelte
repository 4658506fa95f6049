<script lang="ts">
	import { useRoom } from '../../../client/room-context.ts';
	import type { Explained } from '../../../core/explain/index.ts';
	import { costOfParts, costOfPiece, type DoughCost } from '../../../core/formula/index.ts';
	import { formatMass, formatNumber } from '../../../core/units/index.ts';

	interface Props {
		/** What one piece takes of each, and what a kilogram of that costs. */
		parts: readonly {
			readonly name: string;
			readonly what: string;
			readonly grams: number;
			readonly cost: DoughCost;
		}[];
		currency: string;
		name: string;
	}
	let { parts, currency, name }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;

	const rows = $derived(
		parts.map(({ cost, ...part }) => ({
			...part,
			cost: cost.perKilogram
				? costOfPiece(cost.perKilogram, { grams: part.grams }, part.name)
				: null
		}))
	);
	const sum = $derived(
		costOfParts(
			parts.map((part) => ({
				name: part.name,
				weight: { grams: part.grams },
				perKilogram: part.cost.perKilogram
			})),
			name
		)
	);
	const unpriced = $derived([...new Set(parts.flatMap(({ cost }) => cost.unpriced))]);
	const money = (value: number) =>
		`${currency ? `${currency}\u00a0` : ''}${formatNumber(value, value < 0.095 ? 3 : 2)}`;
</script>

{#snippet priced(cost: Explained | null, of: string)}
	{#if cost}
		<button
			class="cursor-pointer underline decoration-dotted underline-offset-4"
			aria-label="{of}, {money(cost.value)} a piece, open the arithmetic"
			onclick={() => room.explain(cost, `${of}, ${money(cost.value)} a piece`)}
			>{money(cost.value)}</button
		>
	{:else}
		no price
	{/if}
{/snippet}

<h3 class="mt-3">What one piece takes</h3>
<table class="w-full" data-piece-parts>
	<thead class="sr-only">
		<tr><th scope="col">What</th><th scope="col">Weighs</th><th scope="col">Costs</th></tr>
	</thead>
	<tbody>
		{#each rows as row, at (at)}
			<tr data-part={row.name}>
				<td>{row.name}, {row.what}</td>
				<td class="right">{formatMass({ grams: row.grams }, row.grams < 10 ? 1 : 0, units)}</td>
				<td class="right">{@render priced(row.cost, `${row.name} in ${name}`)}</td>
			</tr>
		{/each}
		{#if sum}
			<tr class="font-bold" data-piece-cost>
				<td>Ingredients of a piece</td>
				<td></td>
				<td class="right">{@render priced(sum, name)}</td>
			</tr>
		{/if}
	</tbody>
</table>
{#if unpriced.length > 0}
	<p class="text-note text-ink-2">Without a price: {unpriced.join(', ')}.</p>
{/if}

<style>
	td {
		padding: 3px 6px 3px 0;
		border-bottom: 1px solid var(--line);
	}
	.right {
		text-align: right;
		white-space: nowrap;
	}
</style>
