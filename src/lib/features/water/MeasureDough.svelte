<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { resolve } from '$app/paths';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { READING_LIMITS, WATER_LIMITS } from '../../contracts/limits.ts';
	import type { MixWaterView, WaterView } from '../../contracts/water-views.ts';
	import type { DoughInstrument } from '../../core/heat/index.ts';
	import { doughByWater } from '../../core/mixing/index.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import { doubtText } from '../../wording/doubt-text.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import { clockText } from '../../wording/time-text.ts';
	import MixedOtherwise from './MixedOtherwise.svelte';
	import { ripeOfMix } from './ripe-of-mix.ts';

	interface Props {
		mix: MixWaterView;
		date: string;
		title: string;
		probes: WaterView['doughProbes'];
		mixers: WaterView['mixers'];
		roomCelsius: number | null;
		/** Told when a temperature was kept, so that its mix stays in sight. */
		onKept: () => void;
		/** The next mix to be measured, and the way there. */
		next: { readonly title: string; readonly go: () => void } | null;
	}
	let { mix, date, title, probes, mixers, roomCelsius, onKept, next }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const id = $props.id();

	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const bare = (celsius: number) => formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');
	const planned = $derived(mix.water ? bare(mix.water.order.temperature.celsius) : '');
	let dough = $state('');
	/** null while the water is taken to have gone in as it was asked for. */
	let water: string | null = $state(null);
	let instrument: DoughInstrument = $state('core-probe');
	let mixerId: string | null = $state(null);
	let program: { slowMinutes: number; fastMinutes: number } | null = $state(null);
	const entry = new BenchEntry(room.outbox);
	/** Measuring what is in the bowl before the mix goes on. */
	let inBowl = $state(false);
	const ripe = $derived(ripeOfMix(mix, roomCelsius, room.now.epochMs));
	const asksBowl = $derived(mix.bowlReading !== null && !mix.autolysed && !mix.measured);
	const bowlName = $derived(
		mix.bowlReading === 'held-back'
			? {
					stands: 'In the bowl before the held-back water',
					measure: 'Measure the bowl before the held-back water',
					said: 'before its held-back water the bowl stands'
				}
			: {
					stands: 'Autolyse stands at',
					measure: 'Measure the autolyse first',
					said: 'the autolyse stands'
				}
	);

	function told(error: { kind: string } | null) {
		return error === null || error.kind === 'empty'
			? 'Type the temperature the dough came out with.'
			: parseFailureText(error as never);
	}

	/** What its very water was to make of it, once; a correction of what stands is no surprise in time. */
	function doubtOf(celsius: number, waterCelsius: number | null) {
		return doubtText(
			{
				celsius,
				expectedCelsius:
					mix.water && waterCelsius !== null
						? doughByWater(mix.water, { celsius: waterCelsius }).celsius
						: null,
				plannedMs: mix.measured ? null : mix.startMs,
				nowMs: room.now.epochMs
			},
			units,
			timeZone
		);
	}

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const out = parseTemperature(dough, units, READING_LIMITS);
		const into = parseTemperature(water ?? planned, units, WATER_LIMITS);
		if (!out.ok || (!inBowl && mix.water && !into.ok)) {
			entry.message = told(!out.ok ? out.error : into.ok ? null : into.error);
			return;
		}
		const doubt = inBowl ? null : doubtOf(out.value.celsius, into.ok ? into.value.celsius : null);
		if (entry.asks(doubt, `${dough} ${water ?? planned}`)) return;
		const of = {
			occurredAtMs: Math.round(room.now.epochMs),
			batch: mix.batch,
			instrument
		};
		const at = `${bare(out.value.celsius)} ${degrees}`;
		const sent = { dough, water };
		const taken = async (answer: unknown) => {
			// What was typed while it was on its way stays.
			if (dough === sent.dough) dough = '';
			if (water === sent.water) water = null;
			inBowl = false;
			onKept();
			if (answer !== null) await readAnew('jovet:day');
		};
		await (inBowl
			? entry.send(
					{
						kind: 'check-dough',
						...of,
						stage: 'autolyse',
						celsius: out.value.celsius,
						place: 'room',
						ambientCelsius: roomCelsius ?? mix.targetCelsius
					},
					`${title}: ${bowlName.said} at ${at}`,
					taken
				)
			: entry.send(
					{
						kind: 'measure-dough',
						...of,
						celsius: out.value.celsius,
						waterCelsius: into.ok ? into.value.celsius : null,
						mixerId,
						program
					},
					`${title}: it came out at ${at}`,
					taken
				));
	}
	function take(celsius: number, by: DoughInstrument) {
		dough = bare(celsius);
		instrument = by;
		entry.message = '';
	}
	const offered = $derived(
		[
			{ probe: probes.core, by: 'core-probe' as const },
			{ probe: probes.surface, by: 'surface-thermometer' as const }
		].flatMap(({ probe, by }) => (probe ? [{ probe, by }] : []))
	);
