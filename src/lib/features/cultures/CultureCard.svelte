<script lang="ts">
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { CulturesView } from '../../contracts/culture-views.ts';
	import { favourOf } from '../../core/fermentation/index.ts';
	import { formatNumber, formatTemperature } from '../../core/units/index.ts';
	import BigFigure from '../../ui/BigFigure.svelte';
	import Term from '../../ui/Term.svelte';
	import {
		announcementText,
		cultureMass,
		JAR_CAUTION,
		type Telling
	} from '../../wording/culture-text.ts';
	import { favourText } from '../../wording/readiness-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import CultureAhead from './CultureAhead.svelte';
	import CultureBegin from './CultureBegin.svelte';
	import CultureFeed from './CultureFeed.svelte';
	import CultureKeepingForm from './CultureKeepingForm.svelte';
	import CultureLog from './CultureLog.svelte';
	import CultureStart from './CultureStart.svelte';
	import LookAtCulture from './LookAtCulture.svelte';
	import TendCulture from './TendCulture.svelte';
	import { seedsUntilMs, type CultureNow } from './culture-model.svelte.ts';
	import { Tending } from './tending.svelte.ts';

	interface Props {
		culture: CultureNow;
		view: CulturesView;
		tell: Telling;
	}
	let { culture, view, tell }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const tending = untrack(() => new Tending(room, () => culture.view));
	let looking = $state(false);
	let settingUp = $state(false);

	const own = $derived(culture.view);
	const at = (ms: number | null) => (ms === null ? '–' : momentText(ms, tell.nowMs, tell.zone));
	const followed = $derived(culture.standing?.followed ?? null);
	const marks = $derived(followed?.card.marks ?? null);
	const share = $derived(followed ? followed.card.doseSoFar / followed.card.doseRipe : null);
	const clockNote = $derived.by(() => {
		if (!followed || !own.follow) return '';
		const { used, clockFactor } = followed;
		const now =
			share === null
				? ''
				: `Now at ${formatTemperature({ celsius: followed.story.celsius }, 1, units)}, ${formatNumber(Math.min(999, share * 100), 0)} % of its time. `;
		const by =
			used === 0
				? 'by the clock it is kept by'
				: `by its clock as ${used === 1 ? 'one sight' : `${used} sights`} corrected it, ${formatNumber(clockFactor, 2)} times`;
		if (own.follow.keptBackAtMs !== null)
			return `${now}A forecast ${by}; it is taken to have been ripe when it was kept back.`;
		const warm = own.follow.isAssumed
			? `; taken to be at ${formatTemperature({ celsius: own.follow.fedCelsius }, 0, units)} when it was fed, measure it`
			: '';
		return `${now}A forecast ${by}${warm}.`;
	});
	const favour = $derived(
		followed?.story.past[0]
			? favourOf(
					followed.story.past[0].startCelsius,
					[...followed.story.past, ...followed.card.expected].map(({ stretch }) => stretch)
				)
			: null
	);
	const seedsUntil = $derived(seedsUntilMs(own));
	const rest = $derived(view.places.find(({ id }) => id === own.keeping?.restPlaceId) ?? null);
</script>

