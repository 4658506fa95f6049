<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_LEAD_MINUTES } from '../../contracts/limits.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import type { BakeDayInput, DayPlan, DayTask } from '../../core/planning/index.ts';
	import { formatMinutes, formatTemperature } from '../../core/units/index.ts';
	import { activityText, subjectText } from '../../wording/task-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { reasonText } from './reason-text.ts';
	import { readyWordOf } from '../../wording/ready-text.ts';

	interface Props {
		task: DayTask;
		plan: DayPlan;
		/** What it was made from. */
		input: BakeDayInput;
		view: PlanView;
		onClose: () => void;
	}
	let { task, plan, input, view, onClose }: Props = $props();
	const room = useRoom();
	const { timeZone: zone, units } = room.bakery;

	const STEP_MINUTES = 10;
	const at = (ms: number) => clockText(ms, zone);
	const celsius = (value: number | undefined) =>
		value === undefined ? '' : formatTemperature({ celsius: value }, 1, units);
	const mix = $derived.by(() => {
		const { batch } = task;
		if (batch.kind === 'preparation') return null;
		const found = input.doughs
			.find((dough) => dough.formulaId === batch.formulaId)
			?.mixes.find((mix) => mix.ordinal === batch.ordinal);
		const known = view.mixes.find(
			(mix) => mix.formulaId === batch.formulaId && mix.ordinal === batch.ordinal
		);
		return found && known ? { ...found, ...known } : null;
	});
	const sending = new Sending(room.retries);

	async function lead(minutes: number) {
		if (!mix || sending.busy) return;
		await sending.send(
			{
				kind: 'set-lead',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: mix.batch,
				minutes,
				expectedVersion: mix.leadVersion
			},
			() => readAnew('jovet:day')
		);
	}
</script>

<section class="mb-4 border-2 border-ink p-3" aria-labelledby="detail" data-detail>
	<header class="flex items-start justify-between gap-2">
		<h2 id="detail">{activityText(task)} {subjectText(task, input)}</h2>
		<button class="action-lesser shrink-0" onclick={onClose}>Close</button>
	</header>
	<p class="text-lead">
		<b>{at(task.startMs)}</b> to <b>{at(task.endMs)}</b>
		<span class="text-ink-2">· {formatMinutes((task.endMs - task.startMs) / 60_000)}</span>
	</p>
	<p>
		{#if task.step.kind === 'bake'}
			Loads at {celsius(task.step.loadCelsius)}, done at {celsius(task.step.coreCelsius)} in the core.
			Hot decks and steam burn: gloves on, stand aside when steam is let in; the oven's manual comes first.
		{:else}
			Dough from {celsius(task.celsius[0])} to {celsius(task.celsius.at(-1))}.
		{/if}
	</p>
	{#if task.marks}
		<p>
			Early {at(task.marks.earlyMs)},
			<b
				>{readyWordOf(task.step.kind === 'wait' ? task.step.activity : 'bulk')}
				{at(task.marks.ripeMs)}</b
			>{#if task.marks.lateMs !== null}, late
				{at(task.marks.lateMs)}{/if}.
		</p>
	{/if}
	<p class="mt-1">{reasonText(task, plan, input, zone)}</p>
	{#if mix}
		<div class="mt-2 flex items-center gap-2" data-lead>
			<button
				class="action-lesser"
				disabled={sending.busy || mix.leadMinutes < STEP_MINUTES}
				onclick={() => lead(mix.leadMinutes - STEP_MINUTES)}
				aria-label="Ready {STEP_MINUTES} minutes later">−{STEP_MINUTES}</button
			>
			<span class="grow text-center">
				{mix.leadMinutes === 0
					? 'ready for its drop'
					: `ready ${formatMinutes(mix.leadMinutes)} earlier`}
			</span>
			<button
				class="action-lesser"
				disabled={sending.busy || mix.leadMinutes + STEP_MINUTES > MOST_LEAD_MINUTES}
				onclick={() => lead(mix.leadMinutes + STEP_MINUTES)}
				aria-label="Ready {STEP_MINUTES} minutes earlier">+{STEP_MINUTES}</button
			>
		</div>
	{/if}
	{#if sending.message}<p role="alert">{sending.message}</p>{/if}
</section>
