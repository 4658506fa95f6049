<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { DeckProbe } from '../../contracts/bench-views.ts';
	import type { DayTask } from '../../core/planning/index.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { coreText } from '../../wording/core-text.ts';
	import type { HandsOnEntry } from '../../wording/list-entry.ts';
	import { ageText } from '../../wording/time-text.ts';
	import type { BenchModel } from './bench-model.svelte.ts';

	interface Props {
		entry: HandsOnEntry;
		task: DayTask | null;
		model: BenchModel;
		/** What the probes of decks say. */
		probes: readonly DeckProbe[];
		/** What was read, to be told as it is done; nobody has to. */
		celsius: number | null;
	}
	let { entry, task, model, probes, celsius = $bindable() }: Props = $props();
	const room = useRoom();
	const { units, timeZone: zone } = $derived(room.bakery);
	const nowMs = $derived(room.now.epochMs);

	/** What can be read as it is done: of the deck as it is loaded, of the bread as it is looked at or drawn. */
	const reads = $derived.by(() => {
		if (entry.kind === 'load') return { name: 'Stone', least: 50, most: 400 };
		return entry.measure === 'core' ? { name: 'Core', least: 0, most: 130 } : null;
	});
	/** What a probe said longer ago is not how it is (our default). */
	const FRESH_MS = 5 * 60_000;
	/** What the deck's own probe says, where one is heard. */
	const probe = $derived.by(() => {
		const kind = entry.kind === 'load' ? 'deck-stone' : 'loaf-core';
		const found = reads
			? probes.find((one) => one.kind === kind && one.deckId === task?.machineId)
			: undefined;
		return found && nowMs - found.measuredAtMs < FRESH_MS ? found : null;
	});
	/** When its bake began: when it was really loaded, where that was tapped. */
	const bakesMs = $derived.by(() => {
		const load = model.expected.find(
			({ work }) => work.taskId === entry.taskId && work.kind === 'load'
		);
		return load?.toMs ?? null;
	});
	const doneText = $derived.by(() => {
		if (
			celsius === null ||
			reads?.name !== 'Core' ||
			bakesMs === null ||
			task?.step.kind !== 'bake'
		)
			return '';
		const { step, celsius: dough } = task;
		const read = { celsius, atMinutes: (nowMs - bakesMs) / 60_000 };
		return coreText({ step, celsius: dough }, bakesMs, read, units, zone);
	});
</script>

{#if reads}
	<div class="reads">
		<TemperatureField
			label="{reads.name} read now"
			{celsius}
			decimals={0}
			least={reads.least}
			most={reads.most}
			optional
			onSet={(read: number | null) => (celsius = read)}
		/>
		{#if probe}
			<button
				class="action-lesser min-h-14"
				data-probe
				onclick={() => (celsius = Math.round(probe.celsius))}
				>{formatTemperature(probe, 0, units)} by {probe.sensor}, {ageText(
					probe.measuredAtMs,
					nowMs
				)}: take it</button
			>
		{/if}
		{#if doneText}<p role="status" data-done-at><b>{doneText}</b></p>{/if}
	</div>
{/if}

<style>
	.reads {
		padding-top: 10px;
		font-size: 19px;
	}
	.reads :global(.row) {
		grid-template-columns: auto 1fr;
	}
	.reads :global(.field) {
		min-height: 56px;
		font-size: 28px;
	}
</style>