<article class="border border-line bg-sheet px-5 py-4" data-culture={own.name}>
	<h2 class="title">{own.name}</h2>
	{#if !own.keeping}
		<p class="my-2">
			Say how it is kept: what it is fed, where it stands, and how much of it is left. Whether there
			is one, or a new one is started, comes after that.
		</p>
		<CultureKeepingForm culture={own} {view} onDone={() => undefined} />
	{:else}
		{#if culture.start && own.start}
			<CultureStart start={culture.start} began={own.start} {tending} {tell} />
		{:else}
			<div class="figures">
				<BigFigure name="there is" size="large"
					><span data-mass
						>{own.grams === null ? 'not weighed' : cultureMass(own.grams, units)}</span
					></BigFigure
				>
				{#if marks}
					<BigFigure
						name={marks.ripe !== null && marks.ripe <= tell.nowMs ? 'ripe since' : 'ripe at'}
						size="middle"><span data-ripe>{at(marks.ripe)}</span></BigFigure
					>
				{/if}
			</div>
			{#if marks && own.follow}
				<p class="text-lead">
					{#if seedsUntil !== null}
						In the {own.follow.place.toLowerCase()} since <b>{at(own.coldSinceMs)}</b>: it seeds
						well until
						<b>{at(seedsUntil)}</b>
					{:else}
						<Term of="early-ready-late">early</Term> from <b>{at(marks.early)}</b>, past its best
						after
						<b>{at(marks.late)}</b>; in the {own.follow.place.toLowerCase()}
					{/if}
				</p>
				<p class="text-ink-2">
					{clockNote}{favour ? ` On this path it grows ${favourText(favour)}.` : ''} What is seen decides.
				</p>
			{/if}
			<ul class="my-2" aria-label="What there is to do">
				{#each culture.told as told (told.kind)}
					{@const text = announcementText(told, tell)}
					<li class="told" data-told={told.kind}>
						<span class={text.presses ? 'act-now px-2 py-1' : 'px-2 py-1 font-bold'}
							>{text.label}</span
						>
						<span class="grow">{text.text}</span>
						{#if told.kind === 'keep-back'}
							{@const back = own.returns.find(({ batchId }) => batchId !== null)}
							<button
								class="action big"
								disabled={tending.busy}
								onclick={() =>
									tending.tend(
										{ kind: 'kept-back', grams: told.of.grams, batchId: back?.batchId ?? null },
										`${cultureMass(told.of.grams, units)} kept back`
									)}>{cultureMass(told.of.grams, units)} are kept back</button
							>
						{:else if told.kind === 'to-rest' && rest}
							<button
								class="action big"
								disabled={tending.busy}
								onclick={() =>
									tending.tend(
										{ kind: 'moved', placeId: rest.id },
										`put in the ${rest.name.toLowerCase()}`
									)}>It is in the {rest.name.toLowerCase()}</button
							>
						{/if}
					</li>
				{/each}
			</ul>
			{#if own.entries.length === 0}
				<CultureBegin {tending} />
			{:else}
				<CultureFeed {culture} {view} {tending} {tell} />
			{/if}
		{/if}
		{#if tending.undo}
			<p class="mt-2" data-undo>
				{own.name}: {tending.undo}.
				<button class="action-lesser" disabled={tending.busy} onclick={() => tending.strike()}
					>Take it back</button
				>
			</p>
		{/if}
		{#if tending.message}<p role="alert" class="mt-2">
				<span class="act-now px-2">{tending.kept ? 'Kept' : 'Check'}</span>
				{tending.message}
			</p>{/if}
		<div class="mt-3 flex flex-wrap gap-3 print:hidden">
			{#if followed}
				<button
					class="action-lesser big"
					aria-expanded={looking}
					onclick={() => (looking = !looking)}>Look at it</button
				>
			{/if}
			<TendCulture culture={own} {view} {tending} />
			<button
				class="action-lesser big"
				aria-expanded={settingUp}
				onclick={() => (settingUp = !settingUp)}>How it is kept</button
			>
		</div>
		{#if looking && followed}
			<div class="mt-4">
				<LookAtCulture {followed} {tending} onDone={() => (looking = false)} />
			</div>
		{/if}
		{#if settingUp}
			<div class="mt-4">
				<CultureKeepingForm culture={own} {view} onDone={() => (settingUp = false)} />
			</div>
		{/if}
		<p class="mt-3 border-t border-line pt-2" data-caution>{JAR_CAUTION}</p>
		{#if !culture.start}<CultureAhead {culture} {tell} />{/if}
		<CultureLog culture={own} {tending} {tell} />
	{/if}
</article>

<style>
	.title {
		font-size: 34px;
		line-height: 1.15;
	}
	.figures {
		display: flex;
		flex-wrap: wrap;
		align-items: flex-end;
		gap: 4px 36px;
	}
	.told {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 14px;
		padding: 8px 0;
		border-top: 1px solid var(--line);
		font-size: 19px;
	}
	.grow {
		flex: 1 1 320px;
	}
	.big {
		min-height: 60px;
		font-size: 19px;
	}
</style>
