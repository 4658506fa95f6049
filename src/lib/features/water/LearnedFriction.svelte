<script lang="ts">
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import type { MixWaterView } from '../../contracts/water-views.ts';
	import { formatDifference } from '../../core/units/index.ts';
	import { dayText } from '../../wording/time-text.ts';

	interface Props {
		mix: MixWaterView;
		date: string;
	}
	let { mix, date }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);

	const { friction } = $derived(mix);
	/** Friction is told in degrees of dough. */
	const inDough = (kilojoules: number, decimals = 1) =>
		formatDifference(
			{ kelvins: kilojoules / mix.doughKilojoulesPerKilogramKelvin },
			decimals,
			units
		);
	const count = (n: number) => (n === 1 ? 'one mix' : `${n} mixes`);
	const on = $derived(mix.mixer ? ` on the ${mix.mixer.name.toLowerCase()}` : ' by hand');
	const sentence = $derived.by(() => {
		const figure = inDough(friction.kilojoulesPerKilogram);
		const spread = inDough(friction.spreadKilojoulesPerKilogram);
		if (friction.used > 0)
			return `Friction ${figure} ± ${spread} of dough, learned from ${count(friction.used)} of this dough${on}.`;
		if (friction.usedOfOthers > 0)
			return `Friction ${figure} ± ${spread} of dough, from other doughs${on}: this one was not measured yet.`;
		return `Friction ${inDough(friction.bookKilojoulesPerKilogram)} ± ${spread} of dough, from the book: nothing measured yet.`;
	});
	const leftOut = $derived(
		friction.readings.filter((reading) => reading.leftOut && !reading.ignored)
	);
</script>

<div class="mt-2" data-friction>
	<p>
		{sentence}
		<!-- eslint-disable-next-line svelte/no-navigation-without-resolve -- resolved, with a question behind it -->
		<a href={`${resolve(`/bake/${date}/learned`)}?formula=${mix.formulaId}`}>How it was learned</a>
	</p>
	{#each leftOut as observation (observation.id)}
		<p class="text-ink-2">
			The reading of {dayText(observation.occurredAtMs, timeZone)} was left out as an outlier: by itself
			it says {inDough(observation.frictionKilojoulesPerKilogram)}.
		</p>
	{/each}
</div>
