<script lang="ts">
	import { onMount } from 'svelte';
	import { deviceClockOff } from '../../client/device-clock.ts';
	import type { ClockDoubt } from '../../contracts/views.ts';
	import FrameNote from './FrameNote.svelte';
	import { spanText } from '../../wording/time-text.ts';

	interface Props {
		/** What the server doubts of its machine's clock. */
		doubt: ClockDoubt | null;
	}
	let { doubt }: Props = $props();
	/** Less than this no time at the bench is wrong by. */
	const WORTH_TELLING_MS = 2 * 60_000;
	const LOOK_EVERY_MS = 30 * 60_000;
	/** By how much this device's clock is ahead of the server's, as far as that is known. */
	let deviceOffMs = $state(0);
	onMount(() => {
		const look = () =>
			void deviceClockOff().then((offMs) => {
				if (offMs !== null) deviceOffMs = offMs;
			});
		look();
		const looking = setInterval(look, LOOK_EVERY_MS);
		return () => clearInterval(looking);
	});
	const span = (ms: number) => spanText(Math.round(Math.abs(ms) / 60_000) * 60_000);
</script>

{#if Math.abs(deviceOffMs) >= WORTH_TELLING_MS}
	<FrameNote role="alert" label="Check" data-clock-trouble="device">
		The clock of this device is {span(deviceOffMs)}
		{deviceOffMs > 0 ? 'ahead of' : 'behind'} Jovet’s: what is tapped here gets times that are wrong by
		as much. Set it right, and open this page anew.
	</FrameNote>
{/if}
{#if doubt}
	<FrameNote role="alert" label="Check" data-clock-trouble={doubt.kind}>
		{#if doubt.kind === 'jumped'}
			The clock of Jovet’s machine went {doubt.byMs > 0 ? 'on' : 'back'} by {span(doubt.byMs)} at once:
			it was set, or the machine slept. Look whether it is right now; what was written before keeps its
			times.
		{:else}
			The clock of Jovet’s machine stands {span(doubt.byMs)} before what was written last. Set it right:
			times written now follow it.
		{/if}
	</FrameNote>
{/if}
