<script lang="ts">
	import { resolve } from '$app/paths';
	import { untrack } from 'svelte';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { readAnew } from '../../client/read-anew.ts';
	import type { CultureNoticeView } from '../../contracts/culture-views.ts';
	import type { RipeningDoughView, RipeningView } from '../../contracts/ripening-views.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import ListRow from '../../ui/ListRow.svelte';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import RampLegend from '../../ui/ribbon/RampLegend.svelte';
	import { announcementText } from '../../wording/culture-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { probeDoubt } from '../../wording/probe-text.ts';
	import { clockText, dayText, daysText } from '../../wording/time-text.ts';
	import CheckDough from './CheckDough.svelte';
	import ColdRooms from './ColdRooms.svelte';
	import DoughCardPanel from './DoughCardPanel.svelte';
	import EndedDough from './EndedDough.svelte';
	import LookAtDough from './LookAtDough.svelte';
	import MoveDough from './MoveDough.svelte';
	import RipeningChart from './RipeningChart.svelte';
	import { keyOf, RipeningModel, type FollowedDough } from './ripening-model.svelte.ts';
	import { ripeningSentence } from './ripening-sentence.ts';
	import { readyWord } from '../../wording/ready-text.ts';

	interface Props {
		view: RipeningView;
		/** What there is to know or to do of the cultures. */
		cultures: readonly CultureNoticeView[];
	}
	let { view, cultures }: Props = $props();
	const pressing = $derived(
		cultures
			.map(({ name, told }) => ({
				name,
				...announcementText(told, { nowMs: model.nowMs, zone: timeZone, units })
			}))
			.filter(({ presses }) => presses)
	);
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const model = untrack(() => new RipeningModel(() => view, room));

	let width = $state(900);
	let chosen: string | null = $state(null);
	let looking: 'look' | 'check' | null = $state(null);
	const selected = $derived(
		model.followed.find((followed) => followed.key === chosen) ?? model.followed[0] ?? null
	);
	/** What nobody was at for a week would draw a week, in which nothing of tonight can be seen. */
	const drawn = $derived(model.followed.filter(({ attention }) => attention.kind === 'followed'));
	const waiting = $derived(view.doughs.filter((dough) => !dough.mixed));
	const clockless = $derived(view.doughs.filter((dough) => dough.mixed && !dough.step));
	const ended = $derived(view.doughs.filter((dough) => dough.endedAtMs !== null));
	const entry = new BenchEntry(room.outbox);
	async function isGone(dough: RipeningDoughView) {
		await entry.send(
			{ kind: 'end-dough', occurredAtMs: Math.round(room.now.epochMs), batch: dough.batch },
			`${mixTitle(dough)}: it is gone`,
			async (answer) => {
				if (answer) await readAnew('jovet:moment');
			}
		);
	}
	const doubt = $derived(view.roomProbe ? probeDoubt(view.roomProbe, room.now.epochMs) : null);
	const note = $derived(
		`The room is taken to be at ${formatTemperature({ celsius: view.roomCelsius }, 1, units)}${
			doubt ? `; its probe is ${doubt}` : ''
		}.`
	);
	function select(key: string) {
		chosen = key;
		looking = null;
	}
	/** The cold it stands in, by its name. */
	function coldPlaceText({ story, view: { retarderId } }: FollowedDough): string {
		if (story.ahead[0]?.place !== 'cold') return '';
		const name = view.retarders.find(({ id }) => id === retarderId)?.name;
		return name ? `, in the ${name.toLowerCase()}` : ', kept cold';
	}
</script>

