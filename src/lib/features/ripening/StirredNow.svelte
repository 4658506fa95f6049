<script lang="ts">
	import { BenchEntry } from '../../client/bench-entry.svelte.ts';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { STIRRED_LIMITS } from '../../contracts/limits.ts';
	import type { RipeningDoughView } from '../../contracts/ripening-views.ts';
	import { formatTemperature } from '../../core/units/index.ts';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import { doubtText } from '../../wording/doubt-text.ts';
	import { mixTitle } from '../../wording/mix-title.ts';

	interface Props {
		dough: RipeningDoughView;
	}
	let { dough }: Props = $props();
	const room = useRoom();
	const { units, timeZone } = room.bakery;
	let celsius: number | null = $state(null);
	const entry = new BenchEntry(room.outbox);

	async function keep() {
		if (celsius === null) {
			entry.message = 'Type how warm it is.';
			return;
		}
		const doubt = doubtText(
			{
				celsius,
				expectedCelsius: dough.targetCelsius,
				plannedMs: dough.plannedMs,
				nowMs: room.now.epochMs
			},
			units,
			timeZone
		);
		if (entry.asks(doubt, String(celsius))) return;
		await entry.send(
			{
				kind: 'measure-dough',
				occurredAtMs: Math.round(room.now.epochMs),
				batch: dough.batch,
				celsius,
				waterCelsius: null,
				instrument: 'core-probe',
				mixerId: null,
				program: null
			},
			`${mixTitle(dough)}: stirred to ${formatTemperature({ celsius }, 1, units)}`,
			async (answer) => {
				if (answer) await readAnew('jovet:day');
			}
		);
	}
</script>

<form
	class="flex flex-wrap items-end gap-3"
	onsubmit={(event) => {
		event.preventDefault();
		void keep();
	}}
>
	<TemperatureField
		label="Stirred to"
		{celsius}
		least={STIRRED_LIMITS.least.celsius}
		most={STIRRED_LIMITS.most.celsius}
		optional
		onSet={(value: number | null) => (celsius = value)}
	/>
	<button class="action big" disabled={entry.busy}>It stands now</button>
	{#if entry.message}<p role="alert" class="basis-full">
			<span class="act-now px-2">{entry.kept ? 'Kept' : 'Check'}</span>
			{entry.message}
		</p>{/if}
</form>

<style>
	.big {
		min-height: 60px;
		font-size: 19px;
	}
</style>
