<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { resolve } from '$app/paths';
	import { SegmentedControl } from '@skeletonlabs/skeleton-svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { followUndoKeys } from '../../client/undo-keys.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import { holds } from '../../core/planning/index.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import { stepped, windowOf, ZOOMS, type Zoom } from '../../ribbons/time-window.ts';
	import { FrameLater } from '../../ui/frame-later.svelte.ts';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { unmadeText, unplannedText } from '../../wording/failure-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';
	import type { WorkEntry } from '../../core/bench/index.ts';
	import { PlanModel } from './plan-model.svelte.ts';
	import { planSentence, unplacedNames } from './plan-sentence.ts';
	import { whatIfText } from './what-if-text.ts';
	import { withoutTask } from './wish-list.ts';

	interface Props {
		view: PlanView;
		/** What was tapped at the bench so far. */
		tapped: readonly WorkEntry[];
		/** It is planned again from that. */
		fromTaps: boolean;
	}
	let { view, tapped, fromTaps }: Props = $props();
	const room = useRoom();
	const zone = room.bakery.timeZone;
	const model = new PlanModel(
		untrack(() => view),
		() => room.now.epochMs,
		() => tapped
	);
	let mounted = $state(false);
	onMount(() => {
		mounted = true;
		void model.begin(fromTaps);
		const leaveKeys = followUndoKeys(() => ({
			canUndo: model.canUndo,
			canRedo: model.canRedo,
			undo: () => void model.undo(),
			redo: () => void model.redo()
		}));
		return () => {
			leaveKeys();
			model.close();
		};
	});
	$effect(() => {
		const next = view;
		if (mounted && next !== untrack(() => model.view)) void untrack(() => model.show(next));
	});

	let selected: string | null = $state(null);
	let chartWidth = $state(960);
	let supposing = $state(false);
	let asking = $state(false);
	let zoom: Zoom = $state('whole');
	let aroundMs = $state(untrack(() => room.now.epochMs));
	const sending = new Sending(room.retries);
	const ZOOM_TEXT: Readonly<Record<Zoom, string>> = {
		whole: 'All of it',
		night: 'The night',
		hours: '4 hours'
	};

	const plan = $derived(model.shown?.plan ?? null);
	const input = $derived(model.shown?.input ?? view.input);
	const nothing = $derived(view.input.doughs.length === 0 && !plan);
	const breaks = $derived(plan !== null && !holds(plan));
	const looked = $derived(plan ? windowOf(plan, input, zoom, aroundMs) : null);
	/** More than these would hide the ribbons: they are told in one. */
	const MOST_NOTICES = 3;
	const unplaced = $derived(plan ? unplacedNames(plan, input) : []);
	/** The words beside follow the ribbons. */
	const beside = new FrameLater(() => model.shown);
	const sentence = $derived.by(() => {
		if (nothing) return 'There is nothing to plan: nothing is ordered for this date.';
		if (model.phase.kind === 'failed') return 'The plan could not be made.';
		if (!plan) return 'Planning the night.';
		const told = planSentence(
			plan,
			input,
			zone,
			view.unmade.length,
			model.lookedInto?.chances ?? null
		);
		return model.whatIf.length > 0
			? `If ${model.whatIf.map((what) => whatIfText(what, view.input)).join(' and ')}: ${told}`
			: told;
	});
	const note = $derived.by(() => {
		const working = model.phase.kind === 'improving' ? ' Still looking for a better one.' : '';
		const { accepted } = view;
		if (!accepted) return `${dateText(view.date)}. Proposed, not accepted.${working}`;
		const when = `${dayText(accepted.acceptedAtMs, zone)} ${clockText(accepted.acceptedAtMs, zone)}`;
		if (model.accepted)
			return `Version ${accepted.number}, accepted by ${accepted.acceptedBy}, ${when}.`;
		const done =
			model.takenAsDone > 0
				? ` What it told for before now is taken as done, ${model.takenAsDone === 1 ? 'one thing' : `${model.takenAsDone} things`}.`
				: '';
		return accepted.current
			? `Proposed against version ${accepted.number} (${when}).${done}${working}`
			: `Orders or times changed since version ${accepted.number} was accepted (${when}).${done}${working}`;
	});

	function select(taskId: string | null) {
		selected = taskId;
		asking = false;
		const task = plan?.tasks.find(({ id }) => id === taskId);
		if (task && zoom === 'hours') aroundMs = task.startMs;
	}
	function toggle(taskId: string) {
		select(selected === taskId ? null : taskId);
	}
	function drag(taskId: string, toMs: number, letGo: boolean) {
		const task = plan?.tasks.find(({ id }) => id === taskId);
		if (!task?.placedAs) return;
		const begins = plan?.tasks.find(({ id }) => id === task.placedAs)?.startMs ?? task.startMs;
		const wish = {
			kind: 'start' as const,
			task: task.placedAs,
			atMs: toMs - (task.startMs - begins)
		};
		if (letGo) {
			selected = taskId;
			void model.letGo([...withoutTask(model.wishesHeld, wish.task, 'start'), wish]);
		} else void model.hold([...withoutTask(model.wishesHeld, wish.task, 'start'), wish]);
	}

	async function accept() {
		const placement = model.found?.placement;
		if (!placement) return;
		if (breaks && !asking) {
			asking = true;
			return;
		}
		asking = false;
		await sending.send(
			{
				kind: 'accept-plan',
				occurredAtMs: Math.round(room.now.epochMs),
				date: view.date,
				fingerprint: view.fingerprint,
				placement
			},
			() => readAnew('jovet:day')
		);
	}
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		{#if nothing}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/orders`)}
				>Go to the orders</a
			>
		{:else if plan}
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/run-sheet`)}
				>Run sheet</a
			>
			{#if model.accepted}
				<span class="action-lesser" data-accepted>Accepted</span>
			{:else}
				{#if view.accepted?.current}
					<button class="action-lesser" onclick={() => model.backToAccepted()}>
						Keep version {view.accepted.number}
					</button>
				{/if}
				<button
					class="action"
					disabled={sending.busy || model.phase.kind === 'planning' || model.whatIf.length > 0}
					onclick={accept}
				>
					{sending.busy
						? 'Accepting'
						: asking && breaks
							? 'Accept it as it is'
							: 'Accept this plan'}
				</button>
			{/if}
		{/if}
	{/snippet}
</RoomHeading>

{#if asking && breaks}
	<p class="mx-5 mb-3" role="alert" data-asking>
		This plan breaks something that is wished or needed. Accept it only if you will settle that by
		hand.
	</p>
{/if}
{#if sending.message}<p class="mx-5 mb-3" role="alert">{sending.message}</p>{/if}
{#if view.over.length > 0}
	{#await import('../../sheets/OverNotices.svelte') then { default: OverNotices }}
		<OverNotices over={view.over} />
	{/await}
{/if}
{#if input.learned.length > 0 && plan}
	<details class="mx-5 mb-3" data-learned>
		<summary class="min-h-11 cursor-pointer py-2"
			>{input.learned.length === 1
				? 'One figure of this plan is learned'
				: `${input.learned.length} figures of this plan are learned`}</summary
		>
		{#await import('./LearnedHere.svelte') then { default: LearnedHere }}
			<LearnedHere learned={input.learned} />
		{/await}
	</details>
{/if}
{#each view.unmade as unmade, index (index)}
	<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
{/each}
{#each plan?.unplanned ?? [] as chain, index (index)}
	<Notice label="Not planned" about={chain.name} text="{unplannedText(chain)}." />
{/each}
{#if unplaced.length > MOST_NOTICES}
	<Notice
		label="No place"
		about="{unplaced.length} things"
		text="they were not fitted into this night. {unplaced.join('; ')}."
	/>
{:else}
	{#each unplaced as name (name)}
		<Notice label="No place" about={name} text="it was not fitted into this night." />
	{/each}
{/if}
{#if model.phase.kind === 'failed'}
	<p class="mx-5 mb-3 flex items-center gap-4" role="alert">
		{model.phase.message}
		<button class="action" onclick={() => model.replan()}>Plan again</button>
	</p>
{:else if !nothing && !plan}
	<div class="mx-5 max-w-md">
		{#await import('./LookingForPlan.svelte') then { default: LookingForPlan }}
			<LookingForPlan />
		{/await}
	</div>
{/if}

{#if plan && looked && plan.tasks.length > 0}
	<div class="tools">
		<SegmentedControl
			value={zoom}
			onValueChange={({ value }) => {
				zoom = ZOOMS.find((one) => one === value) ?? 'whole';
			}}
		>
			<SegmentedControl.Label class="sr-only">How much of the time</SegmentedControl.Label>
			<SegmentedControl.Control class="flex border-2 border-ink p-0">
				{#each ZOOMS as value (value)}
					<SegmentedControl.Item {value} class="zoom-choice">
						<SegmentedControl.ItemText>{ZOOM_TEXT[value]}</SegmentedControl.ItemText>
						<SegmentedControl.ItemHiddenInput />
					</SegmentedControl.Item>
				{/each}
			</SegmentedControl.Control>
		</SegmentedControl>
		{#if zoom === 'hours'}
			<button class="action-lesser" onclick={() => (aroundMs = stepped(aroundMs, -1))}
				>2 hours back</button
			>
			<button class="action-lesser" onclick={() => (aroundMs = stepped(aroundMs, 1))}
				>2 hours on</button
			>
		{/if}
		<span class="grow"></span>
		<button class="action-lesser" disabled={!model.canUndo} onclick={() => model.undo()}
			>Undo</button
		>
		<button class="action-lesser" disabled={!model.canRedo} onclick={() => model.redo()}
			>Redo</button
		>
		<button class="action-lesser" aria-expanded={supposing} onclick={() => (supposing = !supposing)}
			>What if</button
		>
	</div>
	{#if supposing}
		{#await import('./SupposePanel.svelte') then { default: SupposePanel }}
			<SupposePanel {model} {view} />
		{/await}
	{/if}
	{#if model.wishes.length > 0}
		{#await import('./HeldSo.svelte') then { default: HeldSo }}
			<HeldSo {plan} {input} {model} />
		{/await}
	{/if}
{/if}

{#if !nothing}
	<!-- There before the plan is: what is drawn is drawn once, in its width. -->
	<div class="plan">
		<div class="min-w-0" bind:clientWidth={chartWidth}>
			{#if plan && looked && plan.tasks.length > 0}
				<PlanChart
					{plan}
					{input}
					{zone}
					width={chartWidth}
					nowMs={room.now.epochMs}
					{selected}
					window={looked}
					onSelect={toggle}
					onDrag={drag}
				/>
				<div class="mt-3 border-t border-line pt-2">
					{#await import('../../ribbons/RibbonLegend.svelte') then { default: RibbonLegend }}
						<RibbonLegend
							units={room.bakery.units}
							others={view.input.elsewhere.some(({ of }) => of !== 'vessel' && of !== 'place')}
						/>
					{/await}
				</div>
			{/if}
		</div>
		{#if beside.value && beside.value.plan.tasks.length > 0}
			{@const shown = beside.value}
			{#await import('./PlanSide.svelte') then { default: PlanSide }}
				<PlanSide
					plan={shown.plan}
					input={shown.input}
					{view}
					{model}
					{selected}
					onSelect={select}
				/>
			{/await}
		{/if}
	</div>
{/if}

<style>
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		align-items: center;
		padding: 0 20px 10px;
	}
	:global(.zoom-choice) {
		display: grid;
		place-items: center;
		padding: 0 12px;
		min-height: 36px;
		cursor: pointer;
	}
	:global(.zoom-choice[data-state='checked']) {
		background: var(--ink);
		color: var(--sheet);
	}
	:global(.zoom-choice:has(:focus-visible)) {
		outline: 3px solid var(--ink);
		outline-offset: 2px;
	}
	.plan {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 310px;
		gap: 16px;
		padding: 0 0 12px 16px;
		align-items: start;
	}
	@media (max-width: 1100px) {
		.plan {
			grid-template-columns: minmax(0, 1fr);
			padding-right: 16px;
		}
	}
	@media (pointer: coarse) {
		:global(.zoom-choice) {
			min-height: 56px;
		}
	}
</style>
