<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { RipeningView } from '../../contracts/ripening-views.ts';
	import { heatToRemove } from '../../core/fermentation/index.ts';
	import {
		formatDifference,
		formatMass,
		formatNumber,
		formatTemperature
	} from '../../core/units/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import { ageText, momentText } from '../../wording/time-text.ts';
	import ColdRoomChart from './ColdRoomChart.svelte';
	import type { RipeningModel } from './ripening-model.svelte.ts';

	interface Props {
		model: RipeningModel;
		view: RipeningView;
	}
	let { model, view }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const degrees = (celsius: number) => formatTemperature({ celsius }, 1, units);

	/** To what is known of it: tens of watts. */
	const watts = (exact: number) => `${formatNumber(Math.round(exact / 10) * 10, 0)} W`;
	/** Air swings by about so much as a compressor comes and goes: less is no news (our default). */
	const SWING_KELVINS = 1.5;
	function against(readCelsius: number, expectedCelsius: number): string {
		const off = readCelsius - expectedCelsius;
		return Math.abs(off) < SWING_KELVINS
			? ', as expected'
			: `; ${formatDifference({ kelvins: Math.abs(off) }, 1, units)} ${off > 0 ? 'warmer' : 'colder'} than expected`;
	}

	const rooms = $derived(
		view.retarders.map((retarder) => {
			const inside = model.followed.filter((dough) => dough.view.retarderId === retarder.id);
			const cold = model.cold.get(retarder.id);
			// A dough that went in this very moment is told as it went in.
			const now =
				cold?.moments.findLast((moment) => cold.fromMs + moment.minutes * 60_000 <= model.nowMs) ??
				cold?.moments[0];
			const warmest = cold?.moments.reduce((most, moment) =>
				moment.airCelsius > most.airCelsius ? moment : most
			);
			const down = cold?.moments.find(
				(moment) =>
					warmest !== undefined &&
					moment.minutes > warmest.minutes &&
					moment.loads.every((load) => load.celsius < retarder.setCelsius + 4)
			);
			return { retarder, inside, cold, now, warmest, down };
		})
	);
</script>

<div class="rooms">
	{#each rooms as { retarder, inside, cold, now, warmest, down } (retarder.id)}
		<section
			class="border border-line bg-sheet p-4"
			aria-label={retarder.name}
			data-retarder={retarder.name}
		>
			<h2>{retarder.name}</h2>
			{#if retarder.probe}
				<p class="mt-1" data-cold-probe>
					{retarder.probe.name}: <b>{degrees(retarder.probe.celsius)}</b>, {ageText(
						retarder.probe.measuredAtMs,
						room.now.epochMs
					)}{stateOfProbe(retarder.probe, room.now.epochMs).silent
						? '; silent since'
						: against(
								retarder.probe.celsius,
								inside.length > 0 && now ? now.airCelsius : retarder.setCelsius
							)}.
				</p>
			{/if}
			{#if retarder.learned}
				{@const { entryWatts, used } = retarder.learned}
				<p class="mt-1" data-pull-down>
					Pulls down with <b>{watts(retarder.compressorWatts)}</b>, learned from {used} nights; its entry
					says
					{watts(entryWatts)}.
				</p>
			{/if}
			{#if inside.length === 0}
				<p class="mt-1 text-ink-2">
					Empty, set to {degrees(retarder.setCelsius)}. Send a dough into it and its air is followed
					with it.
				</p>
			{:else if cold && now && warmest}
				<p class="mt-1">
					Air <b>{degrees(now.airCelsius)}</b> now, warmest <b>{degrees(warmest.airCelsius)}</b> at {momentText(
						cold.fromMs + warmest.minutes * 60_000,
						model.nowMs,
						timeZone
					)}{now.fullPower ? '; its compressor runs at its most' : ''}.
					{down
						? `Its doughs are through the worst of it at ${momentText(cold.fromMs + down.minutes * 60_000, model.nowMs, timeZone)}.`
						: 'Its doughs stay warm for more than a day: it is too full.'}
				</p>
				<ul class="mt-1">
					{#each inside as dough (dough.key)}
						<li class="border-t border-line py-1">
							<b>{mixTitle(dough.view)}</b>, {formatMass({ grams: dough.view.grams }, 0, units)} at {degrees(
								dough.story.celsius
							)}: {formatNumber(
								heatToRemove(
									dough.view.grams / 1000,
									Math.max(0, dough.story.celsius - retarder.setCelsius)
								),
								0
							)} kJ still to take out of it
						</li>
					{/each}
				</ul>
				<ColdRoomChart
					{cold}
					names={inside.map((dough) => mixTitle(dough.view))}
					name={retarder.name}
				/>
			{/if}
		</section>
	{/each}
</div>
<p class="px-5 pt-2 pb-4 text-note text-ink-2">
	What stays cold too long or warms too far is a matter of food safety: the site's own limits come
	first.
</p>

<style>
	.rooms {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(380px, 100%), 1fr));
		gap: 16px;
		padding: 0 20px;
	}
</style>
