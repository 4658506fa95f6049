<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { ToldResults } from '../../client/told-results.svelte.ts';
	import { pathOfWhose } from '../../contracts/bench-paths.ts';
	import type { BenchMomentView, BenchView } from '../../contracts/bench-views.ts';
	import { boardOf, type BoardWork, type Whose } from '../../core/bench/index.ts';
	import { STATIONS } from '../../core/planning/index.ts';
	import OutOfDate from '../../sheets/OutOfDate.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { benchSentence, isDropLate, spareText, STATION_TEXT } from '../../wording/bench-text.ts';
	import { TAPPED_TEXT, tappedAlreadyText } from '../../wording/tapped-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import { BenchModel } from './bench-model.svelte.ts';
	import { fetchAhead } from './fetch-ahead.ts';
	import SoundHere from './SoundHere.svelte';
	import WorkInHand from './WorkInHand.svelte';
	import WorkList from './WorkList.svelte';

	interface Props {
		view: BenchView;
		moment: BenchMomentView;
		whose: Whose;
		/** Plans the rest of the night again, here. */
		again: Snippet<[onClose: () => void]>;
	}
	let { view, moment, whose, again }: Props = $props();
	const room = useRoom();
	const zone = $derived(room.bakery.timeZone);
	const nowMs = $derived(room.now.epochMs);
	const model = new BenchModel(
		() => ({ view, moment, whose }),
		() => room.now.epochMs,
		() => room.bakery.actor.name,
		room.outbox,
		() => readAnew('jovet:moment')
	);
	const results = new ToldResults(
		() => ({ date: view.date, accepted: view.accepted, results: moment.results }),
		() => room.now.epochMs,
		() => room.bakery.actor.name,
		room.outbox,
		() => readAnew('jovet:moment')
	);

	// Somebody accepted another plan: the list is another one.
	$effect(() => {
		const newest = moment.planNumber;
		if (newest !== (untrack(() => view.accepted?.number) ?? null)) void readAnew('jovet:day');
	});
	/** Waters follow the temperatures of the moment; they are looked at now and then. */
	const WATERS_EVERY_MS = 120_000;
	onMount(() => {
		void fetchAhead();
		const timer = setInterval(() => void readAnew('jovet:day'), WATERS_EVERY_MS);
		return () => clearInterval(timer);
	});

	const board = $derived(model.board);
	/** What a hand went to; otherwise what is first. */
	let chosen: string | null = $state(null);
	const first = $derived(board.now[0] ?? board.next[0] ?? null);
	const all = $derived([...board.now, ...board.next, ...board.over, ...board.passed]);
	const inHand = $derived(all.find(({ work }) => work.key === chosen) ?? first);
	const isGoneOver = ({ state }: BoardWork) => state.kind === 'done' || state.kind === 'left-out';
	// What was in hand and is over makes room for the next.
	let before: { readonly key: string; readonly over: boolean } | null = null;
	$effect(() => {
		const now = inHand ? { key: inHand.work.key, over: isGoneOver(inHand) } : null;
		if (now && before?.key === now.key && now.over && !before.over) chosen = null;
		before = now;
	});
	const nameOf = (one: BoardWork) => model.entryOf(one).what;
	const sentence = $derived(
		view.accepted
			? benchSentence(board, nameOf, nowMs, zone)
			: 'There is no accepted plan for this date yet.'
	);
	const note = $derived(
		view.accepted && model.entries.length === 0 && !moment.tappedBefore
			? 'Nothing was tapped yet: until then it goes as planned. One tap begins, one ends.'
			: ''
	);
	const NEXT_SHOWN = 12;
	const OVER_SHOWN = 8;
	/** From so many on nobody had a hand free for the screen, rather than that all of them wait. */
	const SEVERAL_LATE = 3;
	const lateNow = $derived(board.now.filter(({ lateMinutes }) => lateMinutes > 0));
	let moreNext = $state(false);
	let moreOver = $state(false);
	const lastName = $derived(model.last ? model.nameOf(model.last.work) : '');
	const people = $derived(view.accepted?.document.input.people ?? []);
	const ways: readonly { readonly whose: Whose; readonly name: string }[] = $derived([
		{ whose: { kind: 'all' as const }, name: 'All' },
		...STATIONS.map((station) => ({
			whose: { kind: 'station' as const, station },
			name: STATION_TEXT[station]
		})),
		...people
			.filter(({ id }) => model.list.some(({ personIds }) => personIds.includes(id)))
			.map(({ id, name }) => ({ whose: { kind: 'person' as const, personId: id }, name }))
	]);
	/** What is due anywhere rings where its station sounds. */
	const due = $derived(
		boardOf(model.expected, { kind: 'all' }, nowMs).now.filter(
			({ state }) => state.kind !== 'begun'
		)
	);
	const late = $derived(model.drops.filter(isDropLate));
	const toPlan = $derived(results.shorts.some((short) => short.toPlan > 0));
	let planning = $state(false);
	/** In nobody's hands it shows what is to be done, and takes no taps. */
	const shows = $derived(room.bakery.actor.role === 'screen');
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		{#if !view.accepted && !shows}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/plan`)}>Go to the plan</a>
		{/if}
	{/snippet}
</RoomHeading>

{#if view.accepted}
	<nav aria-label="Whose work">
		<ul>
			{#each ways as way (pathOfWhose(way.whose))}
				<li>
					<a
						href={resolve(`/bake/${view.date}/bench${pathOfWhose(way.whose)}`)}
						aria-current={pathOfWhose(way.whose) === pathOfWhose(whose) ? 'page' : undefined}
						>{way.name}</a
					>
				</li>
			{/each}
		</ul>
	</nav>
	{#if !view.accepted.current}<OutOfDate date={view.date} />{/if}
	<ul class="drops" aria-label="Drops">
		{#each model.drops as drop (drop.dropId)}
			<li class:act-now={isDropLate(drop)} data-drop={drop.name}>
				<b>{clockText(drop.dueMs, zone)} {drop.name}</b>
				{spareText(drop)}
			</li>
		{/each}
		<li class:hidden={shows}>
			<button
				class={late.length > 0 || toPlan ? 'action' : 'action-lesser'}
				aria-expanded={planning}
				onclick={() => (planning = !planning)}
				>{toPlan ? 'Plan what is made again' : 'Plan again from what was done'}</button
			>
			<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/log`)}>As it went</a>
		</li>
	</ul>
	{#if planning}{@render again(() => (planning = false))}{/if}
	{#each results.shorts as short (short.productId)}
		{@const accepted = view.accepted}
		{#await import('./ShortDrops.svelte') then { default: ShortDrops }}
			<ShortDrops {short} {accepted} {results} {nowMs} {zone} />
		{/await}
	{/each}
	{#if model.message}<p class="told" role="alert">{model.message}</p>{/if}
	{#if model.already}
		<p class="told" role="status" data-already>
			{tappedAlreadyText(model.already, zone)}
		</p>
	{/if}
	<div class="room">
		<div>
			{#if inHand}
				{@const waitsFor = inHand.waitsFor ? model.nameOf(inHand.waitsFor) : ''}
				<fieldset disabled={shows} data-shows={shows}>
					{#key inHand.work.key}
						<WorkInHand
							one={inHand}
							entry={model.entryOf(inHand)}
							{model}
							{results}
							probes={moment.decks}
							{view}
							{waitsFor}
						/>
					{/key}
				</fieldset>
				{#if shows && room.bakery.actor.at === 'tablet'}
					<a class="action take-up no-underline!" href={resolve('/hands')}
						>Take this tablet up to tap</a
					>
				{/if}
			{:else}
				<p class="p-5 text-lead">
					Nothing is to be done here{board.over.length > 0 ? ' any more' : ''}.
				</p>
			{/if}
			<div class="below">
				{#if model.last && !shows}
					{@const last = model.last}
					<button class="action-lesser undo" onclick={() => void model.takeBack(last)}
						>Undo: {lastName}, {TAPPED_TEXT[last.act]} {clockText(last.atMs, zone)}</button
					>
				{/if}
				<SoundHere {due} />
			</div>
		</div>
		<div class="lists">
			{#snippet list(heading: string, works: readonly BoardWork[])}
				<WorkList
					{heading}
					{works}
					{nowMs}
					{zone}
					units={room.bakery.units}
					entryOf={(one: BoardWork) => model.entryOf(one)}
					chosen={inHand?.work.key ?? null}
					onChoose={(key: string) => (chosen = key)}
				/>
			{/snippet}
			{@render list('now', board.now)}
			{#if lateNow.length >= SEVERAL_LATE && !shows}
				<button class="more" onclick={() => void model.doneAsPlanned(lateNow)}
					>All {lateNow.length} that are late were done as planned</button
				>
			{/if}
			{@render list('next', moreNext ? board.next : board.next.slice(0, NEXT_SHOWN))}
			{#if board.next.length > NEXT_SHOWN && !moreNext}
				<button class="more" onclick={() => (moreNext = true)}
					>{board.next.length - NEXT_SHOWN} more after these</button
				>
			{/if}
			{@render list('not tapped: taken as the plan says', board.passed)}
			{@render list('done', moreOver ? board.over : board.over.slice(0, OVER_SHOWN))}
			{#if board.over.length > OVER_SHOWN && !moreOver}
				<button class="more" onclick={() => (moreOver = true)}
					>{board.over.length - OVER_SHOWN} more before these</button
				>
			{/if}
		</div>
	</div>
{/if}

<style>
	nav ul {
		display: flex;
		gap: 4px;
		padding: 0 20px 6px;
		overflow-x: auto;
	}
	nav a {
		display: flex;
		align-items: center;
		min-height: 56px;
		padding: 0 16px;
		border-bottom: 4px solid transparent;
		font-size: 19px;
		text-decoration: none;
		white-space: nowrap;
	}
	nav a[aria-current] {
		border-bottom-color: var(--ink);
		background: var(--sheet);
		font-weight: 700;
	}
	.drops {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 24px;
		padding: 0 20px 8px;
		font-size: 19px;
	}
	.drops .act-now {
		padding: 2px 8px;
	}
	.told {
		margin: 0 20px 12px;
		padding: 10px 14px;
		border: 2px solid var(--ink);
		font-size: 19px;
	}
	.room {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
		gap: 20px;
		padding: 0 20px 20px;
		align-items: start;
	}
	.below {
		display: grid;
		gap: 8px;
		padding-top: 12px;
	}
	/* What cannot be tapped here is no button to look at either. */
	fieldset:disabled :global(:is(.actions, .reads, button)) {
		display: none;
	}
	.take-up {
		width: 100%;
		min-height: 84px;
		margin-top: 12px;
		font-size: 24px;
	}
	.undo {
		min-height: 64px;
		font-size: 19px;
	}
	.lists {
		border: 1px solid var(--line);
		background: var(--sheet);
	}
	.more {
		width: 100%;
		min-height: 56px;
		cursor: pointer;
	}
	@media (max-width: 800px) {
		.room {
			grid-template-columns: 1fr;
		}
	}
</style>
