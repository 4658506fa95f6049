<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/views.ts';
	import { doughCard, type WhatIf } from '../../core/bake-day/index.ts';
	import type { Leg, RipenessClock, WaitStep } from '../../core/formula/index.ts';
	import { formatDifference, formatNumber, formatTemperature } from '../../core/units/index.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';

	interface Props {
		mix: MixWaterView;
		title: string;
		/** The room as it was measured last; null while nobody did. */
		roomCelsius: number | null;
	}
	let { mix, title, roomCelsius }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = room.bakery;

	/** A cold room for a tub, unless the dough's own chain names another (our default). */
	const COLD: Leg = { place: 'cold', ambientCelsius: 4, timeConstantMinutes: 240, minutes: null };
	const WARMER_KELVINS = 3;

	/** What waits in the room waits in the room of the moment, not in that of the book. */
	const step = $derived.by((): (WaitStep & { readonly clock: RipenessClock }) | null => {
		const bulk = mix.bulk?.step;
		if (!bulk?.clock) return null;
		const legs = bulk.legs.map((leg) =>
			leg.place === 'room' && roomCelsius !== null ? { ...leg, ambientCelsius: roomCelsius } : leg
		);
		return { ...bulk, clock: bulk.clock, legs };
	});
	const measured = $derived(mix.measured);
	const minutes = $derived(
		measured ? Math.max(0, (room.now.epochMs - measured.occurredAtMs) / 60_000) : 0
	);
	const cold = $derived(step?.legs.find((leg) => leg.place === 'cold') ?? COLD);
	const card = $derived(step && measured ? doughCard(step, measured.doughCelsius, minutes) : null);

	const at = (after: number) => {
		const ms = (measured?.occurredAtMs ?? 0) + after * 60_000;
		const day = dayText(ms, timeZone);
		const today = dayText(room.now.epochMs, timeZone);
		return `${day === today ? '' : `${day} `}${clockText(ms, timeZone)}`;
	};
	const asks = $derived.by((): readonly { readonly name: string; readonly whatIf: WhatIf }[] => [
		{ name: 'sent to the cold now', whatIf: { kind: 'cold-now', cold } },
		{
			name: `with the room ${formatDifference({ kelvins: WARMER_KELVINS }, 0, units)} warmer from now on`,
			whatIf: { kind: 'room-changes', kelvins: WARMER_KELVINS }
		},
		...(step?.clock.leavening === 'bakers-yeast'
			? [
					{
						name: 'had it half the yeast',
						whatIf: { kind: 'yeast-times', factor: 0.5 } as const
					}
				]
			: [])
	]);
	const answers = $derived(
		step && measured
			? asks.map(({ name, whatIf }) => {
					const result = doughCard(step, measured.doughCelsius, minutes, whatIf);
					const ripe = result.ok ? result.value.marks?.ripe : undefined;
					return {
						name,
						text: ripe === undefined ? 'not ripe within three days' : `ripe ${at(ripe)}`
					};
				})
			: []
	);
</script>

{#if card?.ok && measured}
	{@const { marks, celsiusNow, doseSoFar, doseRipe } = card.value}
	<section class="mt-3 border-2 border-ink p-3" aria-label="Dough card of {title}" data-dough-card>
		<p class="flex flex-wrap items-baseline gap-x-6">
			<span>
				<span class="block text-ink-2">ripe at</span>
				<span class="ripe">{marks ? at(marks.ripe) : 'not within three days'}</span>
			</span>
			{#if marks}
				<span>early from <b>{at(marks.early)}</b></span>
				<span>late after <b>{marks.late === null ? 'three days' : at(marks.late)}</b></span>
			{/if}
			<span
				>now about <b>{formatTemperature({ celsius: celsiusNow }, 1, units)}</b>,
				<b>{formatNumber(Math.min(999, (doseSoFar / doseRipe) * 100), 0)} %</b> of the way</span
			>
		</p>
		<ul class="mt-2">
			{#each answers as one (one.name)}
				<li class="flex flex-wrap justify-between gap-x-4 border-t border-line py-1">
					<span>{one.name}</span><b>{one.text}</b>
				</li>
			{/each}
		</ul>
		<p class="mt-1 text-note text-ink-2">
			A forecast from the measured dough{roomCelsius === null
				? ' and the places of its chain'
				: `, the room at ${formatTemperature({ celsius: roomCelsius }, 1, units)} and the other places of its chain`};
			the dough decides.
		</p>
	</section>
{/if}

<style>
	.ripe {
		font-size: 34px;
		font-weight: 800;
		line-height: 1.1;
	}
</style>
