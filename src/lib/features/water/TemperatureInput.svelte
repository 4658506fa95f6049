<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { READING_LIMITS, STIRRED_LIMITS } from '../../contracts/limits.ts';
	import type { WaterInputView } from '../../contracts/water-views.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { probeDoubt, stateOfProbe } from '../../wording/probe-text.ts';
	import { unreadText } from '../../wording/unread-text.ts';
	import { ageText } from '../../wording/time-text.ts';

	interface Props {
		input: WaterInputView;
	}
	let { input }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);

	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const bare = (celsius: number) => formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');
	const shown = $derived(bare(input.reading?.celsius ?? input.unread.celsius));
	/** Among what goes into a dough can be a scald. */
	const limits = $derived(input.quantity === 'preferment' ? STIRRED_LIMITS : READING_LIMITS);
	/** What is being typed; null while the field shows what is known. */
	let typed: string | null = $state(null);
	/** The room and the flour are places too, but are read by their own names. */
	const placeId = $derived(input.quantity === 'place' ? input.placeId : null);
	const entry = new BenchEntry(room.outbox);
	/** What waits to be sent is shown as it was typed. */
	let keptCelsius = $state(0);
	const fieldId = $derived(`temperature-${input.quantity}-${input.preparationId ?? placeId ?? ''}`);
	/** A typed figure stands against a probe for a while; the probe can be taken back at once. */
	const aside = $derived(
		input.probe && input.reading && input.reading.instrument !== 'probe' ? input.probe : null
	);
	const doubt = $derived(
		input.probe && input.reading?.instrument === 'probe'
			? probeDoubt(input.probe, room.now.epochMs)
			: null
	);

	async function keep(celsius: number, instrument: 'typed' | 'probe') {
		const sent = typed;
		await entry.send(
			{
				kind: 'take-reading',
				occurredAtMs: Math.round(room.now.epochMs),
				quantity: input.quantity,
				preparationId: input.preparationId,
				placeId,
				celsius,
				instrument,
				correctsId: null
			},
			`${input.name}: ${bare(celsius)} ${degrees}`,
			async (answer) => {
				keptCelsius = celsius;
				// What was typed while it was on its way stays.
				if (typed === sent) typed = null;
				if (answer) await readAnew('jovet:day');
			}
		);
	}

	async function save() {
		if (typed === null || entry.busy) return;
		const read = parseTemperature(typed, units, limits);
		if (read.ok) return keep(read.value.celsius, 'typed');
		entry.message =
			read.error.kind === 'empty'
				? 'Type a temperature, or press Escape.'
				: parseFailureText(read.error);
	}

	function keys(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
		if (event.key === 'Enter') void save();
		if (event.key === 'Escape') {
			typed = null;
			entry.message = '';
		}
	}
</script>

<div class="cell" data-input={input.name}>
	<label for={fieldId}>{input.name}</label>
	<div class="flex items-baseline gap-1">
		<input
			id={fieldId}
			class="temperature"
			type="text"
			inputmode="decimal"
			autocomplete="off"
			value={typed ?? (entry.kept ? bare(keptCelsius) : shown)}
			aria-invalid={entry.message !== '' && !entry.kept}
			aria-describedby="{fieldId}-note"
			oninput={(event) => (typed = event.currentTarget.value)}
			onchange={save}
			onkeydown={keys}
			onfocus={(event) => event.currentTarget.select()}
		/>
		<span class="text-lead font-bold">{degrees}</span>
	</div>
	<p id="{fieldId}-note" class="text-note text-ink-2" data-reading-note>
		{#if !input.reading}
			{unreadText(input.unread.source, units)}
		{:else if input.reading.instrument === 'probe'}
			probe, {ageText(input.reading.occurredAtMs, room.now.epochMs)}
		{:else}
			typed, {ageText(input.reading.occurredAtMs, room.now.epochMs)}
		{/if}
	</p>
	{#if doubt}<p><span class="act-now px-1">Check</span> <b>{doubt}</b></p>{/if}
	{#if aside}
		<button class="aside" disabled={entry.busy} onclick={() => keep(aside.celsius, 'probe')}
			>probe {bare(aside.celsius)}{stateOfProbe(aside, room.now.epochMs).silent ? ', silent' : ''}:
			use it</button
		>
	{/if}
	{#if entry.message}<p role="alert">
			<span class="act-now px-1">{entry.kept ? 'Kept' : 'Check'}</span>
			{entry.message}
		</p>{/if}
</div>

<style>
	.cell {
		min-width: 0;
		padding: 8px 12px;
		border-right: 1px solid var(--line);
		border-bottom: 1px solid var(--line);
	}
	.temperature {
		width: 84px;
		min-height: 56px;
		padding: 0;
		border: 0;
		border-bottom: 2px solid var(--ink-2);
		background: transparent;
		color: var(--ink);
		font-size: 34px;
		font-weight: 700;
	}
	.temperature:focus {
		border-bottom-color: var(--ink);
		outline: 2px solid var(--ink);
	}
	.temperature[aria-invalid='true'] {
		border-bottom: 4px solid var(--act);
	}
	.aside {
		min-height: 36px;
		cursor: pointer;
		text-align: left;
		font-weight: 700;
		text-decoration: underline dotted;
		text-underline-offset: 4px;
	}
</style>
