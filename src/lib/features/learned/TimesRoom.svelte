<script lang="ts">
	import { resolve } from '$app/paths';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { TimesView, TimeView } from '../../contracts/times-views.ts';
	import type { LearnedShare } from '../../core/learning/index.ts';
	import { formatDifference, formatMinutes, formatNumber } from '../../core/units/index.ts';
	import BesideList from './BesideList.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { ACTIVITY_TEXT } from '../../wording/step-text.ts';
	import { clockText, shortDateText } from '../../wording/time-text.ts';

	interface Props {
		view: TimesView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const sending = new Sending(room.retries);

	const timed = $derived(view.recipes.filter(({ times }) => times > 0));
	const sentence = $derived(
		timed.length === 0
			? 'No time is learned yet: begin and end work with a tap at the bench.'
			: `${timed.length === 1 ? 'One recipe is' : `${timed.length} recipes are`} timed by the taps at the bench.`
	);
	const rows = $derived(
		view.recipes
			.filter(({ id, times }) => times > 0 || id === view.recipe?.id)
			.map(({ id, name, times }) => ({
				id,
				name,
				note: times === 0 ? 'not timed' : `${times}`,
				href: `${resolve(`/bake/${view.date}/learned/times`)}?recipe=${id}`
			}))
	);
	/** What each activity is open to, by its name. */
	let open: string | null = $state(null);

	const times = (used: number) => (used === 1 ? 'one time' : `${used} times`);
	function againstBook({ share, band, used }: LearnedShare, what: string): string {
		if (used === 0) return 'nothing that counts; the book stands';
		const spread = `${formatNumber(band.low, 2)} to ${formatNumber(band.high, 2)}`;
		return `${formatNumber(share, 2)} times ${what} (${spread}), from ${times(used)}`;
	}
	const nameOf = (activity: (typeof view.activities)[number]['activity']) =>
		activity === 'bake' ? 'Bake' : ACTIVITY_TEXT[activity];
	const textOf = ({ by, machine, bookMinutes, realMinutes }: TimeView) =>
		`${formatMinutes(realMinutes)} for ${formatMinutes(bookMinutes)} by the book, ${[by, machine].filter((part) => part !== '').join(', ')}`;
	const whenOf = ({ date, occurredAtMs }: TimeView) =>
		`${shortDateText(date)}, ${clockText(occurredAtMs, timeZone)}`;

	async function answered({ outcome }: { readonly outcome: string }) {
		if (outcome === 'done') await readAnew('jovet:day');
	}
	const occurredAtMs = () => Math.round(room.now.epochMs);
	const judge = ({ date, taskId }: TimeView, ignored: boolean) =>
		sending.send(
			{ kind: 'ignore-time', occurredAtMs: occurredAtMs(), date, taskId, ignored },
			answered
		);
	const reset = (recipeId: string) =>
		sending.send({ kind: 'reset-times', occurredAtMs: occurredAtMs(), recipeId }, answered);
</script>

<RoomHeading
	{sentence}
	note="Times change the plans of the nights to come; each can be ignored, and all of a recipe left behind."
>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/learned`)}
			>Doughs and friction</a
		>
	{/snippet}
</RoomHeading>

<BesideList label="Recipes" {rows} current={view.recipe?.id ?? null}>
	{#if view.recipe}
		{@const recipe = view.recipe}
		<div class="grid gap-4">
			<section class="card" aria-label="Times of {recipe.name}" data-times={recipe.name}>
				<h2 class="title">{recipe.name}</h2>
				{#each view.activities as one (one.activity)}
					{@const name = nameOf(one.activity)}
					<div class="activity" data-timed={one.activity}>
						<h3>{name}</h3>
						<p class="text-lead">{againstBook(one, 'its book')}</p>
						{#each [...one.byOven, ...one.byPerson] as of (of.name)}
							<p>{of.name}: {formatNumber(of.share, 2)} times, from {times(of.used)}.</p>
						{/each}
						<button
							class="min-h-11 cursor-pointer underline decoration-dotted underline-offset-4"
							aria-expanded={open === one.activity}
							onclick={() => (open = open === one.activity ? null : one.activity)}
							>{open === one.activity
								? 'Close the times'
								: `Show ${one.times.length === 1 ? 'the one time' : `the ${one.times.length} times`}`}</button
						>
						{#if open === one.activity}
							<ul>
								{#each one.times as time (time.id)}
									<li>
										<span
											>{whenOf(time)}: {textOf(time)}{time.ignored
												? ', ignored'
												: time.leftOut
													? ', left out: too far off to be the work itself'
													: ''}</span
										>
										<button
											class="action-lesser"
											aria-label="{time.ignored ? 'Count it' : 'Ignore it'}: {name}, {whenOf(time)}"
											onclick={() => judge(time, !time.ignored)}
											>{time.ignored ? 'Count it' : 'Ignore it'}</button
										>
									</li>
								{/each}
							</ul>
						{/if}
					</div>
				{:else}
					<p>Nothing of it was timed yet. What is begun and ended with a tap is timed.</p>
				{/each}
				{#if view.proof}
					<div class="activity" data-timed="proof">
						<h3>In proof</h3>
						<p class="text-lead">{againstBook(view.proof, 'its clock')}</p>
						<p>By what was seen before loading; a look that is not so is taken back in the log.</p>
					</div>
				{/if}
				{#if view.water}
					<div class="activity" data-timed="water">
						<h3>Water it takes</h3>
						<p class="text-lead">{againstBook(view.water, 'its formula’s')}</p>
						<p>
							By what was weighed in. It changes no plan: where it stays off, change the formula or
							the absorption of its flour.
						</p>
					</div>
				{/if}
				{#if view.loss}
					<div class="activity" data-timed="loss">
						<h3>Lost in the oven</h3>
						<p class="text-lead">
							{formatNumber(view.loss.lossShare * 100, 1)} %, from {times(view.loss.used)}; the book
							says {formatNumber(view.loss.bookShare * 100, 1)} %
						</p>
					</div>
				{/if}
				{#if view.activities.length > 0}
					<p class="mt-3">
						<button class="action-lesser" onclick={() => reset(recipe.id)}
							>Learn its times anew</button
						>
						<span class="text-note text-ink-2"
							>The taps stay in the log; they only stop counting.</span
						>
					</p>
				{/if}
				{#if sending.message}<p role="alert" class="font-bold">{sending.message}</p>{/if}
			</section>
			{#if view.stones.length > 0}
				<section class="card" aria-label="Stones at loading" data-timed="stones">
					<h3>Stones at loading</h3>
					{#each view.stones as stone (stone.name)}
						<p>
							<b>{stone.name}</b>: {formatDifference(
								{ kelvins: Math.abs(stone.offKelvins) },
								0,
								units
							)}
							{stone.offKelvins < 0 ? 'cooler' : 'hotter'} than its programmes, from {times(
								stone.used
							)}{stone.minutes >= 1 ? `: ${formatMinutes(stone.minutes)} more between loads` : ''}.
						</p>
					{/each}
				</section>
			{/if}
		</div>
	{/if}
</BesideList>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.title {
		font-size: 34px;
		line-height: 1.15;
	}
	h3 {
		font-weight: 700;
	}
	.activity {
		padding: 8px 0;
		border-top: 1px solid var(--line);
	}
	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		padding: 4px 0;
		border-top: 1px solid var(--line);
	}
</style>
