<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { BenchView } from '../../contracts/bench-views.ts';
	import type { BoardWork } from '../../core/bench/index.ts';
	import BigFigure from '../../ui/BigFigure.svelte';
	import { handText, whenText } from '../../wording/bench-text.ts';
	import type { HandsOnEntry } from '../../wording/list-entry.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { waterOf } from '../../wording/water-line.ts';
	import type { BenchModel } from './bench-model.svelte.ts';
	import DoughOut from './DoughOut.svelte';
	import { figuresOfWork } from './figures-of-work.ts';
	import NotYet from './NotYet.svelte';

	interface Props {
		one: BoardWork;
		entry: HandsOnEntry;
		model: BenchModel;
		view: BenchView;
		/** By name, what comes before it and is not done. */
		waitsFor: string;
	}
	let { one, entry, model, view, waitsFor }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const nowMs = $derived(room.now.epochMs);

	/** A hand that comes down as the work changes under it meets nothing for a moment. */
	const STEADY_MS = 500;
	let steady = $state(false);
	$effect(() => {
		const timer = setTimeout(() => (steady = true), STEADY_MS);
		return () => clearTimeout(timer);
	});
	/** Open beneath the buttons: why it is not yet, or how warm the dough is. */
	let open: 'not-yet' | 'measure' | null = $state(null);

	const document = $derived(view.accepted?.document ?? null);
	const task = $derived(document?.plan.tasks.find(({ id }) => id === entry.taskId) ?? null);
	const water = $derived(waterOf(entry, view.waters));
	const figures = $derived(
		document ? figuresOfWork(entry, task, document.input, water, units) : []
	);
	const first = $derived(figures.find(({ isFirst }) => isFirst) ?? null);
	const others = $derived(figures.filter((figure) => figure !== first));
	const isOver = $derived(one.state.kind === 'done' || one.state.kind === 'left-out');
	const isShort = $derived(entry.endMs - entry.atMs < 2 * 60_000);
	/** The mix that is measured when it is out; null where nothing is. */
	const measured = $derived.by(() => {
		const { batch } = entry;
		if (entry.measure !== 'dough' || batch?.kind !== 'mix') return null;
		return (
			view.mixes.find(
				({ formulaId, ordinal }) => formulaId === batch.formulaId && ordinal === batch.ordinal
			)?.batch ?? null
		);
	});
	const weighs = $derived(
		task?.step.kind === 'hands-on' && (task.step.activity === 'weigh' || entry.mixes !== null)
	);
	const weighPath = $derived.by(() => {
		const { batch } = entry;
		if (!weighs || (batch?.kind !== 'mix' && batch?.kind !== 'preparation')) return null;
		return batch.kind === 'mix'
			? `mix/${batch.formulaId}/${batch.ordinal}`
			: `preparation/${batch.preparationId}/${batch.ordinal}`;
	});
	const time = $derived.by(() => {
		switch (one.state.kind) {
			case 'begun':
				return handText(one, nowMs);
			case 'done':
				return `done ${clockText(one.toMs, zone)}`;
			case 'left-out':
				return 'left out';
			default:
				return whenText(one, nowMs);
		}
	});
	const done = () => model.tap(entry, 'ended');
</script>

