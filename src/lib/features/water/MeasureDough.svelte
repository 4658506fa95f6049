<script lang="ts">
	import { invalidate } from '$app/navigation';
	import { useRoom } from '../../client/room-context.ts';
	import { sendCommand } from '../../client/send-command.ts';
	import { READING_LIMITS } from '../../contracts/commands.ts';
	import type { DoughReadingView, MixWaterView } from '../../contracts/views.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { refusalText } from '../../wording/refusal-text.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		mix: MixWaterView;
		date: string;
		title: string;
	}
	let { mix, date, title }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = room.bakery;
	const id = $props.id();

	const degrees = units.temperature === 'fahrenheit' ? '°F' : '°C';
	const bare = (celsius: number) => formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');
	const planned = $derived(mix.water ? bare(mix.water.order.temperature.celsius) : '');
	let dough = $state('');
	/** null while the water is taken to have gone in as it was asked for. */
	let water: string | null = $state(null);
	let instrument: DoughReadingView['instrument'] = $state('core-probe');
	let message = $state('');
	let saving = $state(false);
	const WATER_LIMITS = { least: { celsius: -80 }, most: { celsius: 100 } };

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		if (saving) return;
		const out = parseTemperature(dough, units, READING_LIMITS);
		const into = parseTemperature(water ?? planned, units, WATER_LIMITS);
		if (!out.ok || !into.ok) {
			const error = !out.ok ? out.error : into.ok ? null : into.error;
			message =
				error === null || error.kind === 'empty'
					? 'Type the temperature the dough came out with.'
					: parseFailureText(error);
			return;
		}
		saving = true;
		const result = await sendCommand({
			kind: 'measure-dough',
			occurredAtMs: Math.round(room.now.epochMs),
			date: date as never,
			formulaId: mix.formulaId,
			ordinal: mix.ordinal,
			doughCelsius: out.value.celsius,
			waterCelsius: into.value.celsius,
			instrument
		});
		saving = false;
		if (result.outcome === 'done') {
			dough = '';
			water = null;
			message = '';
			await invalidate('jovet:day');
		} else
			message =
				result.outcome === 'refused'
					? refusalText(result.refusal)
					: 'Not saved: Jovet does not answer. What you typed stays here; try again in a moment.';
	}
</script>

<form class="mt-3 border-t border-line pt-3" onsubmit={keep} data-measure>
	<div class="flex flex-wrap items-end gap-x-5 gap-y-2">
		<label for="{id}-dough">
			<span class="block font-bold">Dough came out at</span>
			<input
				id="{id}-dough"
				class="field figure"
				type="text"
				inputmode="decimal"
				autocomplete="off"
				aria-label="{title}, dough came out at"
				bind:value={dough}
			/>
			{degrees}
		</label>
		<label for="{id}-water">
			<span class="block">water went in at</span>
			<input
				id="{id}-water"
				class="field figure"
				type="text"
				inputmode="decimal"
				autocomplete="off"
				aria-label="{title}, water went in at"
				value={water ?? planned}
				oninput={(event) => (water = event.currentTarget.value)}
			/>
			{degrees}
		</label>
		<label>
			<span class="block">measured with</span>
			<select class="field" bind:value={instrument} aria-label="{title}, measured with">
				<option value="core-probe">a core probe</option>
				<option value="typed">something else, in the core</option>
				<option value="surface-thermometer">a surface thermometer</option>
			</select>
		</label>
		<button class="action" disabled={saving}>Keep it</button>
	</div>
	{#if instrument === 'surface-thermometer'}
		<p class="mt-1 text-note">A surface is not the core: it counts for less and stays marked.</p>
	{/if}
	{#if mix.measured}
		<p class="mt-2" data-measured>
			Measured {bare(mix.measured.doughCelsius)}
			{degrees} at {clockText(mix.measured.occurredAtMs, timeZone)}{mix.measured.instrument ===
			'surface-thermometer'
				? ', on the surface'
				: ''}.
		</p>
	{/if}
	{#if message}<p class="mt-1" role="alert">
			<span class="act-now px-2">Check</span>
			{message}
		</p>{/if}
</form>

<style>
	.figure {
		width: 100px;
		min-height: 56px;
		font-size: 24px;
		font-weight: 700;
		text-align: right;
	}
</style>
