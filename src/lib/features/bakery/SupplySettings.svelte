<script lang="ts">
	import { useRoom } from '../../client/room-context.ts';
	import type { SupplyView } from '../../contracts/bakery-views.ts';
	import { ICE_FORMS, usualIceCap, type IceForm } from '../../core/heat/index.ts';
	import {
		formatNumber,
		formatTemperature,
		parseTemperature,
		type ParseFailure,
		type Temperature
	} from '../../core/units/index.ts';
	import { parseFailureText } from '../../wording/failure-text.ts';
	import FigureField from './FigureField.svelte';
	import { Saving } from './saving.svelte.ts';

	interface Props {
		supply: SupplyView;
	}
	let { supply }: Props = $props();
	const room = useRoom();
	const { units } = $derived(room.bakery);
	const saving = new Saving(room.retries);
	const degrees = $derived(units.temperature === 'fahrenheit' ? '°F' : '°C');
	const bare = (celsius: number | null) =>
		celsius === null ? '' : formatTemperature({ celsius }, 1, units).replace(/ °.$/, '');

	interface Typed {
		iceForm: IceForm;
		share: string;
		ice: string;
		chilled: string;
		hot: string;
		hottest: string;
	}
	const stored = $derived<Typed>({
		iceForm: supply.iceForm,
		share: formatNumber(supply.iceMostShare * 100, 0),
		ice: bare(supply.iceCelsius),
		chilled: bare(supply.chilledCelsius),
		hot: bare(supply.hotTapCelsius),
		hottest: bare(supply.hottestWaterCelsius)
	});
	/** What was typed over what is stored; nothing while all is as stored. */
	let typed: Partial<Typed> = $state({});
	const now = $derived({ ...stored, ...typed });
	const changed = $derived(Object.keys(typed).length > 0);
	const ICE: Record<IceForm, string> = {
		none: 'no ice in the house',
		flakes: 'flakes, from an ice machine',
		cubes: 'cubes'
	};

	function setForm(iceForm: IceForm) {
		const cap = formatNumber(usualIceCap(iceForm).share * 100, 0);
		typed = { ...typed, iceForm, share: cap };
	}
	async function save(event: SubmitEvent) {
		event.preventDefault();
		const problems: string[] = [];
		const read = (name: string, text: string, least: Temperature, most: Temperature): number => {
			const found = parseTemperature(text, units, { least, most });
			if (found.ok) return found.value.celsius;
			problems.push(`${name}: ${problemText(found.error)}`);
			return 0;
		};
		const problemText = (error: ParseFailure) =>
			error.kind === 'empty' ? 'type a temperature.' : parseFailureText(error);
		const share = Number(now.share.replace(',', '.'));
		if (!(share >= 0 && share <= 100)) problems.push('Most ice: type a share from 0 to 100 %.');
		const values = {
			iceForm: now.iceForm,
			iceMostShare: share / 100,
			iceCelsius: read('Ice', now.ice, { celsius: -40 }, { celsius: 0 }),
			chilledCelsius:
				now.chilled.trim() === ''
					? null
					: read('Chilled water', now.chilled, { celsius: 0 }, { celsius: 20 }),
			hotTapCelsius: read('Hot tap', now.hot, { celsius: 20 }, { celsius: 95 }),
			hottestWaterCelsius: read('Hottest water', now.hottest, { celsius: 20 }, { celsius: 60 })
		};
		if (problems.length > 0) {
			saving.refuse(problems.join(' '));
			return;
		}
		await saving.save(
			{
				kind: 'set-supply',
				occurredAtMs: Math.round(room.now.epochMs),
				...values,
				expectedVersion: supply.version
			},
			{ said: 'Saved: the water of every mix follows.', then: () => (typed = {}) }
		);
	}
</script>

<form class="card" onsubmit={save} data-supply>
	<h2>Water and ice</h2>
	<fieldset class="mt-2">
		<legend class="font-bold">Ice</legend>
		{#each ICE_FORMS as form (form)}
			<label class="flex min-h-11 items-center gap-2">
				<input
					type="radio"
					name="ice"
					value={form}
					checked={now.iceForm === form}
					onchange={() => setForm(form)}
				/>
				{ICE[form]}
			</label>
		{/each}
	</fieldset>
	<div class="fields">
		<FigureField
			label="Most of the water as ice"
			unit="%"
			value={now.share}
			note="less in a short mix: what does not melt does not cool"
			onChange={(share: string) => (typed = { ...typed, share })}
		/>
		<FigureField
			label="Ice comes at"
			unit={degrees}
			value={now.ice}
			note="lower from a freezer"
			onChange={(ice: string) => (typed = { ...typed, ice })}
		/>
		<FigureField
			label="Chilled water"
			unit={degrees}
			value={now.chilled}
			note="empty where there is no chiller"
			onChange={(chilled: string) => (typed = { ...typed, chilled })}
		/>
		<FigureField
			label="Hot tap"
			unit={degrees}
			value={now.hot}
			onChange={(hot: string) => (typed = { ...typed, hot })}
		/>
		<FigureField
			label="Hottest water that meets yeast"
			unit={degrees}
			value={now.hottest}
			onChange={(hottest: string) => (typed = { ...typed, hottest })}
		/>
	</div>
	<p class="mt-3 flex flex-wrap items-center gap-3">
		<button class="action" disabled={!changed}>Save water and ice</button>
		{#if changed}<button type="button" class="action-lesser" onclick={() => (typed = {})}
				>As it was</button
			>{/if}
		{#if saving.done}<span role="status">{saving.done}</span>{/if}
	</p>
	{#if saving.message}<p role="alert">
			<span class="act-now px-2">Check</span>
			{saving.message}
		</p>{/if}
</form>

<style>
	.card {
		padding: 14px 18px;
		background: var(--sheet);
		border: 1px solid var(--line);
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(220px, 100%), 1fr));
		gap: 12px 20px;
		margin-top: 10px;
	}
</style>
