<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import { groupBy } from '../../core/group-by.ts';
	import {
		placesFull,
		vesselsShort,
		type BakeDayInput,
		type DayPlan,
		type PlaceFull,
		type VesselsShort
	} from '../../core/planning/index.ts';
	import { InTurns } from '../../ui/in-turns.svelte.ts';
	import { toDoList } from '../../wording/task-text.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import DropsAhead from './DropsAhead.svelte';
	import type { PlanModel } from './plan-model.svelte.ts';

	interface Props {
		plan: DayPlan;
		/** What it was made from. */
		input: BakeDayInput;
		view: PlanView;
		model: PlanModel;
		selected: string | null;
		onSelect: (taskId: string | null) => void;
	}
	let { plan, input, view, model, selected, onSelect }: Props = $props();
	const room = useRoom();
	const zone = room.bakery.timeZone;

	const ENTRIES_PER_FRAME = 20;
	const list = $derived(toDoList(plan, input).filter((entry) => entry.handsOn));
	const turns = new InTurns(() => list.length, ENTRIES_PER_FRAME, 0);
	const days = $derived(
		groupBy(
			list.slice(0, turns.drawn),
			(entry) => dayText(entry.atMs, zone),
			(entry) => entry
		)
	);
	const task = $derived(plan.tasks.find((task) => task.id === selected) ?? null);
	const vessels = $derived(vesselsShort(plan, input));
	const full = $derived(placesFull(plan, input));
	const fullText = ({ name, room: trays, wanted, atMs }: PlaceFull) =>
		`${name}: room for ${wanted} trays wanted at once at ${clockText(atMs, zone)}, it has room for ${trays}.`;
	const vesselText = ({ name, owned, wanted, atMs }: VesselsShort) =>
		`${name}: ${wanted} wanted at once at ${clockText(atMs, zone)}, ${owned} are there.`;
</script>

<aside class="side" aria-label="What to do">
	{#if task}
		<div class="chosen">
			{#await import('./TaskDetail.svelte') then { default: TaskDetail }}
				<TaskDetail {task} {plan} {input} {model} onClose={() => onSelect(null)} />
			{/await}
		</div>
	{/if}
	{#if model.waysOut === 'looked for' || (model.waysOut !== null && model.waysOut.kind !== 'holds')}
		{#await import('./WaysOut.svelte') then { default: WaysOut }}
			<WaysOut {plan} {input} {model} />
		{/await}
	{/if}
	<DropsAhead {plan} {input} {model} {onSelect} />
	{#if plan.cautions.length > 0}
		{#await import('./Clashes.svelte') then { default: Clashes }}
			<Clashes {plan} {input} date={view.date} {onSelect} />
		{/await}
	{/if}
	{#if vessels.length > 0 || full.length > 0}
		<section aria-labelledby="short" data-short class="mb-4">
			<h2 id="short" class="mb-1">Short</h2>
			<ul>
				{#each vessels as one (one.name)}
					<li class="border-b border-line py-2">{vesselText(one)}</li>
				{/each}
				{#each full as one (one.name)}
					<li class="border-b border-line py-2">{fullText(one)}</li>
				{/each}
			</ul>
		</section>
	{/if}
	{#if model.difference && view.accepted}
		{@const difference = model.difference}
		{@const version = view.accepted.number}
		{#await import('./Difference.svelte') then { default: Difference }}
			<Difference {difference} {input} {version} {onSelect} />
		{/await}
	{/if}
	<section aria-labelledby="to-do" data-to-do>
		<h2 id="to-do">What to do</h2>
		{#each days as [day, entries] (day)}
			<h3 class="mt-2 border-b-2 border-ink">{day}</h3>
			<ol>
				{#each entries as entry (entry.key)}
					<li class="border-b border-line">
						{#snippet told()}
							<time class="text-lead font-bold">{clockText(entry.atMs, zone)}</time>
							<span>
								{entry.what}
								<span class="block text-note text-ink-2"
									>{[entry.who, entry.detail].filter((part) => part !== '').join(' · ')}</span
								>
							</span>
						{/snippet}
						{#if entry.taskId === null}
							<p class="entry">{@render told()}</p>
						{:else}
							<button
								class="entry"
								aria-pressed={entry.taskId === selected}
								onclick={() => onSelect(entry.taskId)}
							>
								{@render told()}
							</button>
						{/if}
					</li>
				{/each}
			</ol>
		{/each}
	</section>
</aside>

<style>
	.side {
		background: var(--sheet);
		border-left: 1px solid var(--line);
		padding: 12px 16px;
		max-height: calc(100vh - 150px);
		overflow-y: auto;
	}
	.chosen {
		position: sticky;
		top: -12px;
		z-index: 1;
		background: var(--sheet);
		padding-top: 4px;
		/* It stays while the list goes by; what is longer than the side is scrolled in it. */
		max-height: calc(100vh - 166px);
		overflow-y: auto;
	}
	.entry {
		display: flex;
		gap: 12px;
		width: 100%;
		padding: 7px 4px;
		text-align: left;
		min-height: 44px;
	}
	button.entry {
		cursor: pointer;
	}
	.entry[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	.entry[aria-pressed='true'] .text-ink-2 {
		color: inherit;
	}
	@media (max-width: 1100px) {
		.side {
			max-height: none;
			border: 1px solid var(--line);
		}
		.chosen {
			position: static;
			max-height: none;
		}
	}
	@media (pointer: coarse) {
		.entry {
			min-height: 56px;
		}
	}
</style>
