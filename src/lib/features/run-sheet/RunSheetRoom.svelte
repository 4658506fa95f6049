<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { SHEETS, type Sheet } from '../../contracts/sheet-paths.ts';
	import type { RunSheetView } from '../../contracts/views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import OutOfDate from '../../sheets/OutOfDate.svelte';
	import { handsOnList } from '../../wording/work-list.ts';
	import { SHEET_TEXT } from '../../wording/sheet-text.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import NightSheet from './NightSheet.svelte';
	import PackingSheet from './PackingSheet.svelte';
	import PeopleSheets from './PeopleSheets.svelte';
	import StationSheet from './StationSheet.svelte';
	import TakeAlong from './TakeAlong.svelte';

	interface Props {
		view: RunSheetView;
		sheet: Sheet;
		calendarKeys: Readonly<Record<string, string>>;
		/** Where calendars are reached. */
		origin: string;
	}
	let { view, sheet, calendarKeys, origin }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;

	const accepted = $derived(view.accepted);
	const list = $derived(
		accepted ? handsOnList(accepted.document.plan, accepted.document.input) : []
	);
	const shown = $derived(sheet === 'all' ? SHEETS.filter((one) => one !== 'all') : [sheet]);
	const sentence = $derived.by(() => {
		if (!accepted) return 'There is no accepted plan for this date yet.';
		const { drops } = accepted.document.plan;
		return `${list.length} things to do for ${drops.length === 1 ? 'one drop' : `${drops.length} drops`}.`;
	});
	const note = $derived.by(() => {
		if (!accepted) return 'The sheets are made from the plan you accept.';
		const when = `${dayText(accepted.acceptedAtMs, zone)} ${clockText(accepted.acceptedAtMs, zone)}`;
		return `Plan version ${accepted.number}, accepted by ${accepted.acceptedBy}, ${when}.`;
	});
	const planPath = $derived(resolve(`/bake/${view.date}/plan`));
	const pathOf = (one: Sheet) =>
		resolve(`/bake/${view.date}/run-sheet${one === 'night' ? '' : `/${one}`}`);
</script>

<div class="print:hidden">
	<RoomHeading {sentence} {note}>
		{#snippet actions()}
			{#if accepted}
				<button class="action" onclick={() => window.print()}>Print on A4</button>
			{:else}
				<a class="action no-underline!" href={planPath}>Go to the plan</a>
			{/if}
		{/snippet}
	</RoomHeading>
</div>

{#if accepted}
	<nav aria-label="Sheets" class="sheets print:hidden">
		<ul>
			{#each SHEETS as one (one)}
				<li>
					<a href={pathOf(one)} aria-current={one === sheet ? 'page' : undefined}
						>{SHEET_TEXT[one]}</a
					>
				</li>
			{/each}
		</ul>
	</nav>
	{#if !accepted.current}<OutOfDate date={view.date} />{/if}
	<div data-run-sheet>
		{#each shown as one (one)}
			{#if one === 'night'}
				<NightSheet {view} {accepted} {list} />
			{:else if one === 'packing'}
				<PackingSheet {view} {accepted} />
			{:else if one === 'sheeting'}
				{#await import('./SheetingSheet.svelte') then { default: SheetingSheet }}
					<SheetingSheet {view} {accepted} />
				{/await}
			{:else if one === 'people'}
				<PeopleSheets {view} {accepted} {list} />
			{:else}
				<StationSheet sheet={one} {view} {accepted} {list} />
			{/if}
		{/each}
	</div>
	<TakeAlong date={view.date} document={accepted.document} {calendarKeys} {origin} />
{/if}

<style>
	.sheets ul {
		display: flex;
		gap: 4px;
		padding: 0 20px 12px;
		overflow-x: auto;
	}
	.sheets a {
		display: block;
		min-height: 44px;
		padding: 10px 14px;
		border-bottom: 4px solid transparent;
		text-decoration: none;
		white-space: nowrap;
	}
	.sheets a[aria-current] {
		border-bottom-color: var(--ink);
		background: var(--sheet);
		font-weight: 700;
	}
</style>
