<script lang="ts">
	import { USUAL_COLD_CELSIUS } from '../../core/formula/index.ts';
	import { useRoom } from '../../client/room-context.ts';
	import type { RetarderView } from '../../contracts/ripening-views.ts';
	import { formatNumber, formatTemperature, parseTemperature } from '../../core/units/index.ts';
	import FigureField from './FigureField.svelte';
	import { Saving } from './saving.svelte.ts';

	interface Props {
		/** null for a new one. */
		retarder: RetarderView | null;
	}
	let { retarder }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const saving = new Saving(room.retries);
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	/** A cabinet for a few racks (our defaults). */
	const FIRST = {
		setCelsius: USUAL_COLD_CELSIUS,
		compressorWatts: 600,
		airKilojoulesPerKelvin: 50,
		wallsWattsPerKelvin: 6
	};
	const stored = $derived.by(() => {
		const one = retarder ?? FIRST;
		return {
			name: retarder?.name ?? '',
			set: formatTemperature({ celsius: one.setCelsius }, 1, units).replace(/ °.$/, ''),
			watts: formatNumber(one.compressorWatts, 0).replace(/\s/g, ''),
			air: formatNumber(one.airKilojoulesPerKelvin, 0),
			walls: formatNumber(one.wallsWattsPerKelvin, 0)
		};
	});
	let typed: Partial<typeof stored> = $state({});
	/** One identity for one new room, so that adding it twice makes one. */
	const newId = crypto.randomUUID();
	const now = $derived({ ...stored, ...typed });

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const set = parseTemperature(now.set, units, {
			least: { celsius: -10 },
			most: { celsius: 20 }
		});
		const [watts, air, walls] = [now.watts, now.air, now.walls].map((text) =>
			Number(text.replace(',', '.'))
		) as [number, number, number];
		if (now.name.trim() === '' || !set.ok || !(watts > 0) || !(air > 0) || !(walls >= 0)) {
			saving.refuse(
				now.name.trim() === ''
					? 'Give it a name.'
					: !set.ok
						? 'Set to: type a temperature a cold room can hold.'
						: 'Type the power of the compressor and of its air and walls as numbers above 0.'
			);
			return;
		}
		const draft = {
			kind: 'save-retarder' as const,
			occurredAtMs: Math.round(room.now.epochMs),
			retarderId: retarder?.id ?? newId,
			name: now.name.trim(),
			setCelsius: set.value.celsius,
			compressorWatts: watts,
			airKilojoulesPerKelvin: air,
			wallsWattsPerKelvin: walls
		};
		await saving.save(draft, { said: 'Saved.', then: () => (typed = {}) });
	}
</script>

<form class="border-t border-line py-3" onsubmit={save} data-cold-room={retarder?.name ?? 'new'}>
	<div class="fields">
		<label>
			<span class="block font-bold">Name</span>
			<input
				name="name"
				class="field w-full"
				value={now.name}
				aria-label={retarder ? `Name of ${retarder.name}` : 'Name of the new cold room'}
				oninput={(event) => (typed = { ...typed, name: event.currentTarget.value })}
			/>
		</label>
		<FigureField
			label="Set to"
			unit={degrees}
			value={now.set}
			onChange={(set: string) => (typed = { ...typed, set })}
		/>
		<FigureField
			label="Compressor"
			unit="W"
			value={now.watts}
			note="of cold, from its plate"
			onChange={(watts: string) => (typed = { ...typed, watts })}
		/>
		<FigureField
			label="Air and racks"
			unit="kJ/°C"
			value={now.air}
			onChange={(air: string) => (typed = { ...typed, air })}
		/>
		<FigureField
			label="Walls and doors"
			unit="W/°C"
			value={now.walls}
			onChange={(walls: string) => (typed = { ...typed, walls })}
		/>
	</div>
	<p class="mt-2 flex flex-wrap items-center gap-3">
		<button class="action-lesser" disabled={Object.keys(typed).length === 0}
			>{retarder ? `Save ${retarder.name}` : 'Add a cold room'}</button
		>
		{#if saving.done}<span role="status">{saving.done}</span>{/if}
	</p>
	{#if saving.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{saving.message}
		</p>{/if}
</form>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(180px, 100%), 1fr));
		gap: 10px 16px;
	}
</style>
