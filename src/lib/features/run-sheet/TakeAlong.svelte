<script lang="ts">
	import { resolve } from '$app/paths';
	import type { PlanDocument } from '../../contracts/plan-document.ts';
	import { EVERYBODY } from '../../contracts/sheet-paths.ts';

	interface Props {
		date: string;
		document: PlanDocument;
		/** What opens each calendar, by whose it is; empty for who may not have them. */
		calendarKeys: Readonly<Record<string, string>>;
		origin: string;
	}
	let { date, document, calendarKeys, origin }: Props = $props();

	const whose = $derived([
		{ who: EVERYBODY, name: 'The whole night' },
		...(document.input.people ?? [])
			.filter(({ id }) =>
				document.plan.tasks.some(({ attended }) =>
					attended.some(({ personIds }) => personIds.includes(id))
				)
			)
			.map(({ id, name }) => ({ who: id, name }))
	]);
</script>

<section class="files print:hidden" aria-labelledby="as-files">
	<h2 id="as-files">As files</h2>
	<p>
		<a href={resolve(`/bake/${date}/plan.csv`)} download>The plan as a table (CSV)</a>, for a
		spreadsheet: one line for each thing to do.
	</p>
	<table>
		<thead>
			<tr><th>Whose</th><th>This night</th><th>Every night to come</th></tr>
		</thead>
		<tbody>
			{#each whose as { who, name } (who)}
				{@const key = calendarKeys[who]}
				<tr>
					<td>{name}</td>
					<td>
						<a href={resolve(`/bake/${date}/plan.ics?who=${who}`)} download>Calendar file</a>
					</td>
					<td data-subscription={who}
						>{#if key}<code>{origin}{resolve(`/calendar/${who}`)}?key={key}</code>{/if}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="text-ink-2">
		A calendar that subscribes to an address follows each plan as it is accepted, and rings five
		minutes before a thing is to be done. The address works where this page does: on this machine,
		unless Jovet was started for others. Whoever has it can read that calendar: hand it to nobody
		else.
	</p>
</section>

<style>
	.files {
		max-width: 1120px;
		margin: 0 auto 24px;
		padding: 0 20px;
	}
	h2 {
		font-size: 19px;
		font-weight: 700;
	}
	table {
		margin: 8px 0;
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 600;
		color: var(--ink-2);
	}
	th,
	td {
		padding: 4px 24px 4px 0;
	}
	td {
		border-bottom: 1px solid var(--line);
	}
	td a {
		display: inline-block;
		min-height: 32px;
		padding: 4px 0;
		text-decoration: underline;
	}
	code {
		background: none;
		color: inherit;
		padding: 0;
		overflow-wrap: anywhere;
	}
</style>
