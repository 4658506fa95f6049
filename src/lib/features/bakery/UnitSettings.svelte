<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { UnitChoice } from '../../core/units/index.ts';
	import { Saving } from './saving.svelte.ts';

	const room = useRoom();
	const { units } = $derived(room.bakery);
	const saving = new Saving(room.retries);

	async function set(change: Partial<UnitChoice>) {
		await saving.save(
			{
				kind: 'set-units',
				occurredAtMs: Math.round(room.now.epochMs),
				...units,
				...change
			},
			// Every figure of the frame and the room is read anew.
			{ said: 'Saved: all figures are shown so.', readAnew: 'everything' }
		);
	}
	const TEMPERATURES = [
		['celsius', 'degrees Celsius'],
		['fahrenheit', 'degrees Fahrenheit']
	] as const;
	const MASSES = [
		['metric', 'grams and kilograms'],
		['imperial', 'pounds and ounces']
	] as const;
</script>

<section class="card" aria-label="Units" data-units>
	<h2>Units</h2>
	<fieldset class="mt-2">
		<legend class="font-bold">Temperatures</legend>
		{#each TEMPERATURES as [value, name] (value)}
			<label class="flex min-h-11 items-center gap-2">
				<input
					type="radio"
					name="temperature-units"
					{value}
					checked={units.temperature === value}
					onchange={() => set({ temperature: value })}
				/>
				{name}
			</label>
		{/each}
	</fieldset>
	<fieldset class="mt-2">
		<legend class="font-bold">Weights</legend>
		{#each MASSES as [value, name] (value)}
			<label class="flex min-h-11 items-center gap-2">
				<input
					type="radio"
					name="mass-units"
					{value}
					checked={units.mass === value}
					onchange={() => set({ mass: value })}
				/>
				{name}
			</label>
		{/each}
	</fieldset>
	{#if saving.done}<p role="status">{saving.done}</p>{/if}
	{#if saving.message}<p role="alert" class="font-bold">{saving.message}</p>{/if}
</section>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
</style>
