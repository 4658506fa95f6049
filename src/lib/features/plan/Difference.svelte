<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeDayInput, MovedTask, PlanDifference } from '../../core/planning/index.ts';
	import { formatMinutes } from '../../core/units/index.ts';
	import { activityText, machineText, peopleText, subjectText } from '../../wording/task-text.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		difference: PlanDifference;
		input: BakeDayInput;
		/** The plan in force by its version. */
		version: number;
		/** Null where there is nothing to show what is chosen on. */
		onSelect: ((taskId: string) => void) | null;
	}
	let { difference, input, version, onSelect }: Props = $props();
	const { timeZone: zone } = useRoom().bakery;

	/** So many are told at once; the rest on asking. */
	const FIRST = 8;
	let all = $state(false);
	const { moved, added, dropped, drops } = $derived(difference);
	const nothing = $derived(moved.length + added.length + dropped.length + drops.length === 0);
	const people = (task: MovedTask['after']) => [
		...new Set(task.attended.flatMap(({ personIds }) => personIds))
	];
	function movedText({ before, after }: MovedTask): string {
		const minutes = Math.round((after.startMs - before.startMs) / 60_000);
		const parts = [
			minutes === 0
				? ''
				: `${formatMinutes(Math.abs(minutes))} ${minutes > 0 ? 'later' : 'sooner'}, ${clockText(after.startMs, zone)}`,
			after.machineId !== before.machineId && after.machineId !== null
				? `on ${machineText(after.machineId, input)}`
				: '',
			people(after).join() !== people(before).join() && people(after).length > 0
				? `by ${peopleText(people(after), input)}`
				: ''
		].filter((part) => part !== '');
		return parts.join(', ');
	}
	const spare = (readyByMs: number, readyMs: number | null) =>
		readyMs === null ? 'not planned' : formatMinutes(Math.floor((readyByMs - readyMs) / 60_000));
</script>

<section aria-labelledby="difference" data-difference class="mb-4">
	<h2 id="difference">Against version {version}</h2>
	{#if nothing}
		<p>Nothing that hands do is elsewhere.</p>
	{:else}
		<p>
			{moved.length === 1 ? 'One thing moves' : `${moved.length} things move`}{added.length > 0
				? `, ${added.length} are new`
				: ''}{dropped.length > 0 ? `, ${dropped.length} fall away` : ''}.
		</p>
		<ul>
			{#each drops as drop (drop.dropId)}
				<li class="border-b border-line py-1">
					<b>{drop.name}</b>: {spare(drop.readyByMs, drop.afterMs)} to spare, it was {spare(
						drop.readyByMs,
						drop.beforeMs
					)}.
				</li>
			{/each}
			{#each all ? moved : moved.slice(0, FIRST) as one (one.after.id)}
				<li class="border-b border-line">
					{#snippet text()}
						<span
							>{activityText(one.after)}
							{subjectText(one.after, input)}
							<span class="block text-note text-ink-2">{movedText(one)}</span></span
						>
					{/snippet}
					{#if onSelect}
						<button class="entry" onclick={() => onSelect(one.after.id)}>{@render text()}</button>
					{:else}
						<div class="py-1">{@render text()}</div>
					{/if}
				</li>
			{/each}
		</ul>
		{#if moved.length > FIRST && !all}
			<button class="action-lesser mt-2" onclick={() => (all = true)}>
				Show all {moved.length}
			</button>
		{/if}
	{/if}
</section>

<style>
	.entry {
		display: flex;
		width: 100%;
		padding: 6px 4px;
		text-align: left;
		cursor: pointer;
		min-height: 44px;
	}
	@media (pointer: coarse) {
		.entry {
			min-height: 56px;
		}
	}
</style>
