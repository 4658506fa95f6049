<script lang="ts">
	import {
		changeAt,
		CRUSTS,
		programmeProblems,
		type BakeChange,
		type BakeProgramme
	} from '../../../core/baking/index.ts';
	import type { BakeStep } from '../../../core/formula/index.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import SwitchField from '../../../fields/SwitchField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';
	import { CRUST_TEXT, programmeProblemText } from '../../../wording/programme-text.ts';

	interface Props {
		step: BakeStep;
		onSet: (step: BakeStep) => void;
	}
	let { step, onSet }: Props = $props();

	const MOST_CHANGES = 12;
	const { programme } = $derived(step);
	const problems = $derived(programmeProblems(step));
	const set = (change: Partial<BakeProgramme>) =>
		onSet({ ...step, programme: { ...programme, ...change } });
	const setLoading = (change: Partial<BakeProgramme['atLoading']>) =>
		set({ atLoading: { ...programme.atLoading, ...change } });
	const setChange = (at: number, change: Partial<BakeChange>) =>
		set({
			changes: programme.changes.map((one, index) => (index === at ? { ...one, ...change } : one))
		});

	/** The next change is half way from the last to the end, and turns the oven down a little. */
	function add() {
		const last = Math.max(0, ...programme.changes.map(({ atMinutes }) => atMinutes));
		const settings = programme.changes.flatMap(({ celsius }) => celsius ?? []);
		const celsius = Math.max(60, (settings.at(-1) ?? step.loadCelsius) - 20);
		const atMinutes = Math.round((last + step.bakeMinutes) / 2);
		set({ changes: [...programme.changes, { ...changeAt(atMinutes), celsius }] });
	}

	const THREE = [
		{ value: '', read: null },
		{ value: 'yes', read: true },
		{ value: 'no', read: false }
	] as const;
	const written = (value: boolean | null) => THREE.find(({ read }) => read === value)?.value ?? '';
	const readThree = (text: string) => THREE.find(({ value }) => value === text)?.read ?? null;
</script>

{#snippet three(
	label: string,
	words: { readonly yes: string; readonly no: string },
	value: boolean | null,
	onChoose: (value: boolean | null) => void
)}
	<label class="flex items-center justify-between gap-3">
		{label}
		<select
			class="field"
			value={written(value)}
			onchange={(event) => onChoose(readThree(event.currentTarget.value))}
		>
			<option value="">as before</option>
			<option value="yes">{words.yes}</option>
			<option value="no">{words.no}</option>
		</select>
	</label>
{/snippet}
{#snippet heats(
	from: Pick<BakeChange, 'topPercent' | 'bottomPercent'>,
	onHeat: (change: { topPercent?: number | null; bottomPercent?: number | null }) => void
)}
	<NumberField
		label="Heat from above"
		value={from.topPercent}
		unit="%"
		decimals={0}
		least={0}
		most={100}
		optional
		onSet={(topPercent: number | null) => onHeat({ topPercent })}
	/>
	<NumberField
		label="Heat from below"
		value={from.bottomPercent}
		unit="%"
		decimals={0}
		least={0}
		most={100}
		optional
		onSet={(bottomPercent: number | null) => onHeat({ bottomPercent })}
	/>
{/snippet}

<div class="grid gap-3" data-programme>
	{#each programme.changes as change, at (at)}
		<fieldset class="change">
			<legend>Change {at + 1}</legend>
			<NumberField
				label="At"
				value={change.atMinutes}
				unit="min"
				decimals={1}
				least={0}
				most={600}
				onSet={(value: number | null) => setChange(at, { atMinutes: value ?? 0 })}
			/>
			<TemperatureField
				label="Set to"
				celsius={change.celsius}
				decimals={0}
				least={60}
				most={400}
				optional
				onSet={(celsius: number | null) => setChange(at, { celsius })}
			/>
			{@render three('Vent', { yes: 'open', no: 'closed' }, change.ventOpen, (ventOpen) =>
				setChange(at, { ventOpen })
			)}
			{@render three('Lid', { yes: 'on', no: 'off' }, change.lid, (lid) => setChange(at, { lid }))}
			{@render three('Fan', { yes: 'on', no: 'off' }, change.fan, (fan) => setChange(at, { fan }))}
			{@render heats(change, (heat) => setChange(at, heat))}
			<NumberField
				label="Steam"
				value={change.steamSeconds}
				unit="s"
				decimals={0}
				least={0}
				most={600}
				onSet={(value: number | null) => setChange(at, { steamSeconds: value ?? 0 })}
			/>
			<button
				class="action-small justify-self-start"
				aria-label="Take change {at + 1} out"
				onclick={() => set({ changes: programme.changes.filter((_, index) => index !== at) })}
				>Take out</button
			>
		</fieldset>
	{/each}
	{#if programme.changes.length < MOST_CHANGES}
		<button class="action-lesser justify-self-start" onclick={add}>Add a change</button>
	{/if}
	<div class="change">
		<NumberField
			label="Turn round at"
			value={programme.turnAtMinutes}
			unit="min"
			least={0}
			most={600}
			optional
			onSet={(turnAtMinutes: number | null) => set({ turnAtMinutes })}
		/>
		<NumberField
			label="Check at"
			value={programme.checkAtMinutes}
			unit="min"
			least={0}
			most={600}
			optional
			onSet={(checkAtMinutes: number | null) => set({ checkAtMinutes })}
		/>
		<label class="flex items-center justify-between gap-3">
			Crust
			<select
				class="field"
				value={programme.crust ?? ''}
				onchange={(event) =>
					set({ crust: CRUSTS.find((one) => one === event.currentTarget.value) ?? null })}
			>
				<option value="">not told</option>
				{#each CRUSTS as crust (crust)}<option value={crust}>{CRUST_TEXT[crust]}</option>{/each}
			</select>
		</label>
	</div>
	<details>
		<summary>How the oven stands at loading</summary>
		<div class="change">
			<NumberField
				label="Steam is given"
				value={programme.steamBursts}
				unit="times"
				whole
				decimals={0}
				least={1}
				most={10}
				onSet={(value: number | null) => set({ steamBursts: value ?? 1 })}
			/>
			<SwitchField
				label="Steam comes from water on a tray"
				checked={programme.steamByTray}
				onSet={(steamByTray: boolean) => set({ steamByTray })}
			/>
			<SwitchField
				label="It lies on the stone itself"
				checked={programme.onStone}
				onSet={(onStone: boolean) => set({ onStone })}
			/>
			<SwitchField
				label="The vent is open"
				checked={programme.atLoading.ventOpen}
				onSet={(ventOpen: boolean) => setLoading({ ventOpen })}
			/>
			<SwitchField
				label="A lid is on"
				checked={programme.atLoading.lid}
				onSet={(lid: boolean) => setLoading({ lid })}
			/>
			<SwitchField
				label="The fan is on"
				checked={programme.atLoading.fan}
				onSet={(fan: boolean) => setLoading({ fan })}
			/>
			{@render heats(programme.atLoading, setLoading)}
		</div>
	</details>
	{#if problems.length > 0}
		<ul role="alert">
			{#each problems as problem, at (at)}<li class="font-bold">
					{programmeProblemText(problem)}
				</li>{/each}
		</ul>
	{/if}
</div>

<style>
	.change {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(15rem, 1fr));
		align-items: center;
		max-width: 44rem;
		gap: 4px 28px;
		padding: 8px 12px;
		border: 1px solid var(--line);
	}
	legend {
		padding: 0 6px;
		font-weight: 700;
	}
</style>
