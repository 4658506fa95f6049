<script lang="ts">
	import { invalidate } from '$app/navigation';
	import { useRoom } from '../../client/room-context.ts';
	import { sendCommand } from '../../client/send-command.ts';
	import { READING_LIMITS } from '../../contracts/commands.ts';
	import type { WaterInputView } from '../../contracts/views.ts';
	import { formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import { refusalText } from '../../wording/refusal-text.ts';
	import { ageText, clockText } from '../../wording/time-text.ts';

	interface Props {
		input: WaterInputView;
	}
	let { input }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = room.bakery;

	const degrees = units.temperature === 'fahrenheit' ? '°F' : '°C';
	const shown = $derived(
		formatTemperature(
			{ celsius: input.reading?.celsius ?? input.assumedCelsius },
			1,
			units
		).replace(/ °.$/, '')
	);
	/** What is being typed; null while the field shows what is known. */
	let typed: string | null = $state(null);
	let message = $state('');
	let saving = $state(false);
	const fieldId = $derived(`temperature-${input.quantity}-${input.preparationId ?? ''}`);

	async function save() {
		if (typed === null || saving) return;
		const read = parseTemperature(typed, units, READING_LIMITS);
		if (!read.ok) {
			message =
				read.error.kind === 'empty'
					? 'Type a temperature, or press Escape.'
					: parseFailureText(read.error);
			return;
		}
		saving = true;
		const result = await sendCommand({
			kind: 'take-reading',
			occurredAtMs: Math.round(room.now.epochMs),
			quantity: input.quantity,
			preparationId: input.preparationId,
			celsius: read.value.celsius,
			instrument: 'typed',
			correctsId: null
		});
		saving = false;
		if (result.outcome === 'done') {
			typed = null;
			message = '';
			await invalidate('jovet:day');
		} else
			message =
				result.outcome === 'refused'
					? refusalText(result.refusal)
					: 'Not saved: Jovet does not answer. What you typed stays here; press Enter to try again.';
	}

	function keys(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
		if (event.key === 'Enter') void save();
		if (event.key === 'Escape') {
			typed = null;
			message = '';
		}
	}
</script>

<div class="border-b border-line py-3">
	<label for={fieldId} class="block font-bold">{input.name}</label>
	<div class="flex items-center gap-2">
		<input
			id={fieldId}
			class="field temperature"
			type="text"
			inputmode="decimal"
			autocomplete="off"
			value={typed ?? shown}
			aria-invalid={message !== ''}
			aria-describedby="{fieldId}-note"
			oninput={(event) => (typed = event.currentTarget.value)}
			onchange={save}
			onkeydown={keys}
			onfocus={(event) => event.currentTarget.select()}
		/>
		<span class="text-lead">{degrees}</span>
		<span id="{fieldId}-note" class="text-note text-ink-2" data-reading-note>
			{#if input.reading}
				measured {ageText(input.reading.occurredAtMs, room.now.epochMs)}<br />
				{clockText(input.reading.occurredAtMs, timeZone)}, typed
			{:else}
				assumed,<br />not measured
			{/if}
		</span>
	</div>
	{#if message}<p class="mt-1" role="alert">
			<span class="act-now px-2">Check</span>
			{message}
		</p>{/if}
</div>

<style>
	.temperature {
		width: 112px;
		min-height: 56px;
		font-size: 34px;
		font-weight: 700;
		text-align: right;
	}
</style>
