<script lang="ts">
	import { invalidate } from '$app/navigation';
	import { useRoom } from '../../client/room-context.ts';
	import { sendCommand, type SendResult } from '../../client/send-command.ts';
	import type { MixWaterView } from '../../contracts/views.ts';
	import { formatDifference, formatTemperature } from '../../core/units/index.ts';
	import { refusalText } from '../../wording/refusal-text.ts';
	import { clockText, dayText } from '../../wording/time-text.ts';
	import DoughTemperatureChart from './DoughTemperatureChart.svelte';

	interface Props {
		mix: MixWaterView;
	}
	let { mix }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = room.bakery;
	let open = $state(false);
	let message = $state('');

	const { friction } = $derived(mix);
	/** Friction is told in degrees of dough. */
	const inDough = (kilojoules: number, decimals = 1) =>
		formatDifference(
			{ kelvins: kilojoules / mix.doughKilojoulesPerKilogramKelvin },
			decimals,
			units
		);
	const count = (n: number) => (n === 1 ? 'one mix' : `${n} mixes`);
	const sentence = $derived(
		friction.used === 0
			? `Friction ${inDough(friction.bookKilojoulesPerKilogram)} of dough, from the book: nothing measured yet.`
			: `Friction ${inDough(friction.kilojoulesPerKilogram)} ± ${inDough(friction.spreadKilojoulesPerKilogram)} of dough, learned from ${count(friction.used)}.`
	);
	const leftOut = $derived(friction.readings.filter((one) => one.leftOut && !one.ignored));

	function answered(result: SendResult<'judge-dough-temperature' | 'reset-friction'>): boolean {
		message =
			result.outcome === 'refused'
				? refusalText(result.refusal)
				: result.outcome === 'not-reached'
					? 'Not changed: Jovet does not answer. Try again in a moment.'
					: '';
		return result.outcome === 'done';
	}
	async function judge(readingId: string, ignored: boolean) {
		const result = await sendCommand({
			kind: 'judge-dough-temperature',
			occurredAtMs: Math.round(room.now.epochMs),
			readingId,
			ignored
		});
		if (answered(result)) await invalidate('jovet:day');
	}
	async function reset() {
		const result = await sendCommand({
			kind: 'reset-friction',
			occurredAtMs: Math.round(room.now.epochMs),
			formulaId: mix.formulaId
		});
		if (answered(result)) await invalidate('jovet:day');
	}
</script>

<div class="mt-3" data-friction>
	<p>
		{sentence}
		{#each leftOut as one (one.id)}
			<span class="block"
				>The reading of {dayText(one.occurredAtMs, timeZone)} was left out: by itself it says {inDough(
					one.frictionKilojoulesPerKilogram
				)}, too far from the others to be honest.</span
			>
		{/each}
		{#if friction.readings.length > 0}
			<button
				class="cursor-pointer underline decoration-dotted underline-offset-4"
				aria-expanded={open}
				onclick={() => (open = !open)}>{open ? 'Close the readings' : 'Show the readings'}</button
			>
		{/if}
	</p>
	{#if open}
		<DoughTemperatureChart {mix} />
		<ul class="mt-2">
			{#each friction.readings as one (one.id)}
				<li class="flex flex-wrap items-center justify-between gap-3 border-t border-line py-1">
					<span>
						{dayText(one.occurredAtMs, timeZone)}
						{clockText(one.occurredAtMs, timeZone)}: dough
						<b>{formatTemperature({ celsius: one.doughCelsius }, 1, units)}</b>
						for {formatTemperature({ celsius: one.targetCelsius }, 1, units)}, water at {formatTemperature(
							{ celsius: one.waterCelsius },
							1,
							units
						)}{one.instrument === 'surface-thermometer' ? ', on the surface' : ''}; friction {inDough(
							one.frictionKilojoulesPerKilogram
						)}{one.ignored ? ', ignored' : one.leftOut ? ', left out' : ''}
					</span>
					<button
						class="action-lesser"
						aria-label="{one.ignored ? 'Count' : 'Ignore'} the reading of {dayText(
							one.occurredAtMs,
							timeZone
						)} {clockText(one.occurredAtMs, timeZone)}"
						onclick={() => judge(one.id, !one.ignored)}
						>{one.ignored ? 'Count it' : 'Ignore it'}</button
					>
				</li>
			{/each}
		</ul>
		<p class="mt-2">
			<button class="action-lesser" onclick={reset}>Learn anew from the book</button>
			<span class="text-note text-ink-2"
				>The readings stay in the log; they only stop counting.</span
			>
		</p>
	{/if}
	{#if message}<p role="alert" class="font-bold">{message}</p>{/if}
</div>
