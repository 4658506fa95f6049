<script lang="ts">
	import {
		foldsTooLate,
		legStandingIn,
		LONGEST_LEG_MINUTES,
		WAIT_ACTIVITIES,
		WAIT_PLACES,
		type Leg,
		type RipenessClock,
		type WaitActivity,
		type WaitStep,
		USUAL_DOUGH_CELSIUS,
		USUAL_ROOM_CELSIUS,
		USUAL_TIME_CONSTANT_MINUTES
	} from '../../../core/formula/index.ts';
	import { useRoom } from '../../../client/room-context.ts';
	import { formatNumber, formatTemperature } from '../../../core/units/index.ts';
	import Choice from '../../../ui/Choice.svelte';
	import { ACTIVITY_TEXT, OTHER_PLACE_TEXT } from '../../../wording/step-text.ts';
	import NumberField from '../../../fields/NumberField.svelte';
	import TemperatureField from '../../../fields/TemperatureField.svelte';
	import { FIRST_CLOCK, FIRST_LEG, readList } from './step-list.ts';
	import { boundsOfReference } from './leavening-of-clock.ts';
	import LeaveningFields from './LeaveningFields.svelte';
	import { readyWordOf } from '../../../wording/ready-text.ts';

	interface Props {
		step: WaitStep;
		onSet: (step: WaitStep) => void;
	}
	let { step, onSet }: Props = $props();
	const room = useRoom();
	let problem = $state('');
	const set = (change: Partial<WaitStep>) => onSet({ ...step, ...change });
	const setLeg = (at: number, change: Partial<Leg>) =>
		set({ legs: step.legs.map((leg, index) => (index === at ? { ...leg, ...change } : leg)) });

	/** The bakery's places, and any other that is told by its temperature. */
	const standings = $derived([
		...room.bakery.places.map(({ id, name, celsius }) => ({
			value: id,
			label: name,
			note: formatTemperature({ celsius }, 1, room.bakery.units)
		})),
		...WAIT_PLACES.map((place) => ({ value: place, label: OTHER_PLACE_TEXT[place] }))
	]);
	/** A leg to another place: a named one brings its temperature, any other keeps the one that was typed. */
	function stand(at: number, value: string) {
		const place = room.bakery.places.find(({ id }) => id === value);
		const other = WAIT_PLACES.find((other) => other === value);
		const leg = step.legs[at];
		if (place && leg) setLeg(at, legStandingIn(leg, place));
		else if (other) setLeg(at, { named: null, place: other });
	}

	/** Without a clock nothing lasts until ripe, so every leg gets minutes. */
	function setClock(clock: RipenessClock | null) {
		const legs =
			clock === null
				? step.legs.map((leg) => ({ ...leg, minutes: leg.minutes ?? FIRST_LEG.minutes }))
				: step.legs;
		set({ clock, legs });
	}
	/** Under, ripe and over follow each other; the one that is typed moves its neighbours. */
	function setMark(mark: 'underMinutes' | 'ripeMinutes' | 'overMinutes', value: number) {
		if (!step.clock) return;
		const clock = { ...step.clock, [mark]: value };
		const { ripeMinutes: ripe } = clock;
		setClock({
			...clock,
			underMinutes: Math.min(clock.underMinutes, ripe - 1),
			overMinutes: Math.max(clock.overMinutes, ripe + 1),
			ripeMinutes:
				mark === 'underMinutes' && value >= ripe
					? value + 1
					: mark === 'overMinutes' && value <= ripe
						? value - 1
						: ripe
		});
	}
	function setFolds(text: string, by: 'foldsAtMinutes' | 'foldsAtShares') {
		const read = readList(text, by === 'foldsAtShares' ? 100 : 4320);
		problem = read
			? ''
			: `"${text}" is not a row of ${by === 'foldsAtShares' ? 'percentages up to 100' : 'minutes'}. Type them with commas: 40, 80, 120.`;
		if (read) set({ [by]: by === 'foldsAtShares' ? read.map((share) => share / 100) : read });
	}
	const late = $derived(foldsTooLate(step));
	const sharesText = $derived(
		step.foldsAtShares.map((share) => formatNumber(share * 100, 1).replace(/\.0$/, '')).join(', ')
	);
</script>

