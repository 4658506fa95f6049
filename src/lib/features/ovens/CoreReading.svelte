<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { doneForecast } from '../../core/baking/index.ts';
	import type { BakingTask } from '../../core/planning/index.ts';
	import { formatMinutes, formatNumber, formatTemperature } from '../../core/units/index.ts';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { clockText } from '../../wording/time-text.ts';

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

	const said = $derived.by(() => {
		if (!read) return '';
		const { step } = task;
		const dough = task.celsius[0] ?? 25;
		const forecast = doneForecast(step, dough, read);
		const wanted = formatTemperature({ celsius: step.coreCelsius }, 0, units);
		if (forecast.ok) {
			const { minutesLeft, least, most } = forecast.value;
			const doneMs = bakesMs + (read.atMinutes + minutesLeft) * 60_000;
			return `Done about ${clockText(doneMs, zone)}: ${formatMinutes(minutesLeft)} more, between ${formatNumber(least, 0)} and ${formatNumber(most, 0)} min.`;
		}
		switch (forecast.error.kind) {
			case 'done':
				return `It is at ${wanted} or above: done, as far as the core tells.`;
			case 'too-early':
				return `Too early to tell. Read again from ${formatTemperature({ celsius: forecast.error.fromCelsius }, 0, units)} on.`;
			case 'beyond-reason':
				return 'No core reads that now. Look at the probe, and read again.';
		}
	});
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
