<script lang="ts">
	import { resolve } from '$app/paths';
	import Notice from '../../ui/Notice.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { useRoom } from '../../client/room-context.ts';
	import type { WaterView } from '../../contracts/water-views.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import { dateText } from '../../wording/time-text.ts';
	import { unmadeText } from '../../wording/failure-text.ts';
	import BuildWater from './BuildWater.svelte';
	import MixList from './MixList.svelte';
	import MixWater from './MixWater.svelte';
	import SchoolChoice from './SchoolChoice.svelte';
	import TemperatureInput from './TemperatureInput.svelte';
	import { waterNote, waterSentence } from './water-sentence.ts';

	interface Props {
		view: WaterView;
	}
	let { view }: Props = $props();
	const room = useRoom();

	const keyOf = (mix: WaterView['mixes'][number]) => `${mix.formulaId}:${mix.ordinal}`;
	/** What was chosen; until then the next mix that is not measured yet. */
	let chosen: string | null = $state(null);
	const next = $derived(view.mixes.find((mix) => !mix.measured) ?? view.mixes[0]);
	const mix = $derived(view.mixes.find((mix) => keyOf(mix) === chosen));
	const keyOfBuild = (build: WaterView['builds'][number]) =>
		`${build.preparationId}:${build.ordinal}`;
	const build = $derived(view.builds.find((build) => keyOfBuild(build) === chosen));
	const shown = $derived(mix ?? (build ? undefined : next));
	/** After the one that is shown was measured: the first that is not. */
	const onward = $derived.by(() => {
		const to = view.mixes.find((mix) => !mix.measured && mix !== shown);
		return to ? { title: mixTitle(to), go: () => (chosen = keyOf(to)) } : null;
	});
	/** A place that nothing is weighed from has no say in a bowl. */
	const felt = $derived(view.inputs.filter((input) => input.isFelt));
	const roomCelsius = $derived(
		view.inputs.find((input) => input.quantity === 'room')?.reading?.celsius ?? null
	);
	const tap = $derived.by(() => {
		const input = view.inputs.find((input) => input.quantity === 'tap');
		const celsius = input?.reading?.celsius ?? input?.unread.celsius ?? 0;
		return `tap at ${formatTemperature({ celsius }, 1, room.bakery.units)}`;
	});
	const empty = $derived(view.mixes.length === 0);
</script>

<RoomHeading
	sentence={waterSentence(view)}
	note={empty ? dateText(view.date) : waterNote(view, room.now.epochMs)}
>
	{#snippet actions()}
		{#if empty}
			<a class="action no-underline!" href={resolve(`/bake/${view.date}/orders`)}
				>Go to the orders</a
			>
		{/if}
	{/snippet}
</RoomHeading>

{#each view.unmade as unmade, index (index)}
	<Notice label="Not made" about={unmade.name} text="{unmadeText(unmade)}." />
{/each}

{#if !empty}
	<section aria-label="Temperatures of the moment" class="strip">
		{#each felt as input (input.quantity + (input.preparationId ?? input.placeId ?? ''))}
			<TemperatureInput {input} />
		{/each}
	</section>
	<div class="water">
		<section aria-label="The water of one mix">
			{#if build}
				{#key keyOfBuild(build)}
					<BuildWater
						{build}
						{tap}
						school={view.school}
						date={view.date}
						probe={view.doughProbes.core}
						onKept={() => (chosen = keyOfBuild(build))}
					/>
				{/key}
			{:else if shown}
				{#key keyOf(shown)}
					<MixWater
						mix={shown}
						title={mixTitle(shown)}
						{tap}
						{view}
						{roomCelsius}
						onKept={() => (chosen = keyOf(shown))}
						next={onward}
					/>
				{/key}
			{/if}
			<p class="mt-2 text-note text-ink-2">
				Hot taps scald, and a mixer is loaded only when it stands still with its guard closed; the
				site's own rules come first.
			</p>
		</section>
		<div>
			<MixList
				{view}
				selected={build ? keyOfBuild(build) : shown ? keyOf(shown) : ''}
				onSelect={(key: string) => (chosen = key)}
			/>
			<div class="mt-3 border border-line bg-sheet px-4">
				<SchoolChoice school={view.school} countsSoakers={view.countsSoakers} />
				<p class="py-2">
					<a href={resolve(`/bake/${view.date}/bakery`)}>Taps, chiller and ice</a>
				</p>
			</div>
		</div>
	</div>
{/if}

<style>
	.strip {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(134px, 100%), 1fr));
		margin: 0 20px 14px;
		border-top: 1px solid var(--line);
		border-left: 1px solid var(--line);
		background: var(--sheet);
	}
	.water {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 340px;
		gap: 16px;
		padding: 0 20px 20px;
		align-items: start;
	}
	@media (max-width: 1100px) {
		.water {
			grid-template-columns: minmax(0, 1fr) 290px;
		}
	}
	@media (max-width: 850px) {
		.water {
			grid-template-columns: 1fr;
		}
	}
</style>
