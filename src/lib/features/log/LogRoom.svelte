<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { NightLogView } from '../../contracts/bench-views.ts';
	import { alsoKnown, nightLog, workStates, type LoggedWork } from '../../core/bench/index.ts';
	import { batchKey } from '../../core/planning/index.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import NightResults from './NightResults.svelte';
	import { STATION_TEXT } from '../../wording/bench-text.ts';
	import { laterText, logSentence } from '../../wording/log-text.ts';
	import { subjectText } from '../../wording/task-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';
	import { workList } from '../../wording/work-list.ts';

	interface Props {
		view: NightLogView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);

	const document = $derived(view.accepted?.document ?? null);
	const list = $derived(document ? workList(document.plan, document.input) : []);
	const standing = $derived(view.entries.filter(({ struck }) => struck === null));
	const known = $derived([
		...standing,
		...(document ? alsoKnown(list, document.plan, view.mixed) : [])
	]);
	const log = $derived(nightLog(list, known, room.now.epochMs));
	const entryOf = (one: LoggedWork) => list.find(({ key }) => key === one.work.key);
	const nameOf = (one: LoggedWork) => entryOf(one)?.what ?? '';
	const sentence = $derived(
		document ? logSentence(log, nameOf) : 'There is no accepted plan for this date yet.'
	);
	const note = $derived.by(() => {
		if (!view.accepted) return 'What is tapped at the bench stands here against the plan.';
		const more = [
			log.leftOut > 0 ? `${log.leftOut} left out` : '',
			log.untold > 0 ? `${log.untold} that nobody told of` : ''
		].filter((part) => part !== '');
		return `${dateText(view.date)}, against version ${view.accepted.number}.${more.length > 0 ? ` ${more.join(', ')}.` : ''}`;
	});
	const batches = $derived(
		log.batches.filter(({ works }) => works.some(({ state }) => state.kind !== 'open'))
	);
	const untouched = $derived(log.batches.length - batches.length);
	function titleOf({ batch }: (typeof log.batches)[number]): string {
		return batch && document ? subjectText({ batch }, document.input) : 'Ovens and drops';
	}
	function reallyOf({ state, fromMs, toMs }: LoggedWork): string {
		const clock = (ms: number | null) => (ms === null ? '' : clockText(ms, zone));
		if (state.kind === 'begun') return `since ${clock(fromMs)}`;
		if (toMs === null) return '';
		return fromMs === null ? `until ${clock(toMs)}` : `${clock(fromMs)} to ${clock(toMs)}`;
	}
	function byOf({ state }: LoggedWork): string {
		if (state.kind === 'open') return '';
		return state.entry.by === '' ? 'measured' : state.entry.by;
	}
	function readOf({ state }: LoggedWork): string {
		const celsius = state.kind === 'open' ? null : state.entry.celsius;
		return celsius === null ? '' : formatTemperature({ celsius }, 0, units);
	}
	const struck = $derived(view.entries.filter((entry) => entry.struck !== null));
	const ACT_TEXT = { begun: 'begun', ended: 'done', 'left-out': 'left out', 'put-off': 'not yet' };
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		{#if document}
			<button class="action-lesser" onclick={() => window.print()}>Print on A4</button>
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/bench`)}>Bench</a>
		{:else}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/plan`)}>Go to the plan</a>
		{/if}
	{/snippet}
</RoomHeading>

{#if document && batches.length > 0}
	{#await import('./NightRibbons.svelte') then { default: NightRibbons }}
		<NightRibbons
			plan={document.plan}
			input={document.input}
			states={workStates(known)}
			facts={view.facts}
			works={log.batches.flatMap(({ works }) => works)}
			nameOf={(one: LoggedWork) => nameOf(one)}
		/>
	{/await}
{/if}
{#if view.accepted}<NightResults {view} accepted={view.accepted} entries={known} />{/if}
{#if batches.length > 0}
	<div class="log">
		<table>
			<thead>
				<tr>
					<th class="what">What</th>
					<th>Planned</th>
					<th>Really</th>
					<th>Against its plan</th>
					<th>Who</th>
					<th class="noted">Noted</th>
				</tr>
			</thead>
			{#each batches as one (one.batch ? batchKey(one.batch) : '')}
				<tbody data-logged={titleOf(one)}>
					<tr><th class="title" colspan="6" scope="rowgroup">{titleOf(one)}</th></tr>
					{#each one.works as row (row.work.key)}
						<tr data-logged-work={nameOf(row)} class:open={row.state.kind === 'open'}>
							<td>
								{nameOf(row)}
								<span class="block text-note text-ink-2"
									>{STATION_TEXT[row.work.station]}{entryOf(row)?.machine
										? `, ${entryOf(row)?.machine}`
										: ''}</span
								>
							</td>
							<td class="when"
								>{clockText(row.work.atMs, zone)}{row.work.endMs - row.work.atMs >= 60_000
									? ` to ${clockText(row.work.endMs, zone)}`
									: ''}</td
							>
							<td class="when"><b>{reallyOf(row)}</b></td>
							<td class="when">{row.state.kind === 'open' ? 'nobody told' : laterText(row)}</td>
							<td>{byOf(row)}</td>
							<td>{[readOf(row), ...row.because].filter((part) => part !== '').join('; ')}</td>
						</tr>
					{/each}
				</tbody>
			{/each}
		</table>
	</div>
{/if}
{#if document && batches.length > 0 && untouched > 0}
	<p class="px-5 pb-4">
		Nothing was told of {untouched === 1 ? 'one more batch' : `${untouched} more batches`} of this plan.
	</p>
{/if}
{#if struck.length > 0}
	<section class="log" data-struck>
		<h2>Taken back</h2>
		<ul>
			{#each struck as entry (entry.id)}
				<li>
					<s
						>{list.find(({ key }) => key === entry.work)?.what ?? entry.work}: {ACT_TEXT[entry.act]}
						{dayText(entry.atMs, zone)}
						{clockText(entry.atMs, zone)}, {entry.by}</s
					>{#if entry.struck}, taken back {clockText(entry.struck.atMs, zone)} by {entry.struck
							.by}{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	.log {
		padding: 0 20px 20px;
		overflow-x: auto;
	}
	table {
		width: 100%;
		min-width: 860px;
		table-layout: fixed;
		border-collapse: collapse;
		background: var(--sheet);
	}
	th {
		padding: 6px 10px;
		border-bottom: 2px solid var(--ink);
		text-align: left;
		font-weight: 600;
	}
	.what {
		width: 32%;
	}
	.noted {
		width: 18%;
	}
	.title {
		padding-top: 18px;
		border-bottom-width: 1px;
		font-size: 19px;
		font-weight: 700;
	}
	td {
		padding: 6px 10px;
		border-bottom: 1px solid var(--line);
		vertical-align: top;
	}
	.when {
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	.open td {
		color: var(--ink-2);
	}
	@media print {
		.log {
			padding: 0 0 4mm;
		}
		table {
			min-width: 0;
			font-size: 9pt;
		}
		.when {
			white-space: normal;
		}
		tr {
			break-inside: avoid;
		}
		td,
		th {
			padding: 0.8mm 1.5mm;
		}
		.title {
			padding-top: 3mm;
		}
	}
</style>
