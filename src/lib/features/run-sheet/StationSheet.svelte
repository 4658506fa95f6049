<script lang="ts">
	import type { AcceptedPlanView, RunSheetView } from '../../contracts/views.ts';
	import type { Station } from '../../core/planning/index.ts';
	import { MACHINE_HEAD, SHEET_TEXT, STATION_CAUTION } from '../../wording/sheet-text.ts';
	import type { ListEntry } from '../../wording/list-entry.ts';
	import EntryTable from './EntryTable.svelte';
	import { atStation } from './sheet-entries.ts';
	import SheetFrame from './SheetFrame.svelte';

	interface Props {
		sheet: 'mixers' | 'bench' | 'ovens';
		view: RunSheetView;
		accepted: AcceptedPlanView;
		list: readonly ListEntry[];
	}
	let { sheet, view, accepted, list }: Props = $props();

	const STATION_OF = {
		mixers: 'mixer',
		bench: 'bench',
		ovens: 'oven'
	} as const satisfies Record<Props['sheet'], Station>;
	const station = $derived(STATION_OF[sheet]);
	const entries = $derived(atStation(list, station));
</script>

<SheetFrame
	{sheet}
	title={SHEET_TEXT[sheet]}
	date={view.date}
	{accepted}
	caution={STATION_CAUTION[station]}
>
	{#if entries.length > 0}
		<EntryTable
			{entries}
			waters={view.waters}
			machineHead={MACHINE_HEAD[station]}
			withWho={entries.some(({ who }) => who !== '')}
		/>
	{:else}
		<p>Nothing is done here in this night.</p>
	{/if}
</SheetFrame>
