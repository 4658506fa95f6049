<script lang="ts">
	import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import ColdRoomSettings from './ColdRoomSettings.svelte';
	import Devices from './Devices.svelte';
	import PlaceSettings from './PlaceSettings.svelte';
	import SupplySettings from './SupplySettings.svelte';
	import UnitSettings from './UnitSettings.svelte';

	interface Props {
		view: BakeryRoomView;
	}
	let { view }: Props = $props();
	const room = useRoom();
	const sensors = $derived(
		view.devices.filter((device) => device.revokedAtMs === null).flatMap((device) => device.sensors)
	);
	const states = $derived(
		sensors.flatMap((sensor) => (sensor.now ? [stateOfProbe(sensor.now, room.now.epochMs)] : []))
	);
	const heard = $derived(states.filter((state) => !state.silent).length);
	const doubted = $derived(states.filter((state) => state.silent || state.unmoved).length);
	const sentence = $derived(
		sensors.length === 0
			? 'There is no probe: temperatures are typed.'
			: `${heard} of ${sensors.length} sensors are heard${doubted > 0 ? `; ${doubted === 1 ? 'one is' : `${doubted} are`} in doubt` : ''}.`
	);
</script>

<RoomHeading {sentence} note="What the house can give, and what reads it." />

<div class="bakery">
	<div class="grid gap-4">
		<Devices devices={view.devices} places={view.places} />
		<section class="card" aria-label="Places">
			<h2>Places</h2>
			<p class="text-ink-2">
				Ingredients and pre-ferments stand somewhere, and are as warm as that place until they are
				measured. A prover or a cold place keeps what it is set to; a room is taken to be so until
				somebody, or a probe, reads it.
			</p>
			{#each view.places.filter((place) => !place.isRetarder) as place (place.id)}
				<PlaceSettings {place} />
			{/each}
			<details class="border-t border-line">
				<summary class="min-h-11 cursor-pointer py-2 font-bold">One more place</summary>
				<PlaceSettings place={null} />
			</details>
		</section>
		<section class="card" aria-label="Cold rooms">
			<h2>Cold rooms</h2>
			{#each view.retarders as retarder (retarder.id)}
				<ColdRoomSettings {retarder} />
			{/each}
			<details class="border-t border-line">
				<summary class="min-h-11 cursor-pointer py-2 font-bold">One more cold room</summary>
				<ColdRoomSettings retarder={null} />
			</details>
		</section>
	</div>
	<div class="grid gap-4">
		<SupplySettings supply={view.supply} />
		<UnitSettings />
	</div>
</div>

<style>
	.bakery {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 16px;
		align-items: start;
		padding: 0 20px 20px;
	}
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	@media (max-width: 960px) {
		.bakery {
			grid-template-columns: 1fr;
		}
	}
</style>
