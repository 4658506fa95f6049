<script lang="ts">
	import { resolve } from '$app/paths';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { WaterView } from '../../contracts/views.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import { dateText } from '../../wording/time-text.ts';
	import { unmadeText } from '../../wording/failure-text.ts';
	import MixWater from './MixWater.svelte';
	import SchoolChoice from './SchoolChoice.svelte';
	import TemperatureInput from './TemperatureInput.svelte';

	interface Props {
		view: WaterView;
	}
	let { view }: Props = $props();
	const { bakery } = useRoom();

	const kinds = $derived(view.mixes.map((mix) => mix.water?.order.kind));
	const iced = $derived(
		kinds.filter((kind) => kind === 'ice' || kind === 'too-cold-for-ice').length
	);
	const missed = $derived(
		kinds.filter((kind) => kind === 'too-cold-for-ice' || kind === 'too-warm').length
	);
	const assumed = $derived(view.inputs.filter((one) => one.reading === null).length);
	const of = $derived(view.mixes.length === 1 ? 'the one mix' : `${view.mixes.length} mixes`);
	const sentence = $derived.by(() => {
		if (view.mixes.length === 0)
			return 'There is no mix to find water for: nothing is ordered for this date.';
		const reach =
			missed === 0
				? `Every target of ${of} can be reached`
				: `${missed} of ${of} cannot be reached`;
		const ice =
			iced === 0 ? 'no ice is needed' : iced === 1 ? 'one mix needs ice' : `${iced} mixes need ice`;
		return `${reach}; ${ice}.`;
	});
	const note = $derived(
		view.mixes.length === 0
			? dateText(view.date)
			: assumed === 0
				? 'All temperatures are measured.'
				: `${assumed} of ${view.inputs.length} temperatures are assumed: measure and type them.`
	);
	const roomCelsius = $derived(
		view.inputs.find((one) => one.quantity === 'room')?.reading?.celsius ?? null
	);
	const tap = $derived.by(() => {
		const input = view.inputs.find((one) => one.quantity === 'tap');
		return formatTemperature(
			{ celsius: input?.reading?.celsius ?? input?.assumedCelsius ?? 0 },
			1,
			bakery.units
		);
	});
</script>

<RoomHeading {sentence} {note}>
	{#snippet actions()}
		{#if view.mixes.length === 0}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/orders`)}
				>Go to the orders</a
			>
		{/if}
	{/snippet}
</RoomHeading>

{#each view.unmade as unmade (unmade.name)}
	<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
{/each}

{#if view.mixes.length > 0}
	<div class="water">
		<section aria-label="Temperatures of the moment" class="bg-sheet px-4 pb-4">
			<h2 class="pt-3">Temperatures now</h2>
			{#each view.inputs as input (input.quantity + (input.preparationId ?? ''))}
				<TemperatureInput {input} />
			{/each}
			<SchoolChoice school={view.school} />
		</section>
		<section aria-label="Water of each mix">
			{#each view.mixes as mix (mix.formulaId + mix.ordinal)}
				<MixWater {mix} {tap} date={view.date} school={view.school} {roomCelsius} />
			{/each}
			<p class="text-note text-ink-2">
				Hot taps scald, and a mixer is loaded only when it stands still with its guard closed; the
				site's own rules come first.
			</p>
		</section>
	</div>
{/if}

<style>
	.water {
		display: grid;
		grid-template-columns: 320px 1fr;
		gap: 16px;
		padding: 0 20px 20px;
		align-items: start;
	}
	.water > section:first-child {
		border: 1px solid var(--line);
	}
	@media (max-width: 800px) {
		.water {
			grid-template-columns: 1fr;
		}
	}
</style>
