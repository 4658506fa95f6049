<script lang="ts">
	import { resolve } from '$app/paths';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { STIRRED_LIMITS } from '../../contracts/limits.ts';
	import type { BuildWaterView, ProbeView } from '../../contracts/water-views.ts';
	import type { DoughInstrument } from '../../core/heat/index.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import { doubtText } from '../../wording/doubt-text.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import { clockText } from '../../wording/time-text.ts';

	interface Props {
		build: BuildWaterView;
		date: string;
		title: string;
		probe: ProbeView | null;
		/** Told when a temperature was kept, so that its build stays in sight. */
		onKept: () => void;
	}
	let { build, date, title, probe, onKept }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const id = $props.id();
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const bare = (celsius: number) => formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');
	let typed = $state('');
	let instrument: DoughInstrument = $state('core-probe');
	const entry = new BenchEntry(room.outbox);

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const read = parseTemperature(typed, units, STIRRED_LIMITS);
		if (!read.ok) {
			entry.message =
				read.error.kind === 'empty'
					? 'Type the temperature it was stirred to.'
					: parseFailureText(read.error);
			return;
		}
		const doubt = doubtText(
			{
				celsius: read.value.celsius,
				expectedCelsius: build.scald
					? Math.min(build.targetCelsius, build.scald.boiledEnds.value)
					: (build.water?.expected.value ?? null),
				plannedMs: build.measured ? null : build.startMs,
				nowMs: room.now.epochMs
			},
			units,
			timeZone
		);
		if (entry.asks(doubt, typed)) return;
		const sent = typed;
		await entry.send(
			{
				kind: 'measure-dough',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: build.batch,
				celsius: read.value.celsius,
				waterCelsius: null,
				instrument,
				mixerId: null,
				program: null
			},
			`${title}: stirred to ${bare(read.value.celsius)} ${degrees}`,
			async (answer) => {
				// What was typed while it was on its way stays.
				if (typed === sent) typed = '';
				onKept();
				if (answer) await readAnew('jovet:day');
			}
		);
	}
</script>

<form class="measure" onsubmit={keep} data-measure>
	<div class="grid content-start gap-3">
		{#if build.measured}
			<p class="text-lead" data-measured>
				Measured <b>{bare(build.measured.celsius)} {degrees}</b> at {clockText(
					build.measured.occurredAtMs,
					timeZone
				)}. <a href={resolve(`/bake/${date}/fermentation`)}>Follow its fermentation</a>
			</p>
		{/if}
		<label for="{id}-build">
			<span class="block font-bold"
				>{build.measured ? 'Correct it: it was stirred to' : 'Stirred to'}</span
			>
			<input
				id="{id}-build"
				class="field figure"
				type="text"
				inputmode="decimal"
				autocomplete="off"
				aria-label="{title}, stirred to"
				bind:value={typed}
			/>
			<b>{degrees}</b>
		</label>
		<div class="flex flex-wrap items-end gap-4">
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
			{#if probe}
				<button
					type="button"
					class="action-lesser"
					onclick={() => {
						typed = bare(probe.celsius);
						instrument = 'core-probe';
					}}
					>Probe {bare(probe.celsius)}{stateOfProbe(probe, room.now.epochMs).silent
						? ' (silent)'
						: ''}</button
				>
			{/if}
		</div>
		<button class="action big" disabled={entry.busy}>Keep it</button>
		{#if entry.message}<p role="alert">
				<span class="act-now px-2">{entry.kept ? 'Kept' : 'Check'}</span>
				{entry.message}
			</p>{/if}
	</div>
	<NumberPad
		value={typed}
		label="{title}, number pad"
		onChange={(next: string) => {
			typed = next;
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
		margin-top: 12px;
		padding-top: 14px;
		border-top: 2px solid var(--ink);
	}
	.figure {
		width: 130px;
		min-height: 64px;
		font-size: 34px;
		font-weight: 700;
		text-align: right;
	}
	.big {
		min-height: 60px;
		min-width: 150px;
		font-size: 19px;
	}
</style>
