<script lang="ts">
	import { untrack } from 'svelte';
	import { readAnew } from '../../client/read-anew.ts';
	import { useRoom } from '../../client/room-context.ts';
	import { Sending } from '../../client/sending.svelte.ts';
	import type { CultureKeeping } from '../../contracts/culture-keeping.ts';
	import type { CulturesView, CultureView } from '../../contracts/culture-views.ts';
	import { MOST_BATCH_GRAMS } from '../../contracts/limits.ts';
	import { hydrationAfterFeeds, USUAL_KEEPING } from '../../core/culture/index.ts';
	import { USUAL_TIME_CONSTANT_MINUTES } from '../../core/formula/index.ts';
	import type { WallTime } from '../../core/time/index.ts';
	import { formatNumber, formatTemperature } from '../../core/units/index.ts';
	import ChoiceField from '../../fields/ChoiceField.svelte';
	import MassField from '../../fields/MassField.svelte';
	import NumberField from '../../fields/NumberField.svelte';
	import TemperatureField from '../../fields/TemperatureField.svelte';
	import TimeField from '../../fields/TimeField.svelte';

	interface Props {
		culture: CultureView;
		view: CulturesView;
		onDone: () => void;
	}
	let { culture, view, onDone }: Props = $props();
	const room = useRoom();
	const { units } = room.bakery;
	const sending = new Sending(room.retries);

	let kept: CultureKeeping = $state.raw(
		untrack(
			() =>
				culture.keeping ?? {
					...USUAL_KEEPING,
					flours: [],
					placeId: null,
					restPlaceId: null,
					timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.piece,
					feedTimes: []
				}
		)
	);
	/** As it was when it was opened: the second of two editors is told. */
	const version = untrack(() => culture.version);
	const set = (change: Partial<CultureKeeping>) => (kept = { ...kept, ...change });
	const setRatio = (change: Partial<CultureKeeping['ratio']>) =>
		set({ ratio: { ...kept.ratio, ...change } });
	const setClock = (change: Partial<CultureKeeping['clock']>) =>
		set({ clock: { ...kept.clock, ...change } });

	const places = $derived(
		view.places.map(({ id, name, celsius }) => ({
			value: id,
			label: name,
			note: formatTemperature({ celsius }, 0, units)
		}))
	);
	const freeFlours = $derived(
		view.flours.filter(({ id }) => !kept.flours.some(({ flourId }) => flourId === id))
	);
	const hydration = $derived(hydrationAfterFeeds(kept.ratio));
	/** Fed so it becomes something else than its ingredient says, and every formula with it is off. */
	const isOff = $derived(
		culture.hydrationPercent !== null && Math.abs(hydration - culture.hydrationPercent) > 2
	);
	const hours = (minutes: number) => minutes / 60;

	async function save() {
		const { underMinutes, ripeMinutes, overMinutes } = kept.clock;
		if (kept.flours.length === 0) return void (sending.message = 'Choose the flour it is fed.');
		if (!(underMinutes < ripeMinutes && ripeMinutes < overMinutes))
			return void (sending.message = 'Early, ripe and past its best follow one another.');
		await sending.send(
			{
				kind: 'keep-culture',
				occurredAtMs: Math.round(room.now.epochMs),
				ingredientId: culture.ingredientId,
				keeping: kept,
				expectedVersion: version
			},
			async ({ outcome }) => {
				if (outcome !== 'done') return;
				room.tell(`${culture.name}: how it is kept is saved.`);
				onDone();
				await readAnew('jovet:moment');
			}
		);
	}
</script>

<form
	class="keeping"
	aria-label="{culture.name}, how it is kept"
	onsubmit={(event) => {
		event.preventDefault();
		void save();
	}}
