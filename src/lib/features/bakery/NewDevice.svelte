<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import Choice from '../../ui/Choice.svelte';
	import type { Place } from '../../core/formula/index.ts';
	import { DEVICE_SENSOR_KINDS, isOfDeck, type SensorKind } from '../../contracts/sensor-kinds.ts';
	import { fingerprintOfKey, newDeviceKey } from './device-key.ts';
	import { Saving } from './saving.svelte.ts';
	import { SENSOR_TEXT } from './sensor-text.ts';

	interface Props {
		places: readonly Place[];
		decks: readonly { readonly id: string; readonly name: string }[];
	}
	let { places, decks }: Props = $props();
	const room = useRoom();
	/** The bakehouse and the bins have kinds of their own. */
	const readable = $derived(
		places.flatMap(({ id, name, role }) => (role === 'other' ? [{ value: id, label: name }] : []))
	);
	const saving = new Saving(room.retries);
	interface Sensor {
		readonly id: string;
		readonly name: string;
		readonly kind: SensorKind;
		/** The place that a probe of one tells. */
		readonly placeId: string | null;
		/** The deck that a sensor of one stands on. */
		readonly deckId: string | null;
	}
	const fresh = (kind: SensorKind): Sensor => ({
		id: crypto.randomUUID(),
		name: '',
		kind,
		placeId: null,
		deckId: null
	});
	const REPORT_EVERY_SECONDS = 60;
	let open = $state(false);
	let name = $state('');
	let sensors: readonly Sensor[] = $state.raw([]);
	/** Shown once: only its fingerprint is kept. */
	let key: { readonly of: string; readonly key: string } | null = $state.raw(null);

	const change = (id: string, to: Partial<Sensor>) =>
		(sensors = sensors.map((sensor) => (sensor.id === id ? { ...sensor, ...to } : sensor)));

	async function letIn(event: SubmitEvent) {
		event.preventDefault();
		const names = sensors.map((sensor) => sensor.name.trim());
		if (
			name.trim() === '' ||
			names.some((name) => name === '') ||
			new Set(names).size < names.length
		) {
			saving.refuse('Give the device and each of its sensors a name of its own.');
			return;
		}
		if (sensors.some(({ kind, placeId }) => kind === 'place-probe' && placeId === null)) {
			saving.refuse('Choose the place that each probe of a place tells.');
			return;
		}
		if (sensors.some(({ kind, deckId }) => isOfDeck(kind) && deckId === null)) {
			saving.refuse('Choose the deck that each sensor of one stands on.');
			return;
		}
		const made = newDeviceKey();
		const keySha256 = await fingerprintOfKey(made);
		if (keySha256 === null) {
			saving.refuse(
				'This page is not served safely (HTTPS or this very machine), so no key can be made here.'
			);
			return;
		}
		const of = name.trim();
		await saving.save(
			{
				kind: 'register-device',
				occurredAtMs: Math.round(room.now.epochMs),
				deviceId: crypto.randomUUID(),
				name: of,
				keySha256,
				sensors: sensors.map((sensor) => ({
					...sensor,
					name: sensor.name.trim(),
					placeId: sensor.kind === 'place-probe' ? sensor.placeId : null,
					deckId: isOfDeck(sensor.kind) ? sensor.deckId : null,
					reportEverySeconds: REPORT_EVERY_SECONDS
				}))
			},
			{
				said: '',
				then: () => {
					key = { of, key: made };
					open = false;
					name = '';
				}
			}
		);
	}
</script>

{#if key}
	<div class="mt-4 border-2 border-ink p-3" role="status" data-new-key>
		<p>
			<b>The key of {key.of}</b>, shown this once. Write it into the device; here only its
			fingerprint is kept.
		</p>
		<p class="my-2"><code class="text-lead break-all">{key.key}</code></p>
		<button class="action-lesser" onclick={() => (key = null)}>I have it</button>
	</div>
{/if}
{#if open}
	<form class="mt-4 border-t border-line pt-3" onsubmit={letIn} data-new-device>
		<label>
			<span class="block font-bold">Name of the device</span>
			<input name="name" class="field" bind:value={name} />
		</label>
		{#each sensors as sensor, index (sensor.id)}
			<div class="mt-2 flex flex-wrap items-end gap-3">
				<label>
					<span class="block">sensor {index + 1}, its name</span>
					<input
						name="name"
						class="field"
						value={sensor.name}
						oninput={(event) => change(sensor.id, { name: event.currentTarget.value })}
					/>
				</label>
				<label>
					<span class="block">reads</span>
					<select
						name="sensor {index + 1} reads"
						class="field"
						value={sensor.kind}
						aria-label="sensor {index + 1} reads"
						onchange={(event) =>
							change(sensor.id, { kind: event.currentTarget.value as SensorKind })}
					>
						{#each DEVICE_SENSOR_KINDS as kind (kind)}<option value={kind}
								>{SENSOR_TEXT[kind]}</option
							>{/each}
					</select>
				</label>
				{#if sensor.kind === 'place-probe'}
					<div>
						<span class="block">which</span>
						<Choice
							label="place that sensor {index + 1} reads"
							options={readable}
							value={sensor.placeId ?? ''}
							onSet={(placeId: string) => change(sensor.id, { placeId })}
						/>
					</div>
				{/if}
				{#if isOfDeck(sensor.kind)}
					<div>
						<span class="block">which</span>
						<Choice
							label="deck that sensor {index + 1} reads"
							options={decks.map(({ id, name }) => ({ value: id, label: name }))}
							value={sensor.deckId ?? ''}
							onSet={(deckId: string) => change(sensor.id, { deckId })}
						/>
					</div>
				{/if}
				{#if sensors.length > 1}
					<button
						type="button"
						class="action-lesser"
						onclick={() => (sensors = sensors.filter((other) => other.id !== sensor.id))}
						>Leave it out</button
					>
				{/if}
			</div>
		{/each}
		<p class="mt-3 flex flex-wrap gap-3">
			<button
				type="button"
				class="action-lesser"
				onclick={() => (sensors = [...sensors, fresh('room-probe')])}>One more sensor</button
			>
			<button class="action">Add it and make its key</button>
			<button type="button" class="action-lesser" onclick={() => (open = false)}>Not now</button>
		</p>
		{#if saving.message}<p role="alert">
				<span class="act-now px-2">Check</span>
				{saving.message}
			</p>{/if}
	</form>
{:else}
	<p class="mt-4">
		<button
			class="action-lesser"
			onclick={() => {
				open = true;
				saving.refuse('');
				sensors = [fresh('room-probe')];
			}}>Add a device</button
		>
	</p>
{/if}
