<script lang="ts">
	import type { TracedDrop } from '../../contracts/trace-views.ts';
	import type { BakeDate } from '../../core/time/index.ts';
	import { dateText, shortDateText } from '../../wording/time-text.ts';
	import { dropsByName } from '../../wording/trace-text.ts';

	interface Props {
		drops: readonly TracedDrop[];
		unplanned: readonly BakeDate[];
		/** Whether it is worth saying how it is known. */
		withKnown: boolean;
	}
	let { drops, unplanned, withKnown }: Props = $props();
</script>

<section class="drops" data-traced-drops>
	<h2>Where it went</h2>
	{#if drops.length === 0}
		<p>No accepted plan tells a drop that has bread of it.</p>
	{:else}
		<table>
			<thead>
				<tr>
					<th>Drop</th>
					<th>Date</th>
					<th>Product</th>
					<th class="number">Pieces ordered</th>
					<th>Of</th>
					{#if withKnown}<th>Known</th>{/if}
				</tr>
			</thead>
			{#each dropsByName(drops) as { name, lines } (name)}
				<tbody data-traced-drop={name}>
					{#each lines as line, index (`${line.date} ${line.product}`)}
						<tr>
							<td
								>{#if index === 0}<b>{name}</b>{:else}<span class="sr-only">{name}</span>{/if}</td
							>
							<td class="nowrap">{shortDateText(line.date)}</td>
							<td>{line.product}</td>
							<td class="number">{line.pieces}</td>
							<td>{line.mixes.join(', ')}</td>
							{#if withKnown}
								<td>{line.known === 'told' ? 'told' : 'possible'}</td>
							{/if}
						</tr>
					{/each}
				</tbody>
			{/each}
		</table>
	{/if}
	{#each unplanned as date (date)}
		<p>
			Of {dateText(date)} no plan was accepted: ask everybody who had bread that day.
		</p>
	{/each}
</section>

<style>
	.drops {
		padding: 0 20px 20px;
		overflow-x: auto;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		background: var(--sheet);
	}
	th,
	td {
		padding: 6px 10px;
		border-bottom: 1px solid var(--line);
		text-align: left;
		vertical-align: top;
	}
	th {
		border-bottom: 2px solid var(--ink);
	}
	.number {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.nowrap {
		white-space: nowrap;
	}
	tbody tr:first-child td {
		border-top: 1px solid var(--ink);
	}
	@media print {
		.drops {
			padding: 0 0 4mm;
		}
		tr {
			break-inside: avoid;
		}
	}
</style>
