<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { READING_LIMITS } from '../../contracts/limits.ts';
	import type { PlaceView } from '../../contracts/bakery-views.ts';
	import { USUAL_ROOM_CELSIUS, WAIT_PLACES } from '../../core/formula/index.ts';
	import { id, type PlaceId } from '../../core/identity.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import Choice from '../../ui/Choice.svelte';
	import { PLACE_KIND_TEXT } from '../../wording/step-text.ts';
	import FigureField from './FigureField.svelte';
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

<form class="border-t border-line py-3" onsubmit={save} data-place={place?.name ?? 'new'}>
	<div class="fields">
		<label>
			<span class="block font-bold">Name</span>
			<input
				class="field w-full"
				value={now.name}
				maxlength="200"
				aria-label={place ? `Name of ${place.name}` : 'Name of the new place'}
				oninput={(event) => (typed = { ...typed, name: event.currentTarget.value })}
			/>
		</label>
		<div>
			<span class="block font-bold">Kind</span>
			{#if place && place.role !== 'other'}
				<p class="py-2">
					{place.role === 'flour' ? 'where flour is kept' : 'the room all stand in'}
				</p>
			{:else}
				<Choice
					label={place ? `Kind of ${place.name}` : 'Kind of the new place'}
					options={KINDS}
					value={now.kind}
					onSet={(kind: string) => (typed = { ...typed, kind })}
				/>
			{/if}
		</div>
		<FigureField
			label={now.kind === 'room' ? 'Taken to be at' : 'Set to'}
			unit={degrees}
			value={now.at}
			note="until somebody, or a probe, reads it"
			onChange={(at: string) => (typed = { ...typed, at })}
		/>
	</div>
	<p class="mt-2 flex flex-wrap items-center gap-3">
		<button class="action-lesser" disabled={Object.keys(typed).length === 0}
			>{place ? `Save ${place.name}` : 'Add a place'}</button
		>
		{#if saving.done}<span role="status">{saving.done}</span>{/if}
	</p>
	{#if saving.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{saving.message}
		</p>{/if}
</form>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
		gap: 10px 16px;
	}
</style>
