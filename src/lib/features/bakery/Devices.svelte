<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { DeviceView } from '../../contracts/bakery-views.ts';
	import type { Place } from '../../core/formula/index.ts';
	import { formatMass, formatTemperature } from '../../core/units/index.ts';
	import { probeDoubt } from '../../wording/probe-text.ts';
	import { ageText, momentText } from '../../wording/time-text.ts';
	import NewDevice from './NewDevice.svelte';
	import { Saving } from './saving.svelte.ts';
	import { SENSOR_TEXT } from './sensor-text.ts';

	interface Props {
		devices: readonly DeviceView[];
		places: readonly Place[];
		decks: readonly { readonly id: string; readonly name: string }[];
	}
	let { devices, places, decks }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const saving = new Saving(room.retries);
	/** Shutting a device out is asked for twice: there is no way back. */
	let asked: string | null = $state(null);

	async function revoke(deviceId: string) {
		asked = null;
		await saving.save(
			{
				kind: 'revoke-device',
				occurredAtMs: Math.round(room.now.epochMs),
				deviceId
			},
			{ said: 'Removed: its key no longer counts.' }
		);
	}
</script>

<section class="card" aria-label="Devices" data-devices>
	<h2>Devices</h2>
	<p class="text-ink-2">
		Probes speak the open protocol that docs/device-protocol.md tells: an address and a key are all
		they hold.
	</p>
	<!-- Above the list, which grows by what is added: a key that is shown once does not move away from the hand. -->
	<NewDevice {places} {decks} />
	{#each devices as device (device.id)}
		<article class="mt-3 border-t border-line pt-2" data-device={device.name}>
			<header class="flex flex-wrap items-center justify-between gap-3">
				<h3 class="font-bold">{device.name}</h3>
				{#if device.revokedAtMs !== null}
					<span>removed {momentText(device.revokedAtMs, room.now.epochMs, timeZone)}</span>
				{:else if asked === device.id}
					<span class="flex flex-wrap gap-2">
						<button class="action" onclick={() => revoke(device.id)}
							>Remove {device.name} for good</button
						>
						<button class="action-lesser" onclick={() => (asked = null)}>Keep it</button>
					</span>
				{:else}
					<button class="action-lesser" onclick={() => (asked = device.id)}>Remove it</button>
				{/if}
			</header>
			{#if device.revokedAtMs === null}
				<table class="mt-1 w-full">
					<thead>
						<tr class="text-left text-ink-2"
							><th>Sensor</th><th>reads</th><th class="text-right">now</th><th class="pl-4"
								>heard</th
							></tr
						>
					</thead>
					<tbody>
						{#each device.sensors as sensor (sensor.id)}
							{@const doubt = sensor.now ? probeDoubt(sensor.now, room.now.epochMs) : null}
							<tr class="border-t border-line" data-sensor={sensor.name}>
								<th scope="row" class="py-1 text-left font-bold">{sensor.name}</th>
								<td>{SENSOR_TEXT[sensor.kind]}</td>
								<td class="text-right font-bold"
									>{sensor.now
										? formatTemperature({ celsius: sensor.now.celsius }, 1, units)
										: sensor.rise
											? `${Math.round(sensor.rise.percent)} %`
											: sensor.shown
												? formatMass({ grams: sensor.shown.grams }, 0, units)
												: '–'}</td
								>
								<td class="pl-4"
									>{#if sensor.rise}{ageText(
											sensor.rise.measuredAtMs,
											room.now.epochMs
										)}{:else if sensor.shown}{ageText(
											sensor.shown.measuredAtMs,
											room.now.epochMs
										)}{:else if !sensor.now}not yet{:else if doubt}<span class="act-now px-1"
											>Check</span
										>
										{doubt}{:else}{ageText(sensor.now.measuredAtMs, room.now.epochMs)}{/if}</td
								>
							</tr>
						{/each}
					</tbody>
				</table>
			{/if}
		</article>
	{:else}
		<p class="mt-2">There is no device. Temperatures are typed in the Water room.</p>
	{/each}
	{#if saving.done}<p role="status" class="mt-2">{saving.done}</p>{/if}
	{#if saving.message}<p role="alert" class="mt-2 font-bold">{saving.message}</p>{/if}
</section>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
</style>