<div class="grid max-w-2xl gap-2">
	<label class="flex items-center gap-3">
		What it does
		<select
			name="activity"
			class="field"
			value={step.activity}
			onchange={(event) => set({ activity: event.currentTarget.value as WaitActivity })}
		>
			{#each WAIT_ACTIVITIES as activity (activity)}<option value={activity}
					>{ACTIVITY_TEXT[activity]}</option
				>{/each}
		</select>
	</label>
	{#each step.legs as leg, at (at)}
		<fieldset class="flex flex-wrap items-center gap-2">
			<legend class="sr-only">Place {at + 1}</legend>
			<span>{at === 0 ? 'First' : 'then'}</span>
			<div class="w-56">
				<Choice
					label="Place {at + 1}"
					options={standings}
					value={leg.named?.id ?? leg.place}
					onSet={(value: string) => stand(at, value)}
				/>
			</div>
			<span>at</span>
			{#if leg.named}
				<b>{formatTemperature({ celsius: leg.ambientCelsius }, 1, room.bakery.units)}</b>
			{:else}
				<TemperatureField
					bare
					label="Temperature of place {at + 1}"
					celsius={leg.ambientCelsius}
					least={-30}
					most={105}
					onSet={(value: number | null) =>
						setLeg(at, { ambientCelsius: value ?? USUAL_ROOM_CELSIUS })}
				/>
			{/if}
			<span>for</span>
			<NumberField
				bare
				label="Minutes in place {at + 1}"
				value={leg.minutes}
				unit="min"
				least={0}
				most={LONGEST_LEG_MINUTES}
				optional={step.clock !== null && at === step.legs.length - 1}
				onSet={(value: number | null) => setLeg(at, { minutes: value })}
			/>
			{#if leg.minutes === null}<b>until {readyWordOf(step.activity)}</b>{/if}
			<span>takes its warmth in</span>
			<NumberField
				bare
				label="Time constant in place {at + 1}"
				value={leg.timeConstantMinutes}
				unit="min"
				decimals={0}
				least={1}
				most={100000}
				onSet={(value: number | null) =>
					setLeg(at, { timeConstantMinutes: value ?? USUAL_TIME_CONSTANT_MINUTES.piece })}
			/>
			{#if step.legs.length > 1}
				<button
					class="action-small"
					aria-label="Remove place {at + 1}"
					onclick={() => set({ legs: step.legs.filter((_, index) => index !== at) })}>Remove</button
				>
			{/if}
		</fieldset>
	{/each}
	<button
		class="action-small justify-self-start"
		disabled={step.legs.length >= 12}
		onclick={() =>
			set({
				legs: [
					...step.legs.map((leg) => ({ ...leg, minutes: leg.minutes ?? 60 })),
					{ ...FIRST_LEG, minutes: step.clock ? null : 30 }
				]
			})}>Then move it to another place</button
	>
	<label class="flex items-center gap-2">
		<input
			name="clock"
			type="checkbox"
			checked={step.clock !== null}
			onchange={(event) => setClock(event.currentTarget.checked ? FIRST_CLOCK : null)}
		/> it ferments by its own clock
	</label>
	{#if step.clock}
		{@const clock = step.clock}
		<div class="grid max-w-md gap-1">
			<LeaveningFields {clock} onSet={setClock} />
			<TemperatureField
				label="The times below are at"
				celsius={clock.referenceCelsius}
				{...boundsOfReference(clock.leavening)}
				onSet={(value: number | null) =>
					setClock({ ...clock, referenceCelsius: value ?? USUAL_DOUGH_CELSIUS })}
			/>
			<NumberField
				label="Early before"
				value={clock.underMinutes}
				unit="min"
				decimals={0}
				least={0}
				most={4318}
				onSet={(value: number | null) => setMark('underMinutes', value ?? 0)}
			/>
			<NumberField
				label={step.activity === 'ferment' ? 'Ripe at' : 'Ready at'}
				value={clock.ripeMinutes}
				unit="min"
				decimals={0}
				least={1}
				most={4319}
				onSet={(value: number | null) => setMark('ripeMinutes', value ?? 1)}
			/>
			<NumberField
				label="Late after"
				value={clock.overMinutes}
				unit="min"
				decimals={0}
				least={2}
				most={4320}
				onSet={(value: number | null) => setMark('overMinutes', value ?? 2)}
			/>
			<NumberField
				label="Left undone, the next wait makes up for"
				value={clock.carryShare * 100}
				unit="%"
				decimals={0}
				least={0}
				most={100}
				onSet={(value: number | null) => setClock({ ...clock, carryShare: (value ?? 0) / 100 })}
			/>
		</div>
	{/if}
	<label class="flex flex-wrap items-center gap-2">
		Fold after
		<input
			name="foldsAtMinutes"
			class="field"
			value={step.foldsAtMinutes.join(', ')}
			placeholder="minutes, as 40, 80"
			onchange={(event) => setFolds(event.currentTarget.value, 'foldsAtMinutes')}
		/> min
	</label>
	<label class="flex flex-wrap items-center gap-2">
		and at these shares of the wait
		<input
			name="sharesText"
			class="field"
			value={sharesText}
			placeholder="percent, as 67"
			onchange={(event) => setFolds(event.currentTarget.value, 'foldsAtShares')}
		/> %
	</label>
	{#if problem}<p role="alert" class="font-bold">{problem}</p>{/if}
	{#if late.length > 0}
		<p role="alert">
			<span class="act-now px-2">Too late</span> The fold after {late.join(', ')} min comes when this
			wait is over: fold sooner, or wait longer. It cannot be saved so.
		</p>
	{/if}
</div>
