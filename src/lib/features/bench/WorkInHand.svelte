<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { ToldResults } from '../../client/told-results.svelte.ts';
	import type { BenchView, DeckProbe } from '../../contracts/bench-views.ts';
	import { outToCount, type BoardWork } from '../../core/bench/index.ts';
	import BigFigure from '../../ui/BigFigure.svelte';
	import { batchKey } from '../../core/planning/index.ts';
	import { fromTheColdText } from '../../wording/from-the-cold.ts';
	import { methodText } from '../../wording/method-text.ts';
	import { PIECE_DECISION_TEXT } from '../../wording/result-text.ts';
	import { handText, whenText } from '../../wording/bench-text.ts';
	import { heldTogether } from '../../wording/held-together.ts';
	import type { HandsOnEntry } from '../../wording/list-entry.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { waterOf } from '../../wording/water-line.ts';
	import type { BenchModel } from './bench-model.svelte.ts';
	import DoughOut from './DoughOut.svelte';
	import { figuresOfWork } from './figures-of-work.ts';
	import { lookOfWork, WAITS_MINUTES } from './look-of-work.ts';
	import OvenReading from './OvenReading.svelte';
	import type { PieceDecision } from '../../core/results/index.ts';

	interface Props {
		one: BoardWork;
		entry: HandsOnEntry;
		model: BenchModel;
		results: ToldResults;
		/** What the probes of decks say. */
		probes: readonly DeckProbe[];
		view: BenchView;
		/** By name, what comes before it and is not done. */
		waitsFor: string;
	}
	let { one, entry, model, results, probes, view, waitsFor }: Props = $props();
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
	let open: 'not-yet' | 'measure' | 'look' | null = $state(null);

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
	/** How it is done, by its product's own method. */
	const method = $derived.by(() => {
		const { batch } = entry;
		if (batch?.kind !== 'portion' && batch?.kind !== 'load') return '';
		const product = document?.input.products.find(({ id }) => id === batch.productId);
		// What is done to a load once it is in, its method no longer tells.
		const wants = entry.kind === 'load' || task?.step.kind === 'hands-on';
		return task && document && product && wants
			? methodText(task, product, document.plan.tasks)
			: '';
	});
	/** Where it is fetched from first, by whoever begins it. */
	const cold = $derived(
		task && document && (entry.kind === 'do' || entry.kind === 'load')
			? fromTheColdText(task, document.plan.tasks)
			: ''
	);
	/** What was read of the deck or the bread, told as it is done. */
	let celsius: number | null = $state(null);
	/** What is counted when it is out: all of its portion, or a load of it. */
	const counts = $derived.by(() => {
		const { batch } = entry;
		if (batch?.kind !== 'load' && batch?.kind !== 'portion') return null;
		if (entry.kind !== 'draw' && entry.station !== 'packing') return null;
		const key = batchKey({ ...batch, kind: 'portion' });
		const counted = results.counted.find((other) => other.key === key);
		const product = document?.input.products.find(({ id }) => id === batch.productId);
		if (!counted || !product) return null;
		const { left, pieces } = counted;
		const most = batch.kind === 'load' ? outToCount(batch, model.expected, pieces - left) : left;
		return { counted, name: product.name, most };
	});
	/** Pieces that are looked at first. */
	const look = $derived(
		document && !isOver && one.state.kind !== 'begun'
			? lookOfWork(entry, document, model.states, nowMs)
			: null
	);
	/** What was open is closed with the tap: with its answer it would be what was opened since. */
	function putOff(minutes: number, because: string) {
		open = null;
		void model.tap(entry, 'put-off', { untilMs: Math.round(nowMs) + minutes * 60_000, because });
	}
	function looked(decision: PieceDecision) {
		open = null;
		const minutes = WAITS_MINUTES[decision];
		if (minutes !== undefined) putOff(minutes, PIECE_DECISION_TEXT[decision]);
	}
	const done = () => model.tap(entry, 'ended', { celsius });
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
	<h2>{heldTogether(entry.what)}</h2>
	{#if waitsFor && !isOver}<p class="line" data-waits-for>
			Before it comes: <b>{waitsFor}</b>.
		</p>{/if}
	<div class="figures">
		{#if first}<BigFigure name={first.name} size="large">{first.figure}</BigFigure>{/if}
		{#each others as { name, figure } (name)}
			<BigFigure {name} size="middle">{figure}</BigFigure>
		{/each}
	</div>
	{#if cold}<p class="line" data-from-cold>Take it <b>{cold}</b> first.</p>{/if}
	{#if method}<p class="line" data-method>How: <b>{method}</b></p>{/if}
	<div class="at-hand" class:stays={!isOver}>
		{#if entry.caution}<p class="caution" data-caution>{entry.caution}</p>{/if}
		{#if !isOver}
			<div class="actions">
				{#if one.state.kind === 'begun' || isShort || measured}
					{#if measured}
						<button
							class="action"
							disabled={!steady}
							aria-expanded={open === 'measure'}
							onclick={() => (open = open === 'measure' ? null : 'measure')}
							><span>Dough is <span class="whitespace-nowrap">... °</span></span></button
						>
						<button class="action-lesser" disabled={!steady} onclick={done}
							>Out, not measured</button
						>
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
		{/if}
	</div>
	{#if !isOver}
		<OvenReading {entry} {task} {model} {probes} bind:celsius />
		{#if look}
			<button
				class="action-lesser weigh"
				aria-expanded={open === 'look'}
				onclick={() => (open = open === 'look' ? null : 'look')}>Look at it</button
			>
		{/if}
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
		{:else if open === 'look' && look}
			{#await import('./LookAtPieces.svelte') then { default: LookAtPieces }}
				<LookAtPieces {...look} {results} onDecided={looked} />
			{/await}
		{:else if open === 'not-yet'}
			{#await import('./NotYet.svelte') then { default: NotYet }}
				<NotYet
					{one}
					{nowMs}
					{zone}
					onPutOff={putOff}
					onLeaveOut={(because: string) => void model.tap(entry, 'left-out', { because })}
					onDoneAt={(atMs: number) => void model.tap(entry, 'ended', { atMs })}
				/>
			{/await}
		{/if}
	{/if}
	{#if counts && entry.kind === 'draw'}
		{#await import('../../fields/DrawnLook.svelte') then { default: DrawnLook }}
			<DrawnLook name={counts.name} portion={counts.counted.portion} {results} />
		{/await}
	{/if}
	{#if counts}
		{#await import('../../fields/CountPieces.svelte') then { default: CountPieces }}
			<CountPieces {...counts} {results} />
		{/await}
	{/if}
	{#if isOver && one.state.kind !== 'open' && one.state.entry.by !== ''}
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
		padding: 10px 20px 16px;
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
		text-wrap: balance;
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
		gap: 8px 24px;
		align-items: end;
		padding: 8px 0;
	}
	.caution {
		margin-bottom: 12px;
		padding: 8px 12px;
		border: 2px solid var(--ink);
		font-size: 19px;
	}
	/* However much is told above, what is tapped next is in sight, with the caution on it. */
	.at-hand.stays {
		position: sticky;
		z-index: 1;
		bottom: 0;
		margin: 0 -20px;
		padding: 8px 20px;
		background: var(--sheet);
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
	@media (max-width: 1100px) {
		.hand {
			--middle-figure: 28px;
			padding-top: 4px;
		}
		.when {
			font-size: 46px;
		}
		h2 {
			font-size: 34px;
		}
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
