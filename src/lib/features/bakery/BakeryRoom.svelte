<script lang="ts">
	import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import ColdRoomSettings from './ColdRoomSettings.svelte';
	import Devices from './Devices.svelte';
	import SupplySettings from './SupplySettings.svelte';
	import UnitSettings from './UnitSettings.svelte';

	interface Props {
		view: BakeryRoomView;
	}
	let { view }: Props = $props();
	const sensors = $derived(
		view.devices.filter((one) => one.revokedAtMs === null).flatMap((one) => one.sensors)
	);
	const heard = $derived(sensors.filter((one) => one.now && !one.now.silent).length);
	const doubted = $derived(sensors.filter((one) => one.now?.unmoved || one.now?.silent).length);
	const sentence = $derived(
		sensors.length === 0
			? 'No probe is let in: temperatures are typed.'
			: `${heard} of ${sensors.length} sensors are heard${doubted > 0 ? `; ${doubted === 1 ? 'one is' : `${doubted} are`} in doubt` : ''}.`
	);
</script>

<RoomHeading {sentence} note="What the house can give, and what reads it." />

<div class="bakery">
	<Devices devices={view.devices} />
	<SupplySettings supply={view.supply} />
	<section class="card" aria-label="Cold rooms">
		<h2>Cold rooms</h2>
		{#each view.retarders as retarder (retarder.id)}
			<ColdRoomSettings {retarder} />
		{/each}
		<ColdRoomSettings retarder={null} />
	</section>
	<UnitSettings />
</div>

<style>
	.bakery {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(460px, 1fr));
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
