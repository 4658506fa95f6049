<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { MOST_LEAD_MINUTES } from '../../contracts/limits.ts';
	import type { BakeDayInput, DayPlan, DayTask, PlanWish } from '../../core/planning/index.ts';
	import { formatMinutes, formatTemperature } from '../../core/units/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { readyWordOf } from '../../wording/ready-text.ts';
	import { activityText, machineText, peopleText, subjectText } from '../../wording/task-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import MixesOfDough from './MixesOfDough.svelte';
	import Otherwise from './Otherwise.svelte';
	import type { PlanModel } from './plan-model.svelte.ts';
	import { leadsToText, reasonsText } from './reason-text.ts';
	import { withoutTask, withTask } from './wish-list.ts';

	interface Props {
		task: DayTask;
		plan: DayPlan;
		/** What it was made from. */
		input: BakeDayInput;
		model: PlanModel;
		onClose: () => void;
	}
	let { task, plan, input, model, onClose }: Props = $props();
	const room = useRoom();
	const { timeZone: zone, units } = room.bakery;

	const STEP_MINUTES = 10;
	const MINUTE_MS = 60_000;
	const at = (ms: number) => clockText(ms, zone);
	const celsius = (value: number | undefined) =>
		value === undefined ? '' : formatTemperature({ celsius: value }, 1, units);
	const placedAs = $derived(task.placedAs);
	const held = $derived(model.wishes.filter((wish) => 'task' in wish && wish.task === placedAs));
	/** What it is placed with begins here. */
	const beginsMs = $derived(plan.tasks.find(({ id }) => id === placedAs)?.startMs ?? task.startMs);
	const decks = $derived.by(() => {
		const { batch, step } = task;
		if (step.kind !== 'bake' || batch.kind !== 'load') return [];
		const product = input.products.find(({ id }) => id === batch.productId);
		return input.bakery.ovens
			.flatMap((oven) => oven.decks)
			.filter(({ id }) => product?.deckIds.includes(id));
	});
	const deckId = $derived(task.machineId);
	/** The last of its decks is not taken from it. */
	const decksLeft = $derived(
		decks.length -
			decks.filter((deck) =>
				held.some((wish) => wish.kind === 'not-deck' && wish.deckId === deck.id)
			).length
	);
	const doneBy = $derived(task.attended[0]?.personIds[0] ?? null);
	const reasons = $derived(reasonsText(task, plan, input, model.lookedInto, zone));
	const mix = $derived.by(() => {
		const { batch } = task;
		if (batch.kind === 'preparation') return null;
		const found = input.doughs
			.find((dough) => dough.formulaId === batch.formulaId)
			?.mixes.find((mix) => mix.ordinal === batch.ordinal);
		const known = model.view.mixes.find(
			(mix) => mix.formulaId === batch.formulaId && mix.ordinal === batch.ordinal
		);
		return found && known ? { ...found, ...known } : null;
	});
	const sending = new Sending(room.retries);

	function want(wish: Extract<PlanWish, { readonly task: string }>) {
		void model.wish(withTask(model.wishes, wish));
	}
	function shift(minutes: number) {
		if (placedAs === null) return;
		want({ kind: 'start', task: placedAs, atMs: beginsMs + minutes * MINUTE_MS });
	}
	function free() {
		if (placedAs !== null) void model.wish(withoutTask(model.wishes, placedAs));
	}

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
		<span class="text-ink-2">· {formatMinutes((task.endMs - task.startMs) / MINUTE_MS)}</span>
	</p>
	{#if task.machineId !== null || task.attended.some(({ personIds }) => personIds.length > 0)}
		<p data-by>
			{[
				machineText(task.machineId, input),
				peopleText([...new Set(task.attended.flatMap(({ personIds }) => personIds))], input)
			]
				.filter((part) => part !== '')
				.join(', ')}
		</p>
	{/if}
	<p>
		{#if task.step.kind === 'bake'}
			Loads at {celsius(task.step.loadCelsius)}, done at {celsius(task.step.coreCelsius)} in the core.
			Hot decks and steam burn: gloves on, stand aside when steam is let in; the oven's manual comes first.
		{:else if task.step.kind === 'hands-on' && task.step.activity === 'weigh'}
			Dry, and left to stand; water and ice are weighed when it is mixed.
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
	{#if placedAs !== null}
		<div class="mt-2 flex flex-wrap items-center gap-2" data-move>
			<button
				class="action-lesser"
				onclick={() => shift(-STEP_MINUTES)}
				aria-label="{STEP_MINUTES} minutes sooner">−{STEP_MINUTES}</button
			>
			<button
				class="action-lesser"
				onclick={() => shift(STEP_MINUTES)}
				aria-label="{STEP_MINUTES} minutes later">+{STEP_MINUTES}</button
			>
			{#if held.length > 0}
				<button class="action-lesser" onclick={free}>Let it go</button>
			{:else}
				<button class="action-lesser" onclick={() => shift(0)}>Hold it here</button>
			{/if}
		</div>
		{#if decks.length > 1}
			<div class="mt-2">
				<Choice
					label="Deck"
					options={decks.map(({ id, name }) => ({ value: id, label: name }))}
					value={task.machineId ?? ''}
					onSet={(deckId: string) => want({ kind: 'deck', task: placedAs, deckId })}
				/>
				{#if deckId !== null && decksLeft > 1}
					<button
						class="action-lesser mt-2"
						onclick={() => want({ kind: 'not-deck', task: placedAs, deckId })}
						>Not on {machineText(deckId, input)}</button
					>
				{/if}
			</div>
		{:else if input.people && input.people.length > 1 && task.step.kind === 'hands-on'}
			<div class="mt-2">
				<Choice
					label="Who does it"
					options={input.people.map(({ id, name }) => ({ value: id, label: name }))}
					value={task.attended[0]?.personIds[0] ?? ''}
					onSet={(personId: string) => want({ kind: 'person', task: placedAs, personId })}
				/>
				{#if doneBy !== null}
					<button
						class="action-lesser mt-2"
						onclick={() => want({ kind: 'not-person', task: placedAs, personId: doneBy })}
						>Not by {peopleText([doneBy], input)}</button
					>
				{/if}
			</div>
		{/if}
	{/if}
	<Otherwise {task} {plan} {input} {model} />
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
	{#if task.batch.kind === 'mix'}
		<MixesOfDough formulaId={task.batch.formulaId} {input} {model} />
	{/if}
	<!-- Last: it grows while it is looked into, and would push what a hand is about to tap. -->
	<h3 class="mt-2">Why here</h3>
	<ul data-why>
		{#each reasons as reason (reason)}
			<li>{reason}</li>
		{:else}
			<li class="text-ink-2">
				{task.step.kind === 'wait'
					? 'It lasts from what comes before it to what comes after.'
					: 'Looking into it.'}
			</li>
		{/each}
	</ul>
	<p class="text-ink-2">{leadsToText(task, plan, input, zone)}</p>
</section>
