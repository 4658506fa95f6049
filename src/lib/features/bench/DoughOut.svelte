<script lang="ts">
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { BatchName } from '../../contracts/batch-name.ts';
	import { READING_LIMITS } from '../../contracts/limits.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import NumberPad from '../../ui/NumberPad.svelte';
	import { parseFailureText } from '../../wording/failure-text.ts';

	interface Props {
		title: string;
		batch: BatchName;
		/** As warm as its water was asked for; null where it takes none. */
		waterCelsius: number | null;
		mixerId: string | null;
		onMeasured: () => void;
	}
	let { title, batch, waterCelsius, mixerId, onMeasured }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const entry = new BenchEntry(room.outbox);
	let typed = $state('');
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');

	async function keep(event: SubmitEvent) {
		event.preventDefault();
		const read = parseTemperature(typed, units, READING_LIMITS);
		if (!read.ok) {
			entry.message =
				read.error.kind === 'empty'
					? 'Type the temperature the dough came out with.'
					: parseFailureText(read.error);
			return;
		}
		const sent = typed;
		await entry.send(
			{
				kind: 'measure-dough',
				occurredAtMs: Math.round(room.now.epochMs),
				batch,
				celsius: read.value.celsius,
				waterCelsius,
				instrument: 'core-probe',
				mixerId,
				program: null
			},
			`${title}: it came out at ${formatTemperature(read.value, 1, units)}`,
			async (answer) => {
				// What was typed while it was on its way stays.
				if (typed === sent) typed = '';
				onMeasured();
				if (answer !== null) await readAnew('jovet:day');
			}
		);
	}
</script>

<form onsubmit={keep} data-dough-out>
	<div class="entry">
		<label>
			<span class="block">Dough is</span>
			<input
				class="field figure"
				inputmode="decimal"
				autocomplete="off"
				aria-label="{title}: dough is"
				bind:value={typed}
			/>
			<b>{degrees}</b>
		</label>
		<button class="action" disabled={entry.busy}>Out of the mixer, and kept</button>
		{#if entry.message}<p role="alert"><b>{entry.message}</b></p>{/if}
	</div>
	<NumberPad
		value={typed}
		label="{title}: dough is"
		onChange={(value: string) => (typed = value)}
	/>
</form>

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 20px;
		padding-top: 10px;
	}
	.entry {
		display: grid;
		align-content: start;
		gap: 10px;
	}
	.figure {
		width: 150px;
		font-size: 34px;
		font-weight: 800;
	}
	.entry button {
		min-height: 72px;
		font-size: 19px;
	}
</style>
