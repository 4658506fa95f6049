<script lang="ts">
	import { tick } from 'svelte';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { BatchTraceView } from '../../contracts/trace-views.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { formatMass } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { shortDateText } from '../../wording/time-text.ts';
	import { batchSentence, TRACED_KIND_TEXT, tracedName } from '../../wording/trace-text.ts';
	import Stepper from '../../ui/Stepper.svelte';
	import BatchLabel from './BatchLabel.svelte';
	import TracedDrops from './TracedDrops.svelte';

	interface Props {
		view: BatchTraceView;
		date: BakeDate;
	}
	let { view, date }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const sentence = $derived(batchSentence(view));
	const note = $derived(
		view.allergens.length > 0
			? `Allergens in it: ${view.allergens.join(', ')}.`
			: 'No ingredient in it is said to hold an allergen.'
	);
	/** A sheet of A4 holds so many. */
	const MOST_LABELS = 96;
	let labels = $state(1);
	let printsLabels = $state(false);
	async function printLabels() {
		printsLabels = true;
		await tick();
		window.print();
		printsLabels = false;
	}
	const made = $derived(view.madeOf.filter(({ ingredients }) => ingredients.length > 0));
	const lotPath = (ingredientId: string, lot: string) =>
		resolve(`/bake/${date}/trace/lot/${ingredientId}?lot=${encodeURIComponent(lot)}`);
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		<button class="action-lesser" onclick={() => window.print()}>Print on A4</button>
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.batch.date}/log`)}
			>Log of {shortDateText(view.batch.date)}</a
		>
		<a class="action-lesser no-underline!" href={resolve(`/bake/${date}/trace`)}>Trace another</a>
	{/snippet}
</RoomHeading>
<section class="labels" aria-label="Labels">
	<BatchLabel {view} />
	<div class="flex flex-wrap items-end gap-3 print:hidden">
		<Stepper
			label="How many labels"
			value={labels}
			least={1}
			most={MOST_LABELS}
			onSet={(value: number) => (labels = value)}
		/>
		<button class="action-lesser" onclick={() => void printLabels()}>Print labels</button>
	</div>
</section>
{#if printsLabels}
	<div class="sheet" data-labels>
		{#each { length: labels } as _, index (index)}<BatchLabel {view} />{/each}
	</div>
{/if}
<div class:not-printed={printsLabels}>
	<section class="made" data-made-of>
		<h2>What went in</h2>
		{#if made.length === 0}
			<p>
				Nothing is written down of it yet: what goes in is booked when the batch is begun at the
				bench or at the scale.
			</p>
		{/if}
		{#each made as one (one.id)}
			<h3>{tracedName(one)}, {TRACED_KIND_TEXT[one.kind]} of {shortDateText(one.date)}</h3>
			<table>
				<tbody>
					{#each one.ingredients as { ingredientId, ingredient, grams, lots } (ingredientId)}
						<tr data-went-in={ingredient}>
							<td>{ingredient}</td>
							<td class="number">{formatMass({ grams }, 0, units)}</td>
							<td>
								{#each lots as { lot, known }, index (lot)}{index > 0 ? ' or ' : ''}<a
										href={lotPath(ingredientId, lot)}>{lot}</a
									>{known === 'told' ? '' : ' (possible)'}{:else}<span class="text-ink-2"
										>no lot known</span
									>{/each}
							</td>
						</tr>
					{/each}
				</tbody>
			</table>
		{/each}
	</section>
	<TracedDrops drops={view.drops} unplanned={view.unplanned} withKnown={false} />
</div>

<style>
	.made,
	.labels {
		padding: 0 20px 20px;
	}
	.labels {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 20px;
	}
	.sheet {
		display: none;
	}
	h3 {
		padding-top: 8px;
		font-weight: 700;
	}
	table {
		width: 100%;
		max-width: 60rem;
		border-collapse: collapse;
		background: var(--sheet);
	}
	td {
		padding: 4px 10px;
		border-bottom: 1px solid var(--line);
	}
	.number {
		text-align: right;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	@media print {
		.labels,
		.not-printed {
			display: none;
		}
		.sheet {
			display: grid;
			grid-template-columns: repeat(3, 1fr);
			gap: 2mm;
		}
		.made {
			padding: 0 0 4mm;
		}
		td {
			padding: 0.8mm 1.5mm;
		}
	}
</style>