</script>

<form class="measure" onsubmit={keep} data-measure>
	<div class="fields">
		{#if mix.measured}
			<p class="text-lead" data-measured>
				Measured <b>{bare(mix.measured.celsius)} {degrees}</b> at {clockText(
					mix.measured.occurredAtMs,
					timeZone
				)}{mix.measured.instrument === 'surface-thermometer' ? ', on the surface' : ''}.
				{#if ripe !== null}
					Ready about <b data-ripe>{clockText(ripe, timeZone)}</b>.
				{/if}
				<a href={resolve(`/bake/${date}/fermentation`)}>Follow its fermentation</a>
			</p>
			{#if next}
				<button type="button" class="action big" onclick={next.go}>On to {next.title}</button>
			{/if}
		{/if}
		<div class="flex flex-wrap items-end gap-x-6 gap-y-2">
			<label for="{id}-dough">
				<span class="block font-bold"
					>{inBowl
						? bowlName.stands
						: mix.measured
							? 'Correct it: it came out at'
							: 'Dough came out at'}</span
				>
				<input
					id="{id}-dough"
					class="field large-field"
					type="text"
					inputmode="decimal"
					autocomplete="off"
					aria-label="{title}, dough came out at"
					bind:value={dough}
				/>
				<b>{degrees}</b>
			</label>
			{#if !inBowl && mix.water}
				<label for="{id}-water">
					<span class="block">{(mix.water?.liquid ?? 'water').toLowerCase()} went in at</span>
					<input
						id="{id}-water"
						class="field small-field"
						type="text"
						inputmode="decimal"
						autocomplete="off"
						aria-label="{title}, {(mix.water?.liquid ?? 'water').toLowerCase()} went in at"
						value={water ?? planned}
						oninput={(event) => (water = event.currentTarget.value)}
					/>
					{degrees}
				</label>
			{/if}
		</div>
		<div class="flex flex-wrap items-end gap-x-4 gap-y-2">
			<label>
				<span class="block">measured with</span>
				<select
					name="{title}, measured with"
					class="field"
					bind:value={instrument}
					aria-label="{title}, measured with"
				>
					<option value="core-probe">a core probe</option>
					<option value="typed">something else, in the core</option>
					<option value="surface-thermometer">a surface thermometer</option>
				</select>
			</label>
			{#each offered as { probe, by } (by)}
				{@const state = stateOfProbe(probe, room.now.epochMs)}
				<button
					type="button"
					class="action-lesser"
					onclick={() => take(probe.celsius, by)}
					data-take={by}
				>
					{by === 'core-probe' ? 'Probe' : 'Surface'}
					{bare(probe.celsius)}{state.silent ? ' (silent)' : state.unmoved ? ' (stuck?)' : ''}
				</button>
			{/each}
		</div>
		{#if instrument === 'surface-thermometer'}
			<p class="text-note">A surface is not the core: it counts for less and stays marked.</p>
		{/if}
		{#if !inBowl}
			<MixedOtherwise {mix} {mixers} {title} bind:mixerId bind:program />
		{/if}
		<div class="flex flex-wrap gap-3">
			<button class="action big" disabled={entry.busy}>Keep it</button>
			{#if asksBowl}
				<button
					type="button"
					class="action-lesser big"
					aria-pressed={inBowl}
					onclick={() => (inBowl = !inBowl)}
					>{inBowl ? 'Measure the dough instead' : bowlName.measure}</button
				>
			{/if}
		</div>
		{#if entry.message}<p role="alert">
				<span class="act-now px-2">{entry.kept ? 'Kept' : 'Check'}</span>
				{entry.message}
			</p>{/if}
	</div>
	<NumberPad
		value={dough}
		label="{title}, number pad"
		onChange={(next: string) => {
			dough = next;
			entry.message = '';
		}}
	/>
</form>

<style>
	.measure {
		display: flex;
		flex-wrap: wrap;
		gap: 16px 32px;
		justify-content: space-between;
		padding-top: 14px;
		border-top: 2px solid var(--ink);
	}
	.fields {
		display: grid;
		gap: 12px;
		align-content: start;
		flex: 1 1 340px;
	}
	.large-field,
	.small-field {
		width: 130px;
		min-height: 64px;
		font-size: 34px;
		font-weight: 700;
		text-align: right;
	}
	.small-field {
		width: 110px;
		font-size: 24px;
	}
	.big {
		min-height: 60px;
		min-width: 150px;
		font-size: 19px;
	}
</style>
