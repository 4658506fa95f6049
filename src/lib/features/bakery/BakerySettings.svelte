<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { BakeryRoomView } from '../../contracts/bakery-views.ts';
	import TextField from '../../fields/TextField.svelte';
	import NumberField from '../../fields/NumberField.svelte';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import { timeZones } from '../../wording/time-zones.ts';
	import { Saving } from './saving.svelte.ts';

	interface Props {
		settings: BakeryRoomView['settings'];
	}
	let { settings }: Props = $props();
	const room = useRoom();
	const saving = new Saving(room.retries);
	let typed: Partial<
		Pick<typeof settings, 'name' | 'timeZone' | 'currency' | 'altitudeMetres' | 'weighMinutes'>
	> = $state({});
	const now = $derived({ ...settings, ...typed });
	const isChanged = $derived(Object.keys(typed).length > 0);

	async function save(event: SubmitEvent) {
		event.preventDefault();
		if (now.name.trim() === '') return saving.refuse('Give it a name.');
		await saving.save(
			{
				kind: 'save-bakery',
				occurredAtMs: Math.round(room.now.epochMs),
				name: now.name.trim(),
				timeZone: now.timeZone,
				currency: now.currency.trim(),
				altitudeMetres: now.altitudeMetres,
				weighMinutes: now.weighMinutes,
				expectedVersion: settings.version
			},
			{ said: 'Saved.', readAnew: 'everything', then: () => (typed = {}) }
		);
	}
</script>

<form id="settings" class="card" aria-label="The bakery" onsubmit={save}>
	<h2>The bakery</h2>
	<TextField label="Name" value={now.name} onSet={(name: string) => (typed = { ...typed, name })} />
	<ChoiceField
		label="Where its clock hangs"
		name="Time zone"
		options={timeZones(now.timeZone)}
		value={now.timeZone}
		onSet={(timeZone: string) => (typed = { ...typed, timeZone })}
	/>
	<TextField
		label="Money, as it stands before a price"
		value={now.currency}
		most={8}
		onSet={(currency: string) => (typed = { ...typed, currency })}
	/>
	<NumberField
		label="Height above the sea"
		value={now.altitudeMetres}
		unit="m"
		decimals={0}
		least={0}
		most={4000}
		onSet={(value: number | null) => (typed = { ...typed, altitudeMetres: value ?? 0 })}
	/>
	<p class="text-note text-ink-2">
		Water boils lower higher up: what a plan says of a core that is done is lowered a degree for
		every 300 m.
	</p>
	<NumberField
		label="Weighing up a mix takes"
		value={now.weighMinutes}
		unit="min"
		decimals={0}
		least={0}
		most={60}
		onSet={(value: number | null) => (typed = { ...typed, weighMinutes: value ?? 0 })}
	/>
	<p class="text-note text-ink-2">
		A plan gives somebody this time for each mix and pre-ferment, up to 12 hours before it is mixed.
		0 where whoever mixes weighs.
	</p>
	<p class="mt-2 flex flex-wrap items-center gap-3">
		<button class="action" disabled={!isChanged}>Save the bakery</button>
		{#if saving.done}<span role="status">{saving.done}</span>{/if}
	</p>
	{#if saving.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{saving.message}
		</p>{/if}
</form>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
</style>
