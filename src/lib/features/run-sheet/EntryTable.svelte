<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { RunSheetView } from '../../contracts/views.ts';
	import type { ListEntry } from '../../wording/list-entry.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import { waterLine } from '../../wording/water-line.ts';

	interface Props {
		entries: readonly ListEntry[];
		waters: RunSheetView['waters'];
		/** What the column of machines is headed with; null where there are none. */
		machineHead: string | null;
		/** Whether it is told who does it. */
		withWho: boolean;
	}
	let { entries, waters, machineHead, withWho }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	const withMeasures = $derived(entries.some(({ measure }) => measure !== null));
	const columns = $derived(
		3 + [machineHead !== null, withWho, withMeasures].filter(Boolean).length
	);
	const days = $derived.by(() => {
		const found: { day: string; entries: ListEntry[] }[] = [];
		for (const entry of entries) {
			const day = dayText(entry.atMs, zone);
			const last = found.at(-1);
			if (last?.day === day) last.entries.push(entry);
			else found.push({ day, entries: [entry] });
		}
		return found;
	});
	const machineOf = ({ station, machine }: ListEntry) =>
		station === 'mixer' && machine === '' ? 'by hand' : machine;
	const lineOf = ({ atMs, endMs }: ListEntry) =>
		endMs - atMs >= 60_000 ? `to ${clockText(endMs, zone)}` : '';
</script>

<table>
	<thead>
		<tr>
			<th class="box-cell"><span class="sr-only">Done</span></th>
			<th>Time</th>
			{#if machineHead}<th>{machineHead}</th>{/if}
			<th>What</th>
			{#if withWho}<th>Who</th>{/if}
			{#if withMeasures}<th>Measured</th>{/if}
		</tr>
	</thead>
	{#each days as { day, entries } (day)}
		<tbody>
			<tr><th class="day" colspan={columns}>{day}</th></tr>
			{#each entries as entry (entry.key)}
				{@const water = waterLine(entry, waters, bakery.units)}
				<tr data-entry>
					<td class="box-cell"><span class="box" aria-hidden="true"></span></td>
					<td class="time">
						<b>{clockText(entry.atMs, zone)}</b>
						<span class="to">{lineOf(entry)}</span>
					</td>
					{#if machineHead}<td class="machine">{machineOf(entry)}</td>{/if}
					<td class="what">
						<b>{entry.what}</b>
						{#if entry.detail}<span class="detail">{entry.detail}</span>{/if}
						{#if water}<span class="water" data-water>{water}</span>{/if}
						{#if entry.caution}<span class="caution" data-caution>{entry.caution}</span>{/if}
					</td>
					{#if withWho}<td class="who">{entry.who}</td>{/if}
					{#if withMeasures}
						<td class="measure">
							{#if entry.measure}<span class="line"
									>{bakery.units.temperature === 'fahrenheit' ? '°F' : '°C'}</span
								>{/if}
						</td>
					{/if}
				</tr>
			{/each}
		</tbody>
	{/each}
</table>

<style>
	table {
		width: 100%;
		margin-top: 8px;
		border-collapse: collapse;
	}
	th {
		text-align: left;
		font-weight: 600;
		color: var(--ink-2);
		padding: 4px 8px 4px 0;
	}
	.day {
		padding-top: 10px;
		color: var(--ink);
		font-weight: 700;
		border-bottom: 2px solid var(--ink);
		break-after: avoid;
	}
	td {
		vertical-align: top;
		padding: 6px 8px 6px 0;
		border-bottom: 1px solid var(--line);
	}
	tr {
		break-inside: avoid;
	}
	.box-cell {
		width: 24px;
	}
	.box {
		display: block;
		width: 15px;
		height: 15px;
		margin-top: 5px;
		border: 2px solid var(--ink);
	}
	.time {
		white-space: nowrap;
		width: 76px;
	}
	.time b,
	.what b {
		font-size: 19px;
		line-height: 1.2;
	}
	.to {
		display: block;
		color: var(--ink-2);
	}
	.machine,
	.who {
		width: 130px;
		font-weight: 600;
	}
	.detail {
		display: block;
	}
	.water {
		display: block;
		font-weight: 700;
	}
	.caution {
		display: block;
		margin-top: 2px;
		padding: 2px 6px;
		border: 2px solid var(--ink);
	}
	.measure {
		width: 110px;
		vertical-align: bottom;
	}
	.line {
		display: block;
		text-align: right;
		border-bottom: 1px solid var(--ink);
	}
	@media print {
		.time b,
		.what b {
			font-size: 14pt;
		}
		td {
			padding: 1mm 2mm 1mm 0;
		}
		.box-cell {
			width: 7mm;
		}
		.box {
			width: 4mm;
			height: 4mm;
			margin-top: 1mm;
		}
		.time {
			width: 19mm;
		}
		.machine,
		.who {
			width: 29mm;
		}
		.measure {
			width: 22mm;
		}
	}
</style>
