<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { BOILING } from '../../core/heat/index.ts';
	import type { ScaldOfBowl } from '../../core/mixing/index.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';

	interface Props {
		scald: ScaldOfBowl;
		wantedCelsius: number;
		title: string;
	}
	let { scald, wantedCelsius, title }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const degrees = (celsius: number) => formatTemperature({ celsius }, 0, units);
	const liquid = $derived(scald.liquid.toLowerCase());
	const mass = $derived(formatMass({ grams: scald.liquidGrams }, 0, units));
	const isEnough = $derived(scald.boiledEnds.value >= wantedCelsius);
	const NOTE = 'Tub and air take some of it too: measure it, and pour hotter into a cold tub.';
</script>

<div class="my-2" data-scald>
	<p class="text-lead">
		{mass} of boiling {liquid} ends at
		<button
			class="large"
			aria-label="{title}, boiling {liquid} ends at {degrees(
				scald.boiledEnds.value
			)}, open the arithmetic"
			onclick={() => room.explain(scald.boiledEnds, `Scald of ${title}`, [NOTE])}
			>{degrees(scald.boiledEnds.value)}</button
		>
		at most.
	</p>
	{#if scald.poured && isEnough}
		<p class="text-lead">
			For {degrees(wantedCelsius)} pour it at
			<button
				class="large"
				aria-label="{title}, poured at {degrees(scald.poured.value)}, open the arithmetic"
				onclick={() => scald.poured && room.explain(scald.poured, `Scald of ${title}`, [NOTE])}
				>{degrees(scald.poured.value)}</button
			>.
		</p>
	{:else}
		<p>
			<span class="act-now px-2 py-1">Out of reach</span> For {degrees(wantedCelsius)} boiling {liquid}
			is not enough: cook it on, or warm the meal.
		</p>
	{/if}
	<p class="mt-1 font-bold">
		Liquid at up to {degrees(BOILING.celsius)} scalds: pour away from you, slowly, into a tub that stands
		firm; the site’s own rules come first.
	</p>
	<p class="text-note text-ink-2">{NOTE}</p>
</div>

<style>
	.large {
		font-size: 34px;
		font-weight: 800;
		cursor: pointer;
		text-decoration: underline dotted 2px;
		text-underline-offset: 6px;
	}
</style>
