<script lang="ts">
	import { untrack } from 'svelte';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { StandingView } from '../../contracts/views.ts';
	import { firstOfWeekday, piecesStanding } from '../../core/production/index.ts';
	import { parseBakeDate, wallTimeOf, weekdayOf, type BakeDate } from '../../core/time/index.ts';
	import { formatNumber } from '../../core/units/index.ts';
	import WeekdaysField from '../../fields/WeekdaysField.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { WEEKDAYS, weekdaysText } from '../../wording/entry-text.ts';
	import { shortDateText } from '../../wording/time-text.ts';
	import StandingGrid from './StandingGrid.svelte';

	interface Props {
		view: StandingView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const today = untrack(() => wallTimeOf({ epochMs: room.now.epochMs }, room.bakery.timeZone).date);
	let weekday = $state(untrack(() => weekdayOf(view.date)));
	let alsoOn: readonly number[] = $state.raw([]);
	let fromDate: BakeDate = $state(untrack(() => (view.date < today ? today : view.date)));
	let untilDate: BakeDate | null = $state(null);
	let dateProblem = $state('');

	/** The first night of the weekday that the numbers shown are of. */
	const first = $derived(firstOfWeekday(fromDate, weekday));
	const days = $derived([...new Set([weekday, ...alsoOn])].sort((a, b) => a - b));
	const pieces = $derived(
		view.stretches
			.filter((stretch) => stretch.weekday === weekday && piecesStanding([stretch], first) > 0)
			.reduce((total, stretch) => total + stretch.pieces, 0)
	);
	const dayName = $derived(`${WEEKDAYS[weekday - 1] ?? ''}s`);
	const sentence = $derived(
		pieces === 0
			? `Nothing stands ordered on ${dayName} from ${shortDateText(first)} on.`
			: `${formatNumber(pieces, 0)} pieces stand ordered on ${dayName} from ${shortDateText(first)} on.`
	);
	/** What changes later than what is shown. */
	const coming = $derived(
		view.stretches
			.filter((stretch) => stretch.weekday === weekday)
			.flatMap((stretch) => {
				const name = `${view.products.find(({ id }) => id === stretch.productId)?.name ?? ''}, ${view.drops.find(({ id }) => id === stretch.dropId)?.name ?? ''}`;
				const begins =
					stretch.fromDate > first
						? [{ date: stretch.fromDate, text: `${name}: ${stretch.pieces} from then on` }]
						: [];
				const ends =
					stretch.untilDate !== null && stretch.untilDate >= first
						? [{ date: stretch.untilDate, text: `${name}: ${stretch.pieces} for the last time` }]
						: [];
				return [...begins, ...ends];
			})
			.sort((a, b) => (a.date < b.date ? -1 : 1))
	);

	function setFrom(text: string) {
		const read = parseBakeDate(text);
		if (!read.ok) dateProblem = 'Type the first date as day, month and year.';
		else if (read.value < today)
			dateProblem = 'Nights that are over keep what was ordered for them: begin today or later.';
		else if (untilDate !== null && read.value > untilDate)
			dateProblem = 'That is after its last date.';
		else {
			dateProblem = '';
			fromDate = read.value;
		}
	}
	function setUntil(text: string) {
		const read = text === '' ? null : parseBakeDate(text);
		if (read === null) {
			dateProblem = '';
			untilDate = null;
		} else if (!read.ok) dateProblem = 'Type the last date as day, month and year, or none.';
		else if (read.value < fromDate) dateProblem = 'That is before its first date.';
		else {
			dateProblem = '';
			untilDate = read.value;
		}
	}
</script>

<RoomHeading {sentence} note="What is typed for a single date goes before these.">
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/orders`)}
			>Orders of {shortDateText(view.date)}</a
		>
	{/snippet}
</RoomHeading>

<div class="mx-5 mb-4 flex flex-wrap items-end gap-x-8 gap-y-3">
	<fieldset class="py-1">
		<legend>Weekday</legend>
		<div class="mt-1 flex flex-wrap gap-1">
			{#each WEEKDAYS as day, at (day)}
				<button
					type="button"
					class="day"
					aria-pressed={weekday === at + 1}
					onclick={() => {
						weekday = at + 1;
						alsoOn = [];
					}}>{day}</button
				>
			{/each}
		</div>
	</fieldset>
	<label class="flex flex-col">
		From
		<input
			class="field"
			type="date"
			name="from"
			value={fromDate}
			min={today}
			onchange={(event) => setFrom(event.currentTarget.value)}
		/>
	</label>
	<label class="flex flex-col">
		Until, or for good
		<input
			class="field"
			type="date"
			name="until"
			value={untilDate ?? ''}
			min={fromDate}
			onchange={(event) => setUntil(event.currentTarget.value)}
		/>
	</label>
	<WeekdaysField
		label="What is typed here goes for"
		value={days}
		onSet={(chosen: readonly number[]) => (alsoOn = chosen.filter((day) => day !== weekday))}
	/>
	{#if dateProblem}
		<p role="alert"><span class="act-now px-2 py-1">Check</span> {dateProblem}</p>
	{/if}
</div>
<p class="mx-5 mb-3 text-ink-2" data-typed-for>
	Typed for {weekdaysText(days)}, from {shortDateText(fromDate)}
	{untilDate === null ? 'until told otherwise' : `until ${shortDateText(untilDate)}`}.
</p>

{#key `${weekday} ${fromDate}`}
	<StandingGrid {view} {weekday} {days} {first} {fromDate} {untilDate} />
{/key}

{#if coming.length > 0}
	<section class="mx-5 my-4" aria-labelledby="coming" data-coming>
		<h2 id="coming">Later on {dayName}</h2>
		<ul>
			{#each coming as change (change.date + change.text)}
				<li><b>{shortDateText(change.date)}</b> {change.text}</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	.day {
		min-height: 44px;
		padding: 0 10px;
		border: 2px solid var(--line);
		cursor: pointer;
	}
	.day[aria-pressed='true'] {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
</style>