<section class="hand" aria-label="In hand" data-hand={entry.what} data-hand-state={one.state.kind}>
	<header>
		<p class="when" class:act-now={one.lateMinutes > 0} data-when>{time}</p>
		<p class="line">
			{clockText(one.state.kind === 'begun' ? one.fromMs : one.dueMs, zone)}
			{#if entry.endMs - entry.atMs >= 60_000}to {clockText(
					one.state.kind === 'begun' || isOver ? one.toMs : one.dueMs + entry.endMs - entry.atMs,
					zone
				)}{/if}
			{#if entry.who}· <b>{entry.who}</b>{/if}
			{#if one.state.kind === 'put-off' && one.state.because}· {one.state.because}{/if}
		</p>
	</header>
	<h2>{entry.what}</h2>
	{#if waitsFor && !isOver}<p class="line" data-waits-for>
			Before it comes: <b>{waitsFor}</b>.
		</p>{/if}
	<div class="figures">
		{#if first}<BigFigure name={first.name} size="large">{first.figure}</BigFigure>{/if}
		{#each others as { name, figure } (name)}
			<BigFigure {name} size="middle">{figure}</BigFigure>
		{/each}
	</div>
	{#if entry.caution}<p class="caution" data-caution>{entry.caution}</p>{/if}
	{#if !isOver}
		<div class="actions">
			{#if one.state.kind === 'begun' || isShort}
				{#if measured}
					<button
						class="action"
						disabled={!steady}
						aria-expanded={open === 'measure'}
						onclick={() => (open = open === 'measure' ? null : 'measure')}>Dough is ... °</button
					>
					<button class="action-lesser" disabled={!steady} onclick={done}>Out, not measured</button>
				{:else}
					<button class="action" disabled={!steady} onclick={done}>Done</button>
				{/if}
			{:else}
				<button class="action" disabled={!steady} onclick={() => model.tap(entry, 'begun')}
					>Begin</button
				>
				<button class="action-lesser" disabled={!steady} onclick={done}>Done</button>
			{/if}
			{#if one.state.kind !== 'begun'}
				<button
					class="action-lesser"
					disabled={!steady}
					aria-expanded={open === 'not-yet'}
					onclick={() => (open = open === 'not-yet' ? null : 'not-yet')}>Not yet</button
				>
			{/if}
		</div>
		{#if weighPath}
			<a
				class="action-lesser weigh no-underline!"
				href={resolve(`/bake/${view.date}/doughs/weigh/${weighPath}`)}>Weigh it up</a
			>
		{/if}
		{#if open === 'measure' && measured}
			<DoughOut
				title={entry.what}
				batch={measured}
				waterCelsius={water?.order.temperature.celsius ?? null}
				mixerId={task?.machineId ?? null}
				onMeasured={() => (open = null)}
			/>
		{:else if open === 'not-yet'}
			<NotYet
				{one}
				{nowMs}
				{zone}
				onPutOff={(minutes: number, because: string) =>
					void model
						.tap(entry, 'put-off', { untilMs: Math.round(nowMs) + minutes * 60_000, because })
						.then(() => (open = null))}
				onLeaveOut={(because: string) => void model.tap(entry, 'left-out', { because })}
				onDoneAt={(atMs: number) => void model.tap(entry, 'ended', { atMs })}
			/>
		{/if}
	{:else if one.state.kind !== 'open' && one.state.entry.by !== ''}
		{@const tapped = one.state.entry}
		<div class="actions">
			<button class="action-lesser" onclick={() => void model.takeBack(tapped)}
				>It did not happen</button
			>
		</div>
	{/if}
</section>

<style>
	.hand {
		padding: 16px 20px 20px;
		border: 2px solid var(--ink);
		background: var(--sheet);
	}
	header {
		display: flex;
		flex-wrap: wrap;
		align-items: baseline;
		justify-content: space-between;
		gap: 4px 20px;
	}
	h2 {
		font-size: 40px;
		line-height: 1.1;
	}
	.when {
		font-size: 54px;
		font-weight: 800;
		line-height: 1.1;
		white-space: nowrap;
	}
	.when.act-now {
		padding: 0 10px;
	}
	.line {
		font-size: 19px;
	}
	.figures {
		display: flex;
		flex-wrap: wrap;
		gap: 10px 36px;
		align-items: end;
		padding: 14px 0;
	}
	.caution {
		margin-bottom: 12px;
		padding: 8px 12px;
		border: 2px solid var(--ink);
		font-size: 19px;
	}
	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 12px;
	}
	.actions > button {
		flex: 1 1 130px;
		min-height: 84px;
		font-size: 24px;
	}
	.weigh {
		min-height: 56px;
		margin-top: 12px;
	}
	@media (min-width: 1500px) {
		h2 {
			font-size: 64px;
		}
		.when {
			font-size: 104px;
		}
		.line {
			font-size: 24px;
		}
	}
</style>
