<script lang="ts">
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { FormulaView } from '../../contracts/views.ts';
	import { dayText } from '../../wording/time-text.ts';
	import type { FormulaModel } from './formula-model.svelte.ts';

	interface Props {
		view: FormulaView;
		model: FormulaModel;
	}
	let { view, model }: Props = $props();
	const { bakery } = useRoom();

	const { comparison } = $derived(view);
	const names = $derived({
		ingredients: view.ingredients,
		deliveries: view.deliveries,
		units: bakery.units
	});
	const from = $derived(comparison?.before.number ?? 1);
	const to = $derived(comparison?.after.number ?? 1);
	const label = (number: number) => {
		const head = view.revisions.find((revision) => revision.number === number);
		return head
			? `${number}, ${head.cause === 'followed' ? 'follows its parts' : head.by}, ${dayText(head.occurredAtMs, bakery.timeZone)}`
			: String(number);
	};
	/** The earlier of the two, where it is not the newest: it can be made so again. */
	const earlier = $derived(
		from < view.revision ? view.revisions.find((revision) => revision.number === from) : undefined
	);
	/** The page is the same, only what is compared changes: nothing typed is lost. */
	async function compare(before: number, after: number) {
		await goto(
			resolve(`/bake/${view.date}/formulas/${view.formula.id}?from=${before}&to=${after}`),
			{ keepFocus: true, noScroll: true }
		);
	}
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="changes" data-changes>
	<h2 id="changes" class="mb-2">
		{#if !comparison}First revision
		{:else if to === view.revision && from === to - 1}Since revision {from}
		{:else}From revision {from} to {to}{/if}
	</h2>
	{#if !comparison}
		<p>There is nothing before it to compare with.</p>
	{:else}
		<div class="mb-2 grid gap-1">
			<label class="flex items-center justify-between gap-2"
				>From <select
					name="Compare from revision"
					class="field min-w-0"
					aria-label="Compare from revision"
					value={from}
					onchange={(event) => compare(Number(event.currentTarget.value), to)}
				>
					{#each view.revisions as revision (revision.number)}<option value={revision.number}
							>{label(revision.number)}</option
						>{/each}
				</select></label
			>
			<label class="flex items-center justify-between gap-2"
				>to <select
					name="Compare to revision"
					class="field min-w-0"
					aria-label="Compare to revision"
					value={to}
					onchange={(event) => compare(from, Number(event.currentTarget.value))}
				>
					{#each view.revisions as revision (revision.number)}<option value={revision.number}
							>{label(revision.number)}</option
						>{/each}
				</select></label
			>
		</div>
		{#await import('./ComparedRevisions.svelte') then { default: ComparedRevisions }}
			<ComparedRevisions {comparison} {names} />
		{/await}
		{#if earlier}
			{@const head = earlier}
			<button class="action-lesser mt-3" onclick={() => model.takeRevision(head, comparison.before)}
				>Put revision {head.number} on the sheet</button
			>
		{/if}
	{/if}
</section>
