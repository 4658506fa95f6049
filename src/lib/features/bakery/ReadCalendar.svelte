<script lang="ts">
	import { FileUpload } from '@skeletonlabs/skeleton-svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { EntryKind, StandingEntry } from '../../core/bakery/index.ts';
	import type { CalendarDays, CalendarRead } from '../../formats/closed-days.ts';
	import SwitchField from '../../fields/SwitchField.svelte';
	import { shortDateText } from '../../wording/time-text.ts';

	interface Props {
		/** The closed days that are there already. */
		entries: readonly StandingEntry<EntryKind>[];
	}
	let { entries }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);

	let read = $state.raw<CalendarRead | null>(null);
	/** Those that are not to be taken. */
	let left: readonly number[] = $state.raw([]);
	let message = $state('');
	/** One identity for each, so that taking them twice takes them once. */
	let ids: readonly string[] = $state.raw([]);

	const isThere = (day: CalendarDays) =>
		entries.some(
			({ entry }) =>
				!entry.retired &&
				JSON.stringify(entry.content) ===
					JSON.stringify({ fromDate: day.fromDate, toDate: day.toDate, yearly: day.yearly })
		);
	const taken = $derived(
		read?.days.flatMap((day, at) => (left.includes(at) || isThere(day) ? [] : [{ day, at }])) ?? []
	);

	async function open(file: File | undefined) {
		read = null;
		message = '';
		left = [];
		if (!file) return;
		const { MOST_CALENDAR_BYTES, readClosedDays } = await import('../../formats/closed-days.ts');
		if (file.size > MOST_CALENDAR_BYTES) {
			message = `${file.name} is larger than a calendar of holidays is: choose another file.`;
			return;
		}
		const found = readClosedDays(await file.text());
		if (!found.ok) {
			message = `${file.name} is no iCalendar file that can be read. Such a file ends in .ics.`;
			return;
		}
		if (found.value.days.length === 0) message = `${file.name} has no day in it.`;
		ids = found.value.days.map(() => crypto.randomUUID());
		read = found.value;
	}
	async function take() {
		await sending.send(
			{
				kind: 'take-closed-days',
				occurredAtMs: Math.round(room.now.epochMs),
				days: taken.map(({ day: { name, ...content }, at }) => ({
					entryId: ids[at] ?? '',
					name,
					content
				}))
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				room.tell(taken.length === 1 ? 'One closed day is added.' : 'The closed days are added.');
				read = null;
				await readAnew('everything');
			}
		);
	}
	const PROBLEMS = {
		'no-date': 'says no day',
		'date-out-of-range': 'lies before 2000 or after 2199',
		'repeats-otherwise': 'repeats otherwise than every year: only the first is read'
	} as const;
</script>

<section class="mt-3 border border-line bg-sheet p-3" aria-label="From a calendar">
	<h2>From a calendar</h2>
	<p class="text-note text-ink-2">
		Public holidays come as an iCalendar file (.ics). Nothing is added until you say so.
	</p>
	<FileUpload
		class="mt-2"
		accept={{ 'text/calendar': ['.ics'] }}
		maxFiles={1}
		onFileChange={({ acceptedFiles, rejectedFiles }) =>
			void open(acceptedFiles[0] ?? rejectedFiles[0]?.file)}
	>
		<FileUpload.Trigger class="action-lesser w-full">Choose a calendar file</FileUpload.Trigger>
		<FileUpload.HiddenInput aria-label="Calendar file" name="calendar" />
	</FileUpload>
	<p role="status" data-calendar-message>{message}{sending.message}</p>
	{#if read}
		<ul data-calendar-days>
			{#each read.days as day, at (at)}
				<li class="border-b border-line">
					{#if isThere(day)}
						<span class="flex min-h-11 items-center text-ink-2"
							>{day.name}, {shortDateText(day.fromDate)}: there already</span
						>
					{:else}
						<SwitchField
							label="{day.name}, {shortDateText(day.fromDate)}{day.toDate === day.fromDate
								? ''
								: ` to ${shortDateText(day.toDate)}`}{day.yearly ? ', every year' : ''}"
							checked={!left.includes(at)}
							onSet={(checked: boolean) =>
								(left = checked ? left.filter((other) => other !== at) : [...left, at])}
						/>
					{/if}
				</li>
			{/each}
		</ul>
		{#each read.problems as problem (problem.event)}
			<p class="text-note">
				<b>Event {problem.event}, {problem.name}</b>
				{PROBLEMS[problem.kind]}.
			</p>
		{/each}
		<p class="mt-2 flex flex-wrap gap-2">
			<button class="action" disabled={taken.length === 0 || sending.busy} onclick={take}
				>Add {taken.length === 1 ? 'one closed day' : `${taken.length} closed days`}</button
			>
			<button class="action-lesser" onclick={() => (read = null)}>Leave it</button>
		</p>
	{/if}
</section>
