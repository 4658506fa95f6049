<script lang="ts">
	import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import BakeryPage from './BakeryPage.svelte';
	import Devices from './Devices.svelte';

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

<BakeryPage
	date={view.date}
	counts={view.counts}
	current="devices"
	{sentence}
	note="What reads temperatures by itself, and by which key."
>
	<Devices devices={view.devices} places={view.places} decks={view.decks} />
</BakeryPage>
