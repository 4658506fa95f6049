<script lang="ts">
	import type { FormulaView } from '../../contracts/views.ts';
	import { formatNumber } from '../../core/units/index.ts';

	interface Props {
		view: FormulaView;
	}
	let { view }: Props = $props();
	const amount = (value: number | null) =>
		value === null ? 'none' : `${formatNumber(value, 2)} %`;
	const ADDITIONS = { start: '', 'held-back': ', held back', late: ', late' } as const;
</script>

<section class="border border-line bg-sheet p-4" aria-labelledby="changes" data-changes>
	<h2 id="changes" class="mb-2">
		{view.revision === 1 ? 'First revision' : `Since revision ${view.revision - 1}`}
	</h2>
	{#if view.revision === 1}
		<p>There is nothing before it to compare with.</p>
	{:else if view.changes.length === 0}
		<p>No line differs.</p>
	{/if}
	{#each view.changes as change (change.part)}
		<h3 class="mt-2">{change.part}, {change.unit}</h3>
		<ul>
			{#each change.lines as line (line.name + line.addition)}
				<li class="flex justify-between gap-3 border-b border-line py-1">
					<span>{line.name}{ADDITIONS[line.addition]}</span>
					<span class="whitespace-nowrap">{amount(line.before)} → <b>{amount(line.after)}</b></span>
				</li>
			{/each}
		</ul>
	{/each}
</section>