<RoomHeading sentence={ripeningSentence(view, model.followed, model.nowMs, timeZone)} {note}>
	{#snippet actions()}
		<a
			class="action-lesser no-underline!"
			href={resolve(`/bake/${view.date}/fermentation/cultures`)}>Cultures</a
		>
		{#if model.followed.length === 0}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/water`)}>Go to the water</a>
		{/if}
	{/snippet}
</RoomHeading>

{#each pressing as { name, label, text }, index (index)}
	<Notice {label} about={name} {text} />
{/each}
{#if model.followed.length > 0}
	<div
		class="mx-5 mb-4 border border-line bg-sheet px-4 py-3"
		class:hidden={drawn.length === 0}
		bind:clientWidth={width}
	>
		<RipeningChart
			doughs={drawn}
			nowMs={model.nowMs}
			width={Math.max(600, width - 34)}
			selected={selected?.key ?? null}
			onSelect={select}
		/>
		<p class="mt-1 flex flex-wrap gap-x-6 text-note text-ink-2">
			<span
				>solid: as it was; lighter: forecast; open notches: early and late; full notch: ready</span
			>
			<RampLegend format={(celsius: number) => formatTemperature({ celsius }, 0, units)} />
		</p>
	</div>
	<div class="doughs">
		<nav aria-label="Doughs in their bulk" class="border border-line bg-sheet">
			{#each model.followed as followed (followed.key)}
				<ListRow
					name={mixTitle(followed.view)}
					current={followed.key === selected?.key}
					onSelect={() => select(followed.key)}
				>
					<span class="when"
						>{followed.attention.kind === 'asked'
							? '?'
							: followed.card.marks.ripe === null
								? '–'
								: clockText(followed.card.marks.ripe, timeZone)}</span
					>
					<span>
						<b>{mixTitle(followed.view)}</b>
						<span class="block text-ink-2"
							>{followed.attention.kind === 'asked'
								? 'is it still there?'
								: `${formatTemperature({ celsius: followed.story.celsius }, 1, units)}, ${Math.round(
										(followed.card.doseSoFar / followed.card.doseRipe) * 100
									)} %${coldPlaceText(followed)}`}</span
						>
					</span>
					{#if followed.attention.kind === 'asked'}
						<span class="act-now px-2 py-1">asked</span>
					{:else if followed.card.marks.late !== null && followed.card.marks.late <= model.nowMs}
						<span class="act-now px-2 py-1">late</span>
					{:else if followed.card.marks.ripe !== null && followed.card.marks.ripe <= model.nowMs}
						<span class="act-now px-2 py-1">{readyWord(followed.view.kind)}</span>
					{/if}
				</ListRow>
			{/each}
		</nav>
		{#if selected}
			<article class="border border-line bg-sheet px-5 py-4" data-dough={mixTitle(selected.view)}>
				<h2 class="title">{mixTitle(selected.view)}</h2>
				{#if selected.attention.kind === 'asked'}
					<div class="asked mt-2 border-2 border-ink p-3" role="status" data-asked>
						<p>
							<b>Is it still there?</b> Nothing was heard of it for {daysText(
								model.nowMs - selected.attention.heardMs
							)}. Measure it where it stands, or say that it is gone.
						</p>
						<button
							class="action big mt-2"
							disabled={entry.busy}
							onclick={() => isGone(selected.view)}>It is gone</button
						>
						{#if entry.message}<p role="alert">{entry.message}</p>{/if}
					</div>
				{:else}
					<DoughCardPanel dough={selected} {model} {view} />
				{/if}
				<div class="mt-3 flex flex-wrap gap-3">
					{#if selected.attention.kind === 'followed'}
						<button
							class="action big"
							aria-expanded={looking === 'look'}
							onclick={() => (looking = looking === 'look' ? null : 'look')}>Look at it</button
						>
					{/if}
					<button
						class="action-lesser big"
						aria-expanded={looking === 'check'}
						onclick={() => (looking = looking === 'check' ? null : 'check')}
						>Measure it where it stands</button
					>
				</div>
				{#key selected.key}
					{#if looking === 'look'}
						<div class="mt-4"><LookAtDough dough={selected} tubRise={view.tubRise} /></div>
					{:else if looking === 'check'}
						<div class="mt-4"><CheckDough dough={selected} {view} /></div>
					{/if}
					<MoveDough dough={selected} {view} />
				{/key}
			</article>
		{/if}
	</div>
{/if}

{#if ended.length > 0}
	<section class="mx-5 mb-4 border border-line bg-sheet px-4 py-3" aria-label="Past their bulk">
		<h2>Past their bulk</h2>
		<ul>
			{#each ended as dough (keyOf(dough))}<EndedDough {dough} {model} />{/each}
		</ul>
	</section>
{/if}
{#if model.unheard.length > 0}
	<section class="mx-5 mb-4 border border-line bg-sheet px-4 py-3" aria-label="Not heard of">
		<h2>Not heard of for four weeks</h2>
		<p>
			{model.unheard
				.map(
					({ view: dough, attention }) =>
						`${mixTitle(dough)} (last on ${dayText(attention.heardMs, timeZone)})`
				)
				.join(', ')}: followed no more. Nobody wrote down that {model.unheard.length === 1
				? 'it'
				: 'they'} went on.
		</p>
	</section>
{/if}
{#if model.beyond.length > 0}
	<section class="mx-5 mb-4 border border-line bg-sheet px-4 py-3" aria-label="Cannot be followed">
		<h2>Cannot be followed</h2>
		<p>
			{model.beyond.map(mixTitle).join(', ')}: the places and times written down for {model.beyond
				.length === 1
				? 'it'
				: 'them'} lead out of what can be worked out. Look at the dough itself, and at the cold rooms
			in the Bakery.
		</p>
	</section>
{/if}
{#if waiting.length > 0 && view.doughs.length > 0}
	<section class="mx-5 mb-4 border border-line bg-sheet px-4 py-3" aria-label="Not mixed yet">
		<h2>Not mixed yet</h2>
		<p>
			{waiting
				.map((dough) =>
					dough.plannedMs === null
						? mixTitle(dough)
						: `${mixTitle(dough)} (planned for ${clockText(dough.plannedMs, timeZone)})`
				)
				.join(', ')}. A dough is followed from the temperature it is measured with in the
			<a href={resolve(`/bake/${view.date}/water`)}>Water</a> page.
		</p>
	</section>
{/if}
{#if clockless.length > 0}
	<p class="mx-5 mb-4">
		{clockless.map(mixTitle).join(', ')}: mixed, without a clock of {clockless.length === 1
			? 'its'
			: 'their'} own before the piece.
	</p>
{/if}
{#if view.doughs.length > 0 && view.retarders.length > 0}<ColdRooms {model} {view} />{/if}

<style>
	.doughs {
		display: grid;
		grid-template-columns: 300px minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		padding: 0 20px 16px;
	}
	.when {
		min-width: 56px;
		font-size: 19px;
		font-weight: 800;
	}
	.title {
		font-size: 34px;
		line-height: 1.15;
	}
	.big {
		min-height: 60px;
		font-size: 19px;
	}
	@media (max-width: 850px) {
		.doughs {
			grid-template-columns: 1fr;
		}
	}
</style>
