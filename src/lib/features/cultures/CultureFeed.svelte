<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
	import type { CulturesView } from '../../contracts/culture-views.ts';
	import { feedOf, weightOf, type Feed } from '../../core/culture/index.ts';
	import { formatMinutes } from '../../core/units/index.ts';
	import MassField from '../../fields/MassField.svelte';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { cultureMass, type Telling } from '../../wording/culture-text.ts';
	import { momentText } from '../../wording/time-text.ts';
	import { roundedFeed, type CultureNow } from './culture-model.svelte.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		culture: CultureNow;
		view: CulturesView;
		tending: Tending;
		tell: Telling;
	}
	let { culture, view, tending, tell }: Props = $props();
	const { units } = useRoom().bakery;
	const mass = (grams: number) => cultureMass(grams, units);
	const keeping = $derived(culture.view.keeping);

	/** The feed that comes next; where none is wanted, one that leaves what is kept. */
	const next = $derived(culture.standing?.ahead.feeds.find(({ grams }) => grams > 0) ?? null);
	/** What is short is fed at once, where no feed before it is planned. */
	const rescue = $derived(next ? null : (culture.standing?.ahead.short?.met ?? null));
	const told: Feed | null = $derived.by(() => {
		if (next) return roundedFeed(next);
		if (rescue) return roundedFeed(rescue.first);
		if (!keeping) return null;
		const most = culture.view.grams ?? Infinity;
		const plain = feedOf(keeping.ratio, Math.max(keeping.keepGrams, 1));
		return roundedFeed({ ...plain, seedGrams: Math.min(plain.seedGrams, most) });
	});
	/** The flours of a feed, each with its weight. */
	const floursText = $derived.by(() => {
		if (!keeping || !told) return '';
		const all = keeping.flours.reduce((total, { parts }) => total + parts, 0);
		return keeping.flours
			.map(({ flourId, parts }) => {
				const name = view.flours.find(({ id }) => id === flourId)?.name ?? 'flour';
				return `${mass((told.flourGrams * parts) / all)} ${name.toLowerCase()}`;
			})
			.join(' + ');
	});
	const place = $derived(
		view.places.find(({ id }) => id === keeping?.placeId)?.name.toLowerCase() ?? 'room'
	);
	let opened = $state(false);
	let typed = $state.raw<Feed & { readonly celsius: number | null }>({
		seedGrams: 0,
		flourGrams: 0,
		waterGrams: 0,
		celsius: null
	});
	function open() {
		opened = !opened;
		if (told) typed = { ...told, celsius: null };
	}
	const said = (feed: Feed) => `fed to ${mass(weightOf(feed))}`;
</script>

{#if told}
	<section class="feed" aria-label="The next feed" data-feed>
		<p class="text-ink-2">
			{#if next}
				Next feed {next.atMs <= tell.nowMs
					? 'now'
					: `at ${momentText(next.atMs, tell.nowMs, tell.zone)}`}
			{:else if rescue}
				{rescue.feeds === 1
					? 'One feed now brings enough'
					: `The first of ${rescue.feeds} feeds in a row, now`}
			{:else}No feed is wanted for what takes it. By its ratio, to keep it{/if}
		</p>
		<p class="weights">
			<b>{mass(told.seedGrams)}</b> of it + <b>{floursText}</b> +
			<b>{mass(told.waterGrams)} water</b>
		</p>
		<p>
			comes to <b>{mass(weightOf(told))}</b>{#if next && next.wantedGrams > next.grams + 1}, of the
				{mass(next.wantedGrams)} that are wanted: more there is no seed for{/if}; in the {place} ripe
			after about {formatMinutes(Math.round(culture.standing?.readyMinutes ?? 0))}
		</p>
		<div class="mt-2 flex flex-wrap gap-3 print:hidden">
			<button
				class="{next || rescue ? 'action' : 'action-lesser'} big"
				disabled={tending.busy}
				onclick={() => tending.feed(told, { celsius: null }, said(told))}>Fed now, as told</button
			>
			<button class="action-lesser big" aria-expanded={opened} onclick={open}>Fed otherwise</button>
		</div>
		{#if opened}
			<form
				class="mt-3 max-w-md"
				aria-label="Fed otherwise"
				onsubmit={(event) => {
					event.preventDefault();
					const { celsius, ...feed } = typed;
					void tending.feed(feed, { celsius }, said(feed), () => (opened = false));
				}}
			>
				<MassField
					label="Of it, as seed"
					grams={typed.seedGrams}
					least={0}
					most={MOST_BATCH_GRAMS}
					fine
					onSet={(grams: number | null) => (typed = { ...typed, seedGrams: grams ?? 0 })}
				/>
				<MassField
					label="Flour"
					grams={typed.flourGrams}
					least={0}
					most={MOST_BATCH_GRAMS}
					fine
					onSet={(grams: number | null) => (typed = { ...typed, flourGrams: grams ?? 0 })}
				/>
				<MassField
					label="Water"
					grams={typed.waterGrams}
					least={0}
					most={MOST_BATCH_GRAMS}
					fine
					onSet={(grams: number | null) => (typed = { ...typed, waterGrams: grams ?? 0 })}
				/>
				<TemperatureField
					label="Measured"
					celsius={typed.celsius}
					least={-5}
					most={60}
					optional
					onSet={(celsius: number | null) => (typed = { ...typed, celsius })}
				/>
				<button class="action mt-2" disabled={tending.busy}>Write it down</button>
			</form>
		{/if}
	</section>
{/if}

<style>
	.feed {
		margin-top: 10px;
		padding: 12px 14px;
		border: 2px solid var(--ink);
	}
	.weights {
		font-size: 24px;
		line-height: 1.3;
	}
	.big {
		min-height: 60px;
		font-size: 19px;
	}
</style>