>
	<fieldset>
		<legend>A feed, in parts by weight</legend>
		<NumberField
			label="Ripe culture"
			value={kept.ratio.seed}
			least={0.01}
			most={1000}
			decimals={2}
			onSet={(seed: number | null) => setRatio({ seed: seed ?? 1 })}
		/>
		<NumberField
			label="Flour"
			value={kept.ratio.flour}
			least={0.01}
			most={1000}
			decimals={2}
			onSet={(flour: number | null) => setRatio({ flour: flour ?? 1 })}
		/>
		<NumberField
			label="Water"
			value={kept.ratio.water}
			least={0.01}
			most={1000}
			decimals={2}
			onSet={(water: number | null) => setRatio({ water: water ?? 1 })}
		/>
		<p class="text-note" class:font-bold={isOff} data-hydration>
			Fed so it has {formatNumber(hydration, 0)} % of water for its flour{#if isOff && culture.hydrationPercent !== null};
				its ingredient says {formatNumber(culture.hydrationPercent, 0)} %. Change one of the two, or every
				formula that takes it is off{/if}.
		</p>
	</fieldset>
	<fieldset>
		<legend>The flours of it</legend>
		{#each kept.flours as { flourId, parts }, index (flourId)}
			<div class="flex items-end gap-2">
				<div class="grow">
					<NumberField
						label={view.flours.find(({ id }) => id === flourId)?.name ?? 'flour'}
						value={parts}
						unit="parts"
						least={0.01}
						most={1000}
						decimals={2}
						onSet={(value: number | null) =>
							set({
								flours: kept.flours.map((one, at) =>
									at === index ? { ...one, parts: value ?? 1 } : one
								)
							})}
					/>
				</div>
				<button
					type="button"
					class="action-small"
					aria-label="Without this flour"
					onclick={() => set({ flours: kept.flours.filter((_, at) => at !== index) })}
					>Without</button
				>
			</div>
		{/each}
		{#if freeFlours.length > 0}
			<ChoiceField
				label="Add a flour"
				options={freeFlours.map(({ id, name }) => ({ value: id, label: name }))}
				value=""
				onSet={(flourId: string) => {
					if (flourId !== '') set({ flours: [...kept.flours, { flourId, parts: 1 }] });
				}}
			/>
		{/if}
	</fieldset>
	<fieldset>
		<legend>Where it stands</legend>
		<ChoiceField
			label="After a feed"
			options={[{ value: '', label: 'the room' }, ...places]}
			value={kept.placeId ?? ''}
			onSet={(value: string) => set({ placeId: value === '' ? null : value })}
		/>
		<ChoiceField
			label="When it is ripe"
			options={[{ value: '', label: 'it stays there' }, ...places]}
			value={kept.restPlaceId ?? ''}
			onSet={(value: string) => set({ restPlaceId: value === '' ? null : value })}
		/>
		<TemperatureField
			label="As warm as it is fed"
			celsius={kept.fedCelsius}
			least={-5}
			most={60}
			onSet={(celsius: number | null) => set({ fedCelsius: celsius ?? kept.fedCelsius })}
		/>
		<NumberField
			label="Takes the place's temperature in"
			value={kept.timeConstantMinutes}
			unit="min"
			least={1}
			most={10_000}
			decimals={0}
			onSet={(minutes: number | null) =>
				set({ timeConstantMinutes: minutes ?? kept.timeConstantMinutes })}
		/>
	</fieldset>
	<fieldset>
		<legend>After such a feed, held at one temperature</legend>
		<TemperatureField
			label="Held at"
			celsius={kept.clock.referenceCelsius}
			least={1}
			most={41}
			onSet={(celsius: number | null) =>
				setClock({ referenceCelsius: celsius ?? kept.clock.referenceCelsius })}
		/>
		<NumberField
			label="Early after"
			value={hours(kept.clock.underMinutes)}
			unit="h"
			least={0.1}
			most={1000}
			decimals={2}
			onSet={(value: number | null) => setClock({ underMinutes: (value ?? 1) * 60 })}
		/>
		<NumberField
			label="Ripe after"
			value={hours(kept.clock.ripeMinutes)}
			unit="h"
			least={0.1}
			most={1000}
			decimals={2}
			onSet={(value: number | null) => setClock({ ripeMinutes: (value ?? 1) * 60 })}
		/>
		<NumberField
			label="Past its best after"
			value={hours(kept.clock.overMinutes)}
			unit="h"
			least={0.1}
			most={1000}
			decimals={2}
			onSet={(value: number | null) => setClock({ overMinutes: (value ?? 1) * 60 })}
		/>
	</fieldset>
	<fieldset>
		<legend>When it is fed, whatever takes it</legend>
		{#each kept.feedTimes as time, index (index)}
			<div class="flex items-end gap-2">
				<TimeField
					label="Feed {index + 1}"
					value={time}
					onSet={(value: WallTime) =>
						set({ feedTimes: kept.feedTimes.map((one, at) => (at === index ? value : one)) })}
				/>
				<button
					type="button"
					class="action-small"
					aria-label="Without the feed at {time}"
					onclick={() => set({ feedTimes: kept.feedTimes.filter((_, at) => at !== index) })}
					>Without</button
				>
			</div>
		{:else}
			<p class="text-note">Never by the clock: by what it seeds, or before it is taken.</p>
		{/each}
		{#if kept.feedTimes.length < 6}
			<button
				type="button"
				class="action-lesser mt-1"
				onclick={() =>
					set({
						feedTimes: [
							...kept.feedTimes,
							(['08:00', '20:00', '14:00', '02:00', '11:00', '17:00'].find(
								(time) => !kept.feedTimes.includes(time as WallTime)
							) ?? '08:30') as WallTime
						]
					})}>Add a feed time</button
			>
		{/if}
	</fieldset>
	<fieldset>
		<legend>What is kept of it</legend>
		<MassField
			label="Left after everything"
			grams={kept.keepGrams}
			least={0}
			most={MOST_BATCH_GRAMS}
			fine
			onSet={(grams: number | null) => set({ keepGrams: grams ?? 0 })}
		/>
		<NumberField
			label="Refreshed after so long in the cold"
			value={kept.coldDays}
			unit="days"
			least={1}
			most={365}
			decimals={0}
			whole
			onSet={(days: number | null) => set({ coldDays: days ?? kept.coldDays })}
		/>
		<NumberField
			label="So many feeds then"
			value={kept.refreshes}
			least={0}
			most={10}
			decimals={0}
			whole
			onSet={(refreshes: number | null) => set({ refreshes: refreshes ?? kept.refreshes })}
		/>
	</fieldset>
	<div class="basis-full">
		<button class="action" disabled={sending.busy}>Save how it is kept</button>
		{#if sending.message}<p class="mt-2" role="alert">{sending.message}</p>{/if}
	</div>
</form>

<style>
	.keeping {
		display: flex;
		flex-wrap: wrap;
		gap: 16px 32px;
	}
	fieldset {
		flex: 1 1 320px;
	}
	legend {
		font-weight: 700;
	}
</style>
