<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import TextField from '../../fields/TextField.svelte';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import RoomHeading from '../../ui/RoomHeading.svelte';
	import { timeZones } from '../../wording/time-zones.ts';
	import BringAlong from './BringAlong.svelte';

	const room = useRoom();
	const sending = new Sending(room.retries);
	/** One identity for one beginning, so that asking twice makes one. */
	const personId = crypto.randomUUID();

	let name = $state('');
	let person = $state('');
	let currency = $state('€');
	let timeZone = $state('UTC');
	let mass: 'metric' | 'imperial' = $state('metric');
	let temperature: 'celsius' | 'fahrenheit' = $state('celsius');
	onMount(() => {
		timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
	});
	const MASSES = [
		{ value: 'metric', label: 'grams and kilograms' },
		{ value: 'imperial', label: 'pounds and ounces' }
	];
	const TEMPERATURES = [
		{ value: 'celsius', label: 'degrees Celsius' },
		{ value: 'fahrenheit', label: 'degrees Fahrenheit' }
	];

	async function begin(event: SubmitEvent) {
		event.preventDefault();
		if (name.trim() === '') return void (sending.message = 'Give the bakery a name.');
		if (person.trim() === '')
			return void (sending.message = 'Type your own name: it stands beside what you do.');
		await sending.send(
			{
				kind: 'found-bakery',
				occurredAtMs: Math.round(room.now.epochMs),
				personId,
				person: person.trim(),
				name: name.trim(),
				timeZone,
				currency: currency.trim(),
				mass,
				temperature
			},
			async ({ outcome }) => {
				// Whoever begins is signed in by that, and chooses with what to come in again.
				if (outcome === 'done') await goto(resolve('/you'), { invalidateAll: true });
			}
		);
	}
</script>

<RoomHeading
	sentence="There is no bakery here yet. Begin yours."
	note="All of this can be changed later. Nothing leaves this machine."
/>
<form class="begin" aria-label="Begin a bakery" onsubmit={begin} data-begin>
	<TextField
		label="What the bakery is called"
		value={name}
		onSet={(text: string) => (name = text)}
	/>
	<TextField label="Your own name" value={person} onSet={(text: string) => (person = text)} />
	<ChoiceField
		label="Where its clock hangs"
		name="Time zone"
		options={timeZones(timeZone)}
		value={timeZone}
		onSet={(zone: string) => (timeZone = zone)}
	/>
	<TextField
		label="Money, as it stands before a price"
		value={currency}
		most={8}
		onSet={(text: string) => (currency = text)}
	/>
	<ChoiceField
		label="Weights in"
		options={MASSES}
		value={mass}
		onSet={(value: string) => (mass = value === 'imperial' ? 'imperial' : 'metric')}
	/>
	<ChoiceField
		label="Temperatures in"
		options={TEMPERATURES}
		value={temperature}
		onSet={(value: string) => (temperature = value === 'fahrenheit' ? 'fahrenheit' : 'celsius')}
	/>
	{#if sending.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{sending.message}
		</p>{/if}
	<p class="mt-3"><button class="action" disabled={sending.busy}>Begin the bakery</button></p>
</form>
<BringAlong />

<style>
	.begin {
		max-width: 640px;
		margin: 0 20px 20px;
		padding: 18px 22px;
		background: var(--sheet);
		border: 2px solid var(--ink);
	}
	@media (max-width: 600px) {
		.begin {
			margin: 0 8px 20px;
		}
	}
</style>
