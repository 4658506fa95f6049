<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { AcceptedPlanView, RunSheetView } from '../../contracts/views.ts';
	import { STATIONS } from '../../core/planning/index.ts';
	import { STATION_CAUTION } from '../../wording/sheet-text.ts';
	import type { ListEntry } from '../../wording/list-entry.ts';
	import { clockText } from '../../wording/time-text.ts';
	import EntryTable from './EntryTable.svelte';
	import { nightsOfPeople, type PersonNight } from './sheet-entries.ts';
	import SheetFrame from './SheetFrame.svelte';

	interface Props {
		view: RunSheetView;
		accepted: AcceptedPlanView;
		list: readonly ListEntry[];
	}
	let { view, accepted, list }: Props = $props();
	const { bakery } = useRoom();
	const zone = bakery.timeZone;
	const nights = $derived(nightsOfPeople(list, accepted.document.input));

	/** Where somebody stands that night. */
	const machineHead = (entries: readonly ListEntry[]) =>
		entries.some(({ machine }) => machine !== '') ? 'Machine' : null;
	const cautionFor = (entries: readonly ListEntry[]) =>
		STATIONS.filter((station) => entries.some((entry) => entry.station === station))
			.map((station) => STATION_CAUTION[station])
			.join(' ');
	const shiftText = ({ there, entries }: PersonNight) => {
		const first = entries[0]?.atMs ?? 0;
		const last = entries.at(-1)?.endMs ?? 0;
		const stretches = there.filter(({ fromMs, toMs }) => toMs > first && fromMs < last);
		const times = stretches.map(
			({ fromMs, toMs }) => `${clockText(fromMs, zone)} to ${clockText(toMs, zone)}`
		);
		return times.length > 0 ? `At work ${times.join(', ')}.` : '';
	};
</script>

{#each nights.people as night (night.id)}
	<SheetFrame
		sheet="people"
		title={night.name}
		date={view.date}
		{accepted}
		caution={cautionFor(night.entries)}
		about={shiftText(night)}
	>
		<EntryTable
			entries={night.entries}
			waters={view.waters}
			machineHead={machineHead(night.entries)}
			withWho={night.entries.some(({ personIds }) => personIds.length > 1)}
		/>
	</SheetFrame>
{/each}
{#if nights.nobodys.length > 0}
	<SheetFrame
		sheet="people"
		title={nights.people.length > 0 ? 'Whoever is nearest' : 'Nobody by name'}
		date={view.date}
		{accepted}
		caution={cautionFor(nights.nobodys)}
		about={nights.people.length > 0
			? 'What takes no time of its own, or has nobody named for it.'
			: 'No shifts stood in the bakery when this plan was made, so nobody is named. Enter people and their shifts, and plan again.'}
	>
		<EntryTable
			entries={nights.nobodys}
			waters={view.waters}
			machineHead={machineHead(nights.nobodys)}
			withWho={false}
		/>
	</SheetFrame>
{/if}
