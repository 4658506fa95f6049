<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { LearnedRoomView } from '../../contracts/learned-views.ts';
	import {
		formatDifference,
		formatMinutes,
		formatNumber,
		formatTemperature
	} from '../../core/units/index.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { DECISION_TEXT, VERDICT_TEXT } from '../../wording/readiness-text.ts';
	import { dayText } from '../../wording/time-text.ts';
	import DoughTemperatureChart from './DoughTemperatureChart.svelte';
	import FrictionChart from './FrictionChart.svelte';
	import BesideList from './BesideList.svelte';
	import Observations from './Observations.svelte';
	import SchoolMisses from './SchoolMisses.svelte';
	import SeasonsChart from './SeasonsChart.svelte';
	import Term from '../../ui/Term.svelte';

	interface Props {
		view: LearnedRoomView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);

	const { formula, friction, clock } = $derived(view);
	const capacity = $derived(formula?.kilojoulesPerKilogramKelvin ?? 1);
	const inDough = (kilojoules: number) =>
		formatDifference({ kelvins: kilojoules / capacity }, 1, units);
	const degrees = (celsius: number) => formatTemperature({ celsius }, 1, units);
	const count = (n: number, one: string, many: string) => (n === 1 ? `one ${one}` : `${n} ${many}`);
	const measured = $derived(view.formulas.reduce((total, choice) => total + choice.measured, 0));
	const sentence = $derived(
		measured === 0
			? 'Nothing is learned yet: measure doughs as they come out of the mixer.'
			: `${count(measured, 'mix', 'mixes')} measured in the last year, of ${count(view.formulas.filter((choice) => choice.measured > 0).length, 'dough', 'doughs')}.`
	);
	const frictionText = $derived.by(() => {
		if (!friction) return '';
		const believed = `${inDough(friction.kilojoulesPerKilogram)} ± ${inDough(friction.spreadKilojoulesPerKilogram)} of dough`;
		const others = `${count(friction.usedOfOthers, 'reading', 'readings')} of other doughs`;
		if (friction.used > 0)
			return `${count(friction.used, 'mix', 'mixes')}, ${believed}; the book says ${inDough(friction.bookKilojoulesPerKilogram)}.${friction.usedOfOthers > 0 ? ` ${others} ${on} helped.` : ''}`;
		return friction.usedOfOthers > 0
			? `Not measured yet: ${believed}, from ${others} ${on}; the book says ${inDough(friction.bookKilojoulesPerKilogram)}.`
			: `Not measured yet: ${believed}, from the book alone.`;
	});
	const leftOut = $derived(
		friction?.readings.filter((reading) => reading.leftOut && !reading.ignored) ?? []
	);
	const on = $derived(view.mixerId ? 'on this mixer' : 'by hand');
	const address = (formulaId: string, mixerId: string | null) =>
		`${resolve(`/bake/${view.date}/learned`)}?formula=${formulaId}${mixerId ? `&mixer=${mixerId}` : ''}`;
	const rows = $derived(
		view.formulas.map((choice) => ({
			id: choice.id,
			name: choice.name,
			note: choice.measured === 0 ? 'not measured' : count(choice.measured, 'mix', 'mixes'),
			href: address(choice.id, view.mixerId)
		}))
	);
	const PLACES = { room: 'in the room', proofer: 'kept warm', cold: 'kept cold' } as const;
</script>

<RoomHeading
	{sentence}
	note="Every figure stands on raw readings: each can be ignored, and all of them left behind."
