<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { READING_LIMITS } from '../../contracts/limits.ts';
	import type { RipeningView } from '../../contracts/ripening-views.ts';
	import type { DoughInstrument } from '../../core/heat/index.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import { doubtText } from '../../wording/doubt-text.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { stateOfProbe } from '../../wording/probe-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';
	import type { FollowedDough } from './ripening-model.svelte.ts';

	interface Props {
		dough: FollowedDough;
		view: RipeningView;
	}
	let { dough, view }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = $derived(room.bakery);
	const id = $props.id();
	const title = $derived(mixTitle(dough.view));
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const bare = (celsius: number) => formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');
	let typed = $state('');
	let instrument: DoughInstrument = $state('core-probe');
	const entry = new BenchEntry(room.outbox);

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const read = parseTemperature(typed, units, READING_LIMITS);
		if (!read.ok) {
			entry.message =
				read.error.kind === 'empty'
					? 'Type the temperature of the dough.'
					: parseFailureText(read.error);
			return;
		}
		const doubt = doubtText(
			{
				celsius: read.value.celsius,
				expectedCelsius: dough.card.celsiusNow,
				plannedMs: null,
				nowMs: room.now.epochMs
			},
			units,
			timeZone
		);
		if (entry.asks(doubt, typed)) return;
		const sent = typed;
		const here = dough.story.ahead[0];
		await entry.send(
			{
				kind: 'check-dough',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: dough.view.batch,
				stage: 'dough',
				celsius: read.value.celsius,
				instrument,
				place: here?.place ?? 'room',
				ambientCelsius: here?.ambientCelsius ?? view.roomCelsius
			},
			`${title}: the dough is at ${bare(read.value.celsius)} ${degrees}`,
			async (answer) => {
				// What was typed while it was on its way stays.
				if (typed === sent) typed = '';
				if (answer) await readAnew('jovet:moment');
			}
		);
	}
</script>

<form class="check" onsubmit={keep} data-check>
	<div class="grid content-start gap-3">
		<label for="{id}-check">
			<span class="block font-bold">The dough is at</span>
			<input
				id="{id}-check"
				class="field figure"
				type="text"
				inputmode="decimal"
				autocomplete="off"
				aria-label="{title}, the dough is at"
				bind:value={typed}
			/>
			<b>{degrees}</b>
		</label>
		{#if view.coreProbe}
			<button
				type="button"
				class="action-lesser justify-self-start"
				onclick={() => {
					typed = bare(view.coreProbe?.celsius ?? 0);
					instrument = 'core-probe';
				}}
				>Probe {bare(view.coreProbe.celsius)}{stateOfProbe(view.coreProbe, room.now.epochMs).silent
					? ' (silent)'
					: ''}</button
			>
		{/if}
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
		{#if instrument === 'surface-thermometer'}
			<p class="text-note">
				A skin is not the mass: what the air does to it is taken off, and it moves the forecast by
				half.
			</p>
		{/if}
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
	.check {
		display: flex;
		flex-wrap: wrap;
		gap: 16px 32px;
		justify-content: space-between;
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
