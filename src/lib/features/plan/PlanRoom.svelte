<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { resolve } from '$app/paths';
	import { Progress } from '@skeletonlabs/skeleton-svelte';
	import OverNotices from '../../sheets/OverNotices.svelte';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { Sending } from '../../client/sending.svelte.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { PlanView } from '../../contracts/views.ts';
	import PlanChart from '../../ribbons/PlanChart.svelte';
	import RibbonLegend from '../../ribbons/RibbonLegend.svelte';
	import { unmadeText, unplannedText } from '../../wording/failure-text.ts';
	import { clockText, dateText, dayText } from '../../wording/time-text.ts';
	import { PlanModel } from './plan-model.svelte.ts';
	import { planSentence } from './plan-sentence.ts';
	import PlanSide from './PlanSide.svelte';

	interface Props {
		view: PlanView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const zone = room.bakery.timeZone;
	const model = new PlanModel(untrack(() => view));
	let mounted = $state(false);
	onMount(() => {
		mounted = true;
		return () => model.close();
	});
	$effect(() => {
		const next = view;
		if (mounted) void untrack(() => model.show(next));
	});

	let selected: string | null = $state(null);
	let chartWidth = $state(960);
	const sending = new Sending(room.retries);

	const plan = $derived(model.shown?.plan ?? null);
	const input = $derived(model.shown?.input ?? view.input);
	const nothing = $derived(view.input.doughs.length === 0 && !plan);
	const sentence = $derived.by(() => {
		if (nothing) return 'There is nothing to plan: nothing is ordered for this date.';
		if (model.phase.kind === 'failed') return 'The plan could not be made.';
		return plan ? planSentence(plan, zone) : 'Planning backwards from the drops.';
	});
	const note = $derived.by(() => {
		const { accepted } = view;
		if (!accepted) return dateText(view.date);
		const when = `${dayText(accepted.acceptedAtMs, zone)} ${clockText(accepted.acceptedAtMs, zone)}`;
		return model.accepted
			? `Version ${accepted.number}, accepted by ${accepted.acceptedBy}, ${when}.`
			: `Orders or times changed since version ${accepted.number} was accepted (${when}).`;
	});

	function select(taskId: string | null) {
		selected = taskId;
	}
	function toggle(taskId: string) {
		selected = selected === taskId ? null : taskId;
	}

	async function accept() {
		if (!model.placement) return;
		await sending.send(
			{
				kind: 'accept-plan',
				occurredAtMs: Math.round(room.now.epochMs),
				date: view.date,
				fingerprint: view.fingerprint,
				placement: model.placement
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
				<button
					class="action"
					disabled={sending.busy || model.phase.kind !== 'planned'}
					onclick={accept}
				>
					{sending.busy ? 'Accepting' : 'Accept this plan'}
				</button>
			{/if}
		{/if}
	{/snippet}
</RoomHeading>

{#if sending.message}<p class="mx-5 mb-3" role="alert">{sending.message}</p>{/if}
<OverNotices over={view.over} />
{#each view.unmade as unmade, index (index)}
	<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
{/each}
{#each plan?.unplanned ?? [] as chain, index (index)}
	<Notice label="Not planned" about={chain.name} text="{unplannedText(chain)}." />
{/each}
{#if model.phase.kind === 'failed'}
	<p class="mx-5 mb-3 flex items-center gap-4" role="alert">
		{model.phase.message}
		<button class="action" onclick={() => model.replan()}>Plan again</button>
	</p>
{:else if !nothing && !plan}
	<div class="mx-5 max-w-md">
		<Progress
			value={model.phase.kind === 'planning' ? model.phase.done : 0}
			max={model.phase.kind === 'planning' ? Math.max(1, model.phase.total) : 1}
		>
			<Progress.Label>Working out every chain</Progress.Label>
			<Progress.Track class="h-4 border-2 border-ink bg-sheet">
				<Progress.Range class="h-full bg-ink" />
			</Progress.Track>
		</Progress>
	</div>
{/if}

{#if plan && plan.tasks.length > 0}
	<div class="plan">
		<div class="min-w-0">
			<div bind:clientWidth={chartWidth}>
				<PlanChart
					{plan}
					{input}
					{zone}
					width={chartWidth}
					nowMs={room.now.epochMs}
					{selected}
					onSelect={toggle}
				/>
			</div>
			<div class="mt-3 border-t border-line pt-2"><RibbonLegend units={room.bakery.units} /></div>
		</div>
		<PlanSide {plan} {input} {view} {selected} onSelect={select} />
	</div>
{/if}

<style>
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
</style>
