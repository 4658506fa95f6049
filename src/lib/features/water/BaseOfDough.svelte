<script lang="ts">
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import { BASE_LIMITS } from '../../contracts/limits.ts';
	import type { MixWaterView } from '../../contracts/water-views.ts';
	import { baseFromFahrenheit, baseInFahrenheit } from '../../core/heat/index.ts';
	import { formatNumber, parseNumber } from '../../core/units/index.ts';

	interface Props {
		mix: MixWaterView;
	}
	let { mix }: Props = $props();
	const room = useRoom();
	const sending = new Sending(room.retries);
	const inF = $derived(room.bakery.units.temperature === 'fahrenheit');
	/** A base is a sum of three readings, so it is converted as one. */
	const shown = $derived(
		mix.typedBaseCelsius === null
			? ''
			: formatNumber(inF ? baseInFahrenheit(mix.typedBaseCelsius) : mix.typedBaseCelsius, 1)
	);
	const id = $props.id();
	let problem = $state('');

	async function save(text: string) {
		problem = '';
		if (text.trim() === shown) return;
		const read = text.trim() === '' ? null : parseNumber(text);
		if (read && !read.ok) {
			problem = 'Type the base as a number, or clear it to go by what the doughs showed.';
			return;
		}
		const celsius = read ? (inF ? baseFromFahrenheit(read.value) : read.value) : null;
		const { least, most } = BASE_LIMITS;
		if (celsius !== null && !(celsius >= least.celsius && celsius <= most.celsius)) {
			problem = 'A base is the sum of water, flour and room; this is no such sum.';
			return;
		}
		await sending.send(
			{
				kind: 'set-base',
				occurredAtMs: Math.round(room.now.epochMs),
				formulaId: mix.formulaId,
				celsius
			},
			async ({ outcome }) => {
				if (outcome === 'done') await readAnew('jovet:day');
			}
		);
	}
</script>

<div class="mt-1 flex flex-wrap items-center gap-2" data-own-base>
	<label for={id}>Your own base for {mix.name}</label>
	<input
		{id}
		class="field w-24 text-right font-bold"
		inputmode="decimal"
		autocomplete="off"
		value={shown}
		aria-invalid={problem !== ''}
		onfocus={(event) => event.currentTarget.select()}
		onchange={(event) => save(event.currentTarget.value)}
	/>
	{inF ? '°F' : '°C'}
	<span class="text-note text-ink-2">clear it to go by what the doughs showed</span>
	{#if problem || sending.message}<p role="alert" class="w-full">
			<span class="act-now px-2">Check</span>
			{problem || sending.message}
		</p>{/if}
</div>