>
	{#snippet actions()}
		<a class="action-lesser no-underline!" href={resolve(`/bake/${view.date}/learned/times`)}
			>Times</a
		>
		{#if view.formulas.length === 0}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/formulas`)}
				>Begin the first formula</a
			>
		{:else if measured === 0}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/water`)}>Go to the water</a>
		{/if}
	{/snippet}
</RoomHeading>

<BesideList label="Formulas" {rows} current={formula?.id ?? null}>
	{#if formula}
		<div class="grid gap-4">
			<section class="card" aria-label="Friction of {formula.name}" data-learned="friction">
				<h2 class="title">{formula.name}</h2>
				{#if view.mixers.length > 1}
					<p class="flex gap-4">
						{#each view.mixers as mixer (mixer.id)}
							<!-- eslint-disable svelte/no-navigation-without-resolve -- resolved in address() -->
							<a
								href={address(formula.id, mixer.id)}
								aria-current={mixer.id === view.mixerId ? 'true' : undefined}
								class="inline-flex min-h-11 items-center {mixer.id === view.mixerId
									? 'font-bold'
									: ''}">{mixer.name}</a
							>
							<!-- eslint-enable svelte/no-navigation-without-resolve -->
						{/each}
					</p>
				{/if}
				<h3 class="sub"><Term of="friction-work">Friction</Term></h3>
				<p class="text-lead" data-friction>{frictionText}</p>
				{#each leftOut as observation (observation.id)}
					<p>
						The reading of {dayText(observation.occurredAtMs, timeZone)} was left out as an outlier: by
						itself it says {inDough(observation.frictionKilojoulesPerKilogram)}.
					</p>
				{/each}
				{#if view.mixes.length > 0 && friction}
					<div class="charts">
						<div>
							<h3 class="sub">Dough out of the mixer</h3>
							<DoughTemperatureChart mixes={view.mixes} name={formula.name} />
						</div>
						<div>
							<h3 class="sub">Friction in degrees of dough</h3>
							<FrictionChart
								mixes={view.mixes}
								name={formula.name}
								bookKelvins={friction.bookKilojoulesPerKilogram / capacity}
							/>
						</div>
					</div>
					<Observations
						subject="friction"
						formulaId={formula.id}
						observations={friction.readings.map((reading) => ({
							...reading,
							text: `dough ${degrees(reading.doughCelsius)} for ${degrees(reading.targetCelsius)}, water at ${degrees(reading.waterCelsius)}${reading.instrument === 'surface-thermometer' ? ', on the surface' : ''}; friction ${inDough(reading.frictionKilojoulesPerKilogram)}`
						}))}
					/>
				{/if}
			</section>
			{#if view.misses.length > 0}<SchoolMisses misses={view.misses} name={formula.name} />{/if}
			{#if clock}
				<section class="card" aria-label="Clock of {formula.name}" data-learned="clock">
					<h3 class="sub">How fast it ferments</h3>
					<p class="text-lead">
						{clock.used === 0
							? 'By the book: nothing was looked at yet.'
							: `${count(clock.used, 'check', 'checks')}: it takes ${formatNumber(clock.mean, 2)} times the book's minutes (${formatNumber(clock.band.low, 2)} to ${formatNumber(clock.band.high, 2)}).`}
					</p>
					<Observations
						subject="clock"
						formulaId={formula.id}
						observations={clock.observations.map((observation) => ({
							...observation,
							text: `${VERDICT_TEXT[observation.verdict]} after ${formatMinutes(observation.doseMinutes)} on its clock, decided to ${DECISION_TEXT[observation.decision]}: ${formatNumber(observation.value, 2)} times the book`
						}))}
					/>
				</section>
			{/if}
			{#each view.timeConstants as tub (tub.place)}
				<section class="card" aria-label="Tub of {formula.name}" data-learned="tub-{tub.place}">
					<h3 class="sub">How fast the dough cools or warms in this tub, {PLACES[tub.place]}</h3>
					<p class="text-lead">
						{tub.used === 0
							? `By the book, with a time constant of ${formatMinutes(tub.book)}: no dough was measured a second time where it stands.`
							: `${count(tub.used, 'check', 'checks')}: a time constant of ${formatMinutes(tub.mean)} (${formatMinutes(tub.band.low)} to ${formatMinutes(tub.band.high)}); the book says ${formatMinutes(tub.book)}.`}
						<Term of="time-constant">what is that?</Term>
					</p>
					<Observations
						subject="time-constant"
						formulaId={formula.id}
						observations={tub.observations.map((observation) => ({
							...observation,
							text: `${degrees(observation.fromCelsius)} to ${degrees(observation.toCelsius)} in ${formatMinutes(observation.minutes)} at ${degrees(observation.ambientCelsius)}: ${formatMinutes(observation.value)}`
						}))}
					/>
				</section>
			{/each}
			<section class="card" aria-label="Through the seasons" data-learned="seasons">
				<h3 class="sub">Room, flour and tap through the seasons</h3>
				{#if view.days.length > 0}
					<SeasonsChart days={view.days} />
				{:else}
					<p>No temperature was measured yet. Type them in the Water room, or let probes in.</p>
				{/if}
			</section>
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
	.sub {
		margin-top: 4px;
		font-size: 15px;
		line-height: 1.5;
		font-weight: 700;
	}
	.charts {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(360px, 100%), 1fr));
		gap: 8px 24px;
		margin-top: 8px;
	}
</style>
