<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { READING_LIMITS } from '../../contracts/limits.ts';
	import type { PlaceView } from '../../contracts/bakery-views.ts';
	import { USUAL_ROOM_CELSIUS, WAIT_PLACES } from '../../core/formula/index.ts';
	import { id, type PlaceId } from '../../core/identity.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { PLACE_KIND_TEXT } from '../../wording/step-text.ts';
	import { Saving } from './saving.svelte.ts';

	interface Props {
		/** null for a new one. */
		place: PlaceView | null;
	}
	let { place }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const saving = new Saving(room.retries);
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const stored = $derived({
		name: place?.name ?? '',
		kind: place?.kind ?? ('room' as const),
		at: formatTemperature({ celsius: place?.celsius ?? USUAL_ROOM_CELSIUS }, 1, units).replace(
			/ °.$/,
			''
		)
	});
	let typed: Partial<{ name: string; kind: string; at: string }> = $state({});
	/** One identity for one new place, so that adding it twice makes one. */
	let newId = $state(crypto.randomUUID());
	const now = $derived({ ...stored, ...typed });
	const isChanged = $derived(Object.keys(typed).length > 0);
	const KINDS = WAIT_PLACES.map((kind) => ({
		value: kind,
		label: PLACE_KIND_TEXT[kind]
	}));

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const read = parseTemperature(now.at, units, READING_LIMITS);
		if (now.name.trim() === '') return saving.refuse('Give it a name.');
		if (!read.ok) return saving.refuse('Type how warm it is, as a thermometer in it would say.');
		await saving.save(
			{
				kind: 'save-place',
				occurredAtMs: Math.round(room.now.epochMs),
				placeId: place?.id ?? id<PlaceId>(newId),
				name: now.name.trim(),
				placeKind: WAIT_PLACES.find((kind) => kind === now.kind) ?? 'room',
				celsius: read.value.celsius
			},
			{
				said: 'Saved.',
				readAnew: 'everything',
				then: () => {
					typed = {};
					newId = crypto.randomUUID();
				}
			}
		);
	}
</script>

<form class="border-t border-line py-2" onsubmit={save} data-place={place?.name ?? 'new'}>
	<div class="fields">
		<input
			name="name"
			class="field w-full"
			value={now.name}
			maxlength="200"
			placeholder="Name"
			aria-label={place ? `Name of ${place.name}` : 'Name of the new place'}
			oninput={(event) => (typed = { ...typed, name: event.currentTarget.value })}
		/>
		{#if place && place.role !== 'other'}
			<span>{place.role === 'flour' ? 'where flour is kept' : 'the room all stand in'}</span>
		{:else}
			<Choice
				label={place ? `Kind of ${place.name}` : 'Kind of the new place'}
				options={KINDS}
				value={now.kind}
				onSet={(kind: string) => (typed = { ...typed, kind })}
			/>
		{/if}
		<span class="flex items-center gap-2">
			<input
				name="temperature"
				class="field w-20 text-right font-bold"
				inputmode="decimal"
				autocomplete="off"
				value={now.at}
				aria-label={place ? `Temperature of ${place.name}` : 'Temperature of the new place'}
				onfocus={(event) => event.currentTarget.select()}
				oninput={(event) => (typed = { ...typed, at: event.currentTarget.value })}
			/>
			{degrees}
		</span>
		{#if !place || isChanged}
			<button class="action-lesser" aria-label={place ? `Save ${place.name}` : 'Add the place'}
				>{place ? 'Save' : 'Add'}</button
			>
		{:else if saving.done}<span role="status">{saving.done}</span>{/if}
	</div>
	{#if saving.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{saving.message}
		</p>{/if}
</form>

<style>
	.fields {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 3fr) auto 84px;
		gap: 8px 12px;
		align-items: center;
	}
</style>
