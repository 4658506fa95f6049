<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakingTask } from '../../core/planning/index.ts';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { coreText } from '../../wording/core-text.ts';

	interface Props {
		task: BakingTask;
		/** When the door was closed behind it. */
		bakesMs: number;
	}
	let { task, bakesMs }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = room.bakery;

	/** What was read, and at which minute of the bake. */
	let read: { readonly celsius: number; readonly atMinutes: number } | null = $state(null);

	const said = $derived(read ? coreText(task, bakesMs, read, units, zone) : '');
	function take(celsius: number | null) {
		const atMinutes = (room.now.epochMs - bakesMs) / 60_000;
		read = celsius === null ? null : { celsius, atMinutes };
	}
</script>

<div class="core" data-core-reading>
	<TemperatureField
		label="Core read now"
		celsius={read?.celsius ?? null}
		decimals={0}
		least={0}
		most={130}
		optional
		onSet={take}
	/>
	<p role="status">{said}</p>
</div>

<style>
	.core {
		max-width: 24rem;
		border-top: 1px solid var(--line);
		padding-top: 6px;
	}
</style>
