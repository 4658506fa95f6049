<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
	import type { CulturesView, CultureView } from '../../contracts/culture-views.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import MassField from '../../fields/MassField.svelte';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { cultureMass } from '../../wording/culture-text.ts';
	import type { Tending } from './tending.svelte.ts';

	interface Props {
		culture: CultureView;
		view: CulturesView;
		tending: Tending;
	}
	let { culture, view, tending }: Props = $props();
	const { units } = useRoom().bakery;
	const WHATS = [
		{ what: 'counted', label: 'Weighed', field: 'There is' },
		{ what: 'taken-out', label: 'Taken out', field: 'Taken out' },
		{ what: 'kept-back', label: 'Kept back', field: 'Kept back ripe' },
		{ what: 'moved', label: 'Moved', field: 'Stands now in' },
		{ what: 'measured', label: 'Measured', field: 'It is at' }
	] as const;
	type What = (typeof WHATS)[number]['what'];
	let opened: What | null = $state(null);
	let grams: number | null = $state(null);
	let celsius: number | null = $state(null);
	let placeId = $state('');
	const field = $derived(WHATS.find(({ what }) => what === opened)?.field ?? '');
	const done = () => {
		opened = null;
		[grams, celsius, placeId] = [null, null, ''];
	};

	function send() {
		if (opened === 'moved') {
			const place = view.places.find(({ id }) => id === placeId);
			if (!place) return void (tending.message = 'Choose where it went.');
			return tending.tend(
				{ kind: 'moved', placeId },
				`put in the ${place.name.toLowerCase()}`,
				done
			);
		}
		if (opened === 'measured') {
			if (celsius === null) return void (tending.message = 'Type how warm it is.');
			const said = formatTemperature({ celsius }, 1, units);
			return tending.tend({ kind: 'measured', celsius }, `measured, ${said}`, done);
		}
		if (opened === null) return;
		if (grams === null) return void (tending.message = 'Type how much it is.');
		const said = `${field.toLowerCase()} ${cultureMass(grams, units)}`;
		const batchId = culture.returns.find((one) => one.batchId !== null)?.batchId ?? null;
		return tending.tend(
			opened === 'kept-back' ? { kind: opened, grams, batchId } : { kind: opened, grams },
			said,
			done
		);
	}
</script>

{#each WHATS as { what, label } (what)}
	<button
		class="action-lesser big"
		aria-expanded={opened === what}
		onclick={() => (opened = opened === what ? null : what)}>{label}</button
	>
{/each}
{#if opened}
	<form
		class="max-w-md basis-full"
		aria-label="{culture.name}, {field}"
		onsubmit={(event) => {
			event.preventDefault();
			void send();
		}}
	>
		{#if opened === 'moved'}
			<ChoiceField
				label={field}
				options={view.places.map(({ id, name, celsius: at }) => ({
					value: id,
					label: name,
					note: formatTemperature({ celsius: at }, 0, units)
				}))}
				value={placeId}
				onSet={(value: string) => (placeId = value)}
			/>
		{:else if opened === 'measured'}
			<TemperatureField
				label={field}
				{celsius}
				least={-5}
				most={60}
				onSet={(value: number | null) => (celsius = value)}
			/>
		{:else}
			<MassField
				label={field}
				{grams}
				least={0}
				most={MOST_BATCH_GRAMS}
				fine
				optional
				onSet={(value: number | null) => (grams = value)}
			/>
		{/if}
		<button class="action mt-2" disabled={tending.busy}>Write it down</button>
	</form>
{/if}

<style>
	.big {
		min-height: 60px;
		font-size: 19px;
	}
</style>
